import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const airSuspension: Playbook = {
  id: 'air-suspension',
  title: 'Air suspension',
  about: 'Bags, lines, tank and valves: fitted to heights that were measured, and dry overnight.',
  steps: [
    step('heights', 'Ride heights and wheel clearances written down', 'mechanical', 1.5),
    step(
      'springs-out',
      'Springs out',
      'mechanical',
      4,
      [after('heights', 'the old height is the reference')],
      {
        place: 'lift',
        cautions: ['springs', 'lifting'],
      },
    ),
    step(
      'brackets',
      'Brackets made and tacked, swung full up and full down',
      'metalwork',
      10,
      [after('springs-out', 'with nothing in the way')],
      { cautions: ['hot work'], gate: 'No bag touches anything, at full lock, at both ends of its travel' },
    ),
    step('weld', 'Brackets welded out and painted', 'metalwork', 5, [after('brackets', 'after the swing')], {
      cautions: ['hot work', 'fuel'],
    }),
    step(
      'lines',
      'Tank, lines, valves and wiring',
      'electrical',
      8,
      [after('weld', 'no plastic line near a torch')],
      {
        cautions: ['battery'],
      },
    ),
    step(
      'bags',
      'Bags in, aired up on stands',
      'mechanical',
      3,
      [after('weld', 'cold metal only', { atLeast: 2 })],
      {
        cautions: ['springs', 'lifting'],
      },
    ),
    step(
      'dry',
      'Leak test: pressures evening and morning',
      'mechanical',
      0.5,
      [
        after('bags', 'a leak shows in hours, not in minutes', { atLeast: 12 }),
        after('lines', 'the whole circuit'),
      ],
      { gate: 'No corner has lost more than the limit overnight' },
    ),
    step('align', 'Alignment at ride height', 'mechanical', 2, [
      after('dry', 'a sinking car cannot be aligned'),
    ]),
  ],
  followUps: [{ title: 'Fittings and bracket bolts again', after: 'align', miles: 150 }],
};

export const drivelineAndAlignment: Playbook = {
  id: 'driveline-and-alignment',
  title: 'Driveline and alignment',
  about: 'Vibration and pull: angles, runout and wheel geometry, read before anything is bought.',
  steps: [
    step('tyres', 'Pressures, tyres and wheel runout', 'mechanical', 1),
    step('worn', 'Play in joints and bushes', 'mechanical', 1.5, [after('tyres', 'the cheap causes first')], {
      place: 'lift',
      cautions: ['lifting'],
    }),
    step(
      'angles',
      'Angles of engine, shaft and pinion at ride height',
      'mechanical',
      1.5,
      [after('tyres', 'the angle is read on its own wheels, loaded')],
      { cautions: ['turning'] },
    ),
    step(
      'shims',
      'Wedges and shims fitted, read again',
      'mechanical',
      3,
      [after('angles', 'the reading says how thick'), after('worn', 'a worn joint has no angle')],
      { place: 'lift', cautions: ['lifting'] },
    ),
    step('align', 'Caster, camber and toe, in that order', 'mechanical', 2.5, [
      after('worn', 'play cannot be set'),
      after('shims', 'height and thrust line first'),
    ]),
    step('test', 'Road test at the speed where it shook', 'mechanical', 1, [after('align', 'set and tight')]),
  ],
  followUps: [{ title: 'Toe and bolts again', after: 'test', miles: 150 }],
};
