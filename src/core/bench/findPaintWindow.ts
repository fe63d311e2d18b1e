/**
 * When to paint: hours of weather searched for a start from which there is time to prepare, to spray and to dry.
 *
 * Sources. As for paintCheck and paintTimers.
 */
import { airAt, humidityAt } from './dewPoint.ts';
import { judged, listAt, numberAt, objectAt, reasonList, SLACK, wholeAt, type Judged } from './input.ts';
import { paintLimits, paintReasons, type PaintLimits, type PaintProduct } from './paintCheck.ts';
import { slowerBy } from './paintTimers.ts';

export interface WeatherHour {
  air_C: number;
  rh_pct: number;
  rain_mm?: number | null;
}

export interface FindPaintWindowInput {
  /** One after another, an hour each. */
  hours: WeatherHour[];
  prep_h: number;
  spray_h: number;
  /** At the reference temperature. */
  touchDry_h: number;
  reference_C?: number | null;
  /** How much warmer the surface is than the air. */
  surfaceOffset_K?: number | null;
  marginMin_K?: number | null;
  outdoors?: boolean | null;
  product?: PaintProduct | null;
}

/** Indexes of hours; `end` is the first that is no longer needed. */
export interface PaintWindow {
  start: number;
  sprayStart: number;
  dryStart: number;
  end: number;
}

export interface FindPaintWindowResult extends Judged {
  windows: PaintWindow[];
  first: PaintWindow | null;
  okHours: number;
  /** By hour: dry, and nothing against painting. */
  hourStates: ('ok' | 'dry' | 'wet')[];
}

interface Hour {
  dry: boolean;
  ok: boolean;
  /** Hours of drying at the reference temperature that it is worth. */
  worth: number;
}

function hourAt(
  value: unknown,
  field: string,
  by: { offset: number; outdoors: boolean; reference: number; limits: PaintLimits },
): Hour {
  const of = objectAt(value, field);
  const air_C = airAt(of.air_C, `${field}.air_C`);
  const rh_pct = humidityAt(of.rh_pct, `${field}.rh_pct`);
  const rain = numberAt(of.rain_mm, `${field}.rain_mm`, { least: 0, most: 1000, otherwise: 0 });
  const surface_C = air_C + by.offset;
  const dry = rain === 0 || !by.outdoors;
  const against = paintReasons({ air_C, rh_pct, surface_C }, by.limits);
  const ok = dry && !against.some((r) => r.level === 'fail');
  return { dry, ok, worth: 1 / slowerBy(surface_C, by.reference) };
}

/** Where drying that begins at an hour is done; null where it is broken off or the series ends first. */
function driedAt(hours: readonly Hour[], from: number, wanted: number): number | null {
  let worth = 0;
  let at = from;
  while (worth < wanted - SLACK) {
    const hour = hours[at];
    if (!hour?.ok) return null;
    worth += hour.worth;
    at += 1;
  }
  return at;
}

/** All starts from which it goes, in order. */
export function findPaintWindow(input: FindPaintWindowInput): FindPaintWindowResult {
  const list = listAt(input.hours, 'hours', { least: 1, most: 2400 });
  const limits = paintLimits(input.marginMin_K, input.product);
  const reference = numberAt(input.reference_C, 'reference_C', { least: 0, most: 60, otherwise: 20 });
  const offset = numberAt(input.surfaceOffset_K, 'surfaceOffset_K', { least: -30, most: 30, otherwise: 0 });
  const by = { offset, outdoors: input.outdoors !== false, reference, limits };
  const hours = list.map((hour, i) => hourAt(hour, `hours[${i}]`, by));
  const prep = wholeAt(input.prep_h, 'prep_h', { least: 0, most: 2400 });
  const spray = wholeAt(input.spray_h, 'spray_h', { least: 1, most: 2400 });
  const touchDry = numberAt(input.touchDry_h, 'touchDry_h', { least: 0, most: 10_000 });
  const windows: PaintWindow[] = [];
  for (let start = 0; start + prep + spray <= hours.length; start += 1) {
    const [sprayStart, dryStart] = [start + prep, start + prep + spray];
    if (!hours.slice(start, sprayStart).every((h) => h.dry)) continue;
    if (!hours.slice(sprayStart, dryStart).every((h) => h.ok)) continue;
    const end = driedAt(hours, dryStart, touchDry);
    if (end !== null) windows.push({ start, sprayStart, dryStart, end });
  }
  const { reasons, say } = reasonList();
  if (windows.length === 0)
    say('fail', 'no_window', 'None of these hours leaves time to prepare, spray and dry.');
  return {
    windows,
    first: windows[0] ?? null,
    okHours: hours.filter((h) => h.ok).length,
    hourStates: hours.map((h) => (h.ok ? 'ok' : h.dry ? 'dry' : 'wet')),
    ...judged(reasons),
  };
}
