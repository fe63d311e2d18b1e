import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const blastToPaint: Playbook = {
  id: 'blast-to-paint',
  title: 'Blast to primer to paint',
  about:
    'From bare metal to a finished surface. Times are common practice: the data sheet of the can comes first.',
  steps: [
    step('mask', 'Glass, openings and threads closed', 'paint', 3),
    step('blast', 'Blasted', 'paint', 6, [after('mask', 'grit finds every hole')], {
      place: 'blast room',
      cautions: ['dust'],
    }),
    step(
      'etch',
      'Epoxy primer on bare steel',
      'paint',
      3,
      [after('blast', 'bare blasted steel rusts by the hour', { atMost: 4 })],
      { place: 'booth', cautions: ['isocyanates'] },
    ),
    step('fill', 'Filler and blocking', 'paint', 16, [after('etch', 'it hardens first', { atLeast: 24 })], {
      cautions: ['dust'],
    }),
    step('primer', 'Filler primer', 'paint', 3, [after('fill', 'straight first, smooth after')], {
      place: 'booth',
      cautions: ['isocyanates'],
    }),
    step(
      'block',
      'Guide coat and blocking',
      'paint',
      12,
      [after('primer', 'it sinks as it dries', { atLeast: 24 })],
      { cautions: ['dust'] },
    ),
    step('base', 'Base coat', 'paint', 4, [after('block', 'what shows here shows for ever')], {
      place: 'booth',
      cautions: ['isocyanates'],
      gate: 'Booth clean, temperature and humidity written down, colour agreed on a card',
    }),
    step(
      'clear',
      'Clear coat',
      'paint',
      3,
      [after('base', 'flash-off: solvent must leave, and the window closes', { atLeast: 0.5, atMost: 24 })],
      { place: 'booth', cautions: ['isocyanates'] },
    ),
    step('polish', 'Flatted and polished', 'paint', 14, [
      after('clear', 'soft paint is cut through', { atLeast: 48 }),
    ]),
  ],
  followUps: [{ title: 'Paint looked at for sinking and edges', after: 'polish', days: 60 }],
};
