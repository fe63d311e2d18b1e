/** Cell taps as a strip: each cell’s voltage, what stands out, what is out of place. */
import type { TapSurveyResult } from '#core/bench/tapSurvey.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const IN_ROW = 48;
const TALL = 78;

export function Taps({ result }: { result: TapSurveyResult }) {
  const cells = result.cells_V;
  const inRow = Math.min(IN_ROW, cells.length);
  const wide = (WIDTH - 24) / inRow;
  const [low, high] = [result.min_V, Math.max(result.max_V, result.min_V + 0.02)];
  const tall = (v: number): number => 18 + ((v - low) / (high - low)) * (TALL - 34);
  const faulty = new Set([...result.faults.map((f) => f.tap), ...result.misplacedTaps]);
  const outliers = new Set(result.outliers);
  const rows = Math.ceil(cells.length / inRow);
  return (
    <Sheet
      title="Cell taps"
      words={`${result.count} taps, ${n(result.min_V, 3)} to ${n(result.max_V, 3)} V; out of place ${result.misplacedTaps.join(', ') || 'none'}; unlike the others ${result.outliers.join(', ') || 'none'}.`}
      note={`A bar for every cell, from ${n(result.min_V, 3)} to ${n(result.max_V, 3)} V. Red: at fault or out of place; brass: unlike the others.`}
      height={rows * (TALL + 26) + 8}
    >
      {cells.map((v, i) => {
        const x = 12 + (i % inRow) * wide;
        const floor = Math.floor(i / inRow) * (TALL + 26) + TALL;
        const bad = faulty.has(i + 1);
        const h = v === null || bad ? TALL - 16 : tall(v);
        return (
          <g key={i}>
            <rect
              x={x}
              y={floor - h}
              width={Math.max(1, wide - 1.5)}
              height={h}
              className={bad ? 'bad' : outliers.has(i + 1) ? 'watch' : 'plain'}
            />
            {(bad || outliers.has(i + 1) || i % inRow === 0 || cells.length <= 16) && (
              <text x={x + wide / 2} y={floor + 15} textAnchor="middle" className={bad ? undefined : 'small'}>
                {i + 1}
              </text>
            )}
          </g>
        );
      })}
    </Sheet>
  );
}
