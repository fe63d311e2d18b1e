/** What turns and steers: driveline and wheel alignment. */
import { alignment } from '../alignment.ts';
import { driveline } from '../driveline.ts';
import {
  limitsOf,
  choice,
  derived,
  describe,
  memory,
  n,
  num,
  numbers,
  opt,
  part,
  practice,
  published,
  usual,
  together,
} from './describe.ts';
import * as limits from './limits.ts';

const group = 'runningGear';
const FRONT = [['fl', 'Left front'], ['fr', 'Right front']] as const; // prettier-ignore
const REAR = [['rl', 'Left rear'], ['rr', 'Right rear']] as const; // prettier-ignore
const ANGLES = [['caster_deg', 'caster'], ['camber_deg', 'camber'], ['toe_deg', 'toe']] as const; // prettier-ignore
const WHEELS = [
  ...FRONT.flatMap(([at, word]) => ANGLES.map(([a, angle]) => num(`${at}.${a}`, `${word}, ${angle}`))),
  ...REAR.flatMap(([at, word]) =>
    ANGLES.slice(1).map(([a, angle]) => opt(`${at}.${a}`, `${word}, ${angle}`)),
  ),
];
const range = (path: string, label: string) => [opt(`${path}.min`, `${label} from`, { unit: 'deg' }), opt(`${path}.max`, 'to', { unit: 'deg' })]; // prettier-ignore

const line = describe({
  name: 'driveline',
  title: 'Driveline angles',
  group,
  before:
    'On its wheels or on stands at ride height, inclinometer set to the floor. Rear end lower is above nothing.',
  fields: [
    num('trans_deg', 'Gearbox'),
    opt('coupling_deg', 'Front shaft, where there are two'),
    num('shaft_deg', 'Shaft'),
    num('pinion_deg', 'Pinion'),
    num('shaftMax_rpm', 'Fastest the shaft turns'),
    opt('wrap_deg', 'Pinion rises under drive by'),
    choice(
      'couplingYokes',
      'Yokes of the front shaft',
      { inPhase: 'in phase', crossed: 'crossed' },
      { optional: true },
    ),
    part('plan', 'Seen from above', [
      num('trans_deg', 'Gearbox'),
      opt('coupling_deg', 'Front shaft'),
      num('shaft_deg', 'Shaft'),
      num('pinion_deg', 'Pinion'),
    ]),
    part('geometry', 'How the shaft moves', [
      num('shaftLength_mm', 'Shaft, joint to joint'),
      num('pinionOffset_mm', 'Axle centre to joint'),
      opt('outputFromPivot_mm', 'Mount to gearbox output'),
    ]),
    part('solve', 'Find wedge and shim', [
      numbers('wedgeStock_deg', 'Wedges that are in stock', { hint: 'as in 1 2 3 4' }),
      numbers('mountShims_mm', 'Shims for the mount', { optional: true }),
      opt('mountBase_mm', 'Engine mount to tail mount'),
      numbers('existingWedges_deg', 'Wedges that are in', { optional: true }),
    ]),
    limitsOf(limits.driveline, {
      needles_deg: ['Needles roll from', 'published'],
      low_deg: 'Low under',
      high_deg: 'High over',
      torsional_rad_s2: ['Shaking up to', 'from memory'],
      inertial_rad_s2: ['Inertia up to', 'from memory'],
      differenceWatch_deg: 'Joints may differ by',
      differenceFail_deg: ['not over', 'from memory'],
    }),
  ],
  spec: ['shaftMax_rpm', 'coupling_deg'],
  work: driveline,
  example: { trans_deg: 4, shaft_deg: 4.2, pinion_deg: 0, shaftMax_rpm: 4500, wrap_deg: 1, solve: { wedgeStock_deg: [1, 2, 3, 4], mountShims_mm: [6, 12, 18], mountBase_mm: 600, existingWedges_deg: [-2] } }, // prettier-ignore
  shows: [
    ['jointAngles_deg', 'Joints, under drive'],
    ['restJointAngles_deg', 'Joints, at rest'],
    ['arrangement', 'Arranged'],
    ['difference_deg', 'They differ by'],
    ['equivalentAngle_deg', 'What is left together'],
    ['torsional_rad_s2', 'Shakes the shaft', 0],
    ['maxAngleAtRpm_deg', 'Most for this speed'],
    ['solution.wedge_deg', 'Wedge to fit'],
    ['solution.shim_mm', 'Shim to fit', 0],
    ['solution.jointAngles_deg', 'Joints then'],
  ],
  sum: (i, r) => [
    `first joint ${n(i.coupling_deg ?? i.shaft_deg, 1)} − ${n(i.trans_deg, 1)}, last joint ${n(i.pinion_deg, 1)}${i.wrap_deg ? ` − ${n(i.wrap_deg, 1)} wrap` : ''} − ${n(i.shaft_deg, 1)}: ${r.jointAngles_deg.map((a) => n(Math.abs(a), 1)).join('° and ')}°`,
    `shake = ω²·θ² = ${n(r.torsional_rad_s2, 0)} rad/s² (up to 300)`,
  ],
  right: (_, r) =>
    r.solution === null
      ? []
      : [
          `${r.solution.removed_deg.length > 0 ? `Take the wedge of ${r.solution.removed_deg.map((w) => n(w, 1)).join(' and ')}° out. ` : ''}${r.solution.wedge_deg === 0 ? 'No wedge' : `Wedge of ${n(Math.abs(r.solution.wedge_deg), 1)}°, nose ${r.solution.wedge_deg > 0 ? 'up' : 'down'}`}${r.solution.shim_mm === 0 ? '' : `, ${n(Math.abs(r.solution.shim_mm), 0)} mm under the ${r.solution.shim_mm > 0 ? 'tail mount' : 'engine mounts'}`}: joints then ${r.solution.jointAngles_deg.map((a) => `${n(Math.abs(a), 1)}°`).join(' and ')}.`,
          r.solution.note,
        ],
  sources: [
    published('Kinematics of joints, ω²θ², phasing: SAE AE-7, Universal Joint and Driveshaft Design Manual'),
    published('Half a degree, so that needles roll: Spicer'),
    memory('300 and 1000 rad/s², angle by speed, 1° of difference: Dana Spicer literature'),
    practice('3°, half a degree of difference'),
    derived('Movement of the shaft with its ends'),
  ],
  cautions: ['raised'],
  picture: 'driveline',
});

const align = describe({
  name: 'alignment',
  title: 'Wheel alignment',
  group,
  before: 'Tyres at pressure, bearings and joints sound, the driver’s weight in, rolled and bounced.',
  fields: [
    together('before', 'Before the work', WHEELS),
    part('after', 'After the work', WHEELS),
    part('spec', 'What the maker wants', [
      ...ANGLES.flatMap(([a, angle]) => range(`front.${a}`, `Front ${angle}`)),
      ...ANGLES.slice(1).flatMap(([a, angle]) => range(`rear.${a}`, `Rear ${angle}`)),
      usual('crossCasterMax_deg', 'Caster, side to side', 0.5),
      usual('crossCamberMax_deg', 'Camber, side to side', 0.5),
      usual('thrustMax_deg', 'Thrust', 0.2),
      usual('setbackMax_mm', 'Set-back', 6),
    ]),
    opt('toeMeasureDia_mm', 'Toe measured on a diameter of'),
    part('wheelbase', 'Wheelbase', [
      num('left_mm', 'Left'),
      num('right_mm', 'Right'),
      num('track_mm', 'Track'),
    ]),
    part('tieRod', 'Turn of the tie rods', [
      num('toeChange_deg', 'Change toe by'),
      num('arm_mm', 'Steering arm'),
      num('pitch_mm', 'Pitch'),
      choice('threads', 'Threads in a sleeve', { 1: 'one', 2: 'two' }),
      choice('linkage', 'Linkage', { rear: 'behind the axle', front: 'before it' }),
      opt('left_mm', 'Left rod'),
      opt('right_mm', 'Right rod'),
    ]),
    part('sweep', 'Caster by a sweep', [
      num('camberTurnedOut_deg', 'Camber, turned out'),
      num('camberTurnedIn_deg', 'turned in'),
      usual('angle_deg', 'turned by', 20),
    ]),
    opt('driverBallast_kg', 'Driver’s weight in'),
    limitsOf(limits.alignment, {
      largeStack_mm: 'A stack of shims over',
      threadsApart: ['Rods apart by threads', 'from memory'],
    }),
  ],
  spec: ['spec', 'toeMeasureDia_mm', 'wheelbase'],
  work: alignment,
  example: { before: { fl: { caster_deg: 2, camber_deg: 0, toe_deg: 0 }, fr: { caster_deg: 2, camber_deg: 0, toe_deg: 0 }, rl: { camber_deg: 0, toe_deg: 0.3 }, rr: { camber_deg: 0, toe_deg: -0.2 } }, tieRod: { toeChange_deg: 0.25, arm_mm: 150, pitch_mm: 1.5, threads: 2, linkage: 'rear', left_mm: 300, right_mm: 306 } } as Parameters<typeof alignment>[0], // prettier-ignore
  shows: [
    ['outOfSpec', 'Outside'],
    ['now.crossCaster_deg', 'Caster, left less right', 2],
    ['now.crossCamber_deg', 'Camber, left less right', 2],
    ['now.frontTotalToe_deg', 'Front toe together', 2],
    ['now.frontTotalToe_mm', 'or'],
    ['now.thrustAngle_deg', 'Thrust', 2],
    ['was.frontTotalToe_deg', 'Front toe before', 2],
    ['setback.mm', 'Set-back (mm)'],
    ['tieRod.turns', 'Turn each tie rod by', 2],
    ['sweep.caster_deg', 'Caster by the sweep', 2],
  ],
  sum: (_, r) => [
    `toe together = left + right = ${n(r.now.frontTotalToe_deg)}° = ${n(r.now.frontTotalToe_mm, 1)} mm`,
    ...(r.now.thrustAngle_deg === undefined
      ? []
      : [`thrust = half of left rear toe less right = ${n(r.now.thrustAngle_deg)}°`]),
    ...(r.tieRod
      ? [`turn = change ÷ lead = ${n(r.tieRod.lengthChange_mm)} mm → ${n(r.tieRod.turns)} turns`]
      : []),
  ],
  right: (_, r) =>
    r.tieRod
      ? [
          `Turn each tie rod ${n(Math.abs(r.tieRod.turns))} turns, ${r.tieRod.lengthChange_mm > 0 ? 'longer' : 'shorter'}.`,
        ]
      : [],
  sources: [
    published('Terms: SAE J670, ISO 8855'),
    memory('Their signs; rods equal within three threads'),
    derived('Geometry of toe, thrust, tie rod, shims and sweep'),
    practice('From side to side, thrust, set-back'),
  ],
  cautions: ['raised'],
  picture: 'alignment',
});

export const RUNNING_GEAR = [line, align];
