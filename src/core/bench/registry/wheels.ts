/** Wheels, tyres and what they do to gearing. */
import { gearing } from '../gearing.ts';
import { seatMatch } from '../seatMatch.ts';
import { tyreChange } from '../tyreChange.ts';
import { tyreSize } from '../tyreSize.ts';
import { wheelFit } from '../wheelFit.ts';
import {
  limitsOf,
  derived,
  describe,
  memory,
  n,
  num,
  opt,
  part,
  practice,
  published,
  text,
  usual,
  together,
} from './describe.ts';
import * as limits from './limits.ts';

const group = 'runningGear';
const TYRE = [
  opt('diameter_in', 'Diameter'),
  opt('revsPerMile', 'or its turns a mile'),
  opt('size.width_mm', 'or its size: width'),
  opt('size.aspect_pct', 'height'),
  opt('size.rim_in', 'rim'),
];

const size = describe({
  name: 'tyreSize',
  title: 'Tyre size',
  group,
  fields: [text('designation', 'Size on the sidewall', { hint: '205/55R16, 7.00-15, F70-14, 33x12.50R15' })],
  work: tyreSize,
  example: { designation: '205/55R16 91V' },
  shows: [['od_mm', 'Diameter'], ['od_in', 'or', 2], ['sidewall_mm', 'Sidewall'], ['sectionWidth_mm', 'Width', 0], ['revsPerMileRolling', 'Turns a mile, rolling (turns)', 0], ['odLow_mm', 'Smallest'], ['odHigh_mm', 'Largest']], // prettier-ignore
  sum: (_, r) => [`${n(r.rim_mm, 1)} + 2 · ${n(r.sidewall_mm, 1)} = ${n(r.od_mm, 1)} mm`],
  sources: [
    published('Designations: ISO 4000-1, ETRTO'),
    memory('Flotation: TRA; letters; rolling factors 3.05 and 2.99'),
    practice('Height of sizes that state none'),
  ],
  picture: { none: 'drawn where two sizes or a wheel in its arch are compared' },
});

const change = describe({
  name: 'tyreChange',
  title: 'Another tyre size',
  group,
  fields: [
    text('fitted', 'Fitted'),
    text('proposed', 'Proposed'),
    usual('indicated_kmh', 'Speedometer shows', 100),
    opt('trueWithFitted_kmh', 'true with the fitted ones'),
    limitsOf(limits.tyreChange, { watch_pct: 'Diameter looked at from', fail_pct: 'not allowed from' }),
  ],
  work: tyreChange,
  example: { fitted: 'P215/75R15', proposed: 'P235/75R15', indicated_kmh: 100 },
  shows: [['change_pct', 'Larger by', 1], ['odChange_mm', 'Diameter changes by'], ['rideHeightChange_mm', 'Height changes by'], ['trueWithProposed_kmh', 'True speed then', 1], ['speedoError_pct', 'Speedometer shows too much by', 1]], // prettier-ignore
  sum: (_, r) => [`proposed ÷ fitted = ${n(r.ratio, 4)}: ${n(r.change_pct, 1)} %`],
  sources: [published('Speedometer: UNECE R39, 5.3'), practice('1.5 and 3 %')],
  cautions: ['bead'],
  picture: { none: 'two numbers a few per cent apart would look alike' },
});

const seat = describe({
  name: 'seatMatch',
  title: 'Bead seat',
  group,
  fields: [text('tyre', 'Tyre'), num('wheelRim_in', 'Wheel')],
  work: seatMatch,
  example: { tyre: 'LT245/75R16', wheelRim_in: 16.5 },
  shows: [
    ['tyreSeat_in', 'Tyre', 1],
    ['wheelSeat_in', 'Wheel', 1],
    ['difference_mm', 'They differ by'],
    ['doNotMount', 'Do not mount'],
  ],
  sum: (_, r) => [`${n(r.tyreSeat_in, 1)} − ${n(r.wheelSeat_in, 1)} in = ${n(r.difference_mm, 1)} mm`],
  sources: [published('Compatible bead seats: 29 CFR 1910.177 (paragraph from memory)')],
  cautions: ['bead'],
  picture: { none: 'the two fit or they must not be mounted' },
});

const wheel = describe({
  name: 'wheelFit',
  title: 'Wheel in its arch',
  group,
  before: 'At ride height, steered and sprung through. How the tyre bulges is not modelled.',
  fields: [
    num('oldWidth_in', 'Old wheel, width'),
    opt('oldOffset_mm', 'its offset'),
    opt('oldBackspace_in', 'or its backspace'),
    num('newWidth_in', 'New wheel, width'),
    opt('newOffset_mm', 'its offset'),
    opt('newBackspace_in', 'or its backspace'),
    opt('innerClearance_mm', 'Clear inside now'),
    opt('outerClearance_mm', 'Clear outside now'),
    usual('flange_in', 'Flange, a side', 0.5),
    usual('minClearance_mm', 'Wanted', 6),
  ],
  spec: ['oldWidth_in', 'oldOffset_mm', 'oldBackspace_in'],
  work: wheelFit,
  example: {
    oldWidth_in: 7,
    oldBackspace_in: 4,
    newWidth_in: 8,
    newBackspace_in: 4.5,
    innerClearance_mm: 25,
    outerClearance_mm: 20,
  },
  shows: [['innerRemaining_mm', 'Left inside'], ['outerRemaining_mm', 'Left outside'], ['innerMove_mm', 'In by'], ['outerMove_mm', 'Out by'], ['trackChange_mm', 'Track changes by'], ['newOffset_mm', 'New offset'], ['newBackspace_in', 'New backspace', 2]], // prettier-ignore
  sum: (_, r) => [
    `inside: ${n(r.innerMove_mm, 1)} mm nearer${r.innerRemaining_mm === null ? '' : `, ${n(r.innerRemaining_mm, 1)} mm left`}; outside: ${n(r.outerMove_mm, 1)} mm nearer${r.outerRemaining_mm === null ? '' : `, ${n(r.outerRemaining_mm, 1)} mm left`}`,
  ],
  sources: [
    derived('Geometry of width, offset and backspace'),
    practice('Flange of half an inch a side, six millimetres'),
  ],
  cautions: ['raised'],
  picture: 'wheel',
});

const gears = describe({
  name: 'gearing',
  title: 'Gearing',
  group,
  fields: [
    together('tyre', 'Tyre', TYRE),
    opt('axleRatio', 'Axle ratio'),
    opt('ringTeeth', 'or teeth of the ring'),
    opt('pinionTeeth', 'and of the pinion'),
    num('gearRatio', 'Gear'),
    opt('transferRatio', 'Transfer box'),
    opt('slip_pct', 'Converter slips by'),
    opt('speed_mph', 'At'),
    opt('speed_kmh', 'or'),
    opt('engine_rpm', 'or an engine speed of'),
    opt('redline_rpm', 'Not above'),
    opt('cruiseMin_rpm', 'Cruising from'),
    opt('cruiseMax_rpm', 'to'),
    opt('wantedRpm', 'Engine speed wanted'),
    part('originalTyre', 'Tyre with which the speedometer was right', TYRE),
    limitsOf(limits.gearing, { readsLow: 'Speedometer low by, of 1', readsHigh: 'high by, of 1' }),
  ],
  spec: ['axleRatio', 'ringTeeth', 'pinionTeeth'],
  work: gearing,
  example: {
    tyre: { size: { width_mm: 215, aspect_pct: 65, rim_in: 15 } },
    ringTeeth: 41,
    pinionTeeth: 11,
    gearRatio: 0.7,
    speed_kmh: 112.65408,
  },
  shows: [['engine_rpm', 'Engine', 0], ['speed_kmh', 'Road', 1], ['speed_mph', 'or', 1], ['mphPer1000rpm', 'mph a thousand turns', 1], ['driveshaft_rpm', 'Shaft', 0], ['axle', 'Axle', 2], ['axleForWantedRpm', 'Axle for the engine speed wanted'], ['speedometer.indicated_mph', 'Speedometer shows', 1]], // prettier-ignore
  sum: (_, r) => [
    `${n(r.speed_mph, 1)} mph · ${n(r.revsPerMile, 0)} ÷ 60 · ${n(r.overallRatio, 3)} = ${n(r.engine_rpm, 0)} rpm`,
  ],
  sources: [
    published('Diameter from the size: ETRTO, Tire & Rim Association'),
    derived('Engine speed'),
    published('Speedometer: UN Regulation 39, in kind'),
    practice('Rolling factor, slack of one in a hundred'),
  ],
  picture: { none: 'a chain of ratios; there is nothing to draw' },
});

export const WHEELS = [size, change, seat, wheel, gears];
