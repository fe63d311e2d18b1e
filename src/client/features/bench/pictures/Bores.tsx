/** Bores: wear of each cylinder by height and direction, exaggerated to the largest. */
import type { BoreSurveyInput, BoreSurveyResult } from '#core/bench/boreSurvey.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const LEVELS = ['top', 'middle', 'bottom'] as const;
const TALL = 120;
const IN_ROW = 4;
/** Of the drawn radius: what the largest wear takes. */
const SHARE = 0.45;

export function Bores({ input, result }: { input: BoreSurveyInput; result: BoreSurveyResult }) {
  const count = input.cylinders.length;
  const inRow = Math.min(IN_ROW, count);
  const wide = (WIDTH - 20) / inRow;
  const radius = Math.min(38, wide / 2 - 12);
  const worst = Math.max(1e-6, result.maxDiameter_in - input.nominal_in);
  const rows = Math.ceil(count / inRow);
  const out = (d: number): number =>
    radius * (1 - SHARE) + (Math.max(0, d - input.nominal_in) / worst) * radius * SHARE;
  const times = Math.round((radius * SHARE) / ((worst / input.nominal_in) * radius * (1 - SHARE)) / 10) * 10;
  return (
    <Sheet
      title="Wear of the bores"
      words={result.cylinders
        .map(
          (c, i) =>
            `cylinder ${i + 1}: wear ${n(c.wear_in, 4)}, taper ${n(c.taper_in, 4)}, out of round ${n(c.outOfRound_in, 4)} in`,
        )
        .join('; ')}
      note={`Cut open. Solid: across the crank; dashed: along it; thin: when new. Wear drawn some ${times} times.`}
      height={rows * (TALL + 62) + 6}
    >
      {input.cylinders.map((cylinder, i) => {
        const x = 10 + (i % inRow) * wide + wide / 2;
        const y = 26 + Math.floor(i / inRow) * (TALL + 62);
        const at = (k: number): number => y + (k * TALL) / 2;
        const side = (s: 1 | -1, of: 'thrust_in' | 'axial_in'): string =>
          LEVELS.map((level, k) => `${x + s * out(cylinder[level][of])},${at(k)}`).join(' ');
        const bad = i + 1 === result.worstCylinder;
        return (
          <g key={i}>
            <text x={x} y={y - 10} textAnchor="middle">
              {i + 1}
            </text>
            {([1, -1] as const).map((s) => (
              <g key={s}>
                <line
                  x1={x + s * radius * (1 - SHARE)}
                  x2={x + s * radius * (1 - SHARE)}
                  y1={y}
                  y2={y + TALL}
                  className="thin"
                />
                <polyline points={side(s, 'thrust_in')} className={bad ? 'badline' : 'line'} />
                <polyline points={side(s, 'axial_in')} className="before" />
              </g>
            ))}
            <text x={x} y={y + TALL + 16} textAnchor="middle" className="small">
              wear {n(result.cylinders[i]!.wear_in, 4)}
            </text>
            <text x={x} y={y + TALL + 30} textAnchor="middle" className="small">
              taper {n(result.cylinders[i]!.taper_in, 4)}
            </text>
          </g>
        );
      })}
    </Sheet>
  );
}
