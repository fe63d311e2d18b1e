/** Paint and metal: dew point, check, window, timers, coverage, blast to primer. */
import { blastToPrime } from '../blastToPrime.ts';
import { dewPoint } from '../dewPoint.ts';
import { findPaintWindow } from '../findPaintWindow.ts';
import { paintCheck } from '../paintCheck.ts';
import { paintCoverage } from '../paintCoverage.ts';
import { paintTimers } from '../paintTimers.ts';
import {
  limitsOf,
  describe,
  n,
  num,
  opt,
  part,
  practice,
  published,
  derived,
  rows,
  tick,
  usual,
} from './describe.ts';
import * as limits from './limits.ts';

const group = 'finish';
const magnus = published('Magnus form and constants: Alduchov & Eskridge 1996, J. Appl. Meteor. 35, 601–609');
const three = published('3 °C above the dew point: ISO 8502-4:2017');
const sheet = practice('Temperatures and humidity where the product says nothing: its data sheet goes first');
const cautions = ['paint'] as const;
const product = part('product', 'What the data sheet says', [usual('minSurface_C', 'Surface from', 10), usual('maxSurface_C', 'to', 35), usual('minRh_pct', 'Humidity from', 0), usual('maxRh_pct', 'to', 85)]); // prettier-ignore
const air = [num('air_C', 'Air'), num('rh_pct', 'Humidity')];

const check = describe({
  name: 'paintCheck',
  title: 'May I paint now',
  group,
  fields: [
    ...air,
    num('surface_C', 'Surface'),
    usual('marginMin_K', 'Above the dew point by', 3, 'published'),
    product,
    limitsOf(limits.paintCheck, { watch_K: 'Close above the margin by' }),
  ],
  spec: ['product'],
  work: paintCheck,
  example: { air_C: 20, rh_pct: 80, surface_C: 18 },
  shows: [
    ['margin_K', 'Above the dew point', 1],
    ['dewPoint_C', 'Dew point', 1],
    ['minimumSurface_C', 'Surface at least', 1],
  ],
  sum: (i, r) => [`${n(i.surface_C, 1)} − ${n(r.dewPoint_C, 1)} = ${n(r.margin_K, 1)} K above the dew point`],
  right: (i, r) =>
    i.surface_C < r.minimumSurface_C
      ? [`Warm the surface to ${n(r.minimumSurface_C, 1)} °C, or dry the air.`]
      : [],
  sources: [magnus, three, sheet],
  cautions,
  picture: { none: 'three temperatures; the hours are drawn in the window' },
});

const dew = describe({
  name: 'dewPoint',
  title: 'Dew point',
  group,
  fields: air,
  work: dewPoint,
  example: { air_C: 20, rh_pct: 50 },
  shows: [
    ['dewPoint_C', 'Dew point', 1],
    ['spread_K', 'below the air by', 1],
    ['saturationPressure_hPa', 'Saturation', 1],
    ['vapourPressure_hPa', 'Vapour', 1],
  ],
  sum: (i, r) => [
    `ln(${n(i.rh_pct, 0)} ÷ 100) + 17.625 · ${n(i.air_C, 1)} ÷ (243.04 + ${n(i.air_C, 1)}) → ${n(r.dewPoint_C, 1)} °C`,
  ],
  sources: [magnus],
  cautions,
  picture: { none: 'one temperature' },
});

const windows = describe({
  name: 'findPaintWindow',
  title: 'When to paint',
  group,
  before: 'Hours of weather, one after another: from a file, or from the forecast.',
  fields: [
    num('prep_h', 'Hours to prepare'),
    num('spray_h', 'Hours to spray'),
    num('touchDry_h', 'Hours to touch dry, by the sheet'),
    usual('reference_C', 'at', 20, 'published'),
    opt('surfaceOffset_K', 'Surface warmer than the air by'),
    usual('marginMin_K', 'Above the dew point by', 3, 'published'),
    product,
    rows('hours', 'Hours', 'Hour', [1, 2400], [...air, opt('rain_mm', 'Rain')]),
  ],
  spec: ['product', 'prep_h', 'spray_h', 'touchDry_h'],
  work: findPaintWindow,
  example: { hours: [[14, 90, 0], [16, 80, 0.2], [18, 70, 0], [20, 65, 0], [21, 60, 0], [22, 55, 0], [22, 55, 0], [20, 60, 0], [17, 75, 0], [14, 90, 0]].map(([air_C, rh_pct, rain_mm]) => ({ air_C: air_C!, rh_pct: rh_pct!, rain_mm: rain_mm! })), prep_h: 2, spray_h: 1, touchDry_h: 3 }, // prettier-ignore
  shows: [
    ['first.start', 'Begin in hour', 0],
    ['first.sprayStart', 'Spray in hour', 0],
    ['first.end', 'Dry by hour', 0],
    ['okHours', 'Hours in which paint may go on', 0],
  ],
  sum: (i, r) =>
    r.first
      ? [
          `${n(i.prep_h, 0)} h dry, ${n(i.spray_h, 0)} h good, then good hours worth ${n(i.touchDry_h, 1)} h at ${n(i.reference_C ?? 20, 0)} °C`,
        ]
      : [],
  right: (_, r) => (r.first ? [] : ['Longer weather, a heated booth, or a product that dries faster.']),
  sources: [magnus, three, sheet, practice('Twice the time for every 10 K')],
  cautions,
  picture: 'paintHours',
});

const timers = describe({
  name: 'paintTimers',
  title: 'Times between coats',
  group,
  fields: [
    num('actual_C', 'It is'),
    usual('reference_C', 'The sheet supposes', 20, 'published'),
    usual('minProduct_C', 'It cures from', 10),
    usual('doublingPer_K', 'Twice as long for every', 10),
    opt('flash_min', 'Flash off'),
    opt('recoatMin_h', 'Next coat after'),
    opt('recoatMax_h', 'and before'),
    opt('touchDry_h', 'Touch dry'),
    opt('cure_h', 'Cured'),
    limitsOf(limits.paintTimers, { slow: 'Slow over, times', fast: 'Fast under, times' }),
  ],
  work: paintTimers,
  example: { actual_C: 10, touchDry_h: 4, recoatMin_h: 12, recoatMax_h: 72 },
  shows: [
    ['factor', 'As long as the sheet says, times'],
    ['flash_min', 'Flash off', 0],
    ['recoatMin_h', 'Next coat after', 1],
    ['recoatMax_h', 'and before', 1],
    ['touchDry_h', 'Touch dry after', 1],
    ['cure_h', 'Cured after', 1],
  ],
  sum: (i, r) => [
    `2^((${n(i.reference_C ?? 20, 0)} − ${n(i.actual_C, 0)}) ÷ ${n(i.doublingPer_K ?? 10, 0)}) = ${n(r.factor)}`,
  ],
  right: (_, r) => [
    ...(r.flash_min === null ? [] : [`Let it flash off for ${n(r.flash_min, 0)} minutes.`]),
    ...(r.recoatMin_h === null ? [] : [`Wait ${n(r.recoatMin_h * 60, 0)} minutes for the next coat.`]),
  ],
  sources: [practice('Twice the time for every 10 K (Arrhenius, rule of thumb), and its limits')],
  cautions,
  picture: { none: 'times; there is nothing to draw' },
});

const coverage = describe({
  name: 'paintCoverage',
  title: 'Paint needed',
  group,
  fields: [
    num('area_m2', 'Area'),
    opt('coats', 'Coats', { otherwise: 1, unit: '' }),
    num('dryFilm_um', 'Film of a coat, dry'),
    num('volumeSolids_pct', 'Solids by volume'),
    usual('loss_pct', 'Lost', 30),
    opt('thinner_pct', 'Thinner, on the paint'),
    limitsOf(limits.paintCoverage, { unusualLoss_pct: 'Loss unusual over' }),
  ],
  work: paintCoverage,
  example: { area_m2: 12, coats: 2, dryFilm_um: 50, volumeSolids_pct: 50, loss_pct: 40 },
  shows: [
    ['litres', 'Paint (litres)', 1],
    ['litresAsMixed', 'As mixed (litres)', 1],
    ['wetFilm_um', 'Film to look for, wet', 0],
    ['spreadingRate_m2_per_L', 'A litre covers', 1],
  ],
  sum: (i, r) => [
    `${n(i.area_m2, 1)} m² · ${n(i.coats ?? 1, 0)} ÷ ${n(r.spreadingRate_m2_per_L, 1)} ÷ (1 − ${n(i.loss_pct ?? 30, 0)} %) = ${n(r.litres, 1)} L`,
  ],
  sources: [
    derived('What is left is what was solid (mass balance)'),
    published('Solids by volume: ISO 3233'),
    practice('30 % lost, 60 % as a limit'),
  ],
  cautions,
  picture: { none: 'litres; there is nothing to draw' },
});

const blast = describe({
  name: 'blastToPrime',
  title: 'Blast to primer',
  group,
  fields: [
    num('hoursSinceBlast_h', 'Since it was blasted'),
    num('rh_pct', 'Humidity'),
    tick('bloomSeen', 'Rust bloom is seen'),
    limitsOf(limits.blastToPrime, {
      dry_h: 'Hours up to 50 %',
      damp_h: 'up to 70 %',
      humid_h: 'up to 85 %',
      near: 'Close, of the hours',
    }),
  ],
  work: blastToPrime,
  example: { hoursSinceBlast_h: 5, rh_pct: 70 },
  shows: [
    ['remaining_h', 'Left for the primer', 1],
    ['limit_h', 'Allowed', 0],
  ],
  sum: (i, r) => [
    `${n(r.limit_h, 0)} h at ${n(i.rh_pct, 0)} % − ${n(i.hoursSinceBlast_h, 1)} h = ${n(r.remaining_h, 1)} h`,
  ],
  // Rust that is seen has been growing, whatever the clock says.
  right: (i, r) =>
    r.remaining_h > 0 && i.bloomSeen !== true
      ? [`Prime within ${n(r.remaining_h * 60, 0)} minutes.`]
      : ['Blast it again.'],
  sources: [practice('8, 4 and 2 hours by humidity: the product’s data sheet goes first')],
  cautions,
  picture: { none: 'hours that are left' },
});

export const FINISH = [check, windows, timers, coverage, blast, dew];
