/**
 * Whether a component can have come with its vehicle, by its dates and its number.
 *
 * Source. Model years from August to July, 180 and 365 days of lead: common practice.
 */
import { addDays, dayFromParts, daysBetween, type Day } from '../time/days.ts';
import { dayAt, InputError, isGiven, judged, numberAt, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface ComponentDateInput {
  component_date: string;
  modelYear?: number | null;
  /** Goes before the model year. */
  vehicleBuild_date?: string | null;
  casting_date?: string | null;
  stampedSerial?: string | null;
  vehicleSerial?: string | null;
  usualLead_days?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export type ComponentConclusion =
  | 'consistent'
  | 'inconclusive'
  | 'older_unit_likely'
  | 'later_replacement_likely'
  | 'dates_contradict'
  | 'not_original_number';

export interface ComponentDateResult extends Judged {
  conclusion: ComponentConclusion;
  daysAfterLatest: number;
  daysBeforeEarliest: number;
  buildWindow: [string, string];
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { far_days: 365 };

function windowOf({ vehicleBuild_date, modelYear }: ComponentDateInput): [Day, Day] {
  if (isGiven(vehicleBuild_date)) {
    const built = dayAt(vehicleBuild_date, 'vehicleBuild_date');
    return [built, built];
  }
  const year = numberAt(modelYear, 'modelYear', { least: 1885, most: 2100 });
  if (!Number.isInteger(year)) throw new InputError('modelYear', 'format', 'modelYear is no year');
  return [dayFromParts(year - 1, 8, 1)!, addDays(dayFromParts(year, 8, 1)!, -1)];
}

const serial = (value: string | null | undefined): string | null => {
  const plain = (value ?? '').replace(/[\s-]/g, '').toUpperCase();
  return plain === '' ? null : plain;
};

/** Says what the dates and the numbers allow, and no more than that. */
export function componentDate(input: ComponentDateInput): ComponentDateResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const made = dayAt(input.component_date, 'component_date');
  const [from, to] = windowOf(input);
  const cast = isGiven(input.casting_date) ? dayAt(input.casting_date, 'casting_date') : null;
  const lead = numberAt(input.usualLead_days, 'usualLead_days', { least: 0, most: 3650, otherwise: 180 });
  const daysAfterLatest = daysBetween(to, made);
  const daysBeforeEarliest = daysBetween(made, from);
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number => reasons.push({ code, level, text });
  let conclusion: ComponentConclusion = 'consistent';
  if (daysAfterLatest > 0) {
    conclusion = 'later_replacement_likely';
    say('component_after_vehicle', 'fail', `It was made ${daysAfterLatest} days after the vehicle: a later replacement unit is likely.`);
  } else if (daysBeforeEarliest > allowed.far_days) {
    conclusion = 'older_unit_likely';
    say('component_much_older', 'fail', `It was made ${daysBeforeEarliest} days before the vehicle: an older unit is likely.`);
  } else if (daysBeforeEarliest > lead) {
    conclusion = 'inconclusive';
    say('component_early', 'watch', `It was made ${daysBeforeEarliest} days before the vehicle, earlier than usual.`);
  }
  if (cast !== null && cast > made) {
    conclusion = 'dates_contradict';
    say('cast_after_assembly', 'fail', 'It was cast after it was put together: one of the dates is misread.');
  }
  const [stamped, own] = [serial(input.stampedSerial), serial(input.vehicleSerial)];
  if (stamped !== null && own !== null) {
    if (stamped !== own) {
      say('stamped_number_differs', 'fail', 'The number that is stamped on it is not the vehicle’s.');
      if (conclusion === 'consistent' || conclusion === 'inconclusive') conclusion = 'not_original_number';
    } else if (conclusion === 'later_replacement_likely' || conclusion === 'older_unit_likely')
      say('number_matches_but_date_does_not_restamp_possible', 'watch', 'The number is the vehicle’s and the date is not: it may have been stamped again.');
  } else if (conclusion === 'consistent')
    say('no_stamped_number_compared', 'watch', 'The dates agree; no number was compared.');
  return { conclusion, daysAfterLatest, daysBeforeEarliest, buildWindow: [from, to], ...judged(reasons) };
} // prettier-ignore
