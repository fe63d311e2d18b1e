/**
 * What is drawn on a photograph, and the drawing itself: dragged with a finger or the mouse, or placed in the middle and
 * moved with the arrow keys.
 */
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import { MARK_COLOR, markPath, markWidth, moved, scaled, type PhotoMark } from '#core/photo/marks.ts';

export type Tool = PhotoMark['shape'];

const Layer = styled.svg`
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: none;
  cursor: crosshair;
  g:focus-visible {
    outline: 3px solid #fff8ec;
    outline-offset: 4px;
  }
`;

interface Point {
  x: number;
  y: number;
}

/** A drag shorter than this fraction of the picture is a tap: the mark gets a usual size. */
const TAP = 0.02;
const USUAL = 0.08;

function drawn(tool: Tool, from: Point, to: Point, width: number, height: number): PhotoMark {
  const longer = Math.max(width, height);
  const far = Math.hypot((to.x - from.x) * width, (to.y - from.y) * height) / longer;
  if (tool === 'ring') return { shape: 'ring', ...from, r: Math.min(0.5, far < TAP ? USUAL : far) };
  const tail = far < TAP ? { x: Math.min(1, from.x + USUAL), y: Math.max(0, from.y - USUAL) } : from;
  return { shape: 'arrow', ...tail, toX: to.x, toY: to.y };
}

/** A mark placed without a pointer. */
export const inTheMiddle = (tool: Tool): PhotoMark =>
  tool === 'ring'
    ? { shape: 'ring', x: 0.5, y: 0.5, r: USUAL }
    : { shape: 'arrow', x: 0.62, y: 0.38, toX: 0.5, toY: 0.5 };

const STEP = 0.02;
const GROW = 1.15;
const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

/** The mark after a key, null when the key takes it off, undefined when the key is not for marks. */
function afterKey(mark: PhotoMark, key: string): PhotoMark | null | undefined {
  const move = MOVES[key];
  if (move) return moved(mark, ...move);
  if (key === '+' || key === '=') return scaled(mark, GROW);
  if (key === '-') return scaled(mark, 1 / GROW);
  return key === 'Delete' || key === 'Backspace' ? null : undefined;
}

interface Props {
  width: number;
  height: number;
  marks: readonly PhotoMark[];
  tool: Tool;
  onMarks: (marks: PhotoMark[]) => void;
}

export function MarkLayer({ width, height, marks, tool, onMarks }: Props) {
  const layer = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ from: Point; to: Point } | null>(null);
  const pointOf = (e: PointerEvent): Point => {
    const box = layer.current!.getBoundingClientRect();
    const within = (n: number): number => Math.min(1, Math.max(0, n));
    return { x: within((e.clientX - box.left) / box.width), y: within((e.clientY - box.top) / box.height) };
  };
  const begin = (e: PointerEvent<SVGSVGElement>): void => {
    e.currentTarget.setPointerCapture(e.pointerId);
    const at = pointOf(e);
    setDrag({ from: at, to: at });
  };
  const end = (e: PointerEvent): void => {
    if (drag) onMarks([...marks, drawn(tool, drag.from, pointOf(e), width, height)]);
    setDrag(null);
  };
  const onKey = (i: number) => (e: KeyboardEvent) => {
    const after = afterKey(marks[i]!, e.key);
    if (after === undefined) return;
    e.preventDefault();
    onMarks(marks.flatMap((m, j) => (j !== i ? [m] : after === null ? [] : [after])));
  };
  const half = drag ? [drawn(tool, drag.from, drag.to, width, height)] : [];
  return (
    <Layer
      ref={layer}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label="Marks on the photograph"
      onPointerDown={begin}
      onPointerMove={(e) => setDrag((d) => d && { ...d, to: pointOf(e) })}
      onPointerUp={end}
      onPointerCancel={() => setDrag(null)}
    >
      {[...marks, ...half].map((mark, i) => (
        <Mark
          key={i}
          {...{ mark, width, height }}
          label={`${mark.shape === 'ring' ? 'Ring' : 'Arrow'} ${i + 1}. Arrow keys move it, plus and minus change its size, Delete takes it off.`}
          onKeyDown={i < marks.length ? onKey(i) : undefined}
        />
      ))}
    </Layer>
  );
}

interface MarkProps {
  mark: PhotoMark;
  width: number;
  height: number;
  label: string;
  onKeyDown: ((e: KeyboardEvent) => void) | undefined;
}

function Mark({ mark, width, height, label, onKeyDown }: MarkProps) {
  const d = markPath(mark, width, height);
  const line = markWidth(width, height);
  const shape = { d, fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const;
  return (
    <g tabIndex={0} role="img" aria-label={label} onKeyDown={onKeyDown}>
      <path {...shape} stroke={MARK_COLOR.edge} strokeWidth={line * 2} />
      <path {...shape} stroke={MARK_COLOR.line} strokeWidth={line} />
    </g>
  );
}
