/**
 * Repair or replace: letting in metal against a panel, with fitting and paint, by the finish wanted. Hours are three points;
 * the answer is the chance that the repair is the dearer, not only two sums.
 *
 * Sources. PERT-beta with λ = 4: Malcolm, Roseboom, Clark & Fazar 1959, Operations Research 7; Vose, Risk Analysis
 * (published). Triangular distribution: textbook. Cost structure, growth 1.15, limits 0.35, 0.65 and 0.5: common
 * practice, no source.
 */
import { betaCdf } from './betaDistribution.ts';
import { choiceAt, InputError, judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface ThreeHours {
  optimistic_h: number;
  likely_h: number;
  pessimistic_h: number;
}

export interface RepairOrReplaceInput {
  rate_per_h: number;
  repairHours: ThreeHours;
  fittingHours: ThreeHours;
  /** Rust found after opening multiplies all repair hours. */
  growthFactor?: number | null;
  repairMaterials?: number | null;
  panelPrice: number;
  fittingMaterials?: number | null;
  /** Keep the aged surface and blend in, or paint the whole. */
  paintStrategy: 'preserve' | 'repaint';
  paintFull: number;
  /** Required to preserve. */
  paintBlend?: number | null;
  /** Money put on losing original paint and metal; counts only to preserve. */
  originalityLoss?: number | null;
  distribution?: 'pert' | 'triangular' | null;
  plan?: 'repair' | 'replace' | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface RepairOrReplaceResult extends Judged {
  repairMeanHours_h: number;
  repairCost: number;
  repairCostRange: [number, number];
  replaceCost: number;
  replaceCostRange: [number, number];
  /** Repair hours, before growth, at which both cost the same; may be negative. */
  breakEvenHours_h: number;
  probabilityRepairDearer: number;
  recommendation: 'repair' | 'replace' | 'toss_up';
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { clearRepair: 0.35, clearReplace: 0.65, uncertain: 0.5 };

const MOST_HOURS = 100_000;
const MOST_MONEY = 1e9;
const GROWTH = 1.15;
const SLICES = 400;

function hoursAt(value: unknown, field: string): ThreeHours {
  if (typeof value !== 'object' || value === null)
    throw new InputError(field, 'missing', `${field} is missing`);
  const of = value as Partial<Record<keyof ThreeHours, unknown>>;
  const at = (name: keyof ThreeHours): number =>
    numberAt(of[name], `${field}.${name}`, { least: 0, most: MOST_HOURS });
  const hours = {
    optimistic_h: at('optimistic_h'),
    likely_h: at('likely_h'),
    pessimistic_h: at('pessimistic_h'),
  };
  const out = (name: string): InputError =>
    new InputError(`${field}.${name}`, 'inconsistent', `${field}.${name} is below the one before it`);
  if (hours.likely_h < hours.optimistic_h) throw out('likely_h');
  if (hours.pessimistic_h < hours.likely_h) throw out('pessimistic_h');
  return hours;
}

function read(input: RepairOrReplaceInput) {
  const money = (name: keyof RepairOrReplaceInput, otherwise?: number): number =>
    numberAt(input[name], name, {
      least: 0,
      most: MOST_MONEY,
      otherwise,
    });
  const rate = numberAt(input.rate_per_h, 'rate_per_h', { above: 0, most: MOST_MONEY });
  const repair = hoursAt(input.repairHours, 'repairHours');
  const fitting = hoursAt(input.fittingHours, 'fittingHours');
  const growth = numberAt(input.growthFactor, 'growthFactor', { least: 1, most: 5, otherwise: GROWTH });
  const repairMaterials = money('repairMaterials', 0);
  const panelPrice = money('panelPrice');
  const fittingMaterials = money('fittingMaterials', 0);
  const strategy = choiceAt(input.paintStrategy, 'paintStrategy', ['preserve', 'repaint']);
  const preserves = strategy === 'preserve';
  const paintFull = money('paintFull');
  const paintBlend = money('paintBlend', preserves ? undefined : 0);
  const originalityLoss = money('originalityLoss', 0);
  const distribution = choiceAt(input.distribution, 'distribution', ['pert', 'triangular'], 'pert');
  const plan =
    input.plan === undefined || input.plan === null
      ? null
      : choiceAt(input.plan, 'plan', ['repair', 'replace']);
  return {
    rate,
    repair,
    fitting,
    growth,
    distribution,
    plan,
    fixedRepair: repairMaterials + (preserves ? paintBlend : paintFull),
    fixedReplace: panelPrice + fittingMaterials + paintFull + (preserves ? originalityLoss : 0),
  };
}

type Distribution = 'pert' | 'triangular';

const meanOf = ({ optimistic_h: o, likely_h: m, pessimistic_h: p }: ThreeHours, by: Distribution): number =>
  by === 'pert' ? (o + 4 * m + p) / 6 : (o + m + p) / 3;

/** Share of the distribution that lies at or below x hours. */
function cdf(
  { optimistic_h: o, likely_h: m, pessimistic_h: p }: ThreeHours,
  by: Distribution,
  x: number,
): number {
  if (p === o) return x >= o ? 1 : 0;
  if (x <= o) return 0;
  if (x >= p) return 1;
  if (by === 'pert')
    return betaCdf((x - o) / (p - o), 1 + (4 * (m - o)) / (p - o), 1 + (4 * (p - m)) / (p - o));
  return x <= m ? (x - o) ** 2 / ((p - o) * (m - o)) : 1 - (p - x) ** 2 / ((p - o) * (p - m));
}

/**
 * P(g·Hr − Hf > c) for independent hours of repair and fitting: over 400 equal slices of the fitting hours, each by its
 * own share. The error falls with the square of the slices and is far below what the points are known to.
 */
function chanceRepairDearer({
  repair,
  fitting,
  growth,
  distribution: by,
  ...of
}: ReturnType<typeof read>): number {
  const c = (of.fixedReplace - of.fixedRepair) / of.rate;
  const dearer = (fittingHours: number): number => 1 - cdf(repair, by, (c + fittingHours) / growth);
  const { optimistic_h: from, pessimistic_h: to } = fitting;
  if (to === from) return dearer(from);
  let chance = 0;
  let below = 0;
  for (let k = 1; k <= SLICES; k += 1) {
    const upTo = cdf(fitting, by, from + ((to - from) * k) / SLICES);
    chance += (upTo - below) * dearer(from + ((to - from) * (k - 0.5)) / SLICES);
    below = upTo;
  }
  return chance;
}

function recommended(chance: number, allowed: typeof LIMITS): RepairOrReplaceResult['recommendation'] {
  if (chance < allowed.clearRepair - SLACK) return 'repair';
  return chance > allowed.clearReplace + SLACK ? 'replace' : 'toss_up';
}

/** Compares; money is a plain number in the shop's currency, unrounded. Throws InputError naming the field. */
export function repairOrReplace(input: RepairOrReplaceInput): RepairOrReplaceResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const of = read(input);
  const { rate, repair, fitting, growth, distribution, plan, fixedRepair, fixedReplace } = of;
  const repairMeanHours_h = growth * meanOf(repair, distribution);
  const repairCost = rate * repairMeanHours_h + fixedRepair;
  const replaceCost = rate * meanOf(fitting, distribution) + fixedReplace;
  const probabilityRepairDearer = chanceRepairDearer(of);
  const recommendation = recommended(probabilityRepairDearer, allowed);
  const reasons: Reason[] = [];
  if (recommendation === 'toss_up')
    reasons.push({ code: 'too_close_to_call', level: 'watch', text: 'The two are too close to call.' });
  else if (plan !== null && plan !== recommendation)
    reasons.push({
      code: 'plan_is_probably_dearer',
      level: 'fail',
      text: `To ${plan} is probably the dearer way.`,
    });
  if (rate * growth * (repair.pessimistic_h - repair.optimistic_h) > allowed.uncertain * repairCost + SLACK)
    reasons.push({
      code: 'repair_hours_very_uncertain',
      level: 'watch',
      text: 'The hours of repair are very uncertain: open one area first, then estimate again.',
    });
  return {
    repairMeanHours_h,
    repairCost,
    repairCostRange: [
      rate * growth * repair.optimistic_h + fixedRepair,
      rate * growth * repair.pessimistic_h + fixedRepair,
    ],
    replaceCost,
    replaceCostRange: [
      rate * fitting.optimistic_h + fixedReplace,
      rate * fitting.pessimistic_h + fixedReplace,
    ],
    breakEvenHours_h: (replaceCost - fixedRepair) / (rate * growth),
    probabilityRepairDearer,
    recommendation,
    ...judged(reasons),
  };
}
