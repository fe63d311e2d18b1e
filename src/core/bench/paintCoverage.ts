/**
 * How much paint an area takes, and how thick it must lie wet.
 *
 * Sources. What is left is what was solid: mass balance; solids by volume as in ISO 3233 (published). Loss of 30 % where nothing is
 * said, limit of 60 %: common practice.
 */
import { judged, numberAt, reasonList, SLACK, wholeAt, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface PaintCoverageInput {
  area_m2: number;
  coats?: number | null;
  /** Of one coat. */
  dryFilm_um: number;
  volumeSolids_pct: number;
  loss_pct?: number | null;
  /** By volume, on the paint. */
  thinner_pct?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface PaintCoverageResult extends Judged {
  spreadingRate_m2_per_L: number;
  wetFilm_um: number;
  litres: number;
  litresAsMixed: number;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { unusualLoss_pct: 60 };

/** Litres, and the film to look for with a wet film comb. */
export function paintCoverage(input: PaintCoverageInput): PaintCoverageResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const area = numberAt(input.area_m2, 'area_m2', { above: 0, most: 10_000 });
  const coats = wholeAt(input.coats, 'coats', { least: 1, most: 20, otherwise: 1 });
  const dry = numberAt(input.dryFilm_um, 'dryFilm_um', { least: 1, most: 5000 });
  const solids = numberAt(input.volumeSolids_pct, 'volumeSolids_pct', { least: 1, most: 100 });
  const loss = numberAt(input.loss_pct, 'loss_pct', { least: 0, most: 95, otherwise: 30 });
  const thinner = numberAt(input.thinner_pct, 'thinner_pct', { least: 0, most: 100, otherwise: 0 });
  const thinned = 1 + thinner / 100;
  const spreading = (10 * solids) / dry;
  const litres = (area * coats) / spreading / (1 - loss / 100);
  const { reasons, say } = reasonList();
  if (loss > allowed.unusualLoss_pct + SLACK)
    say('watch', 'loss_unusually_high', `More than ${allowed.unusualLoss_pct} % lost is unusual.`);
  return {
    spreadingRate_m2_per_L: spreading,
    wetFilm_um: (dry / (solids / 100)) * thinned,
    litres,
    litresAsMixed: litres * thinned,
    ...judged(reasons),
  };
}
