/** Big end: its readings about the circle that it should be, exaggerated, and where it is cut. */
import type { BigEndInput, BigEndResult } from '#core/bench/bigEnd.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const HEIGHT = 300;
const RADIUS = 90;
const REACH = 26;

export function BigEnd({ input, result }: { input: BigEndInput; result: BigEndResult }) {
  const middle = (input.housingMin_in + input.housingMax_in) / 2;
  const off = input.readings.map((r) => r.dia_in - middle);
  const most = Math.max(input.housingMax_in - middle, ...off.map(Math.abs), 1e-6);
  const times = Math.round(((REACH / RADIUS) * (middle / most)) / 10) * 10;
  const [cx, cy] = [WIDTH / 2, HEIGHT / 2];
  const at = (angle: number, d: number): [number, number] => {
    const r = RADIUS + (d / most) * REACH;
    const a = (angle * Math.PI) / 180;
    return [r * Math.sin(a), -r * Math.cos(a)];
  };
  const points = input.readings
    .flatMap(({ angle_deg }, i) => [
      { angle: angle_deg, at: at(angle_deg, off[i]!) },
      { angle: angle_deg + 180, at: at(angle_deg + 180, off[i]!) },
    ])
    .sort((a, b) => a.angle - b.angle);
  const band = (d: number): number => RADIUS + ((d - middle) / most) * REACH;
  return (
    <Sheet
      title="Big end"
      words={`${input.readings.map((r) => `${n(r.angle_deg, 0)}°: ${n(r.dia_in, 4)} in`).join(', ')}; ${result.totalCut_in > 0 ? `cut ${n(result.capCut_in, 4)} off the cap and ${n(result.rodCut_in, 4)} off the rod` : 'no cut'}.`}
      note={`Rod above, cap below. Thin: what is allowed. Deviations drawn some ${times} times.`}
      height={HEIGHT}
    >
      <circle cx={cx} cy={cy} r={band(input.housingMin_in)} className="thin" />
      <circle cx={cx} cy={cy} r={band(input.housingMax_in)} className="thin" />
      <polygon
        points={points.map((p) => `${cx + p.at[0]},${cy + p.at[1]}`).join(' ')}
        className={result.decision === 'use' ? 'goodline' : 'badline'}
      />
      {points.map((p) => (
        <circle key={p.angle} cx={cx + p.at[0]} cy={cy + p.at[1]} r={4} className="plain" />
      ))}
      <line
        x1={cx - RADIUS - 90}
        x2={cx - RADIUS + 24}
        y1={cy}
        y2={cy}
        className={result.totalCut_in > 0 ? 'badline' : 'thin'}
      />
      <line
        x1={cx + RADIUS - 24}
        x2={cx + RADIUS + 90}
        y1={cy}
        y2={cy}
        className={result.totalCut_in > 0 ? 'badline' : 'thin'}
      />
      {result.totalCut_in > 0 && (
        <>
          <text x={cx + RADIUS + 92} y={cy - 8} textAnchor="end">
            rod −{n(result.rodCut_in, 4)}
          </text>
          <text x={cx + RADIUS + 92} y={cy + 20} textAnchor="end">
            cap −{n(result.capCut_in, 4)}
          </text>
        </>
      )}
    </Sheet>
  );
}
