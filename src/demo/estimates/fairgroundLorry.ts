/** What was priced for the fairground lorry. */
import type { DemoEstimate } from './shape.ts';

export const fairgroundLorryEstimates: Record<string, DemoEstimate> = {
  lorry: {
    note: 'Dear Sal, it shakes because the shaft was lengthened and its joints do not turn together. The splice comes first: nobody should ride in it before that.',
    lines: [
      {
        key: 'splice',
        title: 'Chassis splice cut out and made again',
        finding: 'chassis splice out of line',
        why: 'Half an inch out of line, and the shaft follows it.',
        class: 'safety',
        work: 'metalwork',
        hours: [10, 12, 18],
        parts: [150, 180, 240],
      },
      {
        key: 'shaft',
        title: 'Shaft in phase, angles set, a centre bearing that carries it',
        finding: 'propshaft joints out of phase',
        why: 'Four degrees in front and none behind: that is the shaking.',
        class: 'must',
        work: 'mechanical',
        hours: [4, 6, 9],
        parts: [90, 120, 160],
      },
      {
        key: 'nuts',
        title: 'Wheel nuts of one thread',
        finding: 'wheel nuts of three threads',
        why: 'Three threads on one lorry; two of them strip.',
        class: 'safety',
        work: 'mechanical',
        hours: [1, 1, 2],
        parts: [30, 40, 50],
      },
    ],
  },
};
