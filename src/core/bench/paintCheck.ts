/**
 * May paint go on now: the surface against the dew point, and what the product asks of surface and air.
 *
 * Sources. 3 °C above the dew point: ISO 8502-4:2017, guidance (published). Temperatures and humidity where the product says nothing,
 * watch band of 1 K: common practice; the product's data sheet always wins.
 */
import { airAt, dewPointOf, humidityAt } from './dewPoint.ts';
import { inconsistent, isGiven, judged, numberAt, objectAt, reasonList, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

/** What the product's data sheet says. */
export interface PaintProduct {
  minSurface_C?: number | null;
  maxSurface_C?: number | null;
  minRh_pct?: number | null;
  maxRh_pct?: number | null;
}

export interface PaintCheckInput {
  air_C: number;
  rh_pct: number;
  surface_C: number;
  marginMin_K?: number | null;
  product?: PaintProduct | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface PaintCheckResult extends Judged {
  dewPoint_C: number;
  margin_K: number;
  minimumSurface_C: number;
}

export interface PaintLimits {
  minSurface: number;
  maxSurface: number;
  minRh: number;
  maxRh: number;
  margin: number;
  /** Kelvin above the margin in which it is close. */
  watch: number;
}

/** Common practice: where it becomes close. */

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { watch_K: 1 };

const surfaceAt = (value: unknown, field: string, otherwise?: number): number =>
  numberAt(value, field, { least: -40, most: 80, otherwise });

/** The limits of a product, each with its usual value where nothing is said. */
export function paintLimits(
  marginMin_K: unknown,
  product: unknown,
  watch: number = LIMITS.watch_K,
): PaintLimits {
  const margin = numberAt(marginMin_K, 'marginMin_K', { least: 0, most: 30, otherwise: 3 });
  const of = isGiven(product) ? objectAt(product, 'product') : {};
  const humidity = (name: string, otherwise: number): number =>
    numberAt(of[name], `product.${name}`, { least: 0, most: 100, otherwise });
  const limits = {
    minSurface: surfaceAt(of.minSurface_C, 'product.minSurface_C', 10),
    maxSurface: surfaceAt(of.maxSurface_C, 'product.maxSurface_C', 35),
    minRh: humidity('minRh_pct', 0),
    maxRh: humidity('maxRh_pct', 85),
    margin,
    watch,
  };
  if (limits.maxSurface < limits.minSurface)
    throw inconsistent('product.maxSurface_C', 'it is below the lowest that is allowed');
  if (limits.maxRh < limits.minRh)
    throw inconsistent('product.maxRh_pct', 'it is below the lowest that is allowed');
  return limits;
}

/** What speaks against painting in air and on a surface that were looked at. */
export function paintReasons(
  air: { air_C: number; rh_pct: number; surface_C: number },
  limits: PaintLimits,
): Reason[] {
  const { reasons, say } = reasonList();
  const { surface_C: surface, rh_pct: rh } = air;
  const margin = surface - dewPointOf(air.air_C, rh);
  const close = `The surface is ${margin.toFixed(1)} K above the dew point; ${limits.margin} K are wanted.`;
  if (margin < limits.margin - SLACK) say('fail', 'surface_too_close_to_dew_point', close);
  else if (margin < limits.margin + limits.watch - SLACK) say('watch', 'dew_margin_small', close);
  const at = `The surface is at ${surface.toFixed(1)} °C`;
  if (surface < limits.minSurface - SLACK)
    say('fail', 'surface_too_cold', `${at}; at least ${limits.minSurface} °C are wanted.`);
  if (surface > limits.maxSurface + SLACK)
    say('fail', 'surface_too_hot', `${at}; at most ${limits.maxSurface} °C are allowed.`);
  if (rh > limits.maxRh + SLACK)
    say('fail', 'humidity_too_high', `Humidity is ${rh.toFixed(0)} %; at most ${limits.maxRh} % is allowed.`);
  if (rh < limits.minRh - SLACK)
    say('fail', 'humidity_too_low', `Humidity is ${rh.toFixed(0)} %; at least ${limits.minRh} % is wanted.`);
  return reasons;
}

/** Judges air and surface at one moment. */
export function paintCheck(input: PaintCheckInput): PaintCheckResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const air = {
    air_C: airAt(input.air_C, 'air_C'),
    rh_pct: humidityAt(input.rh_pct, 'rh_pct'),
    surface_C: surfaceAt(input.surface_C, 'surface_C'),
  };
  const limits = paintLimits(input.marginMin_K, input.product, allowed.watch_K);
  const dew = dewPointOf(air.air_C, air.rh_pct);
  return {
    dewPoint_C: dew,
    margin_K: air.surface_C - dew,
    minimumSurface_C: Math.max(dew + limits.margin, limits.minSurface),
    ...judged(paintReasons(air, limits)),
  };
}
