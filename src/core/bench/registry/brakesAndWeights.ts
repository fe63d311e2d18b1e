/** Brakes, corner weights, heights and air springs. */
import { airSpring } from '../airSpring.ts';
import { brakeBias } from '../brakeBias.ts';
import { cornerWeights } from '../cornerWeights.ts';
import { linePressure } from '../linePressure.ts';
import { presetTable } from '../presetTable.ts';
import { rideHeight } from '../rideHeight.ts';
import {
  limitsOf,
  choice,
  derived,
  describe,
  memory,
  n,
  num,
  opt,
  practice,
  published,
  rows,
  text,
  tick,
  usual,
  together,
  when,
} from './describe.ts';
import * as limits from './limits.ts';

const group = 'runningGear';
const AXLE = [
  choice('type', 'Brakes', { disc: 'disc', drum: 'drum' }),
  num('pistonsPerWheel', 'Pistons a wheel'),
  num('pistonBore_mm', 'Piston'),
  when('type', 'disc', tick('opposed', 'They face each other')),
  num('effectiveRadius_mm', 'Effective radius; of a drum its own'),
  when('type', 'disc', usual('padFriction', 'Friction of pads', 0.4)),
  when('type', 'drum', usual('brakeFactor', 'Factor of a drum', 2)),
  usual('lineFactor', 'Valve lets through, of 1', 1, 'derived'),
  num('tyreRadius_mm', 'Tyre, radius'),
];
const CORNERS = [['lf', 'Left front'], ['rf', 'Right front'], ['lr', 'Left rear'], ['rr', 'Right rear']] as const; // prettier-ignore
const cornersOf = (unit: string) => CORNERS.map(([at, word]) => num(`${at}_${unit}`, word));

const pressure = describe({
  name: 'linePressure',
  title: 'Line pressure and master cylinder',
  group,
  fields: [num('pedalForce_N', 'Foot'), num('pedalRatio', 'Pedal ratio'), num('masterBore_mm', 'Master cylinder'), opt('booster_ratio', 'Booster', { otherwise: 1, unit: '' }), opt('newMasterBore_mm', 'New master cylinder'), usual('maxPressure_bar', 'Not above', 140), limitsOf(limits.linePressure, { near: 'Close, of the most', heavy_N: ['Foot heavy over', 'from memory'] })], // prettier-ignore
  spec: ['pedalRatio', 'masterBore_mm'],
  work: linePressure,
  example: { pedalForce_N: 300, pedalRatio: 6, masterBore_mm: 25.4, newMasterBore_mm: 22.225 },
  shows: [['pressure_bar', 'Pressure', 1], ['pressure_psi', 'or', 0], ['newPressure_bar', 'With the new one', 1], ['pressureChange_pct', 'Pressure changes by', 1], ['travelChange_pct', 'Travel changes by', 1], ['newPedalForce_N', 'Foot for the same', 0]], // prettier-ignore
  sum: (i, r) => [
    `${n(i.pedalForce_N, 0)} · ${n(i.pedalRatio, 1)}${i.booster_ratio ? ` · ${n(i.booster_ratio, 1)}` : ''} ÷ ${n(r.masterArea_mm2, 1)} mm² = ${n(r.pressure_bar, 1)} bar`,
  ],
  sources: [
    published('Pressure is the same all through a fluid (Pascal); law of the lever'),
    memory('500 N: UNECE R13-H'),
    practice('140 bar as the most that lines and hoses are trusted with'),
  ],
  cautions: ['hydraulic'],
  picture: { none: 'a force and an area' },
});

const brake = describe({
  name: 'brakeBias',
  title: 'Brake bias',
  group,
  fields: [num('pressure_bar', 'Line pressure'), together('front', 'Front axle', AXLE), together('rear', 'Rear axle', AXLE), opt('mass_kg', 'Car weighs'), opt('staticFront_pct', 'on the front'), opt('cgHeight_mm', 'Height of its centre'), opt('wheelbase_mm', 'Wheelbase'), usual('tyreGrip', 'Grip', 0.8), limitsOf(limits.brakeBias, { tooMuchFront_pct: 'Too much front, over the weight by' })], // prettier-ignore
  work: brakeBias,
  example: { pressure_bar: 60, mass_kg: 1300, staticFront_pct: 54, cgHeight_mm: 540, wheelbase_mm: 2700, front: { type: 'disc', pistonsPerWheel: 4, opposed: true, pistonBore_mm: 38, effectiveRadius_mm: 115, tyreRadius_mm: 305 }, rear: { type: 'drum', pistonsPerWheel: 2, pistonBore_mm: 19.05, effectiveRadius_mm: 114, brakeFactor: 2.2, tyreRadius_mm: 305 } } as Parameters<typeof brakeBias>[0], // prettier-ignore
  shows: [['frontBias_pct', 'On the front', 1], ['idealFront_pct', 'as the weight lies', 1], ['lockFirst', 'Locks first'], ['deceleration_g', 'Brakes with, of g', 2], ['frontTorque_Nm', 'Front wheel', 0], ['rearTorque_Nm', 'Rear wheel', 0]], // prettier-ignore
  sum: (_, r) => [
    `${n(r.frontForce_N, 0)} ÷ (${n(r.frontForce_N, 0)} + ${n(r.rearForce_N, 0)}) = ${n(r.frontBias_pct, 1)} % front`,
  ],
  sources: [
    published(
      'Clamp, torque, load transfer, front locks first: Limpert, Brake Design and Safety; UNECE R13-H annex 5 (chapters not looked at)',
    ),
    practice('12 % too much front, friction 0.4, brake factor 2'),
  ],
  cautions: ['hydraulic', 'raised'],
  picture: { none: 'two forces; their share says it' },
});

const weights = describe({
  name: 'cornerWeights',
  title: 'Corner weights',
  group,
  before: 'Pads level, the driver’s weight in, fuel as meant, bars off, tyres at pressure.',
  fields: [
    ...cornersOf('kg'),
    usual('targetCross_pct', 'Cross wanted', 50),
    opt('expectedTotal_kg', 'It should weigh'),
    limitsOf(limits.cornerWeights, {
      crossMarginal_pct: 'Cross off by',
      crossOff_pct: 'not over',
      side_pct: 'Sides off by',
      total_pct: 'Total off by',
    }),
  ],
  spec: ['expectedTotal_kg'],
  work: cornerWeights,
  example: { lf_kg: 420, rf_kg: 380, lr_kg: 290, rr_kg: 310 },
  shows: [
    ['total_kg', 'Together', 0],
    ['front_pct', 'Front', 1],
    ['left_pct', 'Left', 1],
    ['cross_pct', 'Cross', 1],
    ['crossTransfer_kg', 'Put on right front and left rear', 0],
  ],
  sum: (i, r) => [
    `(${n(i.rf_kg, 0)} + ${n(i.lr_kg, 0)}) ÷ ${n(r.total_kg, 0)} = ${n(r.cross_pct, 1)} % cross`,
  ],
  right: (_, r) =>
    Math.abs(r.crossTransfer_kg) < 0.5
      ? []
      : [
          `Put ${n(Math.abs(r.crossTransfer_kg), 0)} kg on the ${r.crossTransfer_kg > 0 ? 'right front and left rear' : 'left front and right rear'}.`,
        ],
  sources: [practice('Cross is right front with left rear; all tolerances')],
  cautions: ['raised', 'spring'],
  picture: 'corners',
});

const height = describe({
  name: 'rideHeight',
  title: 'Ride height',
  group,
  fields: [
    ...cornersOf('mm'),
    opt('specFront_mm', 'Front by the maker'),
    opt('specRear_mm', 'Rear by the maker'),
    usual('sideTolerance_mm', 'Side to side', 6),
    usual('specTolerance_mm', 'Off the maker’s', 10),
  ],
  spec: ['specFront_mm', 'specRear_mm'],
  work: rideHeight,
  example: { lf_mm: 652, rf_mm: 645, lr_mm: 660, rr_mm: 661, specFront_mm: 640, specRear_mm: 660 },
  shows: [
    ['frontDifference_mm', 'Front, left less right'],
    ['rearDifference_mm', 'Rear, left less right'],
    ['rake_mm', 'Rake'],
    ['frontError_mm', 'Front off'],
    ['rearError_mm', 'Rear off'],
  ],
  sum: (i, r) => [
    `front ${n(i.lf_mm, 0)} − ${n(i.rf_mm, 0)} = ${n(r.frontDifference_mm, 0)} mm; rear ${n(i.lr_mm, 0)} − ${n(i.rr_mm, 0)} = ${n(r.rearDifference_mm, 0)} mm`,
  ],
  sources: [practice('6 mm side to side, 10 mm off the maker’s')],
  cautions: ['raised', 'spring'],
  picture: 'corners',
});

const spring = describe({
  name: 'airSpring',
  title: 'Air spring',
  group,
  fields: [
    num('wheelLoad_kg', 'Wheel bears'),
    opt('unsprung_kg', 'of it unsprung'),
    opt('motionRatio', 'Spring moves, of the wheel', { otherwise: 1 }),
    opt('area_cm2', 'Area of the spring'),
    opt('areaSlope_cm2_per_mm', 'Area grows'),
    opt('heightAboveReference_mm', 'Above its height'),
    rows(
      'calibration',
      'or the maker’s points',
      'Point',
      [0, 20],
      [num('pressure_kPa', 'Pressure'), num('load_kg', 'Load')],
      { optional: true },
    ),
    usual('maxPressure_kPa', 'Not above', 690),
    usual('minPressure_kPa', 'Not below', 35),
    opt('measured_kPa', 'Measured'),
    limitsOf(limits.airSpring, { near: 'Close, of the most', differs: 'Measured differs by, of 1' }),
  ],
  spec: ['area_cm2'],
  work: airSpring,
  example: { wheelLoad_kg: 450, unsprung_kg: 50, area_cm2: 100 },
  shows: [
    ['pressure_kPa', 'Pressure', 0],
    ['pressure_psi', 'or', 0],
    ['springForce_N', 'Spring bears', 0],
    ['area_cm2', 'Area', 1],
    ['impliedLoad_kg', 'What it bears, as measured', 0],
  ],
  sum: (_, r) => [`${n(r.springForce_N, 0)} N ÷ ${n(r.area_cm2, 1)} cm² = ${n(r.pressure_kPa, 0)} kPa`],
  sources: [
    published('Lever with motion ratio: Milliken & Milliken, Race Car Vehicle Dynamics, 1995'),
    derived('F = p·A at constant height'),
    practice('690 and 35 kPa: the maker’s data go first'),
  ],
  cautions: ['spring', 'raised'],
  picture: { none: 'a pressure and an area' },
});

const presets = describe({
  name: 'presetTable',
  title: 'Heights of an air suspension',
  group,
  fields: [
    rows(
      'presets',
      'Four of them',
      'Preset',
      [4, 4],
      [text('name', 'Name'), num('height_mm', 'Height'), ...cornersOf('kPa')],
    ),
    usual('minPressure_kPa', 'Not below', 35),
    usual('maxPressure_kPa', 'Not above', 690),
    usual('sideMax_kPa', 'Side to side', 35),
  ],
  work: presetTable,
  example: { presets: [['Show', 0, 60, 50], ['Low', 40, 300, 250], ['Drive', 70, 420, 380], ['High', 110, 560, 510]].map(([name, height_mm, f, r]) => ({ name: name as string, height_mm: height_mm as number, lf_kPa: f as number, rf_kPa: f as number, lr_kPa: r as number, rr_kPa: r as number })) }, // prettier-ignore
  shows: [
    ['order', 'By height'],
    ['frontMean_kPa', 'Front', 0],
    ['rearMean_kPa', 'Rear', 0],
    ['disagree', 'Do not rise together'],
    ['outside', 'Outside'],
    ['sideDifference', 'Lean'],
  ],
  sum: (_, r) => [`by height: ${r.order.join(' < ')}`],
  sources: [practice('690, 35 and 35 kPa: the maker’s data go first')],
  cautions: ['spring'],
  picture: { none: 'four rows of a table' },
});

export const BRAKES_AND_WEIGHTS = [pressure, brake, weights, height, spring, presets];
