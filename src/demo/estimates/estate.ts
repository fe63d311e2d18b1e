/** What was priced for the estate. */
import type { DemoEstimate } from './shape.ts';

export const estateEstimates: Record<string, DemoEstimate> = {
  'estate-roof': {
    note: 'Dear Hugh, the roof canvas will not stretch over the new rail. There are two honest ways, and I would be content with either.',
    choices: [
      {
        title: 'Roof canvas',
        ways: [
          {
            key: 'new',
            name: 'A new canvas, cut to the new rail',
            weeks: [2, 3],
            risk: 'Nothing but its look: new cloth looks new. The old one goes into the loft box, marked.',
          },
          {
            key: 'old',
            name: 'The old canvas let out along the rail',
            weeks: [1, 2],
            risk: 'Old cloth may tear along the new seam within a few winters, and then it is a new one after all.',
          },
        ],
      },
    ],
    lines: [
      {
        key: 'corners',
        title: 'Rear corners sealed and drained',
        finding: 'roof canvas leaking',
        why: 'That is where the water came in; it is needed whichever way the canvas goes.',
        class: 'should',
        work: 'trim',
        hours: [5, 7, 10],
        parts: [90, 120, 150],
      },
      {
        key: 'canvas',
        title: 'New canvas made and fitted',
        finding: 'roof canvas will not stretch',
        why: 'The old one is two inches short at the corner.',
        class: 'must',
        work: 'trim',
        hours: [8, 9, 12],
        parts: [190, 210, 260],
        way: 'new',
      },
      {
        key: 'strip',
        title: 'Old canvas let out with a strip of the same weave',
        why: 'Keeps the cloth that came with the car.',
        class: 'must',
        work: 'trim',
        hours: [9, 13, 22],
        parts: [30, 40, 60],
        way: 'old',
      },
      {
        key: 'proof',
        title: 'Old canvas cleaned and proofed',
        why: 'Old cloth drinks; without it the corners leak again.',
        class: 'should',
        work: 'trim',
        hours: [2, 3, 5],
        parts: [25, 35, 45],
        way: 'old',
        needs: ['strip'],
      },
    ],
  },
};
