/** What the estimate comes to, as a range, with the sum open to look at; and the build's money at a glance. */
import { styled } from 'styled-components';
import type { EstimateView } from '#contract/estimate.ts';
import { glanceAt } from '#core/approval/glance.ts';
import { totalsOf, Z80, type Totals as TotalsOf } from '#core/estimate/totals.ts';
import { formatMoney } from '#core/money/money.ts';
import { useManner } from '../../shared/shop.ts';
import { Figures, Head, Mono, Notice, Now, Panel, Quiet, Summary } from '../../ui/parts.tsx';
import { size, space } from '../../ui/tokens.ts';

const Sum = styled.div`
  display: grid;
  gap: ${space.s};
  font-size: ${size.small};
`;

type Money = (minor: number) => string;

export function Totals({ estimate }: { estimate: EstimateView }) {
  const { currency, locale } = useManner();
  const money: Money = (minor) => formatMoney(minor, currency, locale);
  const doing = estimate.lines.filter((l) => l.proposal === 'do');
  const totals = totalsOf(doing, estimate.terms);
  const glance = glanceAt({ ...estimate, first: estimate.revisions.at(-1)?.content });
  return (
    <>
      <Panel>
        <Head>What it comes to</Head>
        <Figures>
          <Figure name="Expected, with tax" minor={totals.grossMinor} money={money} />
          <Figure name="Kept in four cases of five" minor={totals.p80GrossMinor} money={money} />
          <Figure name="Tax in it" minor={totals.taxMinor} money={money} />
        </Figures>
        <details>
          <Summary>The sum</Summary>
          <TheSum totals={totals} estimate={estimate} money={money} />
        </details>
      </Panel>
      <Panel>
        <Head>The money of this build</Head>
        <Figures>
          {estimate.budgetMinor !== null && (
            <Figure name="Budget" minor={estimate.budgetMinor} money={money} />
          )}
          <Figure name="Agreed" minor={glance.agreedMinor} money={money} />
          {glance.changesMinor > 0 && (
            <Figure name="of it changes" minor={glance.changesMinor} money={money} />
          )}
          {estimate.discretionMinor > 0 && (
            <>
              <Figure name="May be spent without asking" minor={estimate.discretionMinor} money={money} />
              <Figure name="of it used" minor={estimate.discretionUsedMinor} money={money} />
            </>
          )}
          {glance.leftOfBudgetMinor !== null && (
            <Figure name="Left of the budget" minor={glance.leftOfBudgetMinor} money={money} />
          )}
          {glance.endMinor > 0 && (
            <>
              <Figure name="Expected at the end" minor={glance.endMinor} money={money} />
              <Figure name="kept in four cases of five" minor={glance.endP80Minor} money={money} />
            </>
          )}
        </Figures>
        {estimate.notRoadworthy.map((reason) => (
          <Notice key={reason} $tone="oxide">
            <Now>Not to be handed over as roadworthy:</Now> {reason}.
          </Notice>
        ))}
      </Panel>
    </>
  );
}

function Figure({ name, minor, money }: { name: string; minor: number; money: Money }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>
        <Mono $brass>{money(minor)}</Mono>
      </dd>
    </>
  );
}

function TheSum({ totals, estimate, money }: { totals: TotalsOf; estimate: EstimateView; money: Money }) {
  const { sharedRisk, taxBp, taxIncluded } = estimate.terms;
  const title = new Map(estimate.lines.map((l) => [l.id, l.title]));
  return (
    <Sum>
      <Figures>
        {totals.lines.map(({ id, cost }) => (
          <Figure
            key={id}
            name={`${title.get(id)} ± ${money(Math.round(cost.sd))}`}
            minor={cost.expectedMinor}
            money={money}
          />
        ))}
        <Figure name="Sum" minor={totals.expectedMinor} money={money} />
        <Figure
          name={`Tax ${taxBp / 100} %${taxIncluded ? ', in the prices already' : ', line by line'}`}
          minor={totals.taxMinor}
          money={money}
        />
      </Figures>
      <p>
        Each line’s expected cost is (low + 4 × likely + high) / 6, its spread (high − low) / 6. Of the
        spread, {Math.round(sharedRisk * 100)} % is shared by all lines, so together it is ±{' '}
        {money(Math.round(totals.sd))}. Four cases of five lie below the sum and {Z80.toFixed(2)} times that.
      </p>
      <Quiet>
        All at their lowest {money(totals.bestGrossMinor)}, all at their highest{' '}
        {money(totals.worstGrossMinor)}: neither is likely.
      </Quiet>
    </Sum>
  );
}
