/**
 * Photographs' rules. Nasty cases: marks that leave the picture, a ring grown past it, a camera without a zone, an unset
 * clock, a date in the future, a date that is none, a clock time that summer time skips.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { MOST_BYTES, whyNotPixels, whyNotSize } from './limits.ts';
import { markPath, marksSvg, moved, scaled, type PhotoMark } from './marks.ts';
import { filesShown, picturesHtml, type ShownPicture } from './shown.ts';
import { takenAt } from './taken.ts';

describe('the day a photograph was taken', () => {
  const now = '2026-11-25T12:00:00.000Z';
  const read = (dateTime?: string, offset?: string, zone = 'Europe/London') =>
    takenAt(dateTime, offset, zone, now);

  test.each([
    // Exif 2.32 writes "YYYY:MM:DD HH:MM:SS" (CIPA DC-008-2019, 4.6.5 F) and the zone apart (OffsetTimeOriginal).
    ['2026:03:10 16:40:00', '+02:00', '2026-03-10T14:40:00.000Z'],
    ['2026:03:10 16:40:00', undefined, '2026-03-10T16:40:00.000Z'],
    ['2026:07:10 16:40:00', undefined, '2026-07-10T15:40:00.000Z'],
    ['2026-07-10T16:40:00.000Z', '-05:30', '2026-07-10T22:10:00.000Z'],
    ['2026:07:10 16:40:00', 'nonsense', '2026-07-10T15:40:00.000Z'],
  ])('%s %s is %s', (dateTime, offset, instant) => expect(read(dateTime, offset)).toBe(instant));

  test('without a zone it is the shop’s own time, wherever the shop is', () => {
    expect(read('2026:03:10 16:40:00', undefined, 'Pacific/Auckland')).toBe('2026-03-10T03:40:00.000Z');
    // 29 March 2026, 01:30 does not exist in London: clocks go from 1 to 2.
    expect(read('2026:03:29 01:30:00')).toMatch(/^2026-03-29T0[01]:30:00/);
  });

  test.each([
    ['2026:11:25 13:00:00', 'a clock that runs ahead'],
    ['1980:01:01 00:00:00', 'a clock never set'],
    ['0000:00:00 00:00:00', 'zeros'],
    ['2026:13:45 10:00:00', 'no such day'],
    ['yesterday', 'words'],
    ['', 'nothing'],
  ])('"%s" is not believed: %s', (dateTime) => expect(read(dateTime)).toBeNull());
});

describe('marks', () => {
  const fraction = fc.double({ min: 0, max: 1, noNaN: true });
  const mark: fc.Arbitrary<PhotoMark> = fc.oneof(
    fc.record({ shape: fc.constant('ring' as const), x: fraction, y: fraction, r: fraction }),
    fc.record({
      shape: fc.constant('arrow' as const),
      x: fraction,
      y: fraction,
      toX: fraction,
      toY: fraction,
    }),
  );

  test('moved or grown by whatever, a mark stays in the picture (seed 41)', () => {
    const by = fc.double({ min: -3, max: 3, noNaN: true });
    fc.assert(
      fc.property(mark, by, by, fc.double({ min: 0.1, max: 9, noNaN: true }), (m, dx, dy, times) => {
        for (const after of [moved(m, dx, dy), scaled(m, times)]) {
          for (const n of Object.values(after).filter((v) => typeof v === 'number')) {
            expect(n).toBeGreaterThanOrEqual(0);
            expect(n).toBeLessThanOrEqual(1);
          }
        }
      }),
      { seed: 41, numRuns: 300 },
    );
  });

  test('a ring is a circle of its radius; an arrow’s head is at its end', () => {
    // By hand: centre 200, 50; a twentieth of 400 is 20.
    expect(markPath({ shape: 'ring', x: 0.5, y: 0.25, r: 0.05 }, 400, 200)).toBe(
      'M180.0 50.0a20.0 20.0 0 1 0 40.0 0.0a20.0 20.0 0 1 0 -40.0 0.0Z',
    );
    const arrow = markPath({ shape: 'arrow', x: 0, y: 0, toX: 0.5, toY: 0 }, 400, 200);
    expect(arrow).toMatch(/^M0\.0 0\.0L200\.0 0\.0M/);
    // The barbs point back: both left of the tip, one on each side of the shaft.
    const [, up, down] = /M(\S+ \S+)L200\.0 0\.0L(\S+ \S+)$/.exec(arrow)!;
    expect([up, down].map((p) => Number(p!.split(' ')[0])).every((x) => x < 200)).toBe(true);
    expect(Number(up!.split(' ')[1]) * Number(down!.split(' ')[1])).toBeLessThan(0);
  });

  test('the overlay is as large as the picture, with a pale edge under each mark', () => {
    const svg = marksSvg([{ shape: 'ring', x: 0.5, y: 0.5, r: 0.1 }], 1600, 1200);
    expect(svg).toContain('width="1600" height="1200"');
    expect(svg.match(/<path/g)).toHaveLength(2);
  });
});

test('what is too large says how large it is and what is taken', () => {
  expect(whyNotSize(0)).toContain('empty');
  expect(whyNotSize(MOST_BYTES)).toBeNull();
  expect(whyNotSize(MOST_BYTES + 1)).toBe('It is 41 MB; at most 40 MB are taken.');
  expect(whyNotPixels(9_504, 6_336)).toBeNull();
  expect(whyNotPixels(65_000, 65_000)).toContain('65000 by 65000');
});

test('a caption cannot break out of the page, and a picture without one still says what it is', () => {
  const picture: ShownPicture = {
    id: 'p',
    hash: 'a',
    thumb: 'b',
    width: 8,
    height: 6,
    caption: '"><script>x',
  };
  const html = picturesHtml([picture, { ...picture, caption: '' }], '/l/t', 'rot & rust');
  expect(html).not.toContain('<script>');
  expect(html).toContain('alt="&quot;&gt;&lt;script&gt;x"');
  expect(html).toContain('alt="Photograph: rot &amp; rust"');
  expect(html).toContain('src="/l/t/photos/b"');
  expect(picturesHtml([], '/l/t', '')).toBe('');
});

test('a pair stands beside each other, each said when it was, and needs the files of both', () => {
  const file = (hash: string, caption: string) => ({
    hash,
    thumb: `${hash}-s`,
    width: 8,
    height: 6,
    caption,
  });
  const pair: ShownPicture = { id: 'p', ...file('b', 'new <end>'), before: file('a', '') };
  const html = picturesHtml([pair], '/l/t', 'sill let in');
  expect(html).toMatch(
    /^<div class="pictures"><figure class="pair">.*src="\/l\/t\/photos\/a-s".*src="\/l\/t\/photos\/b-s"/,
  );
  expect(html).toContain('alt="Before: photograph, sill let in"');
  expect(html).toContain('<figcaption>After: new &lt;end&gt;</figcaption>');
  expect(filesShown([pair, { ...pair, id: 'q' }])).toEqual(['b', 'b-s', 'a', 'a-s']);
});
