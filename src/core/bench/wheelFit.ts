/**
 * Another wheel in its arch: offset, backspace, and what is left on both sides.
 *
 * Sources. Geometry: derived. Flange of half an inch a side, six millimetres of clearance: common practice.
 */
import { MM_PER_IN } from './exact.ts';
import { inconsistent, InputError, isGiven, judged, numberAt, SLACK, type Judged, type Reason } from './input.ts'; // prettier-ignore

export interface WheelFitInput {
  oldWidth_in: number;
  /** Exactly one of offset and backspace for each wheel. */
  oldOffset_mm?: number | null;
  oldBackspace_in?: number | null;
  newWidth_in: number;
  newOffset_mm?: number | null;
  newBackspace_in?: number | null;
  innerClearance_mm?: number | null;
  outerClearance_mm?: number | null;
  flange_in?: number | null;
  minClearance_mm?: number | null;
}

export interface WheelFitResult extends Judged {
  oldOffset_mm: number;
  oldBackspace_in: number;
  newOffset_mm: number;
  newBackspace_in: number;
  /** Towards the suspension. */
  innerMove_mm: number;
  /** Towards the wing. */
  outerMove_mm: number;
  trackChange_mm: number;
  innerRemaining_mm: number | null;
  outerRemaining_mm: number | null;
}

function judgeSide(side: 'inner' | 'outer', remaining: number | null, least: number): Reason[] {
  const where = side === 'inner' ? 'inside' : 'outside';
  const says = (code: string, level: Reason['level'], text: string): Reason[] => [{ code: `${side}_${code}`, level, text }]; // prettier-ignore
  if (remaining === null)
    return says('clearance_not_measured', 'watch', `The clearance ${where} was not measured.`);
  if (remaining <= SLACK) return says('contact', 'fail', `It touches ${where}.`);
  return remaining < least - SLACK
    ? says('clearance_small', 'watch', `${remaining.toFixed(1)} mm are left ${where}; ${least} are wanted.`)
    : [];
}

/** Where another wheel stands against the one that is on. The bulge of the tyre is not in it. */
export function wheelFit(input: WheelFitInput): WheelFitResult {
  const flange = (otherwise = 0.5): number =>
    numberAt(input.flange_in, 'flange_in', { least: 0, most: 1.5, otherwise });
  const wheel = (which: 'old' | 'new') => {
    const width_in = numberAt(input[`${which}Width_in`], `${which}Width_in`, { least: 3, most: 16 });
    const [offset, backspace] = [input[`${which}Offset_mm`], input[`${which}Backspace_in`]];
    const field = `${which}Offset_mm`;
    if (!isGiven(offset) && !isGiven(backspace))
      throw new InputError(field, 'missing', `${field}: the offset or the backspace is missing`);
    if (isGiven(offset) && isGiven(backspace))
      throw inconsistent(field, 'the offset or the backspace, not both');
    const half = ((width_in + 2 * flange()) * MM_PER_IN) / 2;
    const et = isGiven(offset)
      ? numberAt(offset, field, { least: -150, most: 150 })
      : numberAt(backspace, `${which}Backspace_in`, { least: 0, most: width_in + 2 * flange() }) * MM_PER_IN -
        half;
    return { width: width_in * MM_PER_IN, et, backspace_in: (half + et) / MM_PER_IN };
  };
  const [was, is] = [wheel('old'), wheel('new')];
  const clearance = (name: 'innerClearance_mm' | 'outerClearance_mm'): number | null =>
    isGiven(input[name]) ? numberAt(input[name], name, { least: 0, most: 500 }) : null;
  const [inner, outer] = [clearance('innerClearance_mm'), clearance('outerClearance_mm')];
  const least = numberAt(input.minClearance_mm, 'minClearance_mm', { least: 0, most: 100, otherwise: 6 });
  const innerMove_mm = is.width / 2 + is.et - (was.width / 2 + was.et);
  const outerMove_mm = is.width / 2 - is.et - (was.width / 2 - was.et);
  const innerRemaining_mm = inner === null ? null : inner - innerMove_mm;
  const outerRemaining_mm = outer === null ? null : outer - outerMove_mm;
  return {
    oldOffset_mm: was.et,
    oldBackspace_in: was.backspace_in,
    newOffset_mm: is.et,
    newBackspace_in: is.backspace_in,
    innerMove_mm,
    outerMove_mm,
    trackChange_mm: 2 * (was.et - is.et),
    innerRemaining_mm,
    outerRemaining_mm,
    ...judged([
      ...judgeSide('inner', innerRemaining_mm, least),
      ...judgeSide('outer', outerRemaining_mm, least),
    ]),
  };
}
