/**
 * The shop's own calibration: what its jobs of a kind took against what was estimated, and what a new estimate then means.
 *
 * Sources. Normal prior and likelihood on the logarithm, posterior predictive: Gelman et al., Bayesian Data Analysis, chapters 2 and 5
 * (published). Deviations of 0.3 and 0.35, bands of the factor: common practice.
 */
import { groupBy } from '../lists/groupBy.ts';
import { judged, listAt, numberAt, objectAt, optionalAt, reasonList, SLACK, textAt, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore
import { mean } from './statistics.ts';

export interface EstimateCalibrationInput {
  jobs: { kind: string; estimate_h: number; actual_h: number }[];
  kind: string;
  newEstimate_h: number;
  priorMean_ln?: number | null;
  priorSd_ln?: number | null;
  sigma_ln?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface EstimateCalibrationResult extends Judged {
  n: number;
  rawMean_ln: number | null;
  sigma_ln: number;
  sigmaSource: 'given' | 'pooled' | 'default';
  /** Weight of the jobs against the prior, from 0 to 1. */
  shrinkage: number;
  posteriorMean_ln: number;
  posteriorSd_ln: number;
  predictiveSd_ln: number;
  factor: number;
  median_h: number;
  low80_h: number;
  high80_h: number;
  mean_h: number;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { far: 4 / 3, some: 1.1 };

const MOST_HOURS = 100_000;
const SIGMA = { otherwise: 0.35, least: 0.1, freedom: 5 };
/** Normal quantile of nine tenths. */
const Z90 = 1.2815515655446004;
const FEW = 3;

interface Job {
  kind: string;
  x: number;
}

function jobAt(value: unknown, field: string): Job {
  const of = objectAt(value, field);
  const kind = textAt(of.kind, `${field}.kind`);
  const at = (name: string): number => numberAt(of[name], `${field}.${name}`, { above: 0, most: MOST_HOURS });
  const estimate = at('estimate_h');
  return { kind, x: Math.log(at('actual_h') / estimate) };
}

const fewInWords = (jobs: number): string =>
  jobs === 0
    ? 'None of this kind was done so far.'
    : `Only ${jobs} of this kind ${jobs === 1 ? 'was' : 'were'} done so far.`;

/** Deviation within kinds, all kinds together. */
function pooledSigma(jobs: readonly Job[]): number | null {
  const byKind = groupBy(jobs, (job) => job.kind);
  let squares = 0;
  let freedom = 0;
  for (const of of byKind.values()) {
    const middle = mean(of.map((j) => j.x));
    squares += of.reduce((a, j) => a + (j.x - middle) ** 2, 0);
    freedom += of.length - 1;
  }
  return freedom < SIGMA.freedom ? null : Math.max(SIGMA.least, Math.sqrt(squares / freedom));
}

/** What a new estimate of a kind will most likely take. */
export function estimateCalibration(input: EstimateCalibrationInput): EstimateCalibrationResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const jobs = listAt(input.jobs, 'jobs', { least: 0, most: 10_000 }).map((j, i) => jobAt(j, `jobs[${i}]`));
  const kind = textAt(input.kind, 'kind');
  const estimate = numberAt(input.newEstimate_h, 'newEstimate_h', { above: 0, most: MOST_HOURS });
  const m0 = numberAt(input.priorMean_ln, 'priorMean_ln', { least: -5, most: 5, otherwise: 0 });
  const tau = numberAt(input.priorSd_ln, 'priorSd_ln', { above: 0, most: 5, otherwise: 0.3 });
  const given = optionalAt(input.sigma_ln, 'sigma_ln', { above: 0, most: 5 });
  const pooled = given === null ? pooledSigma(jobs) : null;
  const sigma = given ?? pooled ?? SIGMA.otherwise;
  const own = jobs.filter((job) => job.kind === kind).map((job) => job.x);
  const [prior, data] = [1 / tau ** 2, own.length / sigma ** 2];
  const precision = prior + data;
  const sum = own.reduce((a, b) => a + b, 0);
  const middle = (m0 * prior + sum / sigma ** 2) / precision;
  const spread = Math.sqrt(sigma ** 2 + 1 / precision);
  const factor = Math.exp(middle);
  const { reasons, say } = reasonList();
  if (own.length < FEW) say('watch', 'few_jobs_of_this_kind', fewInWords(own.length));
  const beyond = (limit: number): boolean => factor > limit + SLACK || factor < 1 / limit - SLACK;
  const so = `This kind takes ${factor.toFixed(2)} times what is estimated.`;
  if (beyond(allowed.far)) say('fail', 'estimates_far_off', so);
  else if (beyond(allowed.some)) say('watch', 'estimates_off', so);
  return {
    n: own.length,
    rawMean_ln: own.length === 0 ? null : mean(own),
    sigma_ln: sigma,
    sigmaSource: given !== null ? 'given' : pooled !== null ? 'pooled' : 'default',
    shrinkage: data / precision,
    posteriorMean_ln: middle,
    posteriorSd_ln: Math.sqrt(1 / precision),
    predictiveSd_ln: spread,
    factor,
    median_h: estimate * factor,
    low80_h: estimate * Math.exp(middle - Z90 * spread),
    high80_h: estimate * Math.exp(middle + Z90 * spread),
    mean_h: estimate * Math.exp(middle + spread ** 2 / 2),
    ...judged(reasons),
  };
}
