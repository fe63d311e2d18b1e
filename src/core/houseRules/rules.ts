/**
 * House rules: what a shop proposes from a vehicle's facts alone, before each piece is judged. A rule says when it holds, what
 * is then found, and why. The shop changes them; these are where it begins. All of it is common practice of the trade,
 * none of it a published limit, and it says so on screen: local law and the makers' own intervals come first.
 */
import type { Standard } from '../log/standards.ts';
import type { LineClass } from '../log/kinds.ts';

/** What the rule is about: whether it works, or how it looks. Decides what the standard of finish changes. */
export const SUBJECTS = ['works', 'looks'] as const;

export interface HouseRule {
  /** As the logbook will have it: "found tyres over the age limit". */
  finding: string;
  /** How the log line calls where it is. */
  zone: string;
  subject: (typeof SUBJECTS)[number];
  class: LineClass;
  /** Said after the facts: why it is proposed. */
  why: string;
  /** Years that must have passed; a limit that is absent does not count. All of them must hold. */
  ageYears?: number;
  stoodYears?: number;
  tyreYears?: number;
  /** Only with this fitted. */
  fitted?: 'gas' | 'highVoltage';
  off: boolean;
}

export const FIRST_RULES: Record<string, HouseRule> = {
  rubber: {
    finding:
      'found rubber under the car aged: bushes, boots and mountings to be replaced without judging each piece',
    zone: 'underneath',
    subject: 'works',
    class: 'should',
    why: 'Rubber that has aged and stood tears within the first months of driving, one piece after the other.',
    ageYears: 20,
    stoodYears: 3,
    off: false,
  },
  seals: {
    finding: 'found shaft and case seals that are damp now will leak once it is driven',
    zone: 'driveline',
    subject: 'works',
    class: 'should',
    why: 'A lip that has dried on its shaft is cut by the first heat.',
    stoodYears: 2,
    off: false,
  },
  tyres: {
    finding: 'found tyres over the age limit by their date code',
    zone: 'wheel',
    subject: 'works',
    class: 'safety',
    why: 'The rubber hardens and the carcass lets go whatever the tread.',
    tyreYears: 10,
    off: false,
  },
  fuel: {
    finding: 'found fuel that has turned: drain and clean tank, lines and float chambers',
    zone: 'fuel',
    subject: 'works',
    class: 'must',
    why: 'Old petrol gums up and takes water. Drained cold, in the open, with an extinguisher at hand.',
    stoodYears: 1,
    off: false,
  },
  hoses: {
    finding: 'found brake hoses to be replaced for their age',
    zone: 'brake',
    subject: 'works',
    class: 'safety',
    why: 'They swell shut or burst from inside, and nobody can see it from outside.',
    ageYears: 10,
    off: false,
  },
  fluid: {
    finding: 'found brake fluid to be changed, and what it stood in looked at',
    zone: 'brake',
    subject: 'works',
    class: 'safety',
    why: 'It takes up water: the pedal goes when the brakes get hot, and the cylinders pit.',
    stoodYears: 2,
    off: false,
  },
  'gas-hose': {
    finding: 'found gas hoses and regulator over their age',
    zone: 'gas',
    subject: 'works',
    class: 'safety',
    why: 'They carry a date of their own. Replaced and tested by a registered gas fitter.',
    ageYears: 10,
    fitted: 'gas',
    off: false,
  },
  weatherstrip: {
    finding: 'found door and boot seals hard and flat',
    zone: 'glass',
    subject: 'looks',
    class: 'nice',
    why: 'They let in wind and water, and the doors sit proud on them.',
    ageYears: 20,
    off: false,
  },
};

/** What is known of a vehicle. Absent is not known, and no rule that needs it holds. */
export interface VehicleFacts {
  year: number | null;
  stoodSince: number | null;
  /** Week and year of the tyres' date code: "3514" is week 35 of 2014. */
  tyreCode: string;
  gas: boolean;
  highVoltage: boolean;
  standard: Standard;
  /** The shop's own car, not a customer's. */
  ownCar: boolean;
}

export interface Proposal {
  rule: string;
  finding: string;
  zone: string;
  class: LineClass;
  reason: string;
}

/** Year of a four-figure tyre date code (since 2000: week and year), or null for what is none. */
export function tyreYear(code: string): number | null {
  const read = /^(\d\d)(\d\d)$/.exec(code.trim());
  if (!read || Number(read[1]) < 1 || Number(read[1]) > 53) return null;
  return 2000 + Number(read[2]);
}

const years = (n: number): string => (n === 1 ? '1 year' : `${n} years`);

/** Why the rule holds, one clause a limit; null where a limit is not reached or not known. */
function clauses(rule: HouseRule, facts: VehicleFacts, thisYear: number): string[] | null {
  const limits: [number | undefined, number | null, (n: number) => string][] = [
    [rule.ageYears, facts.year, (n) => `the car is ${years(n)} old`],
    [rule.stoodYears, facts.stoodSince, (n) => `it has stood ${years(n)}`],
    [rule.tyreYears, tyreYear(facts.tyreCode), (n) => `the tyres are ${years(n)} old`],
  ];
  const said: string[] = [];
  for (const [limit, since, words] of limits) {
    if (limit === undefined) continue;
    if (since === null || thisYear - since < limit) return null;
    said.push(words(thisYear - since));
  }
  return said;
}

const UP: Partial<Record<LineClass, LineClass>> = { nice: 'should', should: 'must' };

/** The class after the standard of finish and whose car it is, with why it changed. Safety never moves. */
function classFor(rule: HouseRule, { standard, ownCar }: VehicleFacts): { class: LineClass; why: string } {
  const stays = { class: rule.class, why: '' };
  const raised = UP[rule.class];
  if (rule.subject === 'looks') {
    if (standard === 'show' && raised) return { class: raised, why: `${raised} for a car to be shown` };
    if (standard === 'preserve' && rule.class === 'should')
      return { class: 'nice', why: 'nice, since the aged surface is kept' };
    return stays;
  }
  if (standard === 'race' && raised) return { class: raised, why: `${raised} for a car that is raced` };
  if (rule.class === 'should' && !ownCar) return { class: 'must', why: 'must, since it is a customer’s car' };
  return stays;
}

const sentence = (clause: string): string => `${clause.charAt(0).toUpperCase()}${clause.slice(1)}.`;

/** What the rules propose for a vehicle, in the rules' order. */
export function proposalsFor(
  rules: Readonly<Record<string, HouseRule>>,
  facts: VehicleFacts,
  thisYear: number,
): Proposal[] {
  return Object.entries(rules).flatMap(([id, rule]): Proposal[] => {
    if (rule.off || (rule.fitted !== undefined && !facts[rule.fitted])) return [];
    const because = clauses(rule, facts, thisYear);
    if (because === null || (because.length === 0 && rule.fitted === undefined)) return [];
    const { class: held, why } = classFor(rule, facts);
    const facts_ = because.length > 0 ? sentence(because.join(' and ')) : '';
    const reason = [facts_, rule.why, why && sentence(why)].filter(Boolean).join(' ');
    return [{ rule: id, finding: rule.finding, zone: rule.zone, class: held, reason }];
  });
}
