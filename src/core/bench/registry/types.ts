/** How a calculator stands on the bench: what is measured, in which order and unit, what is shown of it, and where it comes from. */
import type { Judged } from '../input.ts';
import type { Quantity } from '../units.ts';

/** How sure a source is; stands beside every limit on screen. */
export type Mark = 'published' | 'derived' | 'common practice' | 'from memory';

export interface Source {
  text: string;
  mark: Mark;
}

export const GROUPS = {
  lookOver: 'Look it over',
  engine: 'Engine',
  runningGear: 'Running gear',
  finish: 'Finish',
  highVoltage: 'High voltage',
  moneyAndTime: 'Money and time',
  units: 'Units',
} as const;
export type Group = keyof typeof GROUPS;

interface Named {
  /** Path within the calculator's input, as in its refusals. */
  name: string;
  label: string;
  hint?: string;
  optional?: boolean;
  /** Asked only where another field, by its path, has this value. */
  when?: readonly [path: string, is: string];
}

export interface NumberField extends Named {
  type: 'number';
  /** As written behind a value; empty for a share, a ratio or a count. */
  unit: string;
  /** Where the unit is one of several that a tool may show. */
  quantity: Quantity | null;
  /** Name of the unit within its quantity. */
  unitId: string | null;
  /** Taken where nothing is typed; with its mark where it is a limit. */
  otherwise?: number;
  mark?: Mark;
}

export type Field =
  | NumberField
  | (Named & { type: 'choice'; choices: Readonly<Record<string, string>>; otherwise?: string })
  | (Named & { type: 'text' | 'day' | 'tick' })
  /** Several numbers in one line, with blanks or commas between; `groups` part them with a stroke. */
  | (Named & { type: 'numbers'; of: NumberField; groups?: boolean })
  /** Not asked: always this. */
  | (Named & { type: 'fixed'; value: string })
  /** Several of a few words, each with a tick. */
  | (Named & { type: 'several'; choices: Readonly<Record<string, string>> })
  /** One cell after another, in measuring order. */
  | (Named & { type: 'cells'; each: string; of: NumberField; least: number; most: number; blanks?: boolean })
  | (Named & { type: 'rows'; each: string; fields: Field[]; least: number; most: number })
  /** Fields that belong together; only there when it is opened, where it may be left out. */
  | (Named & { type: 'part'; fields: Field[] });

/** What of a result is shown: its path, what it is called, and to how many places. */
export type Show = readonly [path: string, label: string, places?: number];

export const CAUTIONS = {
  highVoltage:
    'Above 60 V DC: trained people only. Isolate, wait, and verify dead with a meter that was proved. One hand, gloves that are rated and tested, never alone. Licensed practice and local codes go before anything here.',
  raised:
    'A raised vehicle stands on rated stands on firm ground, never on a jack alone. Nobody is under it while it is moved.',
  spring:
    'Springs and air springs hold enough to kill: let pressure off and use a compressor that is made for them.',
  bead: 'Beads are seated in a cage or behind a restraint, from a distance, and never above the pressure on the tyre.',
  hydraulic:
    'Hydraulic pressure goes through skin. Let it off before a line is opened, and never feel for a leak by hand. Brakes are tried at walking pace before the road.',
  fuel: 'Fuel vapour ignites from afar: no flame, no spark, air moving, an extinguisher in reach.',
  engine: 'Fuel and ignition are off while cylinders are tested; keep clear of belts and fans.',
  paint:
    'Two-pack paint holds isocyanates: air-fed breathing protection, not a filter mask. Blast dust wants the same care; lead and silica may be in it. Local codes and the product’s data sheet go first.',
  battery: 'Batteries gas: no spark near them, eyes covered, rings off.',
} as const;
export type Caution = keyof typeof CAUTIONS;

export const PICTURES = [
  'driveline',
  'alignment',
  'bores',
  'bigEnd',
  'levels',
  'taps',
  'preCharge',
  'frame',
  'paintHours',
  'wheel',
  'cylinders',
  'corners',
] as const;
export type Picture = (typeof PICTURES)[number];

export interface Calculator {
  /** As its function is called. */
  name: string;
  title: string;
  group: Group;
  /** What to have done before the first reading. */
  before?: string;
  fields: readonly Field[];
  /** Besides its limits: what the maker says of a vehicle, kept once and used by all its readings. */
  spec: readonly string[];
  work: (input: object) => Judged & object;
  /** An input that was worked out by hand or published, so that a newcomer sees how it goes. */
  example: object;
  shows: readonly Show[];
  /** The formula with the numbers put in, a line for each step. */
  sum: (input: object, result: object) => string[];
  /** What would bring it right. */
  right: (input: object, result: object) => string[];
  sources: readonly Source[];
  cautions: readonly Caution[];
  picture: Picture | { none: string };
}
