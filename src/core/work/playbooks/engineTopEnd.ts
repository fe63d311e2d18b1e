import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const engineTopEnd: Playbook = {
  id: 'engine-top-end',
  title: 'Engine top end',
  about: 'Head off for valves, gasket or a seized ring, with the bottom end sound.',
  decisions: [
    {
      key: 'head-face',
      question: 'Is the head flat?',
      by: 'Straightedge and feeler against the maker’s limit for the head’s length.',
      options: [
        { key: 'flat', label: 'Flat: it is only cleaned' },
        { key: 'skim', label: 'Over the limit: it is skimmed' },
      ],
    },
  ],
  steps: [
    step('before', 'Compression and leak-down written down', 'mechanical', 1),
    step('drain', 'Coolant out, manifolds off', 'mechanical', 1.5, [after('before', 'it is measured whole')]),
    step(
      'head-off',
      'Head off, bolts undone from outside in',
      'mechanical',
      2,
      [after('drain', 'no coolant into the bores')],
      { cautions: ['heavy'] },
    ),
    step(
      'read',
      'Head face, valves, guides and bores measured',
      'mechanical',
      2,
      [after('head-off', 'one measures clean metal')],
      { place: 'bench' },
    ),
    step('skim', 'Head skimmed', 'machining', 2, [after('read', 'only as much as it needs')], {
      when: { decision: 'head-face', is: 'skim' },
      place: 'vendor',
    }),
    step(
      'valves',
      'Valves ground in, springs checked, seals new',
      'mechanical',
      4,
      [
        after('skim', 'the face first, the seats after it'),
        after('read', 'the measure says which are renewed'),
      ],
      { place: 'bench', cautions: ['springs'] },
    ),
    step('block', 'Block face cleaned, threads chased and dry', 'mechanical', 1.5, [
      after('head-off', 'oil in a blind hole cracks it'),
    ]),
    step(
      'head-on',
      'Head on, new gasket, torque in steps',
      'mechanical',
      2,
      [after('valves', 'the head goes on once'), after('block', 'on a clean dry face')],
      { cautions: ['heavy'] },
    ),
    step('clearances', 'Valve clearances set cold', 'mechanical', 1, [
      after('head-on', 'they move with the head'),
    ]),
    step(
      'heat',
      'First heat cycle, bled, looked over for leaks',
      'mechanical',
      1.5,
      [after('clearances', 'it must close its valves')],
      { cautions: ['exhaust'] },
    ),
    step('retorque', 'Re-torque cold, clearances again after it', 'mechanical', 1.5, [
      after('heat', 'the gasket settles with the first heat', { atLeast: 12 }),
    ]),
  ],
  followUps: [
    { title: 'Head re-torque, then valve clearances', after: 'retorque', miles: 50 },
    { title: 'Head re-torque, then valve clearances', after: 'retorque', miles: 150 },
  ],
};
