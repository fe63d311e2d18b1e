import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const brakeOverhaul: Playbook = {
  id: 'brake-overhaul',
  title: 'Brake overhaul',
  about: 'Hydraulic brakes taken right through, all four corners, pipes and cylinders.',
  steps: [
    step('raise', 'On the lift, wheels off', 'mechanical', 1, [], { place: 'lift', cautions: ['lifting'] }),
    step(
      'strip',
      'Corners stripped, left kept from right',
      'mechanical',
      4,
      [after('raise', 'the wheels hide everything')],
      { cautions: ['brakes', 'springs'], count: { of: 'corners stripped', total: 4 } },
    ),
    step('measure', 'Drums, discs and cylinders measured against their limits', 'mechanical', 1.5, [
      after('strip', 'one measures clean metal'),
    ]),
    step(
      'order',
      'Parts in hand and checked against the car',
      'mechanical',
      0.5,
      [after('measure', 'the measure says which')],
      { gate: 'Every part is here and is the right one' },
    ),
    step('pipes', 'Pipes and hoses renewed, flared to the fitting', 'mechanical', 5, [
      after('strip', 'the old ones are the pattern'),
    ]),
    step(
      'build',
      'Corners built up',
      'mechanical',
      5,
      [after('order', 'half a corner is a car that cannot move')],
      { count: { of: 'corners built', total: 4 } },
    ),
    step('master', 'Master cylinder and servo', 'mechanical', 2.5, [
      after('order', 'it is bled last, and once'),
    ]),
    step(
      'bleed',
      'Filled and bled, furthest corner first',
      'mechanical',
      1.5,
      [
        after('build', 'no fluid into open pipes'),
        after('master', 'no fluid into open pipes'),
        after('pipes', 'no fluid into open pipes'),
      ],
      { cautions: ['brakes', 'chemicals'] },
    ),
    step(
      'hold',
      'Pedal held hard for a minute, every joint looked at',
      'mechanical',
      0.5,
      [after('bleed', 'what weeps, weeps now')],
      { gate: 'The pedal does not sink' },
    ),
    step('test', 'Bedded in, and tested on the road', 'mechanical', 1, [
      after('hold', 'nobody drives before the pedal has held'),
    ]),
  ],
  followUps: [
    { title: 'Pedal, fluid level and joints again', after: 'test', miles: 50 },
    { title: 'Handbrake taken up', after: 'test', miles: 150 },
  ],
};
