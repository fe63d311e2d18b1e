import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const wiringRepair: Playbook = {
  id: 'wiring-repair',
  title: 'Wiring repair',
  about: 'A fault, or a loom that others have been at.',
  steps: [
    step('draw', 'What is there drawn as it is, colours and joints', 'electrical', 3, [], {
      cautions: ['battery'],
    }),
    step('volt-drop', 'Voltage drop measured under load, feed and earth', 'electrical', 2, [
      after('draw', 'one measures what one can name'),
    ]),
    step('earths', 'Earths cleaned to metal and closed again', 'electrical', 1.5, [
      after('volt-drop', 'half of all faults end here'),
    ]),
    step(
      'out',
      'What others added and nobody needs taken out',
      'electrical',
      3,
      [after('draw', 'the drawing says what is theirs')],
      { cautions: ['battery'] },
    ),
    step('repair', 'Sections renewed, joints crimped and sealed', 'electrical', 6, [
      after('out', 'only what stays is mended'),
      after('earths', 'a bad earth hides as a bad wire'),
    ]),
    step('fuses', 'Fuses to the wire, not to the wish', 'electrical', 1, [
      after('repair', 'the wire decides its fuse'),
    ]),
    step(
      'prove',
      'Every circuit tried under load, figures in the book',
      'electrical',
      2,
      [after('fuses', 'no trial without a fuse')],
      { gate: 'No circuit is hot to the hand after ten minutes' },
    ),
  ],
};
