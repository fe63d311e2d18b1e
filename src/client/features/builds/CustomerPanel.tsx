/** The customer: letters sent, and the link to their page. */
import { lazy, Suspense, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { BuildView } from '#contract/builds.ts';
import { agoInWords, dayOf, formatDay } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Head, Panel, Quiet, Row } from '../../ui/parts.tsx';
import { touch } from '../../ui/tokens.ts';
import { HowTold, lettersQuery } from '../letters/index.ts';
import { useRenewLink, useRevokeLink } from './builds.queries.ts';
import { Readers } from './Readers.tsx';

const CustomerDialog = lazy(() => import('./CustomerDialog.tsx'));
const AgreedDialog = lazy(() => import('./AgreedDialog.tsx'));

const Letter = styled(Link)`
  display: block;
  min-height: ${touch};
  padding: 6px 0;
`;

const SHOWN = 4;

export function CustomerPanel({ build }: { build: BuildView }) {
  const { seesPrices } = useShop();
  return seesPrices ? <Known build={build} /> : null;
}

function Known({ build }: { build: BuildView }) {
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const [agreeing, setAgreeing] = useState(false);
  const [changing, setChanging] = useState(false);
  const [all, setAll] = useState(false);
  const { data: letters = [] } = useQuery(lettersQuery(build.id));
  const sent = letters.filter((l) => l.state === 'sent');
  return (
    <Panel>
      <Row>
        <Head>{build.customer}</Head>
        <Button $look="quiet" onPress={() => setAgreeing(true)}>
          What is agreed
        </Button>
        <Button $look="quiet" onPress={() => setChanging(true)}>
          Change customer
        </Button>
        <HowTold buildId={build.id} />
      </Row>
      <p>
        <a href={`mailto:${build.customerEmail}`}>{build.customerEmail}</a>{' '}
        {build.customerRecord?.phone && (
          <a href={`tel:${build.customerRecord.phone.replace(/\s/g, '')}`}>{build.customerRecord.phone}</a>
        )}
      </p>
      <PageLink build={build} />
      <Readers buildId={build.id} />
      {sent.length === 0 && <Quiet>No letter has been sent yet.</Quiet>}
      <ul>
        {sent.slice(0, all ? undefined : SHOWN).map((l) => (
          <li key={l.id}>
            <Letter to={`/letters/${l.id}`}>
              {l.subject} <Quiet>{formatDay(dayOf(l.at, timeZone), manner.locale, manner.today)}</Quiet>
            </Letter>
          </li>
        ))}
      </ul>
      {changing && (
        <Suspense>
          <CustomerDialog build={build} onClose={() => setChanging(false)} />
        </Suspense>
      )}
      {agreeing && (
        <Suspense>
          <AgreedDialog build={build} onClose={() => setAgreeing(false)} />
        </Suspense>
      )}
      {sent.length > SHOWN && !all && <Button onPress={() => setAll(true)}>All {sent.length} letters</Button>}
    </Panel>
  );
}

function PageLink({ build }: { build: BuildView }) {
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const renew = useRenewLink(build.id);
  const revoke = useRevokeLink(build.id);
  const [asking, setAsking] = useState<'renew' | 'revoke' | null>(null);
  if (!build.link)
    return (
      <Row>
        <Quiet>No link is open. The next letter makes one.</Quiet>
        <Button onPress={() => renew.mutate()}>Make the link now</Button>
      </Row>
    );
  const opened = build.link.lastOpenedAt;
  return (
    <>
      <p>
        <a href={build.link.url} target="_blank" rel="noreferrer">
          Their page
        </a>{' '}
        <Quiet>
          {opened ? `opened ${agoInWords(dayOf(opened, timeZone), manner.today)}` : 'not opened yet'}
        </Quiet>
      </p>
      <Row>
        <Button onPress={() => setAsking('renew')}>Renew the link</Button>
        <Button $look="oxide" onPress={() => setAsking('revoke')}>
          Close the link
        </Button>
      </Row>
      <Dialog
        title={asking === 'revoke' ? 'Close their link?' : 'Make a new link?'}
        isOpen={asking !== null}
        onClose={() => setAsking(null)}
      >
        <p>
          The old link stops working at once, also in mails sent before.
          {asking === 'renew' ? ' The next letter carries the new one.' : ' The next letter opens a new one.'}
        </p>
        <Row>
          <Button
            $look={asking === 'revoke' ? 'oxide' : 'main'}
            onPress={() =>
              (asking === 'revoke' ? revoke : renew).mutate(undefined, { onSuccess: () => setAsking(null) })
            }
          >
            {asking === 'revoke' ? 'Close the link' : 'Make a new link'}
          </Button>
          <Button $look="quiet" onPress={() => setAsking(null)}>
            Leave it
          </Button>
        </Row>
      </Dialog>
    </>
  );
}
