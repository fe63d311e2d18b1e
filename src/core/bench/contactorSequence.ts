/**
 * Contactors of a pack, closed in order: a record of who did what, which refuses a step out of its turn. It controls nothing.
 *
 * Sources. Order of the steps, closing at 95 %: common practice; the maker's order wins.
 */
import { InputError, isGiven, judged, listAt, numberAt, objectAt, reasonList, SLACK, type Judged } from './input.ts'; // prettier-ignore
import { IMPLAUSIBLE_BUS } from './preCharge.ts';

export const CONTACTOR_STEPS = [
  'closeNegative',
  'closePrecharge',
  'verifyBus',
  'closePositive',
  'openPrecharge',
] as const;
export type ContactorStep = (typeof CONTACTOR_STEPS)[number];

export interface ContactorEvent {
  /** `openAll` goes always, and back to the start. */
  step: ContactorStep | 'openAll';
  signedBy?: string | null;
  /** Needed to verify the bus. */
  bus_V?: number | null;
  /** When it was recorded, as written by the device. */
  at?: string | null;
}

export interface ContactorSequenceInput {
  pack_V: number;
  target_pct?: number | null;
  events: ContactorEvent[];
}

export type ContactorRefusal = 'wrong_order' | 'not_signed' | 'bus_implausible' | 'bus_too_low';

export interface ContactorSequenceResult extends Judged {
  completed: ContactorStep[];
  next: ContactorStep | null;
  refused: { index: number; step: ContactorStep; why: ContactorRefusal }[];
  closed: { negative: boolean; precharge: boolean; positive: boolean };
}

const REFUSAL_WORDS: Record<ContactorRefusal, string> = {
  wrong_order: 'It was not its turn.',
  not_signed: 'Nobody signed it.',
  bus_implausible: 'The bus cannot be above the pack: look at the meter.',
  bus_too_low: 'The bus was too low to close upon.',
};

interface Event {
  step: ContactorStep | 'openAll';
  signed: boolean;
  bus: number;
}

function eventAt(value: unknown, field: string): Event {
  const of = objectAt(value, field);
  const known: readonly string[] = [...CONTACTOR_STEPS, 'openAll'];
  if (!isGiven(of.step) || of.step === '')
    throw new InputError(`${field}.step`, 'missing', `${field}.step is missing`);
  if (typeof of.step !== 'string' || !known.includes(of.step))
    throw new InputError(`${field}.step`, 'format', `${field}.step is no step that is known`);
  const step = of.step as Event['step'];
  const bus = step === 'verifyBus' ? numberAt(of.bus_V, `${field}.bus_V`, { least: 0, most: 2000 }) : 0;
  return { step, signed: typeof of.signedBy === 'string' && of.signedBy.trim() !== '', bus };
}

/** Plays the events over: what is done, what comes next, and what was refused. */
export function contactorSequence(input: ContactorSequenceInput): ContactorSequenceResult {
  const pack = numberAt(input.pack_V, 'pack_V', { above: 0, most: 1500 });
  const target = numberAt(input.target_pct, 'target_pct', { least: 50, most: 99.9, otherwise: 95 }) / 100;
  const events = listAt(input.events, 'events', { least: 0, most: 200 }).map((e, i) =>
    eventAt(e, `events[${i}]`),
  );
  const why = ({ step, signed, bus }: Event, done: number): ContactorRefusal | null => {
    if (step !== CONTACTOR_STEPS[done]) return 'wrong_order';
    if (!signed) return 'not_signed';
    if (step === 'verifyBus' && bus > IMPLAUSIBLE_BUS * pack + SLACK) return 'bus_implausible';
    return step === 'verifyBus' && bus < target * pack - SLACK ? 'bus_too_low' : null;
  };
  let done = 0;
  const refused: ContactorSequenceResult['refused'] = [];
  events.forEach((event, index) => {
    if (event.step === 'openAll') return void (done = 0);
    const against = why(event, done);
    if (against) refused.push({ index, step: event.step, why: against });
    else done += 1;
  });
  const { reasons, say } = reasonList();
  if (refused.length > 0)
    say('fail', 'step_refused', `A step was refused: ${REFUSAL_WORDS[refused.at(-1)!.why]}`);
  if (done < CONTACTOR_STEPS.length) say('watch', 'sequence_incomplete', 'Not all steps are done.');
  const completed = CONTACTOR_STEPS.slice(0, done);
  const has = (step: ContactorStep): boolean => completed.includes(step);
  return {
    completed,
    next: CONTACTOR_STEPS[done] ?? null,
    refused,
    closed: {
      negative: has('closeNegative'),
      precharge: has('closePrecharge') && !has('openPrecharge'),
      positive: has('closePositive'),
    },
    ...judged(reasons),
  };
}
