/**
 * The bench against libraries that others keep: psychrolib (ASHRAE), mathjs, js-quantities, convert-units, fraction.js, jstat,
 * simple-statistics, ml-matrix, vin-validator. Each tolerance is what the two formulas or tables differ by, and said beside it.
 */
import { describe, expect, test } from '@jest/globals';
import convertUnits from 'convert-units';
import fc from 'fast-check';
import Fraction from 'fraction.js';
import Qty from 'js-quantities';
import jstat from 'jstat';
import { unit } from 'mathjs';
import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import psychrolib from 'psychrolib';
import { medianAbsoluteDeviation, standardDeviation } from 'simple-statistics';
import vinValidator from 'vin-validator';
import { symmetricEigen, type Matrix3 } from './eigen.ts';
import { convert, dewPoint, parseReading, tapSurvey, vinCheck } from './index.ts';
import { median, normalCdf, populationSd } from './statistics.ts';

test('dew point, from 0 °C up: psychrolib, to 0.05 K (another formula; below zero it takes ice)', () => {
  psychrolib.SetUnitSystem(psychrolib.SI);
  const air = fc.double({ min: 5, max: 49, noNaN: true });
  fc.assert(
    fc.property(air, fc.double({ min: 40, max: 100, noNaN: true }), (air_C, rh_pct) => {
      const reference = psychrolib.GetTDewPointFromRelHum(air_C, rh_pct / 100);
      fc.pre(reference >= 0);
      expect(Math.abs(dewPoint({ air_C, rh_pct }).dewPoint_C - reference)).toBeLessThan(0.05);
    }),
    { seed: 6_2026 },
  );
});

describe('factors', () => {
  const factor = (from: string, to: string): number => convert({ value: 1, from, to }).value;
  test('inch, pound-foot, psi, Fahrenheit: mathjs (psi to 1e-6)', () => {
    expect(factor('in', 'mm')).toBeCloseTo(unit(1, 'inch').toNumber('mm'), 12);
    expect(factor('lbft', 'Nm')).toBeCloseTo(unit('1 lbf ft').toNumber('N m'), 9);
    expect(Math.abs(factor('psi', 'kPa') / unit(1, 'psi').toNumber('kPa') - 1)).toBeLessThan(1e-6);
    expect(convert({ value: 77, from: 'F', to: 'C' }).value).toBeCloseTo(
      unit(77, 'degF').toNumber('degC'),
      9,
    );
  });
  test('the same: js-quantities (psi to 1e-5)', () => {
    expect(factor('in', 'mm')).toBeCloseTo(Qty('1 in').to('mm').scalar, 9);
    expect(Math.abs(factor('psi', 'kPa') / Qty('1 psi').to('kPa').scalar - 1)).toBeLessThan(1e-5);
    expect(convert({ value: 77, from: 'F', to: 'C' }).value).toBeCloseTo(
      Qty('77 tempF').to('tempC').scalar,
      6,
    );
  });
  test('quarts, litres, miles, ounces: convert-units (to 1e-3)', () => {
    for (const [mine, to, theirs, theirTo] of [
      ['us_qt', 'L', 'qt', 'l'],
      ['us_gal', 'L', 'gal', 'l'],
      ['mi', 'km', 'mi', 'km'],
      ['oz', 'g', 'oz', 'g'],
      ['lb', 'kg', 'lb', 'kg'],
    ] as const)
      expect(Math.abs(factor(mine, to) / convertUnits(1).from(theirs).to(theirTo) - 1)).toBeLessThan(1e-3);
  });
});

test('mixed fractions of an inch: fraction.js', () => {
  const parts = fc.tuple(fc.nat(40), fc.integer({ min: 1, max: 63 }), fc.constantFrom(2, 4, 8, 16, 32, 64));
  fc.assert(
    fc.property(parts, ([whole, above, below]) => {
      const text = `${whole} ${above}/${below}`;
      expect(parseReading({ text: `${text} in` }).value).toBeCloseTo(new Fraction(text).valueOf(), 12);
    }),
    { seed: 12_2026 },
  );
});

test('the normal distribution: jstat, to 1e-9', () => {
  for (let z = -7; z <= 7; z += 0.13) expect(normalCdf(z)).toBeCloseTo(jstat.normal.cdf(z, 0, 1), 9);
  expect([normalCdf(-40), normalCdf(0), normalCdf(40)]).toEqual([0, 0.5, 1]);
});

test('deviation and the middle: simple-statistics', () => {
  const volts = fc.array(fc.double({ min: 3, max: 4.2, noNaN: true }), { minLength: 3, maxLength: 60 });
  fc.assert(
    fc.property(volts, (readings_V) => {
      expect(populationSd(readings_V)).toBeCloseTo(standardDeviation(readings_V), 12);
      const middle = median(readings_V);
      expect(median(readings_V.map((v) => Math.abs(v - middle)))).toBeCloseTo(
        medianAbsoluteDeviation(readings_V),
        12,
      );
      expect(tapSurvey({ kind: 'cells', readings_V }).sigma_mV).toBeCloseTo(
        standardDeviation(readings_V) * 1000,
        7,
      );
    }),
    { seed: 4_2026 },
  );
});

test('eigenvectors of symmetric matrices: ml-matrix', () => {
  const number = fc.integer({ min: -1_000_000, max: 1_000_000 });
  fc.assert(
    fc.property(number, number, number, number, number, number, (a, b, c, d, e, f) => {
      const matrix: Matrix3 = [[a, b, c], [b, d, e], [c, e, f]]; // prettier-ignore
      const reference = new EigenvalueDecomposition(new Matrix(matrix), { assumeSymmetric: true });
      const sorted = [...reference.realEigenvalues].sort((x, y) => x - y);
      const size = Math.max(...sorted.map(Math.abs), 1e-300);
      symmetricEigen(matrix).forEach(({ value, vector }, i) => {
        expect(Math.abs(value - sorted[i]!) / size).toBeLessThan(1e-9);
        expect(Math.hypot(...vector)).toBeCloseTo(1, 9);
        matrix.forEach((row, k) => {
          const image = row[0] * vector[0] + row[1] * vector[1] + row[2] * vector[2];
          expect(Math.abs(image - value * vector[k]!) / size).toBeLessThan(1e-8);
        });
      });
    }),
    { seed: 3_2026 },
  );
});

test('check digits: vin-validator', () => {
  const chars = 'ABCDEFGHJKLMNPRSTUVWXYZ0123456789';
  const vin = fc.array(fc.constantFrom(...chars), { minLength: 17, maxLength: 17 }).map((c) => c.join(''));
  fc.assert(
    fc.property(vin, (own) => {
      const right = own.slice(0, 8) + vinCheck({ vin: own }).computed! + own.slice(9);
      expect(vinValidator.validate(right)).toBe(true);
      expect(vinCheck({ vin: own }).checkValid).toBe(vinValidator.validate(own));
    }),
    { seed: 9_2026 },
  );
});
