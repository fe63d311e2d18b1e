/** What every build comes to: agreed, spent, ordered, to go; which lines are over; what came in and what is owed. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { CostsDeskView } from '#contract/costs.ts';
import { formatMoney } from '#core/money/money.ts';
import { useManner } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Mono, Now, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { costsDeskQuery } from './costs.queries.ts';
import { MoneyTable } from './MoneyTable.tsx';

type OfBuild = CostsDeskView['builds'][number];

const COLUMNS: [string, (b: OfBuild) => number][] = [
  ['Agreed', (b) => b.build.approvedMinor],
  ['Spent', (b) => b.build.spentMinor],
  ['Ordered', (b) => b.build.committedMinor],
  ['To go', (b) => b.build.toGoMinor],
  ['Comes to', (b) => b.build.expectedMinor],
  ['Came in', (b) => b.receivedMinor],
  ['Asked, not in', (b) => b.owedMinor],
  ['Costs the shop', (b) => b.build.costMinor],
];

/** Cars with a line over first, then those with something agreed, in the order of their numbers. */
const rank = (b: OfBuild): number => (b.over.length > 0 ? 0 : b.build.approvedMinor > 0 ? 1 : 2);
const inOrder = (builds: readonly OfBuild[]): OfBuild[] => [...builds].sort((a, b) => rank(a) - rank(b));

export default function CostsDeskPage() {
  const { data } = useSuspenseQuery(costsDeskQuery);
  const { currency, locale } = useManner();
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  useTitle('Costs of all cars');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Costs of all cars</Title>
          <Link to="/">Floor</Link>
          <Link to="/invoices">Invoices</Link>
          <Link to="/shop/terms">Rates and tax</Link>
        </Row>
        {data.builds.length === 0 && <p>Nothing is agreed, begun or bought yet.</p>}
        {data.builds.length > 0 && (
          <Panel aria-label="By car">
            <MoneyTable>
              <thead>
                <tr>
                  <th scope="col">Car</th>
                  {COLUMNS.map(([name]) => (
                    <th key={name} scope="col">
                      {name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {inOrder(data.builds).map((b) => (
                  <tr key={b.buildId}>
                    <th scope="row">
                      <Link to={`/builds/${b.buildId}/costs`}>{b.nickname}</Link>
                      {b.over.length > 0 && (
                        <>
                          {' '}
                          <Now>over:</Now> {b.over.map((l) => l.title).join('; ')}
                        </>
                      )}
                      {b.build.approvedMinor === 0 && <Quiet> nothing agreed</Quiet>}
                    </th>
                    {COLUMNS.map(([name, of]) => (
                      <td key={name} data-of={name}>
                        <Mono>{money(of(b))}</Mono>
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
              <tfoot>
                <tr>
                  <th scope="row">Together</th>
                  {COLUMNS.map(([name, of]) => (
                    <td key={name} data-of={name}>
                      <Mono $brass>{money(data.builds.reduce((s, b) => s + of(b), 0))}</Mono>
                    </td>
                  ))}
                </tr>
              </tfoot>
            </MoneyTable>
            <Quiet>With tax, but for what it costs the shop.</Quiet>
          </Panel>
        )}
      </Stack>
    </Page>
  );
}
