/** Frame from above: its points, and how far each is off the mirror of its other side, exaggerated. */
import { scaleLinear } from 'd3-scale';
import type { FrameSymmetryInput, FrameSymmetryResult } from '#core/bench/frameSymmetry.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const HEIGHT = 230;
/** Drawn length of the largest deviation. */
const REACH = 30;
const LOOK = { ok: 'good', watch: 'watch', fail: 'bad' } as const;

export function Frame({ input, result }: { input: FrameSymmetryInput; result: FrameSymmetryResult }) {
  const xs = input.points.flatMap((p) => [p.left.x_mm, p.right.x_mm]);
  const ys = input.points.flatMap((p) => [p.left.y_mm, p.right.y_mm]);
  const [x0, x1] = [Math.min(...xs), Math.max(...xs)];
  const [y0, y1] = [Math.min(...ys), Math.max(...ys)];
  const one = Math.min((WIDTH - 90) / Math.max(1, x1 - x0), (HEIGHT - 90) / Math.max(1, y1 - y0));
  const x = scaleLinear([x1, x1 - 1], [50, 50 + one]);
  const y = scaleLinear([(y0 + y1) / 2, (y0 + y1) / 2 + 1], [HEIGHT / 2, HEIGHT / 2 - one]);
  const times = REACH / Math.max(result.worst_mm, 0.1);
  return (
    <Sheet
      title="Frame from above"
      words={result.pairs.map((p) => `${p.name}: ${n(p.residual_mm, 1)} mm`).join(', ')}
      note={`From above, front on the left, to scale. What is left over about the best plane is drawn ${Math.round(times / one)} times.`}
      height={HEIGHT}
    >
      <line
        x1={30}
        x2={WIDTH - 20}
        y1={y(result.planeOffset_mm)}
        y2={y(result.planeOffset_mm)}
        className="before"
        transform={`rotate(${result.planeYaw_deg} ${WIDTH / 2} ${y(result.planeOffset_mm)})`}
      />
      {(['left', 'right'] as const).map((side) => (
        <polyline
          key={side}
          className="thin"
          points={input.points.map((p) => `${x(p[side].x_mm)},${y(p[side].y_mm)}`).join(' ')}
        />
      ))}
      {input.points.map((p, i) => {
        const pair = result.pairs[i]!;
        return (['left', 'right'] as const).map((side) => (
          <g key={p.name + side}>
            <circle cx={x(p[side].x_mm)} cy={y(p[side].y_mm)} r={5} className={LOOK[pair.state]} />
            {side === 'left' && pair.residual_mm > 0.05 && (
              <line
                x1={x(p.left.x_mm)}
                x2={x(p.left.x_mm)}
                y1={y(p.left.y_mm)}
                y2={y(p.left.y_mm) - pair.residual_mm * times}
                className={pair.state === 'ok' ? 'goodline' : 'badline'}
              />
            )}
            {side === 'right' && (
              <text x={x(p.right.x_mm)} y={y(p.right.y_mm) + 20} textAnchor="middle" className="small">
                {p.name} {n(pair.residual_mm, 1)}
              </text>
            )}
          </g>
        ));
      })}
    </Sheet>
  );
}
