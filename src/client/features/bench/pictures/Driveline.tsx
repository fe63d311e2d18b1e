/** Driveline from the side, its angles exaggerated. */
import type { DrivelineInput, DrivelineResult } from '#core/bench/driveline.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const TIMES = 3;
const HEIGHT = 220;

export function Driveline({ input, result }: { input: DrivelineInput; result: DrivelineResult }) {
  const members: [name: string, angle: number, share: number][] = [
    ['gearbox', input.trans_deg, 0.22],
    ...(typeof input.coupling_deg === 'number'
      ? [['front shaft', input.coupling_deg, 0.25] as [string, number, number]]
      : []),
    ['shaft', input.shaft_deg, typeof input.coupling_deg === 'number' ? 0.33 : 0.56],
    ['pinion', input.pinion_deg, 0.18],
  ];
  const long = WIDTH - 60;
  let at: [number, number] = [30, 0];
  const lines = members.map(([name, angle, share]) => {
    const by = (angle * TIMES * Math.PI) / 180;
    const from = at;
    at = [from[0] + share * long * Math.cos(by), from[1] + share * long * Math.sin(by)];
    return { name, angle, from, to: at };
  });
  const ys = lines.flatMap((l) => [l.from[1], l.to[1]]);
  const down = HEIGHT / 2 - (Math.min(...ys) + Math.max(...ys)) / 2;
  const joints = result.restJointAngles_deg.map((a) => `${n(Math.abs(a), 1)}°`);
  return (
    <Sheet
      title="Driveline from the side"
      words={`${members.map(([name, a]) => `${name} ${n(a, 1)}°`).join(', ')}; joints at rest ${joints.join(' and ')}.`}
      note={`From the left side, front on the left. Angles drawn ${TIMES} times as steep.`}
      height={HEIGHT}
    >
      {lines.map(({ name, angle, from, to }) => (
        <g key={name}>
          <line
            x1={from[0]}
            y1={from[1] + down}
            x2={to[0]}
            y2={to[1] + down}
            className={name.endsWith('shaft') ? 'line' : 'blueline'}
            strokeLinecap="round"
          />
          <text x={(from[0] + to[0]) / 2} y={(from[1] + to[1]) / 2 + down - 18} textAnchor="middle">
            {name} {n(angle, 1)}°
          </text>
        </g>
      ))}
      {lines.slice(1).map(({ name, from }, i) => {
        const bad = Math.abs(result.restJointAngles_deg[i] ?? 0) > 3;
        return (
          <g key={name}>
            <circle cx={from[0]} cy={from[1] + down} r={7} className={bad ? 'bad' : 'good'} />
            <text x={from[0]} y={from[1] + down + 26} textAnchor="middle" className="small">
              joint {joints[i]}
            </text>
          </g>
        );
      })}
    </Sheet>
  );
}
