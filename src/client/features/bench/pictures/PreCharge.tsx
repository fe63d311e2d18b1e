/** Pre-charge: the bus rising to where the main contactor may close. */
import { scaleLinear } from 'd3-scale';
import type { PreChargeInput, PreChargeResult } from '#core/bench/preCharge.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const HEIGHT = 240;
const POINTS = 80;
const FIVE_TAU = 5;

export function PreCharge({ input, result }: { input: PreChargeInput; result: PreChargeResult }) {
  const { pack_V: pack } = input;
  const start = input.initialBus_V ?? 0;
  const share = (input.target_pct ?? 95) / 100;
  const end = Math.max(FIVE_TAU * result.tau_s, input.elapsed_s ?? 0);
  const x = scaleLinear([0, end], [46, WIDTH - 16]);
  const y = scaleLinear([0, pack], [HEIGHT - 34, 18]);
  const bus = (t: number): number => pack - (pack - start) * Math.exp(-t / result.tau_s);
  const line = Array.from({ length: POINTS + 1 }, (_, i) => (i / POINTS) * end)
    .map((t) => `${x(t)},${y(bus(t))}`)
    .join(' ');
  const isMeasured = typeof input.bus_V === 'number' && typeof input.elapsed_s === 'number';
  return (
    <Sheet
      title="Pre-charge"
      words={`The bus rises from ${n(start, 0)} to ${n(pack, 0)} V with a time constant of ${n(result.tau_s, 3)} s; ${n(share * 100, 1)} % after ${n(result.tTarget_s, 2)} s.${isMeasured ? ` Measured ${n(input.bus_V, 0)} V after ${n(input.elapsed_s, 2)} s.` : ''}`}
      note="Volts over seconds. Shaded: where the main contactor may close."
      height={HEIGHT}
    >
      <rect
        x={x(0)}
        width={x(end) - x(0)}
        y={y(pack)}
        height={y(share * pack) - y(pack)}
        className="good"
        opacity={0.25}
      />
      <line x1={x(0)} x2={x(0)} y1={y(0)} y2={y(pack)} className="thin" />
      <line x1={x(0)} x2={x(end)} y1={y(0)} y2={y(0)} className="thin" />
      <polyline points={line} className="blueline" />
      <line
        x1={x(result.tTarget_s)}
        x2={x(result.tTarget_s)}
        y1={y(0)}
        y2={y(share * pack)}
        className="before"
      />
      <text x={x(result.tTarget_s)} y={HEIGHT - 14} textAnchor="middle">
        {n(result.tTarget_s, 2)} s
      </text>
      <text x={x(0) - 6} y={y(share * pack) + 4} textAnchor="end" className="small">
        {n(share * pack, 0)} V
      </text>
      <text x={x(0) - 6} y={y(0) + 4} textAnchor="end" className="small">
        0
      </text>
      {isMeasured && (
        <circle
          cx={x(input.elapsed_s!)}
          cy={y(input.bus_V!)}
          r={6}
          className={result.closeAllowed ? 'good' : 'bad'}
        />
      )}
    </Sheet>
  );
}
