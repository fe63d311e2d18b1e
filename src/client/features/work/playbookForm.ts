/** A playbook as the fields of a form, and back; what is left empty is absent. */
import type { UseFormReturn } from 'react-hook-form';
import { CAUTIONS, type Caution } from '#core/work/cautions.ts';
import type { PlaceKind } from '#core/shop/places.ts';
import type { Playbook, PlaybookFault, Step } from '#core/work/playbook.ts';
import { hoursAsTyped, hoursTyped, wholeTyped } from '../../shared/typed.ts';

export interface NeedFields {
  step: string;
  reason: string;
  atLeast: string;
  atMost: string;
}

export interface StepFields {
  key: string;
  title: string;
  work: string;
  place: string;
  hours: string;
  gate: string;
  countOf: string;
  countTotal: string;
  /** “decision is”, by their keys; empty where it hangs on none. */
  when: string;
  cautions: string[];
  needs: NeedFields[];
}

export interface FollowUpFields {
  title: string;
  after: string;
  days: string;
  miles: string;
}

export interface DecisionFields {
  key: string;
  question: string;
  by: string;
  options: { key: string; label: string }[];
}

export interface PlaybookFields {
  id: string;
  title: string;
  about: string;
  decisions: DecisionFields[];
  steps: StepFields[];
  followUps: FollowUpFields[];
}

export type PlaybookForm = UseFormReturn<PlaybookFields>;

const text = (n: number | undefined): string => (n === undefined ? '' : String(n));
const hours = (minutes: number | undefined): string => (minutes === undefined ? '' : hoursAsTyped(minutes));

export const EMPTY_STEP: Omit<StepFields, 'key'> = {
  title: '',
  work: 'mechanical',
  place: '',
  hours: '',
  gate: '',
  countOf: '',
  countTotal: '',
  when: '',
  cautions: [],
  needs: [],
};

const stepFields = (s: Step): StepFields => ({
  key: s.key,
  title: s.title,
  work: s.work,
  place: s.place ?? '',
  hours: hoursAsTyped(s.minutes),
  gate: s.gate ?? '',
  countOf: s.count?.of ?? '',
  countTotal: text(s.count?.total),
  when: s.when ? `${s.when.decision} ${s.when.is}` : '',
  cautions: [...(s.cautions ?? [])],
  needs: s.needs.map((n) => ({
    step: n.step,
    reason: n.reason,
    atLeast: hours(n.waitAtLeast),
    atMost: hours(n.waitAtMost),
  })),
});

export const fieldsOf = (p: Playbook): PlaybookFields => ({
  id: p.id,
  title: p.title,
  about: p.about,
  decisions: (p.decisions ?? []).map((d) => ({ ...d, options: d.options.map((o) => ({ ...o })) })),
  steps: p.steps.map(stepFields),
  followUps: (p.followUps ?? []).map(({ title, after, days, miles }) => ({
    title,
    after,
    days: text(days),
    miles: text(miles),
  })),
});

/** A name that is not taken: small letters, figures and dashes of the words, and a number where it must be. */
export function keyFor(words: string, taken: readonly string[]): string {
  const plain = words
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 30);
  const base = plain === '' ? 'step' : plain;
  for (let n = 1; ; n += 1) {
    const key = n === 1 ? base : `${base}-${n}`;
    if (!taken.includes(key)) return key;
  }
}

/** A number as it is typed; what is none stays as it is, for the reader of playbooks to refuse at its place. */
const number = (typed: string): unknown => wholeTyped(typed) ?? typed;
const minutes = (typed: string): unknown => hoursTyped(typed) ?? typed;
const unless = (isEmpty: boolean, of: object): object => (isEmpty ? {} : of);

function stepOf(s: StepFields): object {
  const [decision = '', is = ''] = s.when.split(' ');
  return {
    key: s.key,
    title: s.title,
    work: s.work,
    minutes: s.hours.trim() === '' ? 0 : minutes(s.hours),
    needs: s.needs.map((n) => ({
      step: n.step,
      reason: n.reason,
      ...unless(n.atLeast.trim() === '', { waitAtLeast: minutes(n.atLeast) }),
      ...unless(n.atMost.trim() === '', { waitAtMost: minutes(n.atMost) }),
    })),
    ...unless(s.place === '', { place: s.place as PlaceKind }),
    ...unless(s.cautions.length === 0, { cautions: s.cautions as Caution[] }),
    ...unless(s.gate.trim() === '', { gate: s.gate }),
    ...unless(s.countOf.trim() === '', { count: { of: s.countOf, total: number(s.countTotal) } }),
    ...unless(s.when === '', { when: { decision, is } }),
  };
}

/** What the reader of playbooks is given: anything may be wrong with it yet. */
export const contentOf = (f: PlaybookFields): object => ({
  id: f.id,
  title: f.title,
  about: f.about,
  steps: f.steps.map(stepOf),
  ...unless(f.decisions.length === 0, { decisions: f.decisions }),
  ...unless(f.followUps.length === 0, {
    followUps: f.followUps.map((u) => ({
      title: u.title,
      after: u.after,
      ...unless(u.days.trim() === '', { days: number(u.days) }),
      ...unless(u.miles.trim() === '', { miles: number(u.miles) }),
    })),
  }),
});

const FIELD: [RegExp, string][] = [
  [/\.minutes$/, '.hours'],
  [/\.waitAtLeast$/, '.atLeast'],
  [/\.waitAtMost$/, '.atMost'],
  [/\.count\.of$/, '.countOf'],
  [/\.count\.total$/, '.countTotal'],
  [/\.when(\..*)?$/, '.when'],
];

/** Where in the form a fault of the content belongs. */
export const fieldOf = ({ path }: PlaybookFault): string =>
  FIELD.reduce((field, [from, to]) => field.replace(from, to), path);

export const CAUTION_KEYS = Object.keys(CAUTIONS) as Caution[];
