/** How a result is told: its values in words, and the reading as it is kept. */
import type { Level } from '../input.ts';
import { n, unitPartOf, writtenUnit } from './describe.ts';
import { STEP_WORDS } from './highVoltage.ts';
import type { Calculator, Show } from './types.ts';

export const VERDICTS = { ok: 'ok', watch: 'watch', fail: 'not good' } as const;
export type Verdict = keyof typeof VERDICTS;

/** More than these of one list are not read anyway. */
const MOST_SHOWN = 16;
/** Places, where none are said: inches are measured finely. */
const PLACES: Readonly<Record<string, number>> = { in: 4, mm: 1, deg: 1, V: 2, pct: 1 };

export interface Line {
  label: string;
  text: string;
}

/** Values at a path, through lists; a list within a list stays one. */
function valuesAt(value: unknown, steps: readonly string[]): unknown[] {
  if (value === undefined || value === null) return [];
  if (steps.length === 0) return Array.isArray(value) ? (value as unknown[]) : [value];
  if (Array.isArray(value)) return (value as unknown[]).flatMap((v) => valuesAt(v, steps));
  return valuesAt((value as Record<string, unknown>)[steps[0]!], steps.slice(1));
}

/** `olderUnitLikely` and `older_unit_likely` as they are said. */
const spelled = (word: string): string =>
  STEP_WORDS[word] ?? (/^\d|[^A-Za-z_]|^[A-Z]/.test(word) ? word : word.replaceAll('_', ' ').replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)); // prettier-ignore

function inWords(value: unknown, places: number): string {
  if (typeof value === 'number') return n(value, places);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return spelled(value);
  if (Array.isArray(value)) return value.map((v) => inWords(v, places)).join(' and ');
  return '–';
}

function lineOf(result: object, [path, label, places]: Show): Line | null {
  const values = valuesAt(result, path.split('.'));
  if (values.length === 0) return null;
  const unit = unitPartOf(path);
  const shown = values.slice(0, MOST_SHOWN).map((v) => inWords(v, places ?? PLACES[unit] ?? 2));
  const more = values.length > MOST_SHOWN ? ` and ${values.length - MOST_SHOWN} more` : '';
  const written = unit === '' || !values.some((v) => typeof v === 'number') ? '' : writtenUnit(unit);
  const behind =
    written === '' ? '' : written === '°' || written === '%' ? written.replace('%', ' %') : ` ${written}`;
  return { label, text: shown.join(' / ') + more + behind };
}

/** What is shown of a result; what could not be worked out stays away. */
export const linesOf = (calculator: Calculator, result: object): Line[] =>
  calculator.shows.map((show) => lineOf(result, show)).filter((line) => line !== null);

export interface ToldReason {
  code: string;
  level: Level;
  text: string;
}

/** Everything of a reading that stays as it was, whatever becomes of its calculator. */
export interface Told {
  title: string;
  verdict: Verdict;
  lines: Line[];
  reasons: ToldReason[];
  sum: string[];
  right: string[];
}

export function toldOf(calculator: Calculator, input: object, result: ReturnType<Calculator['work']>): Told {
  return {
    title: calculator.title,
    verdict: result.verdict,
    lines: linesOf(calculator, result),
    reasons: result.reasons.map(({ code, level, text }) => ({ code, level, text })),
    sum: calculator.sum(input, result),
    right: calculator.right(input, result),
  };
}

/** How a reading stands in the logbook: what, the verdict, its first numbers, and why where it is not good. */
export function readingInWords(told: Told, of: { moment: 'before' | 'after' | ''; what: string }): string {
  const what = of.what.trim() === '' ? told.title : `${told.title}, ${of.what.trim()}`;
  const when = of.moment === '' ? '' : ` ${of.moment} the work`;
  const numbers = told.lines.slice(0, 3).map((l) => `${l.label.toLowerCase()} ${l.text}`).join('; '); // prettier-ignore
  const why = told.reasons.filter((r) => r.level !== 'info').map((r) => r.text).join(' '); // prettier-ignore
  const said = numbers.charAt(0).toUpperCase() + numbers.slice(1);
  return `${what}${when}: ${VERDICTS[told.verdict]}. ${said}.${why === '' ? '' : ` ${why}`}`;
}
