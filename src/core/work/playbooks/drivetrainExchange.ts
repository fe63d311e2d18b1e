import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const drivetrainExchange: Playbook = {
  id: 'drivetrain-exchange',
  title: 'Drivetrain exchange',
  about: 'Another engine or gearbox into a car that never had it.',
  steps: [
    step('check', 'What the law and the papers ask of the change', 'mechanical', 1),
    step(
      'mock',
      'Bare block and case hung in place, clearances read',
      'metalwork',
      6,
      [after('check', 'no metal before it may be driven')],
      { cautions: ['heavy', 'lifting'] },
    ),
    step(
      'mounts',
      'Mounts tacked, steering and pedals swung through',
      'metalwork',
      8,
      [after('mock', 'the mounts follow the engine')],
      { cautions: ['hot work'] },
    ),
    step(
      'angles',
      'Driveline angles read at ride height',
      'mechanical',
      2,
      [after('mounts', 'an angle is set before a weld is')],
      { gate: 'Angles equal and opposite within half a degree, on the car’s own wheels' },
    ),
    step('weld', 'Mounts welded out', 'metalwork', 4, [after('angles', 'nothing is moved after this')], {
      cautions: ['hot work', 'fuel'],
    }),
    step(
      'shaft',
      'Propeller shaft made and balanced to length',
      'machining',
      1,
      [after('angles', 'its length is read, not guessed')],
      { place: 'vendor' },
    ),
    step(
      'cooling',
      'Cooling, exhaust and fuel lines',
      'mechanical',
      12,
      [after('weld', 'they go round what is there')],
      {
        cautions: ['fuel', 'hot work'],
      },
    ),
    step(
      'wiring',
      'Engine loom married to the car',
      'electrical',
      12,
      [after('weld', 'length and heat are known')],
      {
        cautions: ['battery'],
      },
    ),
    step('brakes', 'Brakes judged for the new weight and speed', 'mechanical', 2, [
      after('mock', 'power comes after stopping'),
    ]),
    step(
      'start',
      'First start and heat cycle',
      'mechanical',
      3,
      [after('cooling', 'it must cool'), after('wiring', 'it must be fused'), after('shaft', 'it must turn')],
      { cautions: ['exhaust', 'fuel'] },
    ),
    step('test', 'Road test, vibration and temperatures written down', 'mechanical', 2, [
      after('start', 'it holds its water'),
      after('brakes', 'it stops'),
    ]),
  ],
  followUps: [
    { title: 'Mount bolts and shaft bolts again', after: 'test', miles: 50 },
    { title: 'Mount bolts and shaft bolts again', after: 'test', miles: 150 },
  ],
};
