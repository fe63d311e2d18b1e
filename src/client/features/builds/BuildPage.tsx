/** One build: where it stands, what it comes to, and its logbook. */
import { lazy, Suspense, useState } from 'react';
import { useIsMutating, useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { styled } from 'styled-components';
import type { BuildView, TellBy } from '#contract/builds.ts';
import { promiseNow } from '#core/pauses/pauses.ts';
import { formatDay } from '#core/time/days.ts';
import { waitInWords } from '#core/waits/waits.ts';
import { wordsOf } from '../../shared/api.ts';
import { useKey } from '../../shared/keys.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { CarTitle, Head, Mono, Notice, Now, Page, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { narrow, phone, space } from '../../ui/tokens.ts';
import { useDraftLetter } from '../letters/index.ts';
import { useThisCar } from '../entries/index.ts';
import { Questions } from '../questions/index.ts';
import { holdsOf, waitsQuery } from '../waits/index.ts';
import { buildQuery, useEndWait } from './builds.queries.ts';
import { CustomerPanel } from './CustomerPanel.tsx';
import { Logbook } from './Logbook.tsx';
import { Rests } from './Rests.tsx';
import { NextPanel } from './NextPanel.tsx';
import { Sums } from './Sums.tsx';

const StageDialog = lazy(() => import('./StageDialog.tsx'));

/** Desk: the logbook beside the rest. Phone: what it waits for, then the logbook, then what it comes to. */
const Columns = styled.div`
  display: grid;
  grid-template: 'book first' auto 'book then' 1fr / minmax(0, 1fr) 20rem;
  gap: 0 ${space.xl};
  align-items: start;
  ${narrow} {
    grid-template: 'first' 'book' 'then' / minmax(0, 1fr);
    gap: ${space.m};
  }
`;
const Area = styled.div<{ $at: string }>`
  grid-area: ${({ $at }) => $at};
`;

export default function BuildPage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  useThisCar(build.id, build.nickname);
  useTitle(build.nickname);
  const { seesPrices } = useShop();
  return (
    <Page>
      <Stack $gap="l">
        <BuildHead build={build} />
        <Columns>
          <Area $at="first">
            {seesPrices && (
              <Suspense>
                <Questions buildId={build.id} />
              </Suspense>
            )}
            <Waits build={build} />
            <NextPanel key={build.id} build={build} />
          </Area>
          <Area $at="book">
            <Logbook key={build.id} buildId={build.id} />
          </Area>
          <Area $at="then">
            <Sums build={build} />
            <CustomerPanel build={build} />
          </Area>
        </Columns>
      </Stack>
    </Page>
  );
}

function BuildHead({ build }: { build: BuildView }) {
  const manner = useManner();
  const { seesPrices } = useShop();
  return (
    <Stack $gap="s">
      <Row>
        <CarTitle>{build.nickname}</CarTitle>
        <Mono>{build.number}</Mono>
        {BESIDE.filter((b) => seesPrices || !('isDesk' in b)).map((b) => (
          <BesideLink key={b.to} build={build} at={b} />
        ))}
      </Row>
      <Row>
        <span>
          {build.vehicleYear} {build.vehicle}
        </span>
        <Quiet>
          for {build.customer}, told {TELL_WORDS[build.tellBy]}
        </Quiet>
        <Quiet>finish: {build.standard}</Quiet>
        <Quiet>stands: {build.place ?? 'not placed yet'}</Quiet>
        {build.eventDay && <Quiet>event: {formatDay(build.eventDay, manner.locale, manner.today)}</Quiet>}
        <PromisedFor build={build} />
        {seesPrices && <StageButton build={build} />}
        <DraftButton build={build} />
      </Row>
      {build.notRoadworthy.length > 0 && (
        <Notice $tone="oxide">
          <Now>Not to be handed over as roadworthy:</Now> {build.notRoadworthy.join('; ')}.
        </Notice>
      )}
      {build.complaint && (
        <p>
          <Quiet>{build.customer} said:</Quiet> “{build.complaint}”
        </p>
      )}
    </Stack>
  );
}

function StageButton({ build }: { build: BuildView }) {
  const [choosing, setChoosing] = useState(false);
  return (
    <>
      {build.stage !== 'open' && <b>{build.stage}</b>}
      <Button $look="quiet" onPress={() => setChoosing(true)}>
        {build.stage === 'open' ? 'Finish or hand over' : 'Change'}
      </Button>
      {choosing && (
        <Suspense>
          <StageDialog build={build} onClose={() => setChoosing(false)} />
        </Suspense>
      )}
    </>
  );
}

function PromisedFor({ build }: { build: BuildView }) {
  const { locale, today } = useManner();
  const now = promiseNow(build.promised, build.promisedOn, build.pauses, today);
  if (now === null || build.promised === null) return null;
  const was = now === build.promised ? '' : ` (was ${formatDay(build.promised, locale, today)}, it rested)`;
  return (
    <Quiet>
      promised: {formatDay(now, locale, today)}
      {was}
    </Quiet>
  );
}

/** What stands beside a build's logbook, with the key that leads there. */
const BESIDE = [
  { to: 'jobs', key: 'j', words: 'Jobs' },
  { to: 'inspection', key: 'o', words: 'Look it over' },
  { to: 'bench', key: 'g', words: 'Measure' },
  { to: 'work', key: 'w', words: 'Work' },
  { to: 'parts', key: 'a', words: 'Parts' },
  { to: 'pieces', key: 't', words: 'What is off it' },
  { to: 'causes', key: 'c', words: 'What causes it' },
  { to: 'snags', key: 'r', words: 'To put right' },
  { to: 'estimate', key: 'e', words: 'Estimate', isDesk: true },
  { to: 'costs', key: 'm', words: 'Costs', isDesk: true },
  { to: 'photos', key: 'p', words: 'Photos' },
  { to: 'vehicle', key: 'v', words: 'Vehicle' },
  { to: 'book', key: 'b', words: 'Documents', isDesk: true },
] as const;

function BesideLink({ build, at }: { build: BuildView; at: (typeof BESIDE)[number] }) {
  const navigate = useNavigate();
  const to = `/builds/${build.id}/${at.to}`;
  useKey(at.key, () => void navigate(to));
  return <Link to={to}>{at.words}</Link>;
}

const TELL_WORDS: Record<TellBy, string> = {
  mail: 'by mail',
  telephone: 'by telephone',
  both: 'by mail and telephone',
};

const Push = styled.span`
  margin-left: auto;
  ${phone} {
    margin-left: 0;
    width: 100%;
    button {
      width: 100%;
    }
  }
`;

function DraftButton({ build }: { build: BuildView }) {
  const navigate = useNavigate();
  const { seesPrices } = useShop();
  const draft = useDraftLetter(build.id);
  // A letter drafted while a change is on its way would tell what stood before it.
  const isKeeping = useIsMutating() > 0;
  const press = (): void =>
    draft.mutate(undefined, { onSuccess: (letter) => void navigate(`/letters/${letter.id}`) });
  useKey('d', () => seesPrices && !isKeeping && press());
  if (!seesPrices) return null;
  return (
    <Push>
      {draft.isError && <Now role="alert">{wordsOf(draft.error)} </Now>}
      <Button $look="main" onPress={press} isDisabled={isKeeping}>
        {build.draftId ? 'Go on with the draft' : 'Draft update'}
      </Button>
    </Push>
  );
}

/** What came, or is no longer needed: the wait ends, and the logbook says so. */
function EndWait({ build, wait }: { build: BuildView; wait: BuildView['waits'][number] }) {
  const end = useEndWait(build);
  return (
    <Button
      $look="quiet"
      isDisabled={end.isPending}
      aria-label={`No longer waiting for ${wait.subject}`}
      onPress={() => end.mutate(wait)}
    >
      No longer waiting
    </Button>
  );
}

/** A button beside running text would push its lines apart. */
const HoldLine = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  column-gap: ${space.s};
`;

/** Everything that holds it up, as the Floor says it: what ends last in front, with what would help. */
function Waits({ build }: { build: BuildView }) {
  const { today, locale } = useManner();
  const { data } = useQuery(waitsQuery);
  const held = data?.waits.find((w) => w.buildId === build.id);
  const rests = build.pauses.find((p) => p.to === null);
  // What it rests for is said below.
  const holds = holdsOf(held).filter((h) => h.entryId === undefined || h.entryId !== rests?.entryId);
  return (
    <Panel>
      <Head>Waits for</Head>
      {held?.binding === null && (
        <Quiet>
          {holds.length === 0 ? 'Nothing. It can be worked on.' : 'It can be worked on, meanwhile:'}
        </Quiet>
      )}
      {holds.map((h) => {
        const isLate = h.until !== null && h.until < today;
        const wait = build.waits.find((w) => w.entryId === h.entryId);
        const line = (
          <>
            <span>
              {isLate && <Now>Late.</Now>} {waitInWords(h, today, locale)}.{' '}
              {h === held?.binding && <Quiet>To free it: {h.act}.</Quiet>}
            </span>
            {wait && <EndWait build={build} wait={wait} />}
          </>
        );
        const key = `${h.kind} ${h.what}`;
        return isLate ? (
          <Notice key={key} $tone="oxide">
            <HoldLine>{line}</HoldLine>
          </Notice>
        ) : (
          <HoldLine key={key}>{line}</HoldLine>
        );
      })}
      <Rests build={build} />
    </Panel>
  );
}
