/** Looked at when a car comes in: cylinders, fluids, age of tyres, identity. */
import { componentDate } from '../componentDate.ts';
import { cylinderTests } from '../cylinderTests.ts';
import { fluidBalance } from '../fluidBalance.ts';
import { tyreAge } from '../tyreAge.ts';
import { vinCheck } from '../vinCheck.ts';
import {
  limitsOf,
  cells,
  choice,
  day,
  describe,
  memory,
  n,
  num,
  numbers,
  opt,
  part,
  practice,
  published,
  rows,
  text,
  tick,
  usual,
} from './describe.ts';
import * as limits from './limits.ts';

const group = 'lookOver';

const cylinders = describe({
  name: 'cylinderTests',
  title: 'Compression and leak-down',
  group,
  before: 'Engine warm, battery charged, throttle open, all plugs out.',
  fields: [
    cells('dry_psi', 'Compression, dry', 'Cylinder', [1, 16]),
    cells('wet_psi', 'With a spoon of oil', 'Cylinder', [1, 16], { blanks: true, optional: true }),
    cells('leakdown_pct', 'Leak-down', 'Cylinder', [1, 16], { blanks: true, optional: true }),
    numbers('banks', 'Cylinders as they stand, bank by bank', {
      groups: true,
      optional: true,
      hint: 'as in 1 3 5 7 / 2 4 6 8',
    }),
    opt('altitude_m', 'Height above sea'),
    opt('specMinSeaLevel_psi', 'At least, at sea level, by the maker'),
    tick('warm', 'The engine was warm'),
    limitsOf(limits.cylinderTests, {
      low: ['Low, of the highest', 'from memory'],
      uneven: 'Uneven, of the highest',
      ringsRise_pct: 'Oil adds this: rings',
      noRise_pct: 'Oil adds no more: valves or gasket',
      woken_psi: 'A dead one that oil wakes to',
    }),
  ],
  spec: ['banks', 'specMinSeaLevel_psi'],
  work: cylinderTests,
  example: { dry_psi: [150, 148, 90, 145, 92, 149, 147, 151], wet_psi: [null, null, 92, null, 94, null, null, null], banks: [[1, 3, 5, 7], [2, 4, 6, 8]] }, // prettier-ignore
  shows: [
    ['highest_psi', 'Highest', 0],
    ['lowest_psi', 'Lowest', 0],
    ['lowToHigh', 'Lowest of highest', 2],
    ['lowCylinders', 'Low cylinders', 0],
    ['adjacentLowPairs', 'Low, side by side', 0],
    ['wetDry', 'What oil says'],
    ['leakGrades', 'Leak-down'],
  ],
  sum: (_, r) => [
    `lowest ÷ highest = ${n(r.lowest_psi, 0)} ÷ ${n(r.highest_psi, 0)} = ${n(r.lowToHigh)} (at least 0.75)`,
    `at this height the air is ${n(r.altitudeFactor, 3)} of that at sea level`,
  ],
  sources: [
    memory('The lowest at least three quarters of the highest: US shop manuals'),
    published('Standard atmosphere: ISO 2533, ICAO Doc 7488'),
    memory('Leak-down of 25 % allowed on aircraft engines: FAA AC 43.13-1B'),
    practice('Grades of leak-down, what oil must change, two low ones side by side'),
  ],
  cautions: ['engine', 'fuel'],
  picture: 'cylinders',
});

const fluids = describe({
  name: 'fluidBalance',
  title: 'Fluid balance',
  group,
  before: 'Catch all that drains, in one vessel, and measure it at the same warmth as the fill.',
  fields: [
    num('sumpFill_l', 'Last fill that is known, with filter'),
    num('drained_l', 'Drained'),
    opt('residue_l', 'Stays in galleries and filter'),
    rows(
      'circuits',
      'What other circuits lack',
      'Circuit',
      [0, 8],
      [
        choice('kind', 'Circuit', {
          coolant: 'coolant',
          automaticTransmission: 'automatic transmission',
          powerSteering: 'power steering',
          fuel: 'fuel',
          other: 'other',
        }),
        num('shortage_l', 'Litres to fill it'),
        opt('u_l', 'Known to within'),
      ],
      { optional: true },
    ),
    choice(
      'appearance',
      'It looks',
      { normal: 'normal', milky: 'milky', fuelSmell: 'smells of fuel', red: 'red' },
      { optional: true },
    ),
    part('dipstick', 'Dipstick before draining', [
      num('aboveFull_mm', 'Above full'),
      num('markSpacing_mm', 'Between the marks'),
      num('litresBetweenMarks_l', 'Litres between the marks'),
      opt('u_l', 'Known to within'),
    ]),
    opt('uFill_l', 'Fill known to within'),
    opt('uDrained_l', 'Drained known to within'),
    opt('uResidue_l', 'Rest known to within'),
  ],
  spec: ['sumpFill_l'],
  work: fluidBalance,
  example: { sumpFill_l: 4.7, drained_l: 6.6, circuits: [{ kind: 'coolant', shortage_l: 2.1 }], appearance: 'milky', dipstick: { aboveFull_mm: 40, markSpacing_mm: 20, litresBetweenMarks_l: 1 } }, // prettier-ignore
  shows: [
    ['surplus_l', 'Too much in the sump'],
    ['surplusU_l', 'Known to within (one deviation)'],
    ['significant', 'More than chance'],
    ['explainedBy', 'Explained by'],
    ['unexplained_l', 'Unexplained'],
    ['evidence', 'Evidence'],
    ['dipstick.implied_l', 'What the dipstick says'],
  ],
  sum: (i, r) => [
    `surplus = drained + rest − fill = ${n(i.drained_l)} + ${n(r.surplus_l - i.drained_l + i.sumpFill_l)} − ${n(i.sumpFill_l)} = ${n(r.surplus_l)} L`,
    `more than chance from 2 × ${n(r.surplusU_l)} = ${n(2 * r.surplusU_l)} L on`,
  ],
  sources: [
    published('Coverage of two standard uncertainties, added by their squares: JCGM 100 (GUM)'),
    practice('The uncertainties themselves, the even area of the sump, what is tested next'),
  ],
  picture: 'levels',
});

const age = describe({
  name: 'tyreAge',
  title: 'Age of a tyre',
  group,
  fields: [
    text('tin', 'Identification number', { hint: 'as on the sidewall, with its last three or four figures' }),
    day('asOf', 'On the day'),
    choice(
      'decade',
      'Decade, where it has three figures',
      { 1970: '1970s', 1980: '1980s', 1990: '1990s' },
      { optional: true },
    ),
    tick('triangle', 'A triangle stands behind the figures'),
    usual('policyWatch_years', 'Looked at yearly from', 6),
    usual('policyFail_years', 'Not used from', 10),
  ],
  work: tyreAge,
  example: { tin: 'DOT U2LL LMLR 5107', asOf: '2010-06-01' },
  shows: [
    ['age_years', 'Age', 1],
    ['weekStart', 'Made in the week from'],
    ['weekEnd', 'to'],
    ['candidateYears', 'It may be of', 0],
    ['ageMax_years', 'At most', 1],
  ],
  sum: (i, r) => [`${i.asOf} − ${r.weekStart} = ${n(r.age_years, 1)} years`],
  sources: [
    published('Layout, symbols, week and year: 49 CFR 574.5 (wording from memory)'),
    memory('Four figures from 2 July 2000, numbers since 1971'),
    practice('Triangle for the 1990s; yearly from six years, none over ten: no law in the United States'),
  ],
  cautions: ['bead'],
  picture: { none: 'a day and an age; there is nothing to draw' },
});

const vin = describe({
  name: 'vinCheck',
  title: 'Vehicle number',
  group,
  fields: [
    text('vin', 'Number as it is stamped'),
    opt('claimedYear', 'Year it is said to be', { unit: '' }),
    choice(
      'market',
      'Sold in',
      { 'us-ca': 'United States or Canada', other: 'elsewhere' },
      { otherwise: 'us-ca' },
    ),
  ],
  work: vinCheck,
  example: { vin: '1M8GDM9AXKP042788' },
  shows: [
    ['normalised', 'Read as'],
    ['checkDigit', 'Ninth character'],
    ['computed', 'It should be'],
    ['modelYears', 'Model year may be', 0],
    ['modelYear', 'For a car', 0],
  ],
  sum: (_, r) =>
    r.sum === null
      ? []
      : [`Σ value × weight = ${r.sum}; ${r.sum} mod 11 = ${r.sum % 11}${r.sum % 11 === 10 ? ' → X' : ''}`],
  sources: [
    published('Values, weights, modulo 11, years: 49 CFR 565.15 (numbers of its tables from memory)'),
    published('Ninth character need be no check digit elsewhere: ISO 3779'),
  ],
  picture: { none: 'a number of seventeen characters; there is nothing to draw' },
});

const component = describe({
  name: 'componentDate',
  title: 'Date of a component',
  group,
  fields: [
    day('component_date', 'Date on the component'),
    opt('modelYear', 'Model year of the car', { unit: '' }),
    day('vehicleBuild_date', 'or the day it was built', { optional: true }),
    day('casting_date', 'Cast on', { optional: true }),
    text('stampedSerial', 'Number stamped on it', { optional: true }),
    text('vehicleSerial', 'Number of the car', { optional: true }),
    usual('usualLead_days', 'Usually made before the car by up to', 180),
    limitsOf(limits.componentDate, { far_days: 'Much older over' }),
  ],
  work: componentDate,
  example: { component_date: '1969-02-10', modelYear: 1967 },
  shows: [
    ['conclusion', 'It is'],
    ['buildWindow', 'The car was built between'],
    ['daysAfterLatest', 'After the latest', 0],
    ['daysBeforeEarliest', 'Before the earliest', 0],
  ],
  sum: (i, r) => [`${i.component_date} − ${r.buildWindow[1]} = ${n(r.daysAfterLatest, 0)} days`],
  sources: [practice('Model years from August to July, 180 and 365 days')],
  picture: { none: 'two days; there is nothing to draw' },
});

export const LOOK_OVER = [cylinders, fluids, age, vin, component];
