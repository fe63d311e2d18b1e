/**
 * What is written down about a vehicle beside its logbook: its units, what came with it, where its parts come from, and
 * what must hold at hand-over. Each register's rows can be changed; what was written stands in the logbook.
 */
import { plainNumber } from './vin.ts';

export const REGISTERS = ['unit', 'belonging', 'provenance', 'requirement'] as const;
export type Register = (typeof REGISTERS)[number];

/** Registers of the vehicle outlive the build; the others belong to it. */
export const OF_THE_VEHICLE: readonly Register[] = ['unit', 'provenance'];

export const UNITS = ['engine', 'gearbox', 'front axle', 'rear axle', 'other'] as const;
export const BELONGINGS = ['loose parts', 'documents', 'keys', 'other'] as const;
export const STATES = ['original', 'period replacement', 'later replacement', 'modified', 'unknown'] as const;

export interface Unit {
  kind: (typeof UNITS)[number];
  number: string;
  /** The number that the vehicle's papers give for it; empty when they give none. */
  papersNumber: string;
  /** Year of its casting date or number, where it is known. */
  year?: number;
  /** Where it was read and what it says there: "cast behind the pump: D 14 6". */
  evidence: string;
}

export interface Belonging {
  kind: (typeof BELONGINGS)[number];
  what: string;
  keptAt: string;
  givenBack: boolean;
}

export interface Provenance {
  component: string;
  state: (typeof STATES)[number];
  evidence: string;
  /** Done by an earlier owner or shop, not by us. */
  earlierWork: boolean;
  /** Where the original is that was taken off. */
  originalKept: string;
}

export interface Requirement {
  text: string;
  met: boolean;
  /** What shows that it holds: "bell rung on the road run". */
  evidence: string;
}

export interface RegisterRows {
  unit: Unit;
  belonging: Belonging;
  provenance: Provenance;
  requirement: Requirement;
}

/**
 * A unit of the car's first build may have been cast in the year before the model year, and in a long-kept stock two
 * before; common practice, no standard.
 */
const CAST_BEFORE_YEARS = 2;

/**
 * Why parts must be ordered for this unit and not for the car, or null: its number is not the one in the papers, or it
 * was made when the car was not.
 */
export function whyPartsForUnit(unit: Unit, vehicleYear: number | null): string | null {
  const name = unit.kind === 'other' ? 'unit' : unit.kind;
  const order = `Order parts for the ${name}, not for the car.`;
  const year = unit.year;
  if (year !== undefined && vehicleYear !== null) {
    if (year > vehicleYear)
      return `The ${name} is of ${year}, the car of ${vehicleYear}: a later replacement is likely. ${order}`;
    if (year < vehicleYear - CAST_BEFORE_YEARS)
      return `The ${name} is of ${year}, the car of ${vehicleYear}: it came out of an older one. ${order}`;
  }
  const [here, papers] = [plainNumber(unit.number), plainNumber(unit.papersNumber)];
  if (here !== '' && papers !== '' && here !== papers)
    return `The ${name} has the number ${unit.number}, the papers say ${unit.papersNumber}: it was changed. ${order}`;
  return null;
}

/** Why a requirement cannot be ticked as it is, or null. */
export const whyNotMet = ({ met, evidence }: Requirement): string | null =>
  met && evidence.trim() === '' ? 'say what shows that it holds' : null;

const after = (words: string, text: string): string => (text === '' ? '' : `${words}${text}`);

const SENTENCES: { [R in Register]: (row: RegisterRows[R]) => string } = {
  unit: ({ kind, number, year, evidence }) =>
    `Unit: ${kind}${after(' ', number)}${year === undefined ? '' : `, of ${year}`}${after(', ', evidence)}`,
  belonging: ({ what, keptAt, givenBack }) =>
    `Came with it: ${what}${after(', kept ', keptAt)}${givenBack ? ', given back' : ''}`,
  provenance: ({ component, state, evidence, earlierWork, originalKept }) =>
    `Provenance: ${component}, ${state}${earlierWork ? ', earlier work' : ''}${after(', ', evidence)}${after(', original kept ', originalKept)}`,
  requirement: ({ text, met, evidence }) =>
    met ? `Holds: ${text}, ${evidence}` : `Must hold at hand-over: ${text}`,
};

/** A row as the logbook keeps it. */
export const registerSentence = <R extends Register>(register: R, row: RegisterRows[R]): string =>
  SENTENCES[register](row);
