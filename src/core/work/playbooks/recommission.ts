import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const recommission: Playbook = {
  id: 'recommission',
  title: 'Recommission after storage',
  about: 'A car that ran when it was laid up and should run again, without harm from being hurried.',
  steps: [
    step('look', 'Look it over before anything is turned', 'mechanical', 2),
    step('nests', 'Nests and rags out of intake, exhaust and heater', 'mechanical', 1, [
      after('look', 'what lives in it blocks it, or burns'),
    ]),
    step(
      'fuel',
      'Old fuel out, tank looked into, filters new',
      'mechanical',
      3,
      [after('look', 'old fuel gums what it reaches')],
      {
        cautions: ['fuel'],
      },
    ),
    step('bores', 'Oil into the bores, left to soak', 'mechanical', 0.5, [
      after('nests', 'the plugs come out once'),
    ]),
    step(
      'turn',
      'Turn the engine by hand, two whole turns',
      'mechanical',
      0.5,
      [after('bores', 'rings that stuck tear if they are forced', { atLeast: 24 })],
      { cautions: ['turning'] },
    ),
    step(
      'fluids',
      'Oil, coolant and brake fluid changed',
      'mechanical',
      3,
      [after('turn', 'no new oil into an engine that is stuck')],
      { cautions: ['chemicals'] },
    ),
    step('prime', 'Oil pressure on the starter, plugs out', 'mechanical', 0.5, [
      after('fluids', 'bearings are dry after years'),
    ]),
    step(
      'wiring',
      'Wiring and fuses looked at, battery fitted',
      'electrical',
      2,
      [after('look', 'mice eat wiring')],
      {
        cautions: ['battery'],
      },
    ),
    step(
      'start',
      'First start, from a bottle of fresh fuel',
      'mechanical',
      1.5,
      [
        after('prime', 'pressure before noise'),
        after('wiring', 'nothing is switched on unseen'),
        after('fuel', 'nothing old reaches the carburettor'),
      ],
      { cautions: ['fuel', 'exhaust'], gate: 'Extinguisher at hand and somebody watching for leaks' },
    ),
    step(
      'brakes',
      'Brakes taken apart at each corner, and freed or renewed',
      'mechanical',
      6,
      [after('look', 'cylinders seize standing')],
      { place: 'lift', cautions: ['brakes', 'lifting'] },
    ),
    step('tyres', 'Tyres by their date code, valves, pressures', 'mechanical', 1, [
      after('look', 'a tyre that has stood has a flat side and old rubber'),
    ]),
    step(
      'drive',
      'First yards in the yard, then a short road test',
      'mechanical',
      1,
      [
        after('start', 'it must run'),
        after('brakes', 'it must stop'),
        after('tyres', 'it must stay on them'),
      ],
      { place: 'yard' },
    ),
  ],
  followUps: [
    { title: 'Coolant, belts and leaks looked at again', after: 'drive', days: 7 },
    { title: 'Oil and filter again: the first one washes out what stood', after: 'drive', miles: 300 },
  ],
};
