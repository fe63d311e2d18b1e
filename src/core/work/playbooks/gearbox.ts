import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const gearboxRebuild: Playbook = {
  id: 'gearbox-rebuild',
  title: 'Gearbox rebuild',
  about: 'Gearbox out, bare case, bearings and synchromesh, built to end floats.',
  steps: [
    step('drive', 'Driven: which gear, loaded or not, hot or cold', 'mechanical', 1),
    step('out', 'Gearbox out', 'mechanical', 5, [after('drive', 'noise is read before it is gone')], {
      place: 'lift',
      cautions: ['heavy', 'lifting'],
    }),
    step('strip', 'Stripped, shims kept where they were', 'mechanical', 4, [after('out', 'on the bench')], {
      place: 'bench',
    }),
    step('read', 'Bearings, dogs, hubs and shafts looked at and measured', 'mechanical', 2, [
      after('strip', 'one measures clean metal'),
    ]),
    step(
      'case',
      'Bare case cleaned, faces flat, threads sound',
      'mechanical',
      2,
      [after('strip', 'only the bare case can be cleaned')],
      { cautions: ['chemicals'] },
    ),
    step('parts', 'Parts in hand', 'mechanical', 0.5, [after('read', 'the wear says which')], {
      gate: 'Every part is here and is the right one',
    }),
    step(
      'build',
      'Built up, end floats set with shims',
      'mechanical',
      7,
      [after('parts', 'it is shimmed once'), after('case', 'into a clean case')],
      { place: 'bench', gate: 'Each end float is written down and inside its limit' },
    ),
    step('clutch', 'Clutch, release bearing and spigot while it is apart', 'mechanical', 1.5, [
      after('out', 'nobody gets here again for years'),
    ]),
    step(
      'in',
      'Gearbox in, filled',
      'mechanical',
      5,
      [after('build', 'every gear turns by hand'), after('clutch', 'the clutch sits behind it')],
      { place: 'lift', cautions: ['heavy', 'lifting'] },
    ),
    step('test', 'Road test in every gear', 'mechanical', 1, [after('in', 'filled and level')]),
  ],
  followUps: [{ title: 'Gearbox oil again, magnet looked at', after: 'test', miles: 500 }],
};
