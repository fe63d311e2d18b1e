/**
 * The plan. Nasty cases: a spot off the grid, half steps, a place over another, a full plan, two cars on one lift, the car
 * that stands there already, a closed place, nothing free anywhere.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PLACE_KINDS } from '../shop/places.ts';
import {
  arrange,
  GRID,
  overlap,
  snap,
  whyNotMove,
  whyNotSpot,
  freeOf,
  type PlaceToStand,
  type Standing,
} from './floorPlan.ts';

const spots = fc.record({
  x: fc.double({ min: -50, max: 50, noNaN: true }),
  y: fc.double({ min: -50, max: 50, noNaN: true }),
  w: fc.double({ min: -5, max: 60, noNaN: true }),
  h: fc.double({ min: -5, max: 60, noNaN: true }),
});

describe('spots', () => {
  test('whatever is drawn snaps to whole steps inside the plan, and stays there (seed 2)', () => {
    fc.assert(
      fc.property(spots, (given) => {
        const s = snap(given);
        expect([s.x, s.y, s.w, s.h].every(Number.isInteger)).toBe(true);
        expect(s.x >= 0 && s.y >= 0 && s.x + s.w <= GRID.columns && s.y + s.h <= GRID.rows).toBe(true);
        expect(snap(s)).toEqual(s);
      }),
      { seed: 2, numRuns: 300 },
    );
  });

  test('one over another is refused by name; side by side is not', () => {
    const lift = { name: 'Lift 1', spot: { x: 0, y: 0, w: 4, h: 5 } };
    expect(whyNotSpot({ x: 3, y: 0, w: 4, h: 5 }, [lift])).toBe('it would lie over “Lift 1”');
    expect(whyNotSpot({ x: 4, y: 0, w: 4, h: 5 }, [lift])).toBeNull();
    expect(whyNotSpot({ x: -1, y: 0, w: 4, h: 5 }, [])).toMatch(/not lie on the plan/);
    expect(whyNotSpot({ x: 0.5, y: 0, w: 4, h: 5 }, [])).toMatch(/not lie on the plan/);
  });

  test('places that nobody has drawn find room beside those that were; nothing overlaps while there is room (seed 4)', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...PLACE_KINDS), { maxLength: 9 }), (kinds) => {
        const placed = arrange(kinds.map((kind, i) => ({ kind, name: String(i), spot: null })));
        const few = kinds.filter((k) => k === 'yard').length <= 1;
        if (few)
          for (const [i, a] of placed.entries())
            for (const b of placed.slice(i + 1)) expect(overlap(a.spot, b.spot)).toBe(false);
        return placed.length === kinds.length;
      }),
      { seed: 4, numRuns: 100 },
    );
    const drawn = { kind: 'lift' as const, spot: { x: 0, y: 0, w: 4, h: 5 } };
    const [kept, found] = arrange([drawn, { kind: 'lift', spot: null }]);
    expect(kept!.spot).toEqual(drawn.spot);
    expect(found!.spot).toEqual({ x: 4, y: 0, w: 4, h: 5 });
  });
});

describe('moves', () => {
  const place = (id: string, kind: PlaceToStand['kind'], closed = false): PlaceToStand => ({
    id,
    name: id,
    kind,
    closed,
  });
  const places = [
    place('Lift 1', 'lift'),
    place('Lift 2', 'lift'),
    place('Yard', 'yard'),
    place('Booth', 'booth'),
  ];
  const at = (placeId: string | null, nickname: string, pinned: Standing['pinned'] = null): Standing => ({
    buildId: nickname,
    nickname,
    placeId,
    pinned,
  });
  const may = (car: string, to: string, cars: Standing[], all = places) =>
    whyNotMove(
      car,
      all.find((p) => p.id === to)!,
      all,
      cars,
    );

  test('two cars on one lift are refused, with the way out', () => {
    const cars = [at('Lift 1', 'rally car'), at('Yard', 'hearse')];
    expect(may('hearse', 'Lift 1', cars)).toBe('the rally car stands on “Lift 1”: “Lift 2” is free');
    const both = [...cars, at('Lift 2', 'camper')];
    expect(may('hearse', 'Lift 1', both)).toBe(
      'the rally car stands on “Lift 1”: move the rally car to “Yard” first',
    );
    const small = places.slice(0, 2);
    expect(may('hearse', 'Lift 1', both, small)).toBe(
      'the rally car stands on “Lift 1”: move the rally car first',
    );
  });

  test('what does not roll stays, and says what would free it; whoever wants its place hears the same', () => {
    const out = { by: 'gearbox out', freedBy: 'gearbox back in, a day' };
    const cars = [at('Lift 1', 'rally car', out), at('Yard', 'hearse'), at('Lift 2', 'camper')];
    expect(may('rally car', 'Yard', cars)).toBe(
      'it does not roll, gearbox out: gearbox back in, a day, then say on the plan that it rolls',
    );
    expect(may('rally car', 'Lift 1', cars)).toBeNull();
    expect(may('hearse', 'Lift 1', cars)).toBe(
      'the rally car stands on “Lift 1”: it does not roll, gearbox out; to free it: gearbox back in, a day',
    );
    const quiet = [at('Yard', 'hearse', { by: 'axle off', freedBy: '' })];
    expect(may('hearse', 'Booth', quiet)).toBe('it does not roll, axle off: say on the plan that it rolls');
  });

  test('where it stands already, or where many may stand, is no conflict; a closed place takes nobody', () => {
    const cars = [at('Lift 1', 'rally car'), at('Yard', 'hearse'), at(null, 'camper')];
    expect(may('rally car', 'Lift 1', cars)).toBeNull();
    expect(may('camper', 'Yard', cars)).toBeNull();
    expect(may('camper', 'Booth', cars)).toBeNull();
    expect(may('camper', 'Booth', cars, [place('Booth', 'booth', true)])).toBe('“Booth” is closed');
  });

  test('what a kind of place has free, or who holds it: what does not roll first', () => {
    const cars = [at('Lift 1', 'rally car'), at('Lift 2', 'camper', { by: 'front axle off', freedBy: '' })];
    expect(freeOf('lift', places, cars.slice(0, 1)).free).toMatchObject({ name: 'Lift 2' });
    expect(freeOf('lift', places, cars)).toMatchObject({
      free: null,
      heldBy: [{ nickname: 'camper' }, { nickname: 'rally car' }],
    });
    expect(freeOf('blast room', places, cars)).toEqual({ free: null, heldBy: [] });
  });
});
