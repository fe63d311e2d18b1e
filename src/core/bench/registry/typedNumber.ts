/** A number as it is typed at a field of the bench, in whatever unit the tool shows; and several of them in one line. */
import { convert } from '../convert.ts';
import { InputError } from '../input.ts';
import { normalised, parseReading, type ParseReadingResult, type ReadingChoice } from '../parseReading.ts';
import { spokenNumber } from '../spokenNumber.ts';
import type { Quantity } from '../units.ts';
import { n } from './describe.ts';
import type { NumberField } from './types.ts';

/** What a shop takes for granted: whose quarts and pints, and in what it thinks. */
export interface Ways {
  region: 'us' | 'uk' | null;
  units: 'metric' | 'imperial';
}
/** What is to be said at a field. */
export interface Said {
  /** What was understood, where it was typed in another unit than the field's. */
  understood?: string;
  fault?: string;
  /** It could be either: to be chosen by hand. Each is a text that leaves nothing open. */
  choices?: { text: string; label: string }[];
}

/** Other ways in which a unit is typed that is none of units.ts. */
const ALSO: Readonly<Record<string, readonly string[]>> = {
  '°': ['deg', 'degs', 'degree', 'degrees'],
  Ω: ['ohm', 'ohms', 'ω', 'r'],
  '%': ['percent', 'per cent', 'pct'],
  V: ['volt', 'volts'],
  h: ['hour', 'hours', 'hr', 'hrs'],
};
const UNIT_SAID: Readonly<Record<string, string>> = { us_pt: 'US pints', us_qt: 'US quarts', us_gal: 'US gallons', uk_pt: 'imperial pints', uk_qt: 'imperial quarts', uk_gal: 'imperial gallons', lbft: 'lb ft', lbin: 'lb in', kgfm: 'kgf m', C: 'deg C', F: 'deg F' }; // prettier-ignore

interface NumberRead {
  value?: number;
  said?: Said;
}

const asChoice = ({ unit, value }: ReadingChoice): { text: string; label: string } => {
  const text = `${+value.toPrecision(12)} ${UNIT_SAID[unit] ?? unit}`;
  return { text, label: text };
};

/** What is wrong, without the path, which the field itself stands for. */
export const faultWords = ({ field, message }: InputError): string =>
  message.startsWith(field) ? message.slice(field.length).replace(/^:? /, '') : message;

function plain(text: string, field: NumberField): NumberRead {
  const found = spokenNumber(normalised(text));
  if (!found) return { said: { fault: 'is not a number' } };
  const unit = normalised(field.unit);
  const allowed = ['', unit, unit.replaceAll(' ', ''), ...(ALSO[field.unit] ?? [])];
  if (!allowed.includes(found.rest))
    return { said: { fault: `is read in ${field.unit || 'plain numbers'}, not in ${found.rest}` } };
  if (found.thousands === null) return { value: found.value };
  const choices = [found.thousands, found.value].map((v) => ({ text: String(v), label: n(v, 3) }));
  return { said: { choices } };
}

/** Units in which a metric or an imperial shop thinks. */
const SHOP_UNITS: Record<Ways['units'], Partial<Record<Quantity, string>>> = {
  metric: {
    length: 'mm',
    torque: 'Nm',
    pressure: 'kPa',
    volume: 'L',
    mass: 'kg',
    speed: 'km/h',
    temperature: 'C',
  },
  imperial: { length: 'in', torque: 'lbft', pressure: 'psi', mass: 'lb', speed: 'mph' },
};

/** Shown back: in the field's unit, and in the shop's where that is another and was not typed. */
function shownBack(read: ParseReadingResult, value: number, field: NumberField, { units }: Ways): string {
  const own = `= ${n(value, 5)} ${field.unit}`;
  const unit = SHOP_UNITS[units][field.quantity!];
  if (unit === undefined || unit === field.unitId || unit === read.unit) return own;
  const shops = convert({ value: read.value!, from: read.unit!, to: unit }).value;
  return `${own} = ${n(shops, 4)} ${UNIT_SAID[unit] ?? unit}`;
}

function inUnits(text: string, field: NumberField, ways: Ways): NumberRead {
  const by = { text, expected: field.quantity, region: ways.region };
  let read: ParseReadingResult;
  try {
    read = parseReading(by);
    if (read.reasons[0]?.code === 'no_unit') read = parseReading({ ...by, defaultUnit: field.unitId });
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    if (error.code !== 'format') return { said: { fault: faultWords(error) } };
    // A comma that could be either asks for its unit, which the field has.
    try {
      read = parseReading({ ...by, defaultUnit: field.unitId });
    } catch (again) {
      if (!(again instanceof InputError)) throw again;
      return { said: { fault: faultWords(again) } };
    }
  }
  if (read.status === 'ask') return { said: { choices: read.choices.map(asChoice) } };
  if (read.unit === field.unitId) return { value: read.value! };
  const { value } = convert({ value: read.value!, from: read.unit!, to: field.unitId! });
  const others = read.choices.map(asChoice);
  return {
    value,
    said: {
      understood: shownBack(read, value, field, ways),
      ...(others.length > 0 ? { choices: others } : {}),
    },
  };
}

/** A number as typed: in the field's own unit where none is said, in any other of its quantity where one is. */
export const readNumber = (text: string, field: NumberField, ways: Ways): NumberRead =>
  field.quantity === null ? plain(text, field) : inUnits(text, field, ways);

/**
 * What stands in a line of several numbers, each with its unit: “20 thou, 30 thou”, “1 1/2 2”, “0.5 mm 1 mm”. A fraction belongs to the
 * whole number before it, but where strokes part groups.
 */
export function itemsOf(line: string, strokesPart: boolean): string[] {
  const items: string[] = [];
  let isOpen = false;
  for (const word of line.split(/\s+/).filter(Boolean)) {
    const bare = word.replace(/[,;]+$/, '');
    const isFraction = !strokesPart && /^\d+\/\d+/.test(bare) && /(?:^|\s)\d+$/.test(items.at(-1) ?? '');
    const begins = /^[-+−]?[.,]?\d/.test(bare) && !isFraction;
    if (bare !== '') {
      if (isOpen && !begins) items[items.length - 1] += ` ${bare}`;
      else items.push(...bare.split(';'));
    }
    isOpen = bare === word;
  }
  return withUnits(items);
}

const UNIT_BEHIND = /[^\d\s.,/+\-−½¼¾⅛⅜⅝⅞].*$/u;

/** “1 2 3 mm” are millimetres, all three: what stands behind the last is meant of all that have nothing of their own. */
function withUnits(items: readonly string[]): string[] {
  const unit = UNIT_BEHIND.exec(items.at(-1) ?? '')?.[0];
  const others = items.slice(0, -1);
  return unit === undefined || others.some((item) => UNIT_BEHIND.test(item))
    ? [...items]
    : [...others.map((item) => `${item} ${unit}`), ...items.slice(-1)];
}
