/**
 * What is drawn on a copy of a photograph: arrows and rings, in fractions of the picture, so that they hold at every size.
 * The same paths are drawn by the screen and burnt into the copy that customers see.
 */

/** Points at something: the head is at `to`. Fractions of width and height, from the top left. */
export interface ArrowMark {
  shape: 'arrow';
  x: number;
  y: number;
  toX: number;
  toY: number;
}

/** A circle around something; `r` is a fraction of the picture's longer side. */
export interface RingMark {
  shape: 'ring';
  x: number;
  y: number;
  r: number;
}

export type PhotoMark = ArrowMark | RingMark;

export const MOST_MARKS = 20;

/** Length of an arrow's barbs and width of a line, as fractions of the picture's longer side. */
const BARB = 0.035;
const LINE = 0.006;
/** Half the angle between the barbs. */
const SPREAD = Math.PI / 7;

const at = (x: number, y: number): string => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** An SVG path of a mark on a picture of `width` by `height` pixels. */
export function markPath(mark: PhotoMark, width: number, height: number): string {
  const longer = Math.max(width, height);
  const [x, y] = [mark.x * width, mark.y * height];
  if (mark.shape === 'ring') {
    const r = mark.r * longer;
    return `M${at(x - r, y)}a${at(r, r)} 0 1 0 ${at(2 * r, 0)}a${at(r, r)} 0 1 0 ${at(-2 * r, 0)}Z`;
  }
  const [tipX, tipY] = [mark.toX * width, mark.toY * height];
  const back = Math.atan2(y - tipY, x - tipX);
  const barbs = [back - SPREAD, back + SPREAD].map((angle) =>
    at(tipX + Math.cos(angle) * BARB * longer, tipY + Math.sin(angle) * BARB * longer),
  );
  return `M${at(x, y)}L${at(tipX, tipY)}M${barbs[0]}L${at(tipX, tipY)}L${barbs[1]}`;
}

/** Width of the mark's line in pixels; under it lies a pale one of twice that, so that it shows on any ground. */
export const markWidth = (width: number, height: number): number => Math.max(width, height) * LINE;

/** Red-oxide on a pale edge: the marks' own colours, the same in both themes, since photographs have no theme. */
export const MARK_COLOR = { line: '#c4331a', edge: '#fff8ec' } as const;

/** The marks as an SVG document the size of the picture, to be laid over it. */
export function marksSvg(marks: readonly PhotoMark[], width: number, height: number): string {
  const line = markWidth(width, height);
  const stroke = (d: string, color: string, w: number): string =>
    `<path d="${d}" fill="none" stroke="${color}" stroke-width="${w.toFixed(1)}" stroke-linecap="round" stroke-linejoin="round"/>`;
  const paths = marks.map((m) => markPath(m, width, height));
  const drawn = [
    ...paths.map((d) => stroke(d, MARK_COLOR.edge, line * 2)),
    ...paths.map((d) => stroke(d, MARK_COLOR.line, line)),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${drawn.join('')}</svg>`;
}

const within = (n: number): number => Math.min(1, Math.max(0, n));

/** The mark moved by fractions of the picture, kept inside it. */
export function moved(mark: PhotoMark, dx: number, dy: number): PhotoMark {
  const at_ = { x: within(mark.x + dx), y: within(mark.y + dy) };
  return mark.shape === 'ring'
    ? { ...mark, ...at_ }
    : { ...mark, ...at_, toX: within(mark.toX + dx), toY: within(mark.toY + dy) };
}

const SMALLEST_RING = 0.01;

/** The mark made larger (or smaller) by a factor: a ring by its radius, an arrow by its tail. */
export function scaled(mark: PhotoMark, by: number): PhotoMark {
  return mark.shape === 'ring'
    ? { ...mark, r: Math.min(0.5, Math.max(SMALLEST_RING, mark.r * by)) }
    : {
        ...mark,
        x: within(mark.toX + (mark.x - mark.toX) * by),
        y: within(mark.toY + (mark.y - mark.toY) * by),
      };
}
