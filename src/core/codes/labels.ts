/** Labels for bags and shelves: how large they are, and how many lie on a sheet. Millimetres. */
export const LABEL_SIZES = ['small bag', 'bag', 'shelf', 'sheet'] as const;
export type LabelSize = (typeof LABEL_SIZES)[number];

export interface LabelShape {
  width: number;
  height: number;
  /** Labels on one page. */
  columns: number;
  rows: number;
  /** Of the first label on the page. */
  left: number;
  top: number;
}

const roll = (width: number, height: number): LabelShape => ({
  width,
  height,
  columns: 1,
  rows: 1,
  left: 0,
  top: 0,
});

/** Common sizes of label rolls, and an A4 sheet of three by eight. */
export const LABEL_SHAPES: Record<LabelSize, LabelShape> = {
  'small bag': roll(50, 25),
  bag: roll(70, 36),
  shelf: roll(100, 50),
  sheet: { width: 70, height: 37, columns: 3, rows: 8, left: 0, top: 0.5 },
};

/** What a shape is called where it is chosen. */
export const LABEL_WORDS: Record<LabelSize, string> = {
  'small bag': 'small bag, 50 × 25 mm',
  bag: 'bag, 70 × 36 mm',
  shelf: 'shelf, 100 × 50 mm',
  sheet: 'sheet A4, 24 of 70 × 37 mm',
};
