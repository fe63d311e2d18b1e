/** What was priced for the rally car. */
import type { DemoEstimate } from './shape.ts';

export const rallyCarEstimates: Record<string, DemoEstimate> = {
  rally: {
    note: 'Anselm, three things that scrutineering will look at, and the gearbox. The event decides the order.',
    lines: [
      {
        key: 'wing',
        title: 'Inner wing at the strut top',
        finding: 'inner wing cracked',
        why: 'Cracked where the strut pulls.',
        class: 'safety',
        work: 'metalwork',
        hours: [8, 9, 14],
        parts: [120, 140, 180],
      },
      {
        key: 'belts',
        title: 'Pair of harnesses',
        finding: 'seat belts out of date',
        why: 'The old ones are out of date.',
        class: 'safety',
        work: 'trim',
        hours: [1, 1.5, 2],
        parts: [188, 190, 220],
      },
      {
        key: 'gearbox',
        title: 'Gearbox rebuilt',
        finding: 'gearbox jumps out',
        why: 'It jumps out of third.',
        class: 'must',
        work: 'mechanical',
        hours: [9, 14, 24],
        parts: [180, 300, 520],
        access: ['gearbox out'],
        later: 350,
      },
    ],
  },
  'rally-lamps': {
    note: 'Anselm, scrutineering now asks for the battery switch to be reached from outside. I ask before I do it.',
    lines: [
      {
        key: 'switch',
        title: 'Battery switch with an outside pull',
        why: 'The rules of the event ask for it.',
        class: 'safety',
        work: 'electrical',
        hours: [2, 3, 4],
        parts: [46, 58, 75],
      },
      {
        key: 'lamps',
        title: 'Second pair of spot lamps',
        why: 'You asked for it; the bracket takes four.',
        class: 'nice',
        work: 'electrical',
        hours: [2, 2.5, 4],
        parts: [120, 140, 190],
      },
    ],
  },
};
