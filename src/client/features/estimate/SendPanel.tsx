/** Sending the estimate, and what was sent and answered before. */
import { lazy, Suspense, useState } from 'react';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import { pathOf } from '#contract/routes.ts';
import type { AnswerView, EstimateView, RevisionView } from '#contract/estimate.ts';
import { ANSWERS, type Answer } from '#core/approval/answers.ts';
import { formatMoney } from '#core/money/money.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { Head, Mono, Notice, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { useSendRevision } from './estimate.queries.ts';

const TelephoneDialog = lazy(() => import('./TelephoneDialog.tsx'));

const Sent = styled.li`
  display: grid;
  gap: ${space.xs};
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
`;

export function SendPanel({ estimate }: { estimate: EstimateView }) {
  const [note, setNote] = useState('');
  const [id, setId] = useState(() => uuidv7());
  const send = useSendRevision(estimate.buildId);
  const [newest] = estimate.revisions;
  const number = (newest?.number ?? 0) + 1;
  const press = (): void =>
    send.mutate(
      { id, note, after: newest?.number ?? 0 },
      {
        onSuccess: () => {
          setNote('');
          setId(uuidv7());
        },
      },
    );
  return (
    <Panel>
      <Head>Send it</Head>
      <Stack $gap="s">
        <TextAreaField
          label={`A word to ${estimate.customer} with it`}
          rows={2}
          maxLength={2000}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
        {send.isError && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(send.error)}
          </Notice>
        )}
        <Row>
          <Button $look="main" isDisabled={send.isPending || estimate.lines.length === 0} onPress={press}>
            Send estimate {number} to {estimate.customer.split(' ')[0]}
          </Button>
        </Row>
        <Quiet>What is sent never changes. Change the lines, and send the next one.</Quiet>
      </Stack>
      <Sents estimate={estimate} />
    </Panel>
  );
}

function Sents({ estimate }: { estimate: EstimateView }) {
  const [taking, setTaking] = useState<RevisionView | null>(null);
  if (estimate.revisions.length === 0) return null;
  return (
    <>
      <Head as="h3">Sent and answered</Head>
      <ul>
        {estimate.revisions.map((r, i) => (
          <SentRow
            key={r.id}
            buildId={estimate.buildId}
            revision={r}
            answers={estimate.answers.filter((a) => a.revision === r.number)}
          >
            {i === 0 && <Button onPress={() => setTaking(r)}>Take down an answer by telephone</Button>}
          </SentRow>
        ))}
      </ul>
      {taking && (
        <Suspense>
          <TelephoneDialog estimate={estimate} revision={taking} onClose={() => setTaking(null)} />
        </Suspense>
      )}
    </>
  );
}

const SAID: Record<Answer, string> = {
  approve: 'do',
  wait: 'wait',
  decline: 'leave out',
  ask: 'asked about',
};

function SentRow({
  buildId,
  revision,
  answers,
  children,
}: {
  buildId: string;
  revision: RevisionView;
  answers: AnswerView[];
  children: React.ReactNode;
}) {
  const { locale, today, currency } = useManner();
  const { timeZone } = useShop().shop;
  const day = (at: string): string => formatDay(dayOf(at, timeZone), locale, today);
  return (
    <Sent>
      <span>
        <b>Estimate {revision.number}</b>{' '}
        <Mono $brass>{formatMoney(revision.content.grossMinor, currency, locale)}</Mono>{' '}
        <Quiet>
          {day(revision.sentAt)}, by {revision.sentBy}
        </Quiet>{' '}
        <a href={pathOf('revisionPdf', { buildId, revisionId: revision.id })} download>
          PDF
        </a>
      </span>
      {answers.length === 0 && <Quiet>Not answered yet.</Quiet>}
      {answers.map((a) => (
        <span key={a.id}>
          {a.name} answered {day(a.at)}
          {a.takenBy && ` by telephone to ${a.takenBy}: “${a.said}”`}:{' '}
          {ANSWERS.flatMap((answer) => {
            const n = a.given.filter((g) => g.answer === answer).length;
            return n === 0 ? [] : [`${SAID[answer]} ${n}`];
          }).join(', ')}
          {a.given.map((g) => g.question && <Quiet key={g.lineId}> “{g.question}”</Quiet>)}
        </span>
      ))}
      {children}
    </Sent>
  );
}
