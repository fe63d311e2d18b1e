/** A wheel in its arch, old and new, seen from the front of the car. */
import type { WheelFitInput, WheelFitResult } from '#core/bench/wheelFit.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const HEIGHT = 230;
const MM_PER_IN = 25.4;

export function Wheel({ input, result }: { input: WheelFitInput; result: WheelFitResult }) {
  const half = (width_in: number): number => (width_in * MM_PER_IN) / 2;
  // Outboard is to the right; the hub’s face is the middle.
  const sides = (width_in: number, et: number): [number, number] => [
    -(half(width_in) + et),
    half(width_in) - et,
  ];
  const old = sides(input.oldWidth_in, result.oldOffset_mm);
  const fresh = sides(input.newWidth_in, result.newOffset_mm);
  const inner = typeof input.innerClearance_mm === 'number' ? old[0] - input.innerClearance_mm : null;
  const outer = typeof input.outerClearance_mm === 'number' ? old[1] + input.outerClearance_mm : null;
  const all = [...old, ...fresh, ...(inner === null ? [] : [inner]), ...(outer === null ? [] : [outer])];
  const [low, high] = [Math.min(...all) - 20, Math.max(...all) + 20];
  const x = (mm: number): number => 24 + ((mm - low) / (high - low)) * (WIDTH - 48);
  const look = (left: number | null): string => (left === null ? 'thin' : left <= 0 ? 'badline' : 'line');
  return (
    <Sheet
      title="Wheel in its arch"
      words={`Inside ${result.innerRemaining_mm === null ? 'not measured' : `${n(result.innerRemaining_mm, 1)} mm left`}, outside ${result.outerRemaining_mm === null ? 'not measured' : `${n(result.outerRemaining_mm, 1)} mm left`}.`}
      note="From the front, to scale across; outside on the right. Dashed: the old wheel. How the tyre bulges is not drawn."
      height={HEIGHT}
    >
      <line x1={x(0)} x2={x(0)} y1={14} y2={150} className="thin" />
      <text x={x(0)} y={166} textAnchor="middle" className="small">
        hub face
      </text>
      <rect x={x(old[0])} width={x(old[1]) - x(old[0])} y={40} height={90} rx={6} className="before" />
      <rect
        x={x(fresh[0])}
        width={x(fresh[1]) - x(fresh[0])}
        y={32}
        height={106}
        rx={6}
        className="blueline"
      />
      {inner !== null && (
        <line x1={x(inner)} x2={x(inner)} y1={14} y2={150} className={look(result.innerRemaining_mm)} />
      )}
      {outer !== null && (
        <path
          d={`M${x(outer)} 150 V30 Q${x(outer)} 14 ${x(outer) - 16} 14`}
          className={look(result.outerRemaining_mm)}
        />
      )}
      <text x={14} y={196}>
        inside:{' '}
        {result.innerRemaining_mm === null ? 'not measured' : `${n(result.innerRemaining_mm, 1)} mm left`}
      </text>
      <text x={WIDTH - 14} y={216} textAnchor="end">
        outside:{' '}
        {result.outerRemaining_mm === null ? 'not measured' : `${n(result.outerRemaining_mm, 1)} mm left`}
      </text>
    </Sheet>
  );
}
