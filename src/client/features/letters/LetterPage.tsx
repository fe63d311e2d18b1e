/** A letter: the draft to edit and send, or the sent one to read. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import type { LetterView } from '#contract/letters.ts';
import { formatDay, dayOf } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Notice, Page, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { useThisCar } from '../entries/index.ts';
import { pictureUrl } from '../photos/index.ts';
import { LetterDraft } from './LetterDraft.tsx';
import { letterQuery } from './letters.queries.ts';
import { LetterText } from './LetterText.tsx';

export default function LetterPage() {
  const { letterId = '' } = useParams();
  const { data: letter } = useSuspenseQuery(letterQuery(letterId));
  useThisCar(letter.buildId, letter.build.nickname);
  useTitle(`Letter to ${letter.customer.name}`);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Letter to {letter.customer.name}</Title>
          <Link to={`/builds/${letter.buildId}`}>back to the {letter.build.nickname}</Link>
        </Row>
        {letter.state === 'draft' ? (
          <LetterDraft key={letter.id} letter={letter} />
        ) : (
          <Sent letter={letter} />
        )}
      </Stack>
    </Page>
  );
}

const MAIL_WORDS = {
  queued: 'The mail is on its way to the mail server.',
  accepted: 'The mail server has taken it.',
  failed: 'The mail could not be sent.',
  returned: 'The mail came back.',
  waiting: '',
  perhaps: 'Nobody knows whether the mail arrived: Avrik or the mail server stopped in the middle of it.',
} as const;

function Sent({ letter }: { letter: LetterView }) {
  const manner = useManner();
  const { shop } = useShop();
  const day = letter.sentAt
    ? formatDay(dayOf(letter.sentAt, shop.timeZone), manner.locale, manner.today)
    : '';
  const mail = letter.mail ?? 'queued';
  const urlOf = (hash: string): string => pictureUrl(letter.buildId, hash);
  const pictures = letter.pictures.map(({ before, ...p }) => ({
    ...p,
    url: urlOf(p.thumb),
    ...(before ? { before: { url: urlOf(before.thumb), caption: before.caption } } : {}),
  }));
  return (
    <Stack>
      <Notice $tone={mail === 'accepted' || mail === 'queued' ? 'cure' : 'oxide'} role="status">
        {mail === 'waiting'
          ? `Not sent by mail: ${letter.mailNote}. It is finished, and stands on the customer’s page; the mail goes to ${letter.customer.email} when mail does. `
          : `Sent ${day} to ${letter.customer.email}. ${MAIL_WORDS[mail]} ${letter.mailNote ?? ''} `}
        {(mail === 'waiting' || mail === 'perhaps') && <Link to="/shop/mail">Mail server</Link>}{' '}
        {shop.isDemo && (
          <>
            This is a demo with a stand-in mail server: <Link to="/outbox">see it in the outbox</Link>.
          </>
        )}
      </Notice>
      <Quiet>A sent letter never changes. What has to be put right goes into the next one.</Quiet>
      <LetterText content={letter.content} pictures={pictures} />
    </Stack>
  );
}
