/** Front axle: toe from above and camber from the front, before and after, exaggerated. */
import type { AlignmentInput, FrontWheel } from '#core/bench/alignment.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const TOE_TIMES = 15;
const CAMBER_TIMES = 5;
const HEIGHT = 300;
const LEFT = 110;
const RIGHT = WIDTH - 110;

/** Toe-in turns the front of a wheel to the middle; camber above nothing leans its top out. */
function Wheels({ wheel, x, side, look }: { wheel: FrontWheel; x: number; side: 1 | -1; look: string }) {
  return (
    <>
      <rect
        x={x - 11}
        y={30}
        width={22}
        height={84}
        rx={5}
        className={look}
        transform={`rotate(${side * wheel.toe_deg * TOE_TIMES} ${x} 72)`}
      />
      <rect
        x={x - 11}
        y={178}
        width={22}
        height={78}
        rx={5}
        className={look}
        transform={`rotate(${-side * wheel.camber_deg * CAMBER_TIMES} ${x} 256)`}
      />
    </>
  );
}

const inWords = (side: string, w: FrontWheel): string =>
  `${side} caster ${n(w.caster_deg)}°, camber ${n(w.camber_deg)}°, toe ${n(w.toe_deg)}°`;

export function Alignment({ input }: { input: AlignmentInput }) {
  const { before, after } = input;
  const now = after ?? before;
  return (
    <Sheet
      title="Front axle"
      words={`${after ? 'After the work: ' : ''}${inWords('left', now.fl)}; ${inWords('right', now.fr)}.${after ? ` Before: ${inWords('left', before.fl)}; ${inWords('right', before.fr)}.` : ''}`}
      note={`Above: toe from above, ${TOE_TIMES} times. Below: camber from behind, ${CAMBER_TIMES} times.${after ? ' Dashed: before.' : ''}`}
      height={HEIGHT}
    >
      <line x1={LEFT} y1={72} x2={RIGHT} y2={72} className="thin" />
      <line x1={40} y1={258} x2={WIDTH - 40} y2={258} className="thin" />
      {after && (
        <>
          <Wheels wheel={before.fl} x={LEFT} side={1} look="before" />
          <Wheels wheel={before.fr} x={RIGHT} side={-1} look="before" />
        </>
      )}
      <Wheels wheel={now.fl} x={LEFT} side={1} look="blueline" />
      <Wheels wheel={now.fr} x={RIGHT} side={-1} look="blueline" />
      {(
        [
          [LEFT, now.fl],
          [RIGHT, now.fr],
        ] as const
      ).map(([x, w]) => (
        <g key={x}>
          <text x={x} y={142} textAnchor="middle">
            toe {n(w.toe_deg)}°
          </text>
          <text x={x} y={278} textAnchor="middle">
            camber {n(w.camber_deg)}°
          </text>
          <text x={x} y={294} textAnchor="middle" className="small">
            caster {n(w.caster_deg)}°
          </text>
        </g>
      ))}
    </Sheet>
  );
}
