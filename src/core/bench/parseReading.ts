/**
 * A reading as it is typed or said, with its unit. What could be meant in two ways is asked, never guessed.
 *
 * Sources. Factors as in units.ts (published). `.030` and bare fractions as inches, mil for millimetre in speech: common practice; mil is
 * really open, hence it is said.
 */
import { convert } from './convert.ts';
import { choiceAt, inconsistent, InputError, isGiven, judged, textAt, type Judged } from './input.ts';
import { spokenNumber, type SpokenNumber } from './spokenNumber.ts';
import { UNITS, unitAt, type Quantity } from './units.ts';
import { DEGREES, measureOfWords, MILS, POUNDS, unitOfWords } from './unitWords.ts';

export interface ParseReadingInput {
  /** At most 80 characters. */
  text: string;
  expected?: Quantity | null;
  defaultUnit?: string | null;
  region?: 'us' | 'uk' | null;
}

export interface ReadingChoice {
  unit: string;
  value: number;
  siValue: number;
}

export interface ParseReadingResult extends Judged {
  /** `ask`: the choices are shown, and one is taken by hand. */
  status: 'value' | 'ask';
  number: number;
  value: number | null;
  unit: string | null;
  quantity: Quantity | null;
  siValue: number | null;
  siUnit: string | null;
  choices: ReadingChoice[];
}

const MOST_CHARACTERS = 80;
const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const REASONS = {
  comma_thousands_or_decimal: 'The comma may part thousands or decimals.',
  tenths_inch_or_mm: 'Tenths of a thou, or of a millimetre?',
  mil_thou_or_mm: 'Mil may be a thou or a millimetre.',
  mil_read_as_mm: 'Mil was read as millimetre; elsewhere it is a thou.',
  us_or_uk_measure: 'US measure or imperial?',
  pounds_read_as_lbft: 'Pounds were read as pound-feet.',
  pounds_read_as_psi: 'Pounds were read as pounds per square inch.',
  pounds_of_what: 'Pounds of what?',
  celsius_or_fahrenheit: 'Celsius or Fahrenheit?',
  assumed_inches: 'Read as inches, for it is written so.',
  assumed_default_unit: 'No unit was given: read in the one of this field.',
  no_unit: 'In what unit?',
} as const;
type ReadingCode = keyof typeof REASONS;

const NO_UNIT: Record<Quantity, string[]> = {
  length: ['mm', 'in', 'thou'],
  torque: ['Nm', 'lbft'],
  pressure: ['psi', 'bar', 'kPa'],
  volume: ['L', 'us_qt', 'uk_pt'],
  temperature: ['C', 'F'],
  speed: ['mph', 'km/h'],
  mass: ['kg', 'lb'],
};

/** As it is read: lower case, one kind of minus, glyphs as figures, one blank between words. */
export function normalised(text: string): string {
  return text
    .toLowerCase()
    .replace(/[−–]/g, '-')
    .replace(/["″]/g, ' in ')
    .replace(/['′]/g, ' ft ')
    .replace(/°/g, ' deg ')
    .replace(/·/g, ' ')
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (glyph) => ` ${FRACTIONS[glyph]!} `)
    .replace(/\s+/g, ' ')
    .trim();
}

const unitWordsOf = (rest: string): string =>
  rest.replace(/[.-]/g, ' ').replace(/\s+/g, ' ').trim().replace(/^of /, '').replace(/^an? /, '');

/** What a value is in a unit; throws where no such thing can be. */
function choiceOf(unit: string, value: number): ReadingChoice & { quantity: Quantity; siUnit: string } {
  const { quantity } = unitAt(unit, 'text');
  if (value < 0 && (quantity === 'mass' || quantity === 'volume'))
    throw new InputError('text', 'out_of_range', `text: no ${quantity} is below nothing`);
  const base = Object.keys(UNITS[quantity])[0]!;
  try {
    return { unit, value, quantity, siValue: convert({ value, from: unit, to: base }).value, siUnit: base };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError('text', 'out_of_range', `text: ${error.message}`);
  }
}

const reason = (code: ReadingCode): Judged => judged([{ code, level: 'watch', text: REASONS[code] }]);

interface Context {
  found: SpokenNumber;
  words: string;
  expected: Quantity | null;
  defaultUnit: string | null;
  region: 'us' | 'uk' | null;
}

const bare = ({ unit, value, siValue }: ReadingChoice): ReadingChoice => ({ unit, value, siValue });

function held(unit: string, { expected }: Context): string {
  const { quantity } = unitAt(unit, 'text');
  if (expected !== null && quantity !== expected)
    throw inconsistent('text', `${expected} is wanted here, not ${quantity}`);
  return unit;
}

function asked(
  code: ReadingCode,
  number: number,
  choices: [unit: string, value: number][],
  by: Context,
): ParseReadingResult {
  return {
    ...{ status: 'ask', number, value: null, unit: null, quantity: null, siValue: null, siUnit: null },
    choices: choices.map(([unit, value]) => bare(choiceOf(held(unit, by), value))),
    ...reason(code),
  };
}

function taken(unit: string, by: Context, code?: ReadingCode, also: string[] = []): ParseReadingResult {
  const { value } = by.found;
  const { quantity, siValue, siUnit } = choiceOf(held(unit, by), value);
  const choices = also.map((other) => bare(choiceOf(other, value)));
  return { status: 'value', number: value, value, unit, quantity, siValue, siUnit, choices, ...(code ? reason(code) : judged([])) }; // prettier-ignore
}

/** Pounds are of weight, of torque or of pressure, by what is wanted. */
function pounds(by: Context): ParseReadingResult {
  const { value } = by.found;
  if (by.expected === 'torque') return taken('lbft', by, 'pounds_read_as_lbft');
  if (by.expected === 'pressure') return taken('psi', by, 'pounds_read_as_psi');
  if (by.expected !== null) return taken('lb', by);
  return asked('pounds_of_what', value, [['lb', value], ['lbft', value], ['psi', value]], by); // prettier-ignore
}

function withoutUnit(by: Context): ParseReadingResult {
  const { value, likeInches } = by.found;
  if (likeInches && (by.expected === 'length' || by.expected === null) && by.defaultUnit === null)
    return taken('in', by, 'assumed_inches');
  if (by.defaultUnit !== null) return taken(by.defaultUnit, by, 'assumed_default_unit');
  const units = by.expected === null ? [] : NO_UNIT[by.expected];
  return asked('no_unit', value, units.map((unit) => [unit, value]), by); // prettier-ignore
}

/** Words that are no unit by themselves: mils, quarts, pounds, degrees. Null where there are none. */
function openWords(by: Context): ParseReadingResult | null {
  const { words, region } = by;
  const { value } = by.found;
  if (MILS.includes(words))
    return region === 'us'
      ? asked('mil_thou_or_mm', value, [['thou', value], ['mm', value]], by)
      : taken('mm', by, 'mil_read_as_mm', ['thou']); // prettier-ignore
  const measure = measureOfWords(words);
  if (measure !== null)
    return region === null
      ? asked('us_or_uk_measure', value, [[`us_${measure}`, value], [`uk_${measure}`, value]], by)
      : taken(`${region}_${measure}`, by); // prettier-ignore
  if (POUNDS.includes(words)) return pounds(by);
  return DEGREES.includes(words) ? asked('celsius_or_fahrenheit', value, [['C', value], ['F', value]], by) : null; // prettier-ignore
}

const unknownUnit = (): InputError => new InputError('text', 'format', 'text: its unit is not known');

function commaAsked(thousands: number, by: Context): ParseReadingResult {
  const measure = by.region !== null ? measureOfWords(by.words) : null;
  const unit =
    by.words === '' ? by.defaultUnit : (unitOfWords(by.words) ?? (measure && `${by.region}_${measure}`));
  if (unit === null) throw unknownUnit();
  const { value } = by.found;
  return asked('comma_thousands_or_decimal', value, [[unit, thousands], [unit, value]], by); // prettier-ignore
}

function contextOf(input: ParseReadingInput): Context {
  const text = textAt(input.text, 'text', MOST_CHARACTERS);
  const expected = isGiven(input.expected)
    ? choiceAt(input.expected, 'expected', Object.keys(UNITS) as Quantity[])
    : null;
  const unit = isGiven(input.defaultUnit) ? unitAt(input.defaultUnit, 'defaultUnit') : null;
  const region = isGiven(input.region) ? choiceAt(input.region, 'region', ['us', 'uk']) : null;
  if (unit !== null && expected !== null && unit.quantity !== expected)
    throw inconsistent('defaultUnit', `it is no unit of ${expected}`);
  const found = spokenNumber(normalised(text));
  if (!found) throw new InputError('text', 'format', 'text begins with no number');
  return { found, words: unitWordsOf(found.rest), expected, defaultUnit: unit?.unit ?? null, region };
}

/** Reads one reading; throws InputError where it is none. */
export function parseReading(input: ParseReadingInput): ParseReadingResult {
  const by = contextOf(input);
  const { found, words } = by;
  if (found.thousands !== null) return commaAsked(found.thousands, by);
  if (found.tenths !== null && words === '') {
    const tenths = found.tenths / 10;
    return asked('tenths_inch_or_mm', found.tenths, [['thou', tenths], ['mm', tenths]], by); // prettier-ignore
  }
  if (words === '') return withoutUnit(by);
  const open = openWords(by);
  if (open) return open;
  const unit = unitOfWords(words);
  if (unit === null) throw unknownUnit();
  return taken(unit, by);
}
