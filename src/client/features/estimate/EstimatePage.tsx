/** The estimate of one build: lines from findings or typed, what they come to, sending, answers. */
import { lazy, Suspense, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import { pathOf } from '#contract/routes.ts';
import type { ChoiceView, EstimateLineView, EstimateView, FindingView } from '#contract/estimate.ts';
import { costOf } from '#core/estimate/lines.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { wordsOf } from '../../shared/api.ts';
import { useKey } from '../../shared/keys.ts';
import { useManner } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Aside, CarTitle, Head, Mono, Notice, Now, Page, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { PhotoStrip, usePhotosByEntry } from '../photos/index.ts';
import { ApartPanel } from './ApartPanel.tsx';
import { BalancePanel } from './BalancePanel.tsx';
import { estimateQuery, useBeginLine } from './estimate.queries.ts';
import { SendPanel } from './SendPanel.tsx';
import { Totals } from './Totals.tsx';
import { WaysPanel } from './WaysPanel.tsx';
import { STATE_WORDS, WORK_WORDS } from './words.ts';

const ChoiceDialog = lazy(() => import('./ChoiceDialog.tsx'));
const ImportDialog = lazy(() => import('./ImportDialog.tsx'));
const RepairDialog = lazy(() => import('./RepairDialog.tsx'));
const LineDialog = lazy(() => import('./LineDialog.tsx'));

const Line = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 9rem 13rem;
  > :last-child {
    justify-self: start;
  }
  gap: ${space.xs} ${space.l};
  align-items: start;
  padding: ${space.m} 0;
  border-top: 1px solid ${color.zincLine};
  ${phone} {
    grid-template-columns: minmax(0, 1fr) auto;
    > :last-child {
      grid-column: 1 / -1;
    }
  }
`;
const Price = styled.div`
  text-align: right;
`;

interface Editing {
  line: EstimateLineView | null;
  finding: FindingView | null;
  /** What the line comes to by those who are at it, where that is why it is changed. */
  comesTo?: number;
}

/** The line that the work page sent here, because it comes to more than was agreed. */
function sentHere(estimate: EstimateView, search: URLSearchParams): Editing | null {
  const line = estimate.lines.find((l) => l.id === search.get('line'));
  const comesTo = Number(search.get('minutes'));
  return line && comesTo > 0 ? { line, finding: null, comesTo } : null;
}

export default function EstimatePage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data: estimate } = useSuspenseQuery(estimateQuery(buildId));
  const [importing, setImporting] = useState(false);
  const [comparing, setComparing] = useState(false);
  const [search, setSearch] = useSearchParams();
  const [editing, setEditing] = useState(() => sentHere(estimate, search));
  const [choosing, setChoosing] = useState<ChoiceView | 'new' | null>(null);
  const add = (): void => setEditing({ line: null, finding: null });
  useThisCar(build.id, build.nickname);
  useTitle(`Estimate, ${build.nickname}`);
  useKey('n', add);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{build.nickname}: estimate</CarTitle>
          <Link to={`/builds/${build.id}`}>To its logbook</Link>
          <Link to="/shop/terms">Rates and tax</Link>
          <a href={pathOf('estimatePdf', { buildId })} download>
            As PDF
          </a>
          <a href={pathOf('estimateCsv', { buildId })} download>
            As CSV
          </a>
          <a href={pathOf('estimateJson', { buildId })} download>
            As JSON
          </a>
        </Row>
        {estimate.complaint && (
          <p>
            <Quiet>{estimate.customer} said:</Quiet> “{estimate.complaint}”
          </p>
        )}
        <Aside>
          <Stack $gap="l">
            <Lines
              estimate={estimate}
              onEdit={(line) => setEditing({ line, finding: null })}
              onAdd={add}
              onImport={() => setImporting(true)}
              onCompare={() => setComparing(true)}
              onChoice={() => setChoosing('new')}
            />
            <WaysPanel estimate={estimate} onEdit={setChoosing} />
            <Findings estimate={estimate} onTake={(finding) => setEditing({ line: null, finding })} />
          </Stack>
          <div>
            <Totals estimate={estimate} />
            <BalancePanel estimate={estimate} />
            <ApartPanel estimate={estimate} />
            <SendPanel estimate={estimate} />
          </div>
        </Aside>
      </Stack>
      {comparing && (
        <Suspense>
          <RepairDialog
            estimate={estimate}
            preserves={build.standard === 'preserve'}
            onClose={() => setComparing(false)}
          />
        </Suspense>
      )}
      {choosing && (
        <Suspense>
          <ChoiceDialog
            estimate={estimate}
            choice={choosing === 'new' ? null : choosing}
            onClose={() => setChoosing(null)}
          />
        </Suspense>
      )}
      {importing && (
        <Suspense>
          <ImportDialog estimate={estimate} onClose={() => setImporting(false)} />
        </Suspense>
      )}
      {editing && (
        <Suspense>
          <LineDialog
            estimate={estimate}
            {...editing}
            onClose={() => {
              setEditing(null);
              setSearch({}, { replace: true });
            }}
          />
        </Suspense>
      )}
    </Page>
  );
}

function Lines({
  estimate,
  onEdit,
  onAdd,
  onImport,
  onCompare,
  onChoice,
}: {
  estimate: EstimateView;
  onEdit: (line: EstimateLineView) => void;
  onAdd: () => void;
  onImport: () => void;
  onCompare: () => void;
  onChoice: () => void;
}) {
  return (
    <Panel>
      <Row>
        <Head>Lines</Head>
        <Button onPress={onAdd}>New line</Button>
        <Button $look="quiet" onPress={onImport}>
          From a table
        </Button>
        <Button $look="quiet" onPress={onCompare}>
          Repair or replace?
        </Button>
        <Button $look="quiet" onPress={onChoice}>
          Two ways to do it
        </Button>
      </Row>
      {estimate.lines.length === 0 && <p>No line yet. Begin with a finding below, or with a new line.</p>}
      <ul>
        {estimate.lines.map((l) => (
          <LineRow key={l.id} estimate={estimate} line={l} onEdit={() => onEdit(l)} />
        ))}
      </ul>
    </Panel>
  );
}

const needsAPerson = (l: EstimateLineView): boolean =>
  l.standing.state === 'question' || l.standing.state === 'changed';

function LineRow({
  estimate,
  line,
  onEdit,
}: {
  estimate: EstimateView;
  line: EstimateLineView;
  onEdit: () => void;
}) {
  const { currency, locale } = useManner();
  const begin = useBeginLine(estimate.buildId);
  const photos = usePhotosByEntry(estimate.buildId);
  const cost = costOf(line, estimate.terms);
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  const state = STATE_WORDS[line.standing.state];
  const begun = line.discretionMinor !== null;
  return (
    <Line>
      <div>
        <b>{line.title}</b> <Quiet>{line.class}</Quiet>
        {line.why && <p>{line.why}</p>}
        <p>
          {needsAPerson(line) ? <Now>{state}</Now> : <Quiet>{state}</Quiet>}
          {line.proposal === 'wait' && <Quiet>; we propose to let it wait</Quiet>}
          {line.proposal === 'other way' && <Quiet>; only in a way that is not counted now</Quiet>}
          {begun && <Quiet>; begun within what may be spent without asking</Quiet>}
        </p>
        <PhotoStrip buildId={estimate.buildId} photos={photos.get(line.findingId ?? '') ?? []} tall={64} />
        {begin.isError && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(begin.error)}
          </Notice>
        )}
      </div>
      <Price>
        <Mono $brass>{money(cost.grossMinor)}</Mono>
        <div>
          <Quiet>
            {line.minutes.likely > 0 && `${formatMinutes(line.minutes.likely)} ${WORK_WORDS[line.work]}`}
          </Quiet>
        </div>
      </Price>
      <Row>
        <Button aria-label={`Change ${line.title}`} onPress={onEdit}>
          Change
        </Button>
        {line.standing.state !== 'approved' && line.proposal !== 'other way' && !begun && (
          <Button
            $look="quiet"
            aria-label={`Begin ${line.title} now`}
            isDisabled={begin.isPending}
            onPress={() => begin.mutate(line.id)}
          >
            Begin now
          </Button>
        )}
      </Row>
    </Line>
  );
}

function Findings({ estimate, onTake }: { estimate: EstimateView; onTake: (finding: FindingView) => void }) {
  const photos = usePhotosByEntry(estimate.buildId);
  if (estimate.findings.length === 0) return null;
  return (
    <Panel>
      <Head>Found, and not on the estimate yet</Head>
      <ul>
        {estimate.findings.map((f) => (
          <Line key={f.id}>
            <div>
              {f.text}
              <PhotoStrip buildId={estimate.buildId} photos={photos.get(f.id) ?? []} tall={64} />
            </div>
            <span />
            <Button aria-label={`Make a line of: ${f.text}`} onPress={() => onTake(f)}>
              Make a line
            </Button>
          </Line>
        ))}
      </ul>
    </Panel>
  );
}
