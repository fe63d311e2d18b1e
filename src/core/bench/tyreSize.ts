/**
 * A tyre size as it stands on a sidewall: its measures, and how sure they are.
 *
 * Sources. Geometry of designations: ISO 4000-1, ETRTO (published). Flotation sizes: TRA Year Book (published, from memory). Aspects
 * of 0.82, 0.95, 0.74 and 0.90 for sizes that state none: common practice. Letter sizes: from memory, approximate. Rolling factors
 * 3.05 and 2.99: from memory (ETRTO, UNECE).
 */
import { MM_PER_IN } from './exact.ts';
import { InputError, isGiven, judged, SLACK, type Judged, type Reason } from './input.ts';

export interface TyreSizeInput {
  designation: string;
}

export type TyreKind =
  | 'metric'
  | 'p-metric'
  | 'lt-metric'
  | 'temporary'
  | 'metric-full-profile'
  | 'flotation'
  | 'inch'
  | 'alpha-numeric';
export type TyreConstruction = 'radial' | 'bias' | 'bias-belted';

export interface TyreSizeResult extends Judged {
  kind: TyreKind;
  construction: TyreConstruction;
  sectionWidth_mm: number;
  aspect_pct: number;
  rim_mm: number;
  rim_in: number;
  sidewall_mm: number;
  od_mm: number;
  od_in: number;
  circumference_mm: number;
  revsPerMile: number;
  revsPerKm: number;
  rollingCircumference_mm: number;
  revsPerMileRolling: number;
  revsPerKmRolling: number;
  approximate: boolean;
  odLow_mm: number;
  odHigh_mm: number;
}

const MM_PER_MILE = 1_609_344;
const MM_PER_KM = 1_000_000;
/** Of the diameter: what a loaded tyre rolls (from memory). */
const ROLLING: Record<TyreConstruction, number> = { radial: 3.05, bias: 2.99, 'bias-belted': 2.99 };

/** A size as it is written, before its limits are looked at; aspects as fractions, `low` and `high` where it is only about so. */
interface Size {
  kind: TyreKind;
  construction: TyreConstruction;
  width: number;
  rim: number;
  aspect: number;
  low?: { width: number; aspect: number };
  high?: { width: number; aspect: number };
}

const CONSTRUCTIONS: Record<string, TyreConstruction> = {
  ...{ R: 'radial', ZR: 'radial', SR: 'radial', HR: 'radial', VR: 'radial' },
  ...{ D: 'bias', '-': 'bias', B: 'bias-belted' },
};
const constructionOf = (letter: string): TyreConstruction => CONSTRUCTIONS[letter]!;

/** Below a hundred a rim is in inches. */
const rimOf = (written: string): number => {
  const rim = Number(written);
  return rim < 100 ? rim * MM_PER_IN : rim;
};

/** What may stand behind a size and says nothing of it: load index, speed symbol, reinforced. */
const BEHIND = String.raw`(?:\s*(?:\(?\d{2,3}(?:/\d{2,3})?[A-Z]\d?\)?|XL|REINF|RF))*`;
const form = (size: string): RegExp => new RegExp(`^${size}${BEHIND}$`);
const RIM = String.raw`\s*(\d{2}(?:\.5)?)`;

/** Nominal widths by letter, A to L (from memory, approximate). */
const LETTERS = 'ABCDEFGHJL';
const LETTER_WIDTHS: Record<string, readonly number[]> = {
  '78': [165, 175, 185, 185, 195, 205, 215, 225, 225, 235],
  '70': [175, 185, 195, 195, 205, 215, 225, 235, 245, 255],
  '60': [195, 205, 215, 215, 225, 235, 245, 255, 265, 275],
};
const LETTER_SPREAD_MM = 10;

/** Aspects of sizes in inches, by what the rim is (common practice). */
function inchAspects(rim: number): [number, number, number] {
  if (rim === 14.5 || rim === 16.5) return [0.74, 0.7, 0.78];
  return Number.isInteger(rim) ? [0.95, 0.86, 1.05] : [0.9, 0.85, 0.95];
}

type Form = [RegExp, (m: readonly string[]) => Size | null];

const FORMS: readonly Form[] = [
  [
    form(String.raw`(P|LT|T)?\s*(\d{3})\s*/\s*(\d{2,3})\s*(ZR|R|D|B|-)\s*(\d{2,3}(?:\.5)?)(?:\s*(?:LT|C))?`),
    ([, prefix = '', width, aspect, letter, rim]) => ({
      kind: ({ P: 'p-metric', LT: 'lt-metric', T: 'temporary', '': 'metric' } as const)[prefix]!,
      construction: constructionOf(letter!),
      ...{ width: Number(width), aspect: Number(aspect) / 100, rim: rimOf(rim!) },
    }),
  ],
  [
    form(String.raw`(\d{3})\s*(SR|HR|VR|R|D|B|-)${RIM}\s*C?`),
    ([, written, letter, rim]) => {
      const width = Number(written);
      return {
        ...{ kind: 'metric-full-profile', construction: constructionOf(letter!), width, rim: rimOf(rim!) },
        ...{ aspect: 0.82, low: { width, aspect: 0.8 }, high: { width, aspect: 0.84 } },
      };
    },
  ],
  [
    form(String.raw`(\d{2}(?:\.\d+)?)\s*X\s*(\d{1,2}(?:\.\d+)?)\s*(R|D|B|-)${RIM}\s*(?:LT)?`),
    ([, od, inches, letter, rim]) => {
      const width = Number(inches) * MM_PER_IN;
      const aspect = (Number(od) * MM_PER_IN - rimOf(rim!)) / 2 / width;
      return { kind: 'flotation', construction: constructionOf(letter!), width, rim: rimOf(rim!), aspect };
    },
  ],
  [
    form(String.raw`(\d{1,2}\.\d{2})\s*(R|D|B|-)${RIM}`),
    ([, inches, letter, rim]) => {
      const width = Number(inches) * MM_PER_IN;
      const [aspect, least, most] = inchAspects(Number(rim));
      return {
        ...{ kind: 'inch', construction: constructionOf(letter!), width, rim: rimOf(rim!), aspect },
        ...{ low: { width, aspect: least }, high: { width, aspect: most } },
      };
    },
  ],
  [
    form(String.raw`([A-Z])\s*(R|B)?\s*(\d{2})\s*-${RIM}`),
    ([, letter, belt, series, rim]) => {
      const width = LETTER_WIDTHS[series!]?.[LETTERS.indexOf(letter!)];
      if (width === undefined) return null;
      const aspect = Number(series) / 100;
      return {
        ...{
          kind: 'alpha-numeric',
          construction: constructionOf(belt ?? '-'),
          width,
          rim: rimOf(rim!),
          aspect,
        },
        low: { width: width - LETTER_SPREAD_MM, aspect },
        high: { width: width + LETTER_SPREAD_MM, aspect },
      };
    },
  ],
];

const LIMITS = { width: [100, 455], aspect: [0.2, 1.1], rim: [8 * MM_PER_IN, 30 * MM_PER_IN] } as const;

/** Reads a size; throws InputError naming the field. */
function sizeOf(designation: unknown, field: string): Size {
  if (!isGiven(designation) || (typeof designation === 'string' && designation.trim() === ''))
    throw new InputError(field, 'missing', `${field} is missing`);
  if (typeof designation !== 'string') throw new InputError(field, 'format', `${field} is no text`);
  const written = designation.trim().toUpperCase().replaceAll('×', 'X');
  const outside = (): InputError =>
    new InputError(field, 'out_of_range', `${field}: no tyre is of that size`);
  for (const [pattern, read] of FORMS) {
    const m = pattern.exec(written);
    if (!m) continue;
    const size = read(m);
    if (size === null) throw outside();
    for (const key of ['width', 'aspect', 'rim'] as const)
      if (size[key] < LIMITS[key][0] - SLACK || size[key] > LIMITS[key][1] + SLACK) throw outside();
    return size;
  }
  throw new InputError(field, 'format', `${field} is no size that is known, as in 205/55R16`);
}

const diameter = (rim: number, { width, aspect }: { width: number; aspect: number }): number =>
  rim + 2 * width * aspect;

/** What follows from a size, under the field that it stands in. */
export function tyreAt(designation: unknown, field: string) {
  const size = sizeOf(designation, field);
  const { kind, construction, width, aspect, rim, low, high } = size;
  const od = diameter(rim, size);
  const rolling = ROLLING[construction] * od;
  const reasons: Reason[] = [];
  if (low)
    reasons.push({ code: 'approximate_size', level: 'watch', text: 'This size states no height: measure the real tyre.' }); // prettier-ignore
  if (kind === 'temporary')
    reasons.push({ code: 'temporary_spare', level: 'watch', text: 'That is a temporary spare.' });
  return {
    kind,
    construction,
    sectionWidth_mm: width,
    aspect_pct: aspect * 100,
    rim_mm: rim,
    rim_in: rim / MM_PER_IN,
    sidewall_mm: width * aspect,
    od_mm: od,
    od_in: od / MM_PER_IN,
    circumference_mm: Math.PI * od,
    revsPerMile: MM_PER_MILE / (Math.PI * od),
    revsPerKm: MM_PER_KM / (Math.PI * od),
    rollingCircumference_mm: rolling,
    revsPerMileRolling: MM_PER_MILE / rolling,
    revsPerKmRolling: MM_PER_KM / rolling,
    approximate: low !== undefined,
    odLow_mm: low ? diameter(rim, low) : od,
    odHigh_mm: high ? diameter(rim, high) : od,
    reasons,
  };
}

/** Reads a size as it stands on a sidewall. */
export function tyreSize({ designation }: TyreSizeInput): TyreSizeResult {
  const { reasons, ...size } = tyreAt(designation, 'designation');
  return { ...size, ...judged(reasons) };
}
