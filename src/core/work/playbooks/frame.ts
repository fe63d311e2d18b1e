import { after, step } from '../patterns.ts';
import type { Playbook } from '../playbook.ts';

export const frameStrip: Playbook = {
  id: 'frame-strip-and-blast',
  title: 'Frame strip and blast',
  about: 'A separate frame stripped bare, blasted, judged, and closed again before it rusts.',
  steps: [
    step('number', 'Everything photographed, bagged and numbered as it comes off', 'mechanical', 4),
    step(
      'body-off',
      'Body off and on its stand',
      'metalwork',
      10,
      [after('number', 'nobody remembers it all')],
      {
        place: 'bay',
        cautions: ['heavy', 'lifting'],
      },
    ),
    step('strip', 'Frame stripped bare', 'mechanical', 14, [after('body-off', 'the body covers it')], {
      cautions: ['springs', 'fuel', 'brakes'],
    }),
    step(
      'rivets',
      'Rivets drilled where a bracket comes off',
      'metalwork',
      8,
      [after('strip', 'only on the bare frame')],
      { count: { of: 'rivets drilled', total: 220 } },
    ),
    step('blast', 'Blasted', 'metalwork', 6, [after('strip', 'grease does not blast')], {
      place: 'blast room',
      cautions: ['dust'],
    }),
    step('judge', 'Cracks, thin places and twist read on bare steel', 'metalwork', 2, [
      after('blast', 'rust hides cracks'),
    ]),
    step(
      'primer',
      'Primer on bare steel',
      'paint',
      3,
      [after('blast', 'bare blasted steel rusts by the hour', { atMost: 4 })],
      { place: 'booth', cautions: ['isocyanates'] },
    ),
    step(
      'repair',
      'Repairs and rivets',
      'metalwork',
      14,
      [
        after('judge', 'one mends what was found'),
        after('primer', 'the rest stays closed meanwhile', { atLeast: 12 }),
      ],
      { cautions: ['hot work'] },
    ),
    step('paint', 'Top coat', 'paint', 6, [after('repair', 'no hot work behind paint')], {
      place: 'booth',
      cautions: ['isocyanates'],
    }),
  ],
};
