import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const engineRebuild: Playbook = {
  id: 'engine-rebuild',
  title: 'Full engine rebuild',
  about: 'Engine out and bare, every wearing face measured, then built up to a written fit.',
  decisions: [
    {
      key: 'bores',
      question: 'What do the bores need?',
      by: 'The bore survey: worst taper and ovality of all bores, and what each standard oversize would clean up.',
      options: [
        { key: 'hone', label: 'Hone: inside the limits' },
        { key: 'bore', label: 'Bore to the next size' },
        { key: 'sleeve', label: 'Sleeve: past the largest size' },
      ],
    },
    {
      key: 'crank',
      question: 'What does the crankshaft need?',
      by: 'Journals measured for wear, taper and ovality against the maker’s limit.',
      options: [
        { key: 'polish', label: 'Polish: inside the limits' },
        { key: 'grind', label: 'Grind to the next undersize' },
      ],
    },
  ],
  steps: [
    step('before', 'Compression, leak-down and oil pressure written down', 'mechanical', 1.5),
    step('out', 'Engine out', 'mechanical', 6, [after('before', 'it is measured running')], {
      place: 'lift',
      cautions: ['heavy', 'lifting', 'fuel'],
    }),
    step(
      'strip',
      'Stripped, every cap and shell kept in its place',
      'mechanical',
      6,
      [after('out', 'on the stand')],
      { place: 'bench', cautions: ['heavy', 'turning'] },
    ),
    step(
      'clean',
      'Cleaned, plugs out, oilways rodded',
      'mechanical',
      3,
      [after('strip', 'grit kills new bearings')],
      {
        cautions: ['chemicals'],
      },
    ),
    step(
      'measure',
      'Bores, journals, tunnels, head and cam measured',
      'machining',
      3,
      [after('clean', 'one measures clean metal')],
      { place: 'bench' },
    ),
    step(
      'pistons',
      'Pistons and rings ordered, in hand, and measured',
      'machining',
      1,
      [after('measure', 'the survey says which size')],
      { gate: 'Pistons are in hand and measured: no boring before that' },
    ),
    step('hone', 'Bores honed', 'machining', 2, [after('measure', 'inside the limits')], {
      when: { decision: 'bores', is: 'hone' },
      place: 'vendor',
    }),
    step(
      'bore',
      'Bored and honed to the pistons',
      'machining',
      5,
      [after('pistons', 'the bore is made to the piston, not to the book')],
      { when: { decision: 'bores', is: 'bore' }, place: 'vendor' },
    ),
    step(
      'sleeve',
      'Sleeved, then bored and honed to the pistons',
      'machining',
      9,
      [after('pistons', 'the bore is made to the piston, not to the book')],
      { when: { decision: 'bores', is: 'sleeve' }, place: 'vendor' },
    ),
    step('polish', 'Crankshaft polished', 'machining', 1, [after('measure', 'inside the limits')], {
      when: { decision: 'crank', is: 'polish' },
      place: 'vendor',
    }),
    step(
      'grind',
      'Crankshaft ground, oilways cleaned after',
      'machining',
      4,
      [after('measure', 'the journals say how far')],
      { when: { decision: 'crank', is: 'grind' }, place: 'vendor' },
    ),
    step('balance', 'Rods, pistons and crank weighed and balanced', 'machining', 3, [
      after('polish', 'it is balanced as it will run'),
      after('grind', 'it is balanced as it will run'),
      after('pistons', 'with the pistons it will have'),
    ]),
    step(
      'trial',
      'Trial build: clearances with plastigauge or gauge, end float, ring gaps',
      'mechanical',
      4,
      [
        after('hone', 'in its own bore'),
        after('bore', 'in its own bore'),
        after('sleeve', 'in its own bore'),
        after('balance', 'it comes apart again only once'),
      ],
      { place: 'bench', gate: 'Every clearance is written down and inside its limit' },
    ),
    step(
      'build',
      'Built up, torqued in steps',
      'mechanical',
      10,
      [after('trial', 'what was measured is what is built')],
      { place: 'bench', cautions: ['springs'] },
    ),
    step('in', 'Engine in', 'mechanical', 7, [after('build', 'whole and turning free')], {
      place: 'lift',
      cautions: ['heavy', 'lifting'],
    }),
    step(
      'prime',
      'Oil pressure before the first start',
      'mechanical',
      1,
      [after('in', 'new bearings do not start dry')],
      { gate: 'Pressure on the gauge, plugs out' },
    ),
    step(
      'start',
      'First start, cam run in, first heat cycle',
      'mechanical',
      2,
      [after('prime', 'pressure before noise')],
      { cautions: ['exhaust', 'fuel'] },
    ),
    step('retorque', 'Head re-torque cold, clearances after it', 'mechanical', 1.5, [
      after('start', 'the gasket settles with the first heat', { atLeast: 12 }),
    ]),
  ],
  followUps: [
    { title: 'Head re-torque, then valve clearances', after: 'retorque', miles: 50 },
    { title: 'Head re-torque, then valve clearances', after: 'retorque', miles: 150 },
    { title: 'Running-in oil and filter out', after: 'start', miles: 500 },
  ],
};
