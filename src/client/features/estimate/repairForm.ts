/** The comparison of repair and new panel as its form holds it (all text), and the lines that can come of it. */
import type { EstimateLineDto } from '#contract/estimate.ts';
import { InputError, type InputCode } from '#core/bench/input.ts';
import { repairOrReplace } from '#core/bench/index.ts';
import type { RepairOrReplaceInput, RepairOrReplaceResult, ThreeHours } from '#core/bench/repairOrReplace.ts';
import { NOTHING, type ThreePoint } from '#core/estimate/lines.ts';
import { toMinor } from '#core/money/money.ts';
import { numberTyped } from '../../shared/typed.ts';

export const HOUR_POINTS = ['optimistic_h', 'likely_h', 'pessimistic_h'] as const;
type TypedHours = Record<keyof ThreeHours, string>;

export interface RepairForm {
  thing: string;
  repairHours: TypedHours;
  fittingHours: TypedHours;
  growthFactor: string;
  repairMaterials: string;
  panelPrice: string;
  fittingMaterials: string;
  paintStrategy: RepairOrReplaceInput['paintStrategy'];
  paintFull: string;
  paintBlend: string;
  originalityLoss: string;
}

const NO_HOURS: TypedHours = { optimistic_h: '', likely_h: '', pessimistic_h: '' };

export const emptyRepair = (paintStrategy: RepairForm['paintStrategy']): RepairForm => ({
  thing: '',
  repairHours: NO_HOURS,
  fittingHours: NO_HOURS,
  growthFactor: '1.15',
  repairMaterials: '',
  panelPrice: '',
  fittingMaterials: '',
  paintStrategy,
  paintFull: '',
  paintBlend: '',
  originalityLoss: '',
});

/** An empty field is not given; what is no number stays one that is none, for the calculator to name. */
const typed = (text: string): number | undefined =>
  text.trim() === '' ? undefined : (numberTyped(text) ?? NaN);

function hoursOf(of: TypedHours): ThreeHours {
  const at = (name: keyof ThreeHours): number => typed(of[name] || of.likely_h) as number;
  return { optimistic_h: at('optimistic_h'), likely_h: at('likely_h'), pessimistic_h: at('pessimistic_h') };
}

function inputOf(form: RepairForm, ratePerHour: number): RepairOrReplaceInput {
  const optional = (text: string): number | null => typed(text) ?? null;
  return {
    rate_per_h: ratePerHour,
    repairHours: hoursOf(form.repairHours),
    fittingHours: hoursOf(form.fittingHours),
    growthFactor: optional(form.growthFactor),
    repairMaterials: optional(form.repairMaterials),
    panelPrice: typed(form.panelPrice) as number,
    fittingMaterials: optional(form.fittingMaterials),
    paintStrategy: form.paintStrategy,
    paintFull: typed(form.paintFull) as number,
    paintBlend: optional(form.paintBlend),
    originalityLoss: optional(form.originalityLoss),
  };
}

const FAULT_WORDS: Record<InputCode, string> = {
  missing: 'still missing',
  not_a_number: 'a number, as in 12.5',
  out_of_range: 'outside what it can be',
  format: 'not understood',
  inconsistent: 'below the one before it',
};

/** The comparison, or the first field that stands in its way. */
export function compare(
  form: RepairForm,
  ratePerHour: number,
): { result: RepairOrReplaceResult } | { field: string; code: InputCode; reason: string } {
  try {
    return { result: repairOrReplace(inputOf(form, ratePerHour)) };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { field: error.field, code: error.code, reason: FAULT_WORDS[error.code] };
  }
}

const same = (n: number): ThreePoint => ({ low: n, likely: n, high: n });

/** The chosen way as a line of the estimate; `growth` widens the hours of repair as in the comparison. */
export function lineOfChoice(
  form: RepairForm,
  way: 'repair' | 'replace',
  currency: string,
): Omit<EstimateLineDto, 'findingId'> {
  const n = (text: string): number => typed(text) ?? 0;
  const repairs = way === 'repair';
  const hours = hoursOf(repairs ? form.repairHours : form.fittingHours);
  const growth = repairs ? (typed(form.growthFactor) ?? 1) : 1;
  const minutes = (h: number): number => Math.round(h * growth * 60);
  const paint = repairs && form.paintStrategy === 'preserve' ? n(form.paintBlend) : n(form.paintFull);
  const goods = repairs ? n(form.repairMaterials) : n(form.panelPrice) + n(form.fittingMaterials);
  return {
    version: 0,
    title: `${form.thing.trim()}: ${repairs ? 'new metal let in' : 'new panel fitted'}`.slice(0, 160),
    why: '',
    class: 'must',
    work: 'metalwork',
    minutes: {
      low: minutes(hours.optimistic_h),
      likely: minutes(hours.likely_h),
      high: minutes(hours.pessimistic_h),
    },
    parts: same(toMinor(goods + paint, currency) ?? 0),
    outwork: NOTHING,
    sundriesMinor: 0,
    needs: [],
    access: [],
    proposal: 'do',
    wish: 'none',
    laterExtraMinor: 0,
  };
}
