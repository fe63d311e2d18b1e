import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const fuelCleanOut: Playbook = {
  id: 'fuel-clean-out',
  title: 'Fuel system clean-out',
  about: 'Tank, lines, pump and carburettor of a car whose fuel has turned or whose tank rusts.',
  decisions: [
    {
      key: 'tank',
      question: 'What becomes of the tank?',
      by: 'A bright light inside: clean metal, light rust, or pinholes and scale.',
      options: [
        { key: 'clean', label: 'Washed out: clean metal' },
        { key: 'line', label: 'Derusted and lined: light rust' },
        { key: 'new', label: 'Renewed: pinholes or scale' },
      ],
    },
  ],
  steps: [
    step('drain', 'Drained into a sealed can, outside', 'mechanical', 1, [], {
      place: 'yard',
      cautions: ['fuel'],
    }),
    step(
      'tank-out',
      'Tank out, sender out',
      'mechanical',
      1.5,
      [after('drain', 'nobody lifts a full tank')],
      {
        place: 'lift',
        cautions: ['fuel', 'lifting'],
      },
    ),
    step(
      'wash',
      'Tank washed and dried',
      'mechanical',
      1.5,
      [after('tank-out', 'it is washed off the car')],
      {
        when: { decision: 'tank', is: 'clean' },
        cautions: ['fuel', 'chemicals'],
      },
    ),
    step('line', 'Tank derusted and lined', 'mechanical', 3, [after('tank-out', 'it is lined off the car')], {
      when: { decision: 'tank', is: 'line' },
      cautions: ['chemicals'],
    }),
    step(
      'new-tank',
      'New tank fitted out with the old sender ring',
      'mechanical',
      2,
      [after('tank-out', 'the old one is the pattern')],
      { when: { decision: 'tank', is: 'new' } },
    ),
    step(
      'pipes',
      'Lines blown through or renewed, hoses new',
      'mechanical',
      2,
      [after('tank-out', 'both ends must be open')],
      { cautions: ['fuel'] },
    ),
    step('pump', 'Pump overhauled, filters new', 'mechanical', 1.5, [after('drain', 'it is dry by then')]),
    step(
      'carburettor',
      'Carburettor stripped, cleaned, jets read',
      'mechanical',
      3,
      [after('drain', 'what was in the tank is in here too')],
      { place: 'bench', cautions: ['chemicals'] },
    ),
    step(
      'together',
      'Tank back, lines joined',
      'mechanical',
      2,
      [
        after('wash', 'only a clean tank goes back'),
        after('line', 'the lining cures first', { atLeast: 96 }),
        after('new-tank', 'it goes back whole'),
        after('pipes', 'clean lines only'),
      ],
      { place: 'lift', cautions: ['lifting'] },
    ),
    step(
      'leaks',
      'Two litres in, every joint dry for an hour',
      'mechanical',
      1,
      [
        after('together', 'a leak is found cold, not hot'),
        after('pump', 'it pushes'),
        after('carburettor', 'it is the last joint'),
      ],
      { cautions: ['fuel'], gate: 'No weep at any joint after an hour' },
    ),
    step('run', 'Run and set', 'mechanical', 1.5, [after('leaks', 'no start on a wet joint')], {
      cautions: ['exhaust'],
    }),
  ],
  followUps: [{ title: 'Filter looked at: what has it caught?', after: 'run', miles: 50 }],
};
