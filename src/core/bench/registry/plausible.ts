/** Made-up readings near those of a calculator's example, for instruments that are only played. */
import { formOf } from './form.ts';
import type { Calculator } from './types.ts';

/** What would be read with, by calculator; others are typed by hand. */
export const INSTRUMENTS: Readonly<Record<string, string>> = {
  driveline: 'inclinometer',
  boreSurvey: 'bore gauge',
  bigEnd: 'bore gauge',
  alignment: 'alignment heads',
  tapSurvey: 'cell logger',
  cylinderTests: 'pressure gauge',
  cornerWeights: 'scales',
};

/** Places that such an instrument shows, by unit. */
const PLACES: Readonly<Record<string, number>> = { in: 4, deg: 1, V: 3, psi: 0, kg: 0 };
/** Noise of a reading, in its last place. */
const NOISE = 1;
const CELL_V = 3.7;

const unitOf = (path: string): string => /_([A-Za-z]+)(?:\[\d+\])?$/.exec(path)?.[1] ?? '';

/**
 * A reading that could be had at a path; null where the instrument does not measure that. `random` gives from 0 to 1.
 */
export function plausibleAt(calculator: Calculator, path: string, random: () => number): number | null {
  const places = PLACES[unitOf(path)];
  if (places === undefined || !(calculator.name in INSTRUMENTS)) return null;
  const index = Number(/\[(\d+)\]/.exec(path)?.[1] ?? 0);
  const example = formOf(calculator.fields, calculator.example);
  const known = Object.keys(example).filter((p) => p.replace(/\[\d+\]/, '') === path.replace(/\[\d+\]/, ''));
  const text = example[known[index % Math.max(1, known.length)] ?? ''];
  if (text === undefined) return null;
  const middle =
    calculator.name === 'tapSurvey' && path.startsWith('readings_V') ? CELL_V * (index + 1) : Number(text);
  if (!Number.isFinite(middle)) return null;
  return Number((middle + (random() - 0.5) * 2 * NOISE * 10 ** -places).toFixed(places));
}
