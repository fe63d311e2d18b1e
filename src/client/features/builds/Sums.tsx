/** What its logbook adds up to: hours, and what was bought. What that comes to on its lines stands on the costs. */
import { Link } from 'react-router';
import type { BuildView } from '#contract/builds.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { useManner } from '../../shared/shop.ts';
import { Figures, Head, Mono, Panel, Row, Summary, SumTable } from '../../ui/parts.tsx';

export function Sums({ build }: { build: BuildView }) {
  const { currency, locale } = useManner();
  const money = (minor: number | undefined): string => formatMoney(minor ?? 0, currency, locale);
  const rows = build.byKind.filter((k) => k.minutes > 0 || (k.moneyMinor ?? 0) > 0);
  return (
    <Panel>
      <Row>
        <Head>It adds up to</Head>
        {build.spentMinor !== undefined && <Link to={`/builds/${build.id}/costs`}>What it comes to</Link>}
      </Row>
      <Figures>
        {build.spentMinor !== undefined && (
          <>
            <dt>Bought so far</dt>
            <dd>
              <Mono $brass>{money(build.spentMinor)}</Mono>
            </dd>
          </>
        )}
        <dt>Hours so far</dt>
        <dd>
          <Mono $brass>{formatMinutes(build.workedMinutes)}</Mono>
        </dd>
      </Figures>
      {rows.length > 0 && (
        <details>
          <Summary>By kind of entry</Summary>
          <SumTable>
            <thead>
              <tr>
                <th scope="col">Kind</th>
                <th scope="col">Hours</th>
                {build.spentMinor !== undefined && <th scope="col">Money</th>}
              </tr>
            </thead>
            <tbody>
              {rows.map((k) => (
                <tr key={k.kind}>
                  <th scope="row">{KIND_SPECS[k.kind].word}</th>
                  <td>
                    <Mono>{k.minutes > 0 ? formatMinutes(k.minutes) : '–'}</Mono>
                  </td>
                  {build.spentMinor !== undefined && (
                    <td>
                      <Mono>{k.moneyMinor ? money(k.moneyMinor) : '–'}</Mono>
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </SumTable>
          <p>Found, asked and decided are what work may cost; they are not counted as spent.</p>
        </details>
      )}
    </Panel>
  );
}
