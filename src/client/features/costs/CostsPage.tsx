/** The money of one build: what was agreed, spent, ordered, is to go and comes to; by line, over time; and what came in. */
import { useState, type ReactNode } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { styled } from 'styled-components';
import type { CostLineView, CostsView, InstalmentView } from '#contract/costs.ts';
import { formatDay } from '#core/time/days.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { useManner, useMoney } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import {
  Aside,
  CarTitle,
  Figures,
  Head,
  Mono,
  Notice,
  Now,
  Page,
  Panel,
  Quiet,
  Row,
  Stack,
} from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { useThisCar } from '../entries/index.ts';
import { costsQuery } from './costs.queries.ts';
import { InstalmentDialog, ReceivedDialog } from './InstalmentDialogs.tsx';
import { OverTime } from './OverTime.tsx';
import { MoneyTable } from './MoneyTable.tsx';
import { UNCHARGED_WORDS } from './words.ts';

const Asked = styled.li`
  display: grid;
  padding: ${space.s} 0 0;
  border-top: 1px solid ${color.zincLine};
`;

type Open = { what: 'ask'; row: InstalmentView | null } | { what: 'received'; row: InstalmentView };

export default function CostsPage() {
  const { buildId = '' } = useParams();
  const { data: costs } = useSuspenseQuery(costsQuery(buildId));
  const [open, setOpen] = useState<Open | null>(null);
  const close = (): void => setOpen(null);
  useThisCar(buildId, costs.nickname);
  useTitle(`Costs, ${costs.nickname}`);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{costs.nickname}: costs</CarTitle>
          <Link to={`/builds/${buildId}`}>To its logbook</Link>
          <Link to={`/builds/${buildId}/estimate`}>Estimate</Link>
          <Link to={`/builds/${buildId}/work`}>Work</Link>
          <Link to="/costs">All cars</Link>
          <Link to="/invoices">Invoices</Link>
        </Row>
        <Aside>
          <div>
            <Panel aria-label="Over time">
              <Head>Over time</Head>
              <OverTime costs={costs} />
            </Panel>
            <ByLine costs={costs} />
          </div>
          <div>
            <InAll costs={costs} />
            <Borne costs={costs} />
            <OnAccount costs={costs} onOpen={setOpen} />
          </div>
        </Aside>
      </Stack>
      {open?.what === 'ask' && <InstalmentDialog buildId={buildId} row={open.row} onClose={close} />}
      {open?.what === 'received' && <ReceivedDialog buildId={buildId} row={open.row} onClose={close} />}
    </Page>
  );
}

function InAll({ costs: { build, expected, overBp } }: { costs: CostsView }) {
  const money = useMoney();
  const now = expected.at(-1)!;
  return (
    <Panel aria-label="In all">
      <Head>In all, with tax</Head>
      <Figures>
        <dt>Agreed</dt>
        <dd>
          <Mono $brass>{money(build.approvedMinor)}</Mono>
        </dd>
        <dt>Spent</dt>
        <dd>
          <Mono>{money(build.spentMinor)}</Mono>
        </dd>
        <dt>Ordered, not here</dt>
        <dd>
          <Mono>{money(build.committedMinor)}</Mono>
        </dd>
        <dt>To go</dt>
        <dd>
          <Mono>{money(build.toGoMinor)}</Mono>
        </dd>
        <dt>Comes to</dt>
        <dd>
          <Mono $brass>{money(build.expectedMinor)}</Mono>
        </dd>
      </Figures>
      {now.p80Minor > now.p20Minor && (
        <Quiet>
          Three times in five between {money(now.p20Minor)} and {money(now.p80Minor)}.
        </Quiet>
      )}
      {build.isOver && (
        <Notice $tone="oxide">
          <Now>More than {overBp / 100} % over what was agreed.</Now> The lines below say which.
        </Notice>
      )}
      <Figures>
        <dt>Costs the shop, before tax</dt>
        <dd>
          <Mono>{money(build.costMinor)}</Mono>
        </dd>
      </Figures>
    </Panel>
  );
}

/** What no line bears. */
function Borne({ costs: { borne, buildId } }: { costs: CostsView }) {
  const money = useMoney();
  if (borne.length === 0) return null;
  return (
    <Panel aria-label="On no line">
      <Head>On no line</Head>
      <Figures>
        {borne.map((b) => (
          <Borned key={b.uncharged} words={UNCHARGED_WORDS[b.uncharged]} minutes={b.minutes}>
            {money(b.costMinor)}
            {b.committedMinor > 0 && ` (${money(b.committedMinor)} of it ordered, not here)`}
          </Borned>
        ))}
      </Figures>
      {borne.some((b) => b.uncharged === 'nowhere') && (
        <Row>
          <Link to={`/builds/${buildId}/work`}>Say where it belongs</Link>
          <Link to={`/builds/${buildId}/parts`}>Parts on no line</Link>
        </Row>
      )}
    </Panel>
  );
}

function Borned({ words, minutes, children }: { words: string; minutes: number; children: ReactNode }) {
  return (
    <>
      <dt>
        {words} {minutes > 0 && <Quiet>{formatMinutes(minutes)}</Quiet>}
      </dt>
      <dd>
        <Mono>{children}</Mono>
      </dd>
    </>
  );
}

const COLUMNS = ['Agreed', 'Spent', 'Ordered', 'To go', 'Comes to', 'Costs the shop'];

function ByLine({ costs }: { costs: CostsView }) {
  const money = useMoney();
  const cells = (l: Pick<CostLineView, 'approvedMinor' | 'costs'>): string[] => [
    money(l.approvedMinor),
    money(l.costs.spentMinor),
    money(l.costs.committedMinor),
    money(l.costs.toGoMinor),
    money(l.costs.expectedMinor),
    money(l.costs.costMinor),
  ];
  const row = (of: string[]) =>
    of.map((cell, i) => (
      <td key={COLUMNS[i]} data-of={COLUMNS[i]}>
        <Mono $brass={i === 0 || i === 4}>{cell}</Mono>
      </td>
    ));
  if (costs.lines.length === 0)
    return (
      <Panel aria-label="By line">
        <Head>By line</Head>
        <p>
          Nothing is agreed yet, and nothing was begun. The{' '}
          <Link to={`/builds/${costs.buildId}/estimate`}>estimate</Link> is where it starts.
        </p>
      </Panel>
    );
  return (
    <Panel aria-label="By line">
      <Head>By line</Head>
      <MoneyTable>
        <thead>
          <tr>
            <th scope="col">Line</th>
            {COLUMNS.map((c) => (
              <th key={c} scope="col">
                {c}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {costs.lines.map((l) => (
            <tr key={l.id}>
              <th scope="row">
                {l.title}
                {l.costs.isOver && (
                  <>
                    {' '}
                    <Now>over</Now>{' '}
                    <Link
                      to={`/builds/${costs.buildId}/estimate?line=${l.id}&minutes=${l.spentMinutes + l.toGoMinutes}`}
                    >
                      Ask it as a change
                    </Link>
                  </>
                )}
                {l.state !== 'approved' && l.approvedMinor === 0 && <Quiet> not agreed</Quiet>}
              </th>
              {row(cells(l))}
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">Together</th>
            {row([
              ...cells({ approvedMinor: costs.build.approvedMinor, costs: costs.build }).slice(0, 5),
              money(costs.lines.reduce((s, l) => s + l.costs.costMinor, 0)),
            ])}
          </tr>
        </tfoot>
      </MoneyTable>
    </Panel>
  );
}

function OnAccount({ costs, onOpen }: { costs: CostsView; onOpen: (open: Open) => void }) {
  const money = useMoney();
  const { locale, today } = useManner();
  const received = costs.instalments.reduce((s, i) => s + i.receivedMinor, 0);
  return (
    <Panel aria-label="Money on account">
      <Row>
        <Head>Money on account</Head>
        <Button $look="quiet" onPress={() => onOpen({ what: 'ask', row: null })}>
          Ask for money
        </Button>
      </Row>
      {costs.instalments.length === 0 && <Quiet>Nothing was asked for.</Quiet>}
      <ul>
        {costs.instalments.map((i) => (
          <Asked key={i.id}>
            <Stack $gap="xs">
              <span>
                {i.what}: <Mono $brass>{money(i.askedMinor)}</Mono>
              </span>
              {i.receivedMinor < i.askedMinor ? (
                <span>
                  {i.due && i.due < today && <Now>Was due {formatDay(i.due, locale, today)}. </Now>}
                  {i.holds ? <Now>Work stops until it is in. </Now> : 'Not in yet. '}
                  <Quiet>
                    asked {formatDay(i.askedOn, locale, today)}
                    {i.due && i.due >= today && `, due ${formatDay(i.due, locale, today)}`}
                    {i.receivedMinor > 0 && `; ${money(i.receivedMinor)} came in`}
                  </Quiet>
                </span>
              ) : (
                <Quiet>in {i.receivedOn && formatDay(i.receivedOn, locale, today)}</Quiet>
              )}
            </Stack>
            <Row>
              <Button
                $look="quiet"
                aria-label={`Came in: ${i.what}`}
                onPress={() => onOpen({ what: 'received', row: i })}
              >
                Came in
              </Button>
              <Button
                $look="quiet"
                aria-label={`Change: ${i.what}`}
                onPress={() => onOpen({ what: 'ask', row: i })}
              >
                Change
              </Button>
            </Row>
          </Asked>
        ))}
      </ul>
      {costs.instalments.length > 0 && (
        <Figures>
          <dt>Came in, all together</dt>
          <dd>
            <Mono $brass>{money(received)}</Mono>
          </dd>
          <dt>{received >= costs.build.spentMinor ? 'Ahead of what is spent' : 'Behind what is spent'}</dt>
          <dd>
            <Mono>{money(Math.abs(received - costs.build.spentMinor))}</Mono>
          </dd>
        </Figures>
      )}
    </Panel>
  );
}
