/**
 * Pictures of the measurements. Nasty cases: 400 taps, two cells only, a reversed one, one cylinder, no banks, bores as new, a frame that is perfect,
 * nothing before and after, a bus above its aim at once, a wheel whose clearance nobody measured, a month of weather, rain all day.
 */
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { CALCULATORS, calculatorNamed } from '#core/bench/registry/index.ts';
import type { Picture } from '#core/bench/registry/types.ts';
import { playedForecast } from '../forecast.ts';
import Drawing from './Drawing.tsx';

afterEach(cleanup);

function draw(name: string, more: object = {}, base: object = calculatorNamed(name)!.example): HTMLElement {
  const c = calculatorNamed(name)!;
  const input = { ...base, ...more };
  render(<Drawing of={c.picture as Picture} input={input} result={c.work(input)} />);
  const [picture] = screen.getAllByRole('img');
  expect(picture!.outerHTML).not.toMatch(/NaN|Infinity|undefined|="-\d+(?:\.\d+)?" width|height="-/);
  return picture as HTMLElement;
}
const words = (picture: HTMLElement): string => picture.querySelector('desc')!.textContent;
const count = (picture: HTMLElement, what: string): number => picture.querySelectorAll(what).length;

describe.each(CALCULATORS.filter((c) => typeof c.picture === 'string').map((c) => [c.name] as const))(
  '%s',
  (name) => {
    test('draws its example, with a name, its words and what is exaggerated', () => {
      const picture = draw(name);
      expect(picture.querySelector('title')!.textContent.length).toBeGreaterThan(5);
      expect(words(picture).length).toBeGreaterThan(15);
      expect(picture.closest('figure')!.querySelector('figcaption')!.textContent.length).toBeGreaterThan(15);
    });
  },
);

describe('a pack', () => {
  const cells = (readings_V: number[]) => draw('tapSurvey', { kind: 'cells', readings_V });
  test('a bar for each of 400 cells, in rows', () => {
    const picture = cells(Array.from({ length: 400 }, (_, i) => 3.7 + (i % 5) / 1000));
    expect(count(picture, 'rect')).toBe(400);
  });
  test('two that are alike; one that is reversed is red', () => {
    expect(count(cells([3.7, 3.7]), 'rect.bad')).toBe(0);
    cleanup();
    expect(count(cells([3.7, -3.7, 3.7]), 'rect.bad')).toBe(1);
  });
  test('taps out of place are named', () => expect(words(draw('tapSurvey'))).toContain('out of place 3, 4'));
});

describe('an engine', () => {
  test('one bank where none are said, and one cylinder beside another', () => {
    const picture = draw('cylinderTests', {}, { dry_psi: [140, 90] });
    expect([count(picture, 'rect.bad'), count(picture, 'rect.plain')]).toEqual([1, 1]);
    expect(words(picture)).toContain('cylinder 2: 90 psi, low');
  });
  test('bores that are as new have no wear to draw', () => {
    const level = { thrust_in: 4, axial_in: 4 };
    const cylinders = [{ top: level, middle: level, bottom: level }];
    expect(words(draw('boreSurvey', { cylinders, newPistons_in: null }))).toContain('wear 0');
  });
  test('sixteen of them stand in rows of four', () => {
    const level = { thrust_in: 4.006, axial_in: 4.004 };
    const cylinders = Array.from({ length: 16 }, () => ({ top: level, middle: level, bottom: level }));
    const picture = draw('boreSurvey', { cylinders, newPistons_in: null });
    expect(Number(picture.getAttribute('viewBox')!.split(' ')[3])).toBeGreaterThan(700);
  });
  test('a big end that is round has no cut; one that is not shows where it is cut', () => {
    expect(words(draw('bigEnd'))).toContain('no cut');
    cleanup();
    const readings = [0, 45, -45].map((angle_deg, i) => ({ angle_deg, dia_in: i === 0 ? 2.2262 : 2.2256 }));
    expect(words(draw('bigEnd', { readings, oil: null }))).toMatch(/cut 0\.\d+ off the cap/);
  });
});

describe('running gear', () => {
  test('a shaft of two pieces has three joints', () => {
    const picture = draw('driveline', { coupling_deg: 4, solve: null });
    expect(count(picture, 'circle')).toBe(3);
    expect(words(picture)).toContain('front shaft 4°');
  });
  test('before and after lie over each other', () => {
    expect(count(draw('alignment'), 'rect.before')).toBe(0);
    cleanup();
    const { before } = calculatorNamed('alignment')!.example as { before: object };
    const picture = draw('alignment', { after: before });
    expect(count(picture, 'rect.before')).toBe(4);
    expect(words(picture)).toContain('After the work');
  });
  test('a clearance that nobody measured is not drawn', () => {
    const picture = draw('wheelFit', { innerClearance_mm: null, outerClearance_mm: null });
    expect(words(picture)).toBe('Inside not measured, outside not measured.');
  });
  test('what bears too little is marked by its diagonal', () =>
    expect(count(draw('cornerWeights'), 'line.badline')).toBe(1));
});

describe('frame, bus, fluids, weather', () => {
  test('a frame that is perfect has nothing left over', () => {
    const at = (x_mm: number, y_mm: number) => ({ x_mm, y_mm, z_mm: 0 });
    const points = [0, 1000, 2000].map((x, i) => ({
      name: `P${i}`,
      left: at(x, 400 + i * 10),
      right: at(x, -400 - i * 10),
    }));
    expect(words(draw('frameSymmetry', { points }))).toBe('P0: 0 mm, P1: 0 mm, P2: 0 mm');
  });
  test('a bus that is above its aim at once', () =>
    expect(words(draw('preCharge', { initialBus_V: 390 }))).toContain('95 % after 0 s'));
  test('a bus as it was measured', () => {
    expect(count(draw('preCharge', { bus_V: 200, elapsed_s: 0.1 }), 'circle.bad')).toBe(1);
    cleanup();
    expect(count(draw('preCharge', { bus_V: 390, elapsed_s: 0.4 }), 'circle.good')).toBe(1);
  });
  test('what is missing from a sump is said so', () =>
    expect(draw('fluidBalance', { drained_l: 3, circuits: null, dipstick: null }).textContent).toContain(
      'missing',
    ));
  test('the played forecast has a window; a month of it is drawn for a week', async () => {
    const hours = await playedForecast.hours(720);
    const picture = draw('findPaintWindow', { hours });
    expect(count(picture, 'rect.good, rect.watch, rect.bad')).toBeLessThanOrEqual(169);
    expect(words(picture)).toContain('Begin in hour');
    expect(playedForecast.isPlayed).toBe(true);
  });
  test('rain all day leaves no window', () =>
    expect(words(draw('findPaintWindow', { hours: Array.from({ length: 12 }, () => ({ air_C: 15, rh_pct: 99, rain_mm: 2 })) }))).toContain('No window')); // prettier-ignore
});
