/** Hours of weather: which are good to paint in, and the first window. */
import { scaleLinear } from 'd3-scale';
import type { FindPaintWindowInput, FindPaintWindowResult } from '#core/bench/findPaintWindow.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const HEIGHT = 190;
/** Hours are drawn up to here; a forecast is of no use further on. */
const MOST = 168;
const LOOK = { ok: 'good', dry: 'watch', wet: 'bad' } as const;

export function PaintHours({
  input,
  result,
}: {
  input: FindPaintWindowInput;
  result: FindPaintWindowResult;
}) {
  const hours = input.hours.slice(0, MOST);
  const wide = (WIDTH - 24) / hours.length;
  const air = hours.map((h) => h.air_C);
  const y = scaleLinear([Math.min(...air) - 1, Math.max(...air) + 1], [110, 20]);
  const { first } = result;
  const at = (hour: number): number => 12 + hour * wide;
  return (
    <Sheet
      title="Hours to paint in"
      words={`${result.okHours} of ${result.hourStates.length} hours are good.${first ? ` Begin in hour ${first.start}, spray in hour ${first.sprayStart}, dry by hour ${first.end}.` : ' No window.'}`}
      note={`Line: air. Below: green, paint may go on; brass, dry but not to paint in; red, rain.${result.hourStates.length > MOST ? ` The first ${MOST} hours.` : ''}`}
      height={HEIGHT}
    >
      {first && first.start < MOST && (
        <rect
          x={at(first.start)}
          width={(first.end - first.start) * wide}
          y={14}
          height={130}
          className="good"
          opacity={0.2}
        />
      )}
      <polyline points={air.map((t, i) => `${at(i + 0.5)},${y(t)}`).join(' ')} className="blueline" />
      {result.hourStates.slice(0, MOST).map((state, i) => (
        <rect
          key={i}
          x={at(i)}
          y={124}
          width={Math.max(0.8, wide - 0.8)}
          height={20}
          className={LOOK[state]}
        />
      ))}
      {hours.map((_, i) =>
        i % 24 === 0 ? (
          <text key={i} x={at(i)} y={162} className="small">
            {i} h
          </text>
        ) : null,
      )}
      {first && first.start < MOST && (
        <text x={Math.min(at(first.start), WIDTH - 190)} y={182}>
          begin {first.start} h, spray {first.sprayStart} h, dry {first.end} h
        </text>
      )}
    </Sheet>
  );
}
