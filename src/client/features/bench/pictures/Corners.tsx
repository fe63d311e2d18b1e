/** Four wheels from above with what was read at each, and the diagonal that bears more. */
import type { CornerWeightsInput, CornerWeightsResult } from '#core/bench/cornerWeights.ts';
import type { RideHeightInput, RideHeightResult } from '#core/bench/rideHeight.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const HEIGHT = 250;
const PLACES = [
  ['lf', 120, 60],
  ['rf', WIDTH - 120, 60],
  ['lr', 120, 190],
  ['rr', WIDTH - 120, 190],
] as const;
const NAMES = { lf: 'left front', rf: 'right front', lr: 'left rear', rr: 'right rear' };

type Props =
  | { input: CornerWeightsInput; result: CornerWeightsResult }
  | { input: RideHeightInput; result: RideHeightResult };

export function Corners({ input, result }: Props) {
  const unit = 'lf_kg' in input ? 'kg' : 'mm';
  const at = (corner: string): number => (input as never as Record<string, number>)[`${corner}_${unit}`]!;
  const middle =
    'cross_pct' in result ? `cross ${n(result.cross_pct, 1)} %` : `rake ${n(result.rake_mm, 0)} mm`;
  return (
    <Sheet
      title="Four corners"
      words={`${PLACES.map(([c]) => `${NAMES[c]} ${n(at(c), 0)} ${unit}`).join(', ')}; ${middle}.`}
      note="From above, front at the top."
      height={HEIGHT}
    >
      <rect x={150} y={22} width={WIDTH - 300} height={206} rx={26} className="thin" />
      {'cross_pct' in result && (
        <>
          <line
            x1={WIDTH - 130}
            y1={70}
            x2={130}
            y2={180}
            className={result.crossTransfer_kg < 0 ? 'badline' : 'line'}
          />
          <line
            x1={130}
            y1={70}
            x2={WIDTH - 130}
            y2={180}
            className={result.crossTransfer_kg > 0 ? 'badline' : 'line'}
          />
        </>
      )}
      {PLACES.map(([c, x, y]) => (
        <g key={c}>
          <rect x={x - 13} y={y - 30} width={26} height={60} rx={6} className="plain" />
          <text x={x + (x < WIDTH / 2 ? -20 : 20)} y={y + 5} textAnchor={x < WIDTH / 2 ? 'end' : 'start'}>
            {n(at(c), 0)} {unit}
          </text>
        </g>
      ))}
      <rect x={WIDTH / 2 - 52} y={112} width={104} height={28} className="ground" rx={4} />
      <text x={WIDTH / 2} y={131} textAnchor="middle">
        {middle}
      </text>
    </Sheet>
  );
}
