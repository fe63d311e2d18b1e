/** Hours of weather from the rows of a table with a head. */
import type { WeatherHour } from './findPaintWindow.ts';
import { InputError } from './input.ts';

/** How the columns may be called. */
const COLUMNS: Record<keyof WeatherHour, RegExp> = {
  air_C: /^(?:air|temp|temperature)/i,
  rh_pct: /^(?:rh|humidity|relative)/i,
  rain_mm: /^(?:rain|precip)/i,
};
const MOST = 2400;

function numberOf(text: string | undefined, where: string): number {
  const value = Number((text ?? '').replace(',', '.').replace(/[^\d.eE+-]/g, ''));
  if ((text ?? '').trim() === '' || !Number.isFinite(value) || !/\d/.test(text!))
    throw new InputError('hours', 'not_a_number', `${where}: “${text ?? ''}” is not a number.`);
  return value;
}

/** Reads rows, the first of which names the columns; throws InputError naming line and column. */
export function weatherOf(rows: readonly (readonly string[])[]): WeatherHour[] {
  const [head = [], ...lines] = rows;
  const at = (column: keyof WeatherHour): number =>
    head.findIndex((name) => COLUMNS[column].test(name.trim()));
  const [air, rh, rain] = [at('air_C'), at('rh_pct'), at('rain_mm')];
  if (air < 0 || rh < 0)
    throw new InputError(
      'hours',
      'format',
      `The first line names no column of ${air < 0 ? 'air' : 'humidity'}.`,
    );
  if (lines.length === 0) throw new InputError('hours', 'missing', 'There is no hour in it.');
  if (lines.length > MOST) throw new InputError('hours', 'out_of_range', `At most ${MOST} hours.`);
  return lines.map((line, i) => {
    const of = (column: number): number => numberOf(line[column], `Line ${i + 2}, ${head[column]}`);
    return {
      air_C: of(air),
      rh_pct: of(rh),
      rain_mm: rain < 0 || (line[rain] ?? '').trim() === '' ? 0 : of(rain),
    };
  });
}
