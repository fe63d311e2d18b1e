/** A build's money as it came about: agreed, spent, committed, and the range in which it was expected. */
import { styled } from 'styled-components';
import type { CostsView } from '#contract/costs.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatDay } from '#core/time/days.ts';
import { useManner } from '../../shared/shop.ts';
import { useWidth } from '../../shared/width.ts';
import { Mono, Quiet, Summary, SumTable } from '../../ui/parts.tsx';
import { color, font, size, space } from '../../ui/tokens.ts';
import { EDGE, HEIGHT, shapesOf } from './shapes.ts';

const Picture = styled.figure`
  svg {
    display: block;
    width: 100%;
    overflow: visible;
  }
  text {
    font-family: ${font.mono};
    font-size: ${size.small};
    fill: ${color.zinc};
  }
`;
const Legend = styled.figcaption`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.xs} ${space.l};
  span {
    display: inline-flex;
    align-items: center;
    gap: 6px;
  }
  svg {
    flex: none;
    width: 26px;
  }
`;

const SWATCH = 'M2 10H24';

export function OverTime({ costs }: { costs: CostsView }) {
  const { currency, locale } = useManner();
  const [ref, width] = useWidth<HTMLElement>(640);
  const shapes = shapesOf(costs, width);
  const round = (minor: number): string => formatMoney(minor, currency, locale).replace(/[.,]0+(?=\D*$)/, '');
  const { build, expected } = costs;
  const now = expected.at(-1)!;
  return (
    <Picture ref={ref}>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        height={HEIGHT}
        role="img"
        aria-label={`Over time: ${round(build.spentMinor)} spent and ${round(build.committedMinor)} committed by now, ${round(build.approvedMinor)} agreed, expected between ${round(now.p20Minor)} and ${round(now.p80Minor)}. The figures are in the table below.`}
      >
        <defs>
          <pattern
            id="committed"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="2.5" height="6" fill={color.blueing} />
          </pattern>
        </defs>
        {shapes.moneyTicks.map((t) => (
          <g key={t.value}>
            <line x1={EDGE.left} x2={width - EDGE.right} y1={t.y} y2={t.y} stroke={color.zincLine} />
            <text x={EDGE.left - 8} y={t.y + 4} textAnchor="end">
              {round(t.value)}
            </text>
          </g>
        ))}
        {shapes.dayTicks.map((t) => (
          <text key={t.day} x={t.x} y={HEIGHT - 6} textAnchor="middle">
            {formatDay(t.day, locale, costs.today).replace(/^\S+ /, '')}
          </text>
        ))}
        {shapes.range && <path d={shapes.range} fill={color.brass} fillOpacity={0.18} />}
        {shapes.spent && <path d={shapes.spent} fill={color.blueing} fillOpacity={0.75} />}
        {shapes.committed && <path d={shapes.committed} fill="url(#committed)" />}
        {shapes.ends.map((e) => (
          <g key={e.x}>
            <line x1={e.x} x2={e.x} y1={e.low} y2={e.high} stroke={color.brass} strokeWidth={3} />
            <circle cx={e.x} cy={e.mid} r={4} fill={color.brass} />
          </g>
        ))}
        {shapes.agreed && <path d={shapes.agreed} fill="none" stroke={color.ink} strokeWidth={2.5} />}
      </svg>
      <Legend>
        <span>
          <svg viewBox="0 0 26 20" aria-hidden>
            <path d={SWATCH} stroke={color.ink} strokeWidth={2.5} />
          </svg>
          agreed
        </span>
        <span>
          <svg viewBox="0 0 26 20" aria-hidden>
            <rect x={2} y={4} width={22} height={12} fill={color.blueing} fillOpacity={0.75} />
          </svg>
          spent
        </span>
        <span>
          <svg viewBox="0 0 26 20" aria-hidden>
            <rect x={2} y={4} width={22} height={12} fill="url(#committed)" />
          </svg>
          ordered, not here
        </span>
        <span>
          <svg viewBox="0 0 26 20" aria-hidden>
            <rect x={2} y={4} width={22} height={12} fill={color.brass} fillOpacity={0.25} />
            <circle cx={13} cy={10} r={4} fill={color.brass} />
          </svg>
          expected, three times in five within
        </span>
      </Legend>
      <AsFigures costs={costs} />
    </Picture>
  );
}

function AsFigures({ costs }: { costs: CostsView }) {
  const { currency, locale, today } = useManner();
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  return (
    <details>
      <Summary>As figures</Summary>
      <SumTable>
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Agreed</th>
            <th scope="col">Spent</th>
            <th scope="col">Ordered</th>
          </tr>
        </thead>
        <tbody>
          {costs.overTime.map((p) => (
            <tr key={p.day}>
              <th scope="row">{formatDay(p.day, locale, today)}</th>
              <td>
                <Mono>{money(p.approvedMinor)}</Mono>
              </td>
              <td>
                <Mono>{money(p.spentMinor)}</Mono>
              </td>
              <td>
                <Mono>{money(p.committedMinor)}</Mono>
              </td>
            </tr>
          ))}
        </tbody>
      </SumTable>
      {costs.expected.map((e) => (
        <p key={e.day}>
          <Quiet>{formatDay(e.day, locale, today)}</Quiet>: expected {money(e.expectedMinor)}, three times in
          five between {money(e.p20Minor)} and {money(e.p80Minor)}
        </p>
      ))}
    </details>
  );
}
