import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const interiorTrim: Playbook = {
  id: 'interior-trim',
  title: 'Interior trim',
  about: 'Seats and panels covered anew, with a trial cover in cheap cloth before the leather is cut.',
  steps: [
    step('record', 'Old covers photographed, pleats and piping measured', 'trim', 2),
    step('off', 'Covers off, kept as patterns', 'trim', 5, [
      after('record', 'once it is off the shape is gone'),
    ]),
    step(
      'frames',
      'Frames, springs and webbing',
      'trim',
      6,
      [after('off', 'they are seen for the first time')],
      {
        cautions: ['springs'],
      },
    ),
    step('foam', 'Padding built up and shaped', 'trim', 5, [after('frames', 'padding follows the frame')]),
    step('pattern', 'Patterns made', 'trim', 4, [after('off', 'the old cover is the first pattern')]),
    step(
      'trial',
      'Trial cover in cheap cloth',
      'trim',
      6,
      [after('pattern', 'cloth is cheap'), after('foam', 'on the padding it will have')],
      { gate: 'The trial cover fits, and somebody has sat in it' },
    ),
    step('cut', 'Leather laid out and cut', 'trim', 4, [
      after('trial', 'no leather is cut until the trial cover fits'),
    ]),
    step('sew', 'Sewn', 'trim', 14, [after('cut', 'in the order of the seams')]),
    step('fit', 'Covered and fitted', 'trim', 8, [after('sew', 'warm, so that it stretches')]),
  ],
};

export const roofAndDropheadTrim: Playbook = {
  id: 'roof-and-drophead-trim',
  title: 'Roof and drophead trim',
  about: 'Hood frame and cover, or a roof lining: the frame is right before any cloth is cut.',
  steps: [
    step('frame', 'Hood frame straight, hinges tight, folding free', 'trim', 8),
    step('glass', 'Door glass set first', 'trim', 3, [after('frame', 'the hood seals against the glass')]),
    step('pads', 'Pads and webbing, tension even left and right', 'trim', 5, [
      after('frame', 'cloth follows the pads'),
    ]),
    step(
      'trial',
      'Trial hood in cheap cloth, up and down five times',
      'trim',
      7,
      [after('pads', 'on the pads it will have'), after('glass', 'against the glass it will have')],
      { gate: 'It folds, it closes, and it is dry under the hose' },
    ),
    step('cut', 'Hood cloth cut and sewn', 'trim', 12, [
      after('trial', 'no good cloth before the trial fits'),
    ]),
    step('fit', 'Fitted, edges glued', 'trim', 8, [after('cut', 'in a warm shop')], {
      cautions: ['chemicals'],
    }),
    step('rest', 'Left up and tight, then trimmed', 'trim', 2, [
      after('fit', 'new cloth takes its shape', { atLeast: 48 }),
    ]),
  ],
  followUps: [{ title: 'Hood tension and seals under the hose again', after: 'rest', days: 30 }],
};
