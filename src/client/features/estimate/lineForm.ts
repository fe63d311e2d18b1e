/** An estimated line as its form holds it (all text), and the way to and from the contract. */
import type { EstimateLineDto, EstimateLineView, FindingView } from '#contract/estimate.ts';
import type { Proposal } from '#core/approval/revision.ts';
import { whyNotThreePoint, type ThreePoint, type Work } from '#core/estimate/lines.ts';
import type { Wish } from '#core/estimate/loss.ts';
import type { LineClass } from '#core/log/kinds.ts';
import { hoursAsTyped, hoursTyped, moneyAsTyped, moneyTyped, type MoneyManner } from '../../shared/typed.ts';

export const POINTS = ['low', 'likely', 'high'] as const;
type TypedPoints = Record<(typeof POINTS)[number], string>;

export interface LineForm {
  title: string;
  why: string;
  class: LineClass;
  work: Work;
  minutes: TypedPoints;
  parts: TypedPoints;
  outwork: TypedPoints;
  sundries: string;
  laterExtra: string;
  access: string;
  needs: string[];
  wish: Wish;
  proposal: Proposal;
  /** The way to do it that it belongs to; empty for none. */
  wayId: string;
}

const points = (of: ThreePoint, typed: (value: number) => string): TypedPoints =>
  of.high === 0
    ? { low: '', likely: '', high: '' }
    : { low: typed(of.low), likely: typed(of.likely), high: typed(of.high) };

const EMPTY: Omit<LineForm, 'minutes' | 'parts' | 'outwork'> = {
  title: '',
  why: '',
  class: 'should',
  work: 'mechanical',
  sundries: '',
  laterExtra: '',
  access: '',
  needs: [],
  wish: 'none',
  proposal: 'do',
  wayId: '',
};
const NO_POINTS: TypedPoints = { low: '', likely: '', high: '' };

/** An empty line; from a finding, what the finding said. */
export function newLine(finding: FindingView | null, manner: MoneyManner): LineForm {
  const likely = (typed: string): TypedPoints => ({ ...NO_POINTS, likely: typed });
  return {
    ...EMPTY,
    title: finding ? finding.subject.charAt(0).toUpperCase() + finding.subject.slice(1) : '',
    class: finding?.class ?? 'should',
    minutes: finding?.minutes ? likely(hoursAsTyped(finding.minutes)) : NO_POINTS,
    parts: finding?.moneyMinor ? likely(moneyAsTyped(finding.moneyMinor, manner)) : NO_POINTS,
    outwork: NO_POINTS,
  };
}

export function formOf(line: EstimateLineView, manner: MoneyManner): LineForm {
  const money = (minor: number): string => moneyAsTyped(minor, manner);
  return {
    title: line.title,
    why: line.why,
    class: line.class,
    work: line.work,
    minutes: points(line.minutes, hoursAsTyped),
    parts: points(line.parts, money),
    outwork: points(line.outwork, money),
    sundries: line.sundriesMinor === 0 ? '' : money(line.sundriesMinor),
    laterExtra: line.laterExtraMinor === 0 ? '' : money(line.laterExtraMinor),
    access: line.access.join(', '),
    needs: line.needs,
    wish: line.wish,
    proposal: line.proposal === 'wait' ? 'wait' : 'do',
    wayId: line.wayId ?? '',
  };
}

/** How much more than likely it may still become, once it is known to come to more than was thought. Common practice. */
const STILL_MORE = 1.2;

/** The line at the hours that those who are at it say: nobody expects less, and it may become a fifth more. */
export const raisedTo = (line: EstimateLineView, minutes: number): EstimateLineView => ({
  ...line,
  minutes: {
    low: minutes,
    likely: minutes,
    high: Math.max(line.minutes.high, Math.ceil(minutes * STILL_MORE)),
  },
});

export type LineFault = { field: keyof LineForm; reason: string };
type LineBody = Omit<EstimateLineDto, 'version' | 'findingId'>;

/**
 * What the form says, or what is wrong with it, field by field. Where only the likely value is given, low and high are the
 * same; where all three are empty, they are nothing.
 */
export function lineOf(form: LineForm, manner: MoneyManner): { line: LineBody } | { faults: LineFault[] } {
  const faults: LineFault[] = [];
  const fault = (field: keyof LineForm, reason: string): void => void faults.push({ field, reason });
  const three = (
    field: 'minutes' | 'parts' | 'outwork',
    read: (text: string) => number | null,
    example: string,
  ): ThreePoint => {
    const typed = form[field];
    if (POINTS.every((p) => typed[p].trim() === '')) return { low: 0, likely: 0, high: 0 };
    if (typed.likely.trim() === '') fault(field, 'the likely one first');
    const value = (p: keyof TypedPoints): number =>
      read(typed[p].trim() === '' ? typed.likely : typed[p]) ?? NaN;
    const made = { low: value('low'), likely: value('likely'), high: value('high') };
    if (Object.values(made).some(Number.isNaN)) fault(field, example);
    else {
      const reason = whyNotThreePoint(made);
      if (reason !== null) fault(field, reason);
    }
    return made;
  };
  const money = (text: string): number | null => moneyTyped(text, manner);
  const amount = (field: 'sundries' | 'laterExtra'): number => {
    const minor = form[field].trim() === '' ? 0 : money(form[field]);
    if (minor === null) fault(field, 'an amount, as in 46.50');
    return minor ?? 0;
  };
  if (form.title.trim() === '') fault('title', 'say what is to be done');
  const line: LineBody = {
    title: form.title.trim(),
    why: form.why.trim(),
    class: form.class,
    work: form.work,
    minutes: three('minutes', hoursTyped, 'hours, as in 1.5'),
    parts: three('parts', money, 'an amount, as in 46.50'),
    outwork: three('outwork', money, 'an amount, as in 46.50'),
    sundriesMinor: amount('sundries'),
    laterExtraMinor: amount('laterExtra'),
    access: form.access
      .split(',')
      .map((a) => a.trim())
      .filter((a) => a !== ''),
    needs: form.needs,
    wish: form.wish,
    proposal: form.class === 'safety' ? 'do' : form.proposal,
    ...(form.wayId === '' ? {} : { wayId: form.wayId }),
  };
  return faults.length > 0 ? { faults } : { line };
}

const FIELD_WORDS: Partial<Record<keyof LineForm, string>> = {
  title: 'What is to be done',
  why: 'Why',
  class: 'Class',
  work: 'Kind of work',
  minutes: 'Hours',
  parts: 'Parts',
  outwork: 'Outwork',
  sundries: 'Sundries',
  laterExtra: 'Dearer later',
  access: 'What has to come off',
  wish: 'What the customer said',
  proposal: 'What is proposed',
};

const inWords = (value: LineForm[keyof LineForm]): string => {
  if (typeof value === 'string') return value || 'nothing';
  if (Array.isArray(value)) return value.join(', ');
  return POINTS.map((p) => value[p] || '–').join(' / ');
};

/** What is different in a line, field by field, in words: for who wrote meanwhile. */
export function differences(was: LineForm, now: LineForm): { field: string; was: string; now: string }[] {
  return (Object.keys(FIELD_WORDS) as (keyof LineForm)[])
    .map((f) => ({ field: FIELD_WORDS[f]!, was: inWords(was[f]), now: inWords(now[f]) }))
    .filter((d) => d.was !== d.now);
}
