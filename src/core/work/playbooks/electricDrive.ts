import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const electricDrive: Playbook = {
  id: 'electric-drive',
  title: 'Conversion to electric drive, up to commissioning',
  about:
    'Motor, pack and controls into an older vehicle. High voltage is for people qualified for it, start to finish.',
  steps: [
    step('weights', 'Axle weights before, and what the papers allow', 'mechanical', 1.5),
    step(
      'out',
      'Engine, tank and exhaust out',
      'mechanical',
      10,
      [after('weights', 'the old balance is the aim')],
      {
        place: 'lift',
        cautions: ['heavy', 'fuel', 'lifting'],
      },
    ),
    step(
      'motor',
      'Motor and coupling mounted, angles read',
      'metalwork',
      14,
      [after('out', 'into the room that is left')],
      { cautions: ['heavy', 'hot work'] },
    ),
    step(
      'box',
      'Battery box made, fixed to structure',
      'metalwork',
      18,
      [after('out', 'between the axles, low')],
      {
        cautions: ['hot work'],
        gate: 'The box holds its load in every direction, by the sum and by the pull',
      },
    ),
    step(
      'cells',
      'Cells measured and matched',
      'electrical',
      6,
      [after('weights', 'a weak cell is found before it is built in')],
      {
        place: 'bench',
        cautions: ['high voltage'],
        count: { of: 'cell taps measured', total: 96 },
      },
    ),
    step(
      'pack',
      'Pack built in the box, service plug out',
      'electrical',
      12,
      [after('box', 'hot work is over'), after('cells', 'only matched cells')],
      { cautions: ['high voltage', 'heavy'] },
    ),
    step(
      'low',
      'Twelve-volt side, interlock and emergency stop',
      'electrical',
      14,
      [after('motor', 'length and heat are known')],
      { cautions: ['battery'] },
    ),
    step(
      'isolation',
      'Isolation measured, pack to body, both poles',
      'electrical',
      1,
      [after('pack', 'with everything joined but the plug'), after('low', 'the interlock must watch')],
      { cautions: ['high voltage'], gate: 'Isolation above the limit on both poles, signed' },
    ),
    step(
      'precharge',
      'Pre-charge and contactor order tried with a lamp load',
      'electrical',
      2,
      [after('isolation', 'no high voltage until every step is signed')],
      { cautions: ['high voltage'], gate: 'Every step before this is signed by a qualified person' },
    ),
    step(
      'commission',
      'Commissioned on stands: direction, limits, braking, stop',
      'electrical',
      4,
      [after('precharge', 'contacts weld without it')],
      { place: 'lift', cautions: ['high voltage', 'turning', 'lifting'] },
    ),
    step('weigh', 'Axle weights after, brakes and springs judged', 'mechanical', 2, [
      after('commission', 'as it will be driven'),
    ]),
    step('drive', 'First yards, then a road test with the logger on', 'electrical', 3, [
      after('weigh', 'it must stop its new weight'),
    ]),
  ],
  followUps: [
    { title: 'Cell taps read again, high-voltage joints at their torque', after: 'drive', miles: 150 },
    { title: 'Isolation measured again', after: 'drive', days: 180 },
  ],
};
