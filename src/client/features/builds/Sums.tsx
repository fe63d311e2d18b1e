/** Hours and money of a build, as its costs say them. */
import { Fragment } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { BuildView } from '#contract/builds.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { useMoney, useShop } from '../../shared/shop.ts';
import { Figures, Head, Mono, Panel, Row, Summary, SumTable } from '../../ui/parts.tsx';
import { costsQuery } from '../costs/index.ts';

export function Sums({ build }: { build: BuildView }) {
  const { seesPrices } = useShop();
  return (
    <Panel>
      <Row>
        <Head>Hours and costs</Head>
        {seesPrices && <Link to={`/builds/${build.id}/costs`}>Costs in full</Link>}
      </Row>
      <Figures>
        {seesPrices && <Money buildId={build.id} />}
        <dt>Hours so far</dt>
        <dd>
          <Mono $brass>{formatMinutes(build.workedMinutes)}</Mono>
        </dd>
      </Figures>
      {build.minutesByKind.length > 0 && (
        <details>
          <Summary>Hours by kind of entry</Summary>
          <SumTable>
            <thead>
              <tr>
                <th scope="col">Kind</th>
                <th scope="col">Hours</th>
              </tr>
            </thead>
            <tbody>
              {build.minutesByKind.map((k) => (
                <tr key={k.kind}>
                  <th scope="row">{KIND_SPECS[k.kind].word}</th>
                  <td>
                    <Mono>{formatMinutes(k.minutes)}</Mono>
                  </td>
                </tr>
              ))}
            </tbody>
          </SumTable>
        </details>
      )}
    </Panel>
  );
}

/** Spent, and ordered but not here: on the lines of the estimate; and what nobody has put on a line yet. */
function Money({ buildId }: { buildId: string }) {
  const money = useMoney();
  const { data: costs } = useQuery(costsQuery(buildId));
  const onLines = costs?.build;
  const off = onLines?.unallocated;
  const rows = [
    ['Spent so far', onLines?.spentMinor, true],
    ['Ordered, not here', onLines?.committedMinor, true],
    ['Spent, not on a line yet', off?.spentMinor, false],
    ['Ordered, not on a line yet', off?.committedMinor, false],
  ] as const;
  return rows
    .filter(([, minor, isAlways]) => isAlways || (minor ?? 0) !== 0)
    .map(([words, minor]) => (
      <Fragment key={words}>
        <dt>{words}</dt>
        <dd>
          <Mono $brass>{minor === undefined ? '…' : money(minor)}</Mono>
        </dd>
      </Fragment>
    ));
}
