/** Whether a frame is straight and its panels hang even. */
import { frameSymmetry } from '../frameSymmetry.ts';
import { panelGaps } from '../panelGaps.ts';
import { limitsOf, derived, describe, n, num, opt, practice, rows, text, usual } from './describe.ts';
import * as limits from './limits.ts';

const group = 'lookOver';
const AXES = ['x', 'y', 'z'] as const;
const edge = [num('gap_mm', 'Gap'), opt('flush_mm', 'Proud')];

const frame = describe({
  name: 'frameSymmetry',
  title: 'Frame',
  group,
  before:
    'x forward, y to the left, z up, from any point of the bench. Pairs of points that should mirror each other.',
  fields: [
    rows(
      'points',
      'Pairs',
      'Pair',
      [3, 200],
      [
        text('name', 'Name'),
        ...AXES.map((a) => num(`left.${a}_mm`, `Left ${a}`)),
        ...AXES.map((a) => num(`right.${a}_mm`, `Right ${a}`)),
        opt('datum_mm', 'Height by the maker'),
      ],
    ),
    usual('tolerance_mm', 'Allowed', 3),
    limitsOf(limits.frameSymmetry, { watch: 'Close, of the tolerance' }),
  ],
  work: frameSymmetry,
  example: { points: [['A', 0, 400, 100, 400], ['B', 1000, 500, 200, 500], ['C', 2500, 450, 150, 450], ['D', 3500, 480, 200, 474]].map(([name, x, l, z, r]) => ({ name: name as string, left: { x_mm: x as number, y_mm: l as number, z_mm: z as number }, right: { x_mm: x as number, y_mm: -(r as number), z_mm: z as number } })) }, // prettier-ignore
  shows: [
    ['pairs.name', 'Pairs'],
    ['pairs.bench_mm', 'Off, as the bench says'],
    ['pairs.residual_mm', 'Left over about the best plane'],
    ['diagonals.difference_mm', 'Diagonals differ'],
    ['worst', 'Worst'],
    ['rms_mm', 'All of them (root mean square)'],
    ['planeOffset_mm', 'Plane stands off the bench'],
    ['planeYaw_deg', 'and turned', 2],
  ],
  sum: (_, r) => [
    `plane n·p = d with n = (${r.planeNormal.map((x) => n(x, 4)).join(', ')}), d = ${n(r.planeOffset_mm)} mm: least Σ|L − mirror(R)|²`,
    `worst pair ${r.worst}: ${n(r.worst_mm)} mm`,
  ],
  right: () => [
    'One bent pair pulls the plane: compare the bench’s column with what is left over before you pull.',
  ],
  sources: [
    derived('Mirror plane by least squares: eigenvector of the smallest eigenvalue'),
    practice('±3 mm: no one standard; the maker’s dimensions go first'),
  ],
  cautions: ['raised'],
  picture: 'frame',
});

const gaps = describe({
  name: 'panelGaps',
  title: 'Panel gaps',
  group,
  fields: [
    rows('edgeA', 'Along one edge', 'Point', [1, 50], edge),
    rows('edgeB', 'Along the edge across', 'Point', [0, 50], edge, { optional: true }),
    num('targetGap_mm', 'Gap wanted'),
    usual('gapTolerance_mm', 'Gap may differ by', 1),
    usual('taperMax_mm', 'May open along the edge by', 1),
    usual('targetFlush_mm', 'Proud as wanted', 0),
    usual('flushTolerance_mm', 'Proud may differ by', 1),
  ],
  spec: ['targetGap_mm'],
  work: panelGaps,
  example: { targetGap_mm: 4, edgeA: [{ gap_mm: 5 }, { gap_mm: 5.5 }, { gap_mm: 6 }], edgeB: [{ gap_mm: 3 }, { gap_mm: 3 }, { gap_mm: 3 }] }, // prettier-ignore
  shows: [
    ['edgeA.mean_mm', 'Mean, first edge'],
    ['edgeA.taper_mm', 'It opens by'],
    ['edgeB.mean_mm', 'Mean, edge across'],
    ['shiftTowardsA_mm', 'Shift towards the first edge'],
    ['afterShiftWorst_mm', 'Worst after that'],
    ['panelSizeError_mm', 'Panel too wide by'],
  ],
  sum: (_, r) =>
    r.edgeB
      ? [`shift = (${n(r.edgeA.mean_mm)} − ${n(r.edgeB.mean_mm)}) ÷ 2 = ${n(r.shiftTowardsA_mm)} mm`]
      : [`mean ${n(r.edgeA.mean_mm)} mm`],
  right: (_, r) =>
    r.shiftTowardsA_mm === null || r.shiftTowardsA_mm === 0
      ? []
      : [
          `Shift the panel ${n(Math.abs(r.shiftTowardsA_mm), 1)} mm towards ${r.shiftTowardsA_mm > 0 ? 'the first edge' : 'the edge across'}; the worst gap is then ${n(r.afterShiftWorst_mm, 1)} mm off.`,
        ],
  sources: [practice('Tolerances of gap, taper and flush')],
  picture: { none: 'gaps are read along the edge itself' },
});

export const FRAME_AND_PANELS = [frame, gaps];
