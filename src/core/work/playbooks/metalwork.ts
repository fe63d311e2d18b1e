import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const structuralMetalwork: Playbook = {
  id: 'structural-metalwork',
  title: 'Structural metalwork',
  about: 'Floors, sills and posts: the shell keeps its shape while what holds it is renewed.',
  steps: [
    step('measure', 'Diagonals, door gaps and fixed points written down', 'metalwork', 3, [], {
      place: 'bay',
    }),
    step(
      'brace',
      'Door openings and floor braced to fixed points',
      'metalwork',
      4,
      [after('measure', 'one braces what was measured')],
      { cautions: ['hot work'] },
    ),
    step(
      'cut',
      'Rot cut back to sound metal, one side at a time',
      'metalwork',
      8,
      [after('brace', 'an open shell moves')],
      { cautions: ['hot work', 'fuel', 'dust'] },
    ),
    step('floor', 'Floor tacked in and braced', 'metalwork', 10, [after('cut', 'onto sound metal only')], {
      cautions: ['hot work'],
    }),
    step(
      'inner',
      'Inner sill and posts tacked',
      'metalwork',
      8,
      [after('floor', 'the sill stands on the floor')],
      { cautions: ['hot work'] },
    ),
    step(
      'doors',
      'Doors hung, gaps set with the shell on its wheels',
      'metalwork',
      5,
      [after('inner', 'the post carries the door')],
      { cautions: ['heavy'], gate: 'Doors close, gaps even, diagonals as they were' },
    ),
    step(
      'outer',
      'Outer sill tacked',
      'metalwork',
      4,
      [after('doors', 'door first, so that the sill follows it')],
      { cautions: ['hot work'] },
    ),
    step(
      'weld',
      'Welded out, crossing from side to side',
      'metalwork',
      10,
      [after('outer', 'nothing is welded out before it all fits')],
      { cautions: ['hot work', 'fuel'] },
    ),
    step('check', 'Diagonals and gaps again', 'metalwork', 1, [after('weld', 'weld pulls', { atLeast: 2 })], {
      gate: 'Inside the limit on every diagonal',
    }),
    step('seal', 'Seams sealed, cavities waxed', 'paint', 4, [
      after('check', 'what is sealed is not opened again'),
    ]),
  ],
};
