/** Words with which calculators are described; units come from the names of fields. */
import type { Judged } from '../input.ts';
import { UNITS, type Quantity } from '../units.ts';
import type { Calculator, Field, Mark, NumberField, Source } from './types.ts';

interface Unit {
  unit: string;
  quantity: Quantity | null;
  unitId: string | null;
}

/** How the last part of a field's name is written behind a value. */
const WRITTEN: Readonly<Record<string, string>> = {
  ...{
    deg: '°',
    pct: '%',
    ohm: 'Ω',
    um: 'µm',
    C: '°C',
    K: 'K',
    in2: 'in²',
    in3: 'in³',
    mm2: 'mm²',
    cm2: 'cm²',
  },
  ...{
    m2: 'm²',
    cc: 'cm³',
    l: 'L',
    kmh: 'km/h',
    lbft: 'lbf·ft',
    inlb: 'lbf·in',
    Nm: 'N·m',
    kgm: 'kgf·m',
    uF: 'µF',
  },
  ...{
    inHg: 'inHg',
    mm: 'mm',
    in: 'in',
    psi: 'psi',
    kPa: 'kPa',
    bar: 'bar',
    kg: 'kg',
    mph: 'mph',
    hPa: 'hPa',
  },
  ...{
    V: 'V',
    mV: 'mV',
    A: 'A',
    mA: 'mA',
    Ah: 'Ah',
    W: 'W',
    J: 'J',
    N: 'N',
    rpm: 'rpm',
    min: 'min',
    h: 'h',
    s: 's',
  },
  ...{ lbf: 'lbf', MPa: 'MPa', hp: 'hp', cfm: 'cfm', m: 'm', g: 'g', years: 'years', days: 'days' },
  ...{ lb_h: 'lb/h', l_h: 'L/h', cc_min: 'cm³/min', kg_l: 'kg/L', lb_hph: 'lb/(hp·h)', rad_s2: 'rad/s²' },
  ...{ m2_per_L: 'm²/L', cm2_per_mm: 'cm²/mm', pct_per_month: '% a month', ohm_mm2_per_m: 'Ω·mm²/m' },
};
/** Units that a tool may show in another one: their name in units.ts. */
const IDS: Readonly<Record<string, string>> = { cc: 'mL', l: 'L', kmh: 'km/h', inlb: 'lbin', kgm: 'kgfm' };

/** The part of a name that is its unit; empty where it has none. */
export function unitPartOf(name: string): string {
  const last = name.split('.').at(-1)!;
  const parts = last.split('_').slice(1);
  for (let i = 0; i < parts.length; i += 1) {
    const joined = parts.slice(i).join('_');
    if (joined in WRITTEN) return joined;
  }
  return '';
}

export const writtenUnit = (part: string): string => WRITTEN[part] ?? '';

function unitOf(part: string): Unit {
  const unitId = IDS[part] ?? part;
  for (const [quantity, units] of Object.entries(UNITS) as [Quantity, object][])
    if (part !== '' && Object.hasOwn(units, unitId)) return { unit: writtenUnit(part), quantity, unitId };
  return { unit: writtenUnit(part), quantity: null, unitId: null };
}

type More = Partial<Pick<NumberField, 'hint' | 'optional' | 'otherwise' | 'mark'>> & { unit?: string };

export const num = (name: string, label: string, { unit, ...more }: More = {}): NumberField => ({
  ...{ type: 'number', name, label, ...unitOf(unit ?? unitPartOf(name)), ...more },
});
/** One that may be left out. */
export const opt = (name: string, label: string, more: More = {}): NumberField =>
  num(name, label, { optional: true, ...more });
/** A limit or a usual value, which the shop may change. */
export const usual = (
  name: string,
  label: string,
  otherwise: number,
  mark: Mark = 'common practice',
  more: More = {},
): NumberField => num(name, label, { optional: true, otherwise, mark, ...more });

interface Extra {
  hint?: string;
  optional?: boolean;
}
export const choice = (
  name: string,
  label: string,
  choices: Readonly<Record<string, string>>,
  more: Extra & { otherwise?: string } = {},
): Field => ({ type: 'choice', name, label, choices, ...more });
export const text = (name: string, label: string, more: Extra = {}): Field => ({
  type: 'text',
  name,
  label,
  ...more,
});
export const day = (name: string, label: string, more: Extra = {}): Field => ({
  type: 'day',
  name,
  label,
  ...more,
});
export const tick = (name: string, label: string): Field => ({ type: 'tick', name, label, optional: true });
export const numbers = (name: string, label: string, more: Extra & { groups?: boolean } = {}): Field => ({
  ...{ type: 'numbers', name, label, of: num(name, label), ...more },
});
/** Not asked: always this. */
export const fixed = (name: string, value: string): Field => ({ type: 'fixed', name, label: '', value });
export const several = (name: string, label: string, choices: Readonly<Record<string, string>>): Field => ({
  ...{ type: 'several', name, label, choices, optional: true },
});
export const cells = (
  name: string,
  label: string,
  each: string,
  [least, most]: readonly [number, number],
  more: Extra & { blanks?: boolean } = {},
): Field => ({
  ...{ type: 'cells', name, label, each, least, most, of: num(name, label) },
  ...more,
});
export const rows = (
  name: string,
  label: string,
  each: string,
  [least, most]: readonly [number, number],
  fields: Field[],
  more: Extra = {},
): Field => ({ type: 'rows', name, label, each, least, most, fields, ...more });
export const part = (name: string, label: string, fields: Field[]): Field => ({
  ...{ type: 'part', name, label, fields, optional: true },
});

/** How a limit is called, and how sure it is where it is not common practice. */
type LimitWords<L> = { [K in keyof L]: string | readonly [label: string, mark: Mark] };

/** Limits of a calculator, in a part of their own at its end, each with its usual value and its mark. */
export function limitsOf<L extends Readonly<Record<string, number>>>(
  usually: L,
  words: LimitWords<L>,
): Field {
  const fields = Object.entries(usually).map(([name, value]) => {
    const said = words[name as keyof L];
    const [label, mark] = typeof said === 'string' ? [said, 'common practice' as Mark] : said;
    return usual(name, label, value, mark);
  });
  return part('limits', 'Limits to judge by', fields);
}

/** Fields that belong together and are always asked. */
export const together = (name: string, label: string, fields: Field[]): Field => ({
  type: 'part',
  name,
  label,
  fields,
});
/** Asked only where another field has a value. */
export const when = (path: string, is: string, field: Field): Field => ({ ...field, when: [path, is] });

/** A calculator with its own types; `sum` and `right` read what its function takes and gives. */
export function describe<I extends object, R extends Judged>(
  of: Omit<Calculator, 'work' | 'example' | 'sum' | 'right' | 'cautions' | 'spec'> & {
    work: (input: I) => R;
    example: NoInfer<I>;
    sum: (input: NoInfer<I>, result: NoInfer<R>) => string[];
    right?: (input: NoInfer<I>, result: NoInfer<R>) => string[];
    cautions?: Calculator['cautions'];
    spec?: Calculator['spec'];
  },
): Calculator {
  return { right: () => [], cautions: [], spec: [], ...of } as unknown as Calculator;
}

const by =
  (mark: Mark) =>
  (said: string): Source => ({ text: said, mark });
export const published = by('published');
export const derived = by('derived');
export const practice = by('common practice');
export const memory = by('from memory');

/** A number as it stands in a sum: at most so many places, none that say nothing. */
export function n(value: number | null | undefined, places = 2): string {
  if (value === null || value === undefined) return '–';
  const fixed = value.toFixed(places);
  const short = fixed.includes('.') ? fixed.replace(/\.?0+$/, '') : fixed;
  return (short === '-0' ? '0' : short).replace('-', '−');
}
