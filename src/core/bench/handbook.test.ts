/**
 * The bench against values that stand in tables and handbooks, each with where it stands and how it is known: published tables were read as
 * they are commonly printed, and are marked so where a value is given from memory. Tolerances are the last place that the table prints.
 */
import { describe, expect, test } from '@jest/globals';
import {
  boreSurvey,
  brakeBias,
  chargingTest,
  compressionRatio,
  convert,
  cornerWeights,
  dewPoint,
  driveline,
  earnedValue,
  fastener,
  fuseChoice,
  gearing,
  inductionFuel,
  linePressure,
  paintCoverage,
  pertPlan,
  preCharge,
  seriesResistor,
  tyreAge,
  tyreSize,
  vinCheck,
  voltageDrop,
} from './index.ts';

describe('dew point', () => {
  // Tables of dew point as printed by makers of coatings after ISO 8502-4 and in DIN 4108-3 (from memory), to 0.1 °C.
  test.each([
    [30, 80, 26.2],
    [30, 50, 18.4],
    [25, 60, 16.7],
    [25, 45, 12.2],
    [20, 70, 14.4],
    [20, 50, 9.3],
    [15, 80, 11.6],
    [10, 90, 8.4],
  ])('%d °C at %d %%: %d °C', (air_C, rh_pct, dew) =>
    expect(Math.abs(dewPoint({ air_C, rh_pct }).dewPoint_C - dew)).toBeLessThan(0.15),
  );
  // Saturation pressure over water: WMO No. 8, Goff-Gratch values (from memory), within the 0.4 % that the Magnus form keeps.
  test.each([
    [0, 6.11],
    [10, 12.27],
    [20, 23.37],
    [30, 42.43],
    [40, 73.78],
  ])('saturated at %d °C: %d hPa', (air_C, pressure) =>
    expect(Math.abs(dewPoint({ air_C, rh_pct: 100 }).saturationPressure_hPa / pressure - 1)).toBeLessThan(
      0.004,
    ),
  );
});

describe('wires', () => {
  // ASTM B258, nominal areas in mm² (published).
  test.each([
    [20, 0.518],
    [18, 0.823],
    [16, 1.309],
    [14, 2.081],
    [12, 3.309],
    [10, 5.261],
    [8, 8.366],
    [4, 21.15],
    [0, 53.49],
    [-3, 107.2],
  ])('AWG %d has %d mm²', (awg, area) => {
    const { area_mm2 } = voltageDrop({ current_A: 1, length_m: 1, awg });
    expect(Math.abs(area_mm2! / area - 1)).toBeLessThan(0.001);
  });
  // IEC 60028: 17.241 Ω·mm²/km at 20 °C, 0.00393 for each degree (published).
  test('copper: 17.24 Ω for a kilometre of a square millimetre, a fifth more at 71 °C', () => {
    const of = (conductor_C: number) =>
      voltageDrop({ current_A: 1, length_m: 1, conductor_C }).rho_ohm_mm2_per_m;
    expect(of(20) * 1000).toBeCloseTo(17.241, 3);
    expect(of(70.9) / of(20)).toBeCloseTo(1.2, 3);
  });
  // IEC 60063, series E24 (published).
  test.each([
    [1.05, 1.1],
    [4.71, 5.1],
    [31.2, 33],
    [92, 100],
    [910, 910],
    [5601, 6200],
  ])('%d Ω worked out is %d Ω on the shelf', (ohm, shelf) =>
    expect(seriesResistor({ supply_V: ohm * 0.01 + 1, device_V: 1, device_A: 0.01 }).standard_ohm).toBeCloseTo(shelf, 6)); // prettier-ignore
  // ISO 8820-3: blade fuses (published).
  test('a fuse is the next that is made', () =>
    expect([3, 5.5, 7, 9, 14, 22].map((load_A) => fuseChoice({ load_A, ampacity_A: 100 }).minFuse_A)).toEqual([4, 7.5, 10, 15, 20, 30])); // prettier-ignore
});

describe('tyres', () => {
  // Overall diameters of the ETRTO Standards Manual for new tyres, design values (from memory), to a millimetre.
  test.each([
    ['155/80R13', 578],
    ['165/70R14', 587],
    ['175/70R13', 576],
    ['185/60R14', 578],
    ['195/65R15', 635],
    ['205/55R16', 632],
    ['225/45R17', 634],
    ['225/70R15', 696],
    ['31x10.50R15LT', 787],
    ['35x12.50R15LT', 889],
  ])('%s: %d mm', (designation, od) =>
    expect(Math.abs(tyreSize({ designation }).od_mm - od)).toBeLessThan(1),
  );
  // 49 CFR 574.5: the first two figures are the week, the last two the year (published).
  test.each([
    ['DOT XXXX XXX 0100', '2000-01-02'],
    ['1815', '2015-05-03'],
    ['5223', '2023-12-24'],
  ])('%s was made in the week from %s', (tin, from) =>
    expect(tyreAge({ tin, asOf: '2026-01-01' }).weekStart).toBe(from),
  );
});

describe('numbers of vehicles', () => {
  // Widely published examples of the check digit of 49 CFR 565 (from memory).
  test.each(['1M8GDM9AXKP042788', '11111111111111111'])('%s is right', (vin) =>
    expect(vinCheck({ vin })).toMatchObject({ checkValid: true, verdict: 'ok' }),
  );
  test.each([
    ['A', 1980, 2010],
    ['Y', 2000, 2030],
    ['1', 2001, 2031],
    ['9', 2009, 2039],
  ])('tenth character %s: %d or %d', (letter, one, other) =>
    expect(vinCheck({ vin: `1M8GDM9AX${letter}P042788` }).modelYears).toEqual([one, other]),
  );
});

describe('units', () => {
  // NIST SP 811, appendix B.8 (published).
  test.each([
    [1, 'in', 'mm', 25.4],
    [1, 'ft', 'm', 0.3048],
    [1, 'mi', 'km', 1.609344],
    [1, 'lbft', 'Nm', 1.355818],
    [1, 'lbin', 'Nm', 0.1129848],
    [1, 'kgfm', 'Nm', 9.80665],
    [1, 'psi', 'kPa', 6.894757],
    [1, 'bar', 'psi', 14.50377],
    [1, 'us_gal', 'L', 3.785412],
    [1, 'us_qt', 'L', 0.9463529],
    [1, 'uk_gal', 'L', 4.54609],
    [1, 'uk_pt', 'mL', 568.26125],
    [1, 'lb', 'kg', 0.45359237],
    [1, 'oz', 'g', 28.34952],
    [60, 'mph', 'km/h', 96.56064],
    [100, 'F', 'C', 37.77778],
    [0, 'C', 'K', 273.15],
  ])('%d %s is %d %s', (value, from, to, want) => expect(convert({ value, from, to }).value).toBeCloseTo(want as number, 5)); // prettier-ignore
});

describe('fasteners', () => {
  // ASME B1.1, tensile stress areas in in² (published).
  test.each([
    [0.25, 20, 0.0318],
    [0.3125, 18, 0.0524],
    [0.375, 16, 0.0775],
    [0.4375, 14, 0.1063],
    [0.5, 13, 0.1419],
    [0.5, 20, 0.1599],
  ])('%d-%d: %d in²', (d_in, tpi, area) =>
    expect(fastener({ thread: { system: 'unified', d_in, tpi }, grade: 'SAE8' }).stressArea_in2).toBeCloseTo(
      area,
      3,
    ),
  );
  // ISO 898-1, nominal stress areas in mm² (published).
  test.each([
    [6, 1, 20.1],
    [8, 1.25, 36.6],
    [10, 1.5, 58],
    [12, 1.75, 84.3],
    [14, 2, 115],
    [16, 2, 157],
  ])('M%d × %d: %d mm²', (d_mm, pitch_mm, area) => {
    const { stressArea_mm2 } = fastener({ thread: { system: 'metric', d_mm, pitch_mm }, grade: '8.8' });
    expect(Math.abs(stressArea_mm2 / area - 1)).toBeLessThan(0.005);
  });
  // SAE J429 and ISO 898-1, proof stress (published).
  test('proof stress of grades', () => {
    const of = (grade: string) => fastener({ thread: { system: grade.startsWith('SAE') ? 'unified' : 'metric', d_in: 0.5, tpi: 13, d_mm: 12, pitch_mm: 1.75 } as never, grade: grade as never }).proofStress_MPa; // prettier-ignore
    expect(of('SAE5') / 6.894757).toBeCloseTo(85, 0);
    expect(of('SAE8') / 6.894757).toBeCloseTo(120, 0);
    expect([of('8.8'), of('10.9'), of('12.9')]).toEqual([580, 830, 970]);
  });
});

describe('engines', () => {
  // By definition: the swept volume of eight cylinders of 4.000 by 3.480 in is 349.8 in³, sold as 350.
  test('displacement', () => {
    const { displacement_in3, displacement_cc } = compressionRatio({ bore_in: 4, stroke_in: 3.48, cylinders: 8, chamber_cc: 64, gasketBore_in: 4.1, gasket_in: 0.039, deckClearance_in: 0.025, pistonVolume_cc: 6 }); // prettier-ignore
    expect(displacement_in3).toBeCloseTo(349.85, 1);
    expect(displacement_cc).toBeCloseTo(5733, 0);
  });
  // in³ · rpm ÷ 3456: the rule that carburettor makers print (published in kind).
  test('350 in³ at 6000 rpm and all of its filling take 608 cfm', () =>
    expect(inductionFuel({ displacement_in3: 350, peak_rpm: 6000, ve: 1 }).required_cfm).toBeCloseTo(
      607.6,
      1,
    ));
  // A flow at 3 inHg is 1.414 times that at 1.5: makers of carburettors rate two barrels so (from memory).
  test('500 cfm at 3 inHg are 354 at 1.5', () =>
    expect(inductionFuel({ displacement_in3: 350, peak_rpm: 6000, ve: 1, carb: { rated_cfm: 500, ratedAt_inHg: 3 } }).carb!.normalised_cfm).toBeCloseTo(353.6, 1)); // prettier-ignore
  test('bores as new are left as they are', () => {
    const level = { thrust_in: 4.0005, axial_in: 4.0004 };
    const result = boreSurvey({ nominal_in: 4, cylinders: [{ top: level, middle: level, bottom: level }], oversizes_in: [0.03], pistonClearance_in: { min: 0.001, max: 0.003 } }); // prettier-ignore
    expect(result).toMatchObject({ decision: 'hone', verdict: 'ok' });
  });
});

describe('what turns and stops', () => {
  // rpm = mph · ratio · 336 ÷ diameter: the rule of handbooks, whose 336 is 63360 ÷ (60 · π) (published in kind).
  test('60 mph on 28 in and 3.73 is 2686 rpm', () =>
    expect(gearing({ tyre: { diameter_in: 28 }, axleRatio: 3.73, gearRatio: 1, speed_mph: 60 }).engine_rpm).toBeCloseTo((60 * 3.73 * 336.135) / 28, 0)); // prettier-ignore
  // SAE AE-7: joints that are equal and lie the same way cancel (published).
  test('two joints of two degrees cancel', () =>
    expect(driveline({ trans_deg: 3, shaft_deg: 5, pinion_deg: 3, shaftMax_rpm: 3000 })).toMatchObject({ verdict: 'ok', arrangement: 'parallel' })); // prettier-ignore
  // Pascal: areas of one inch and of seven eighths.
  test.each([
    [25.4, 506.7],
    [22.225, 387.9],
    [19.05, 285],
    [15.875, 197.9],
  ])('a bore of %d mm has %d mm²', (masterBore_mm, area) =>
    expect(linePressure({ pedalForce_N: 1, pedalRatio: 1, masterBore_mm }).masterArea_mm2).toBeCloseTo(
      area,
      1,
    ),
  );
  // Limpert, Brake Design and Safety: equal axles brake half and half; with the weight going forward the rear locks first.
  test('equal axles on a car brake too much behind', () => {
    const axle = {
      type: 'disc' as const,
      pistonsPerWheel: 1,
      pistonBore_mm: 48,
      effectiveRadius_mm: 110,
      tyreRadius_mm: 300,
    };
    const result = brakeBias({ pressure_bar: 50, front: axle, rear: axle, mass_kg: 1200, staticFront_pct: 52, cgHeight_mm: 550, wheelbase_mm: 2500 }); // prettier-ignore
    expect(result.frontBias_pct).toBeCloseTo(50, 9);
    expect(result).toMatchObject({ lockFirst: 'rear', verdict: 'fail' });
  });
  test('a car that is even has half of its weight across', () =>
    expect(cornerWeights({ lf_kg: 300, rf_kg: 300, lr_kg: 250, rr_kg: 250 })).toMatchObject({ cross_pct: 50, left_pct: 50, verdict: 'ok' })); // prettier-ignore
});

describe('electricity, paint, money', () => {
  // A capacitor through a resistor stands at 63.2, 86.5, 95.0, 98.2 and 99.3 % after one to five time constants (physics).
  test('three time constants are 95 %', () => {
    const { tau_s, t95_s, t98_s, t99_s } = preCharge({ pack_V: 100, resistor_ohm: 10, capacitance_uF: 1000 });
    expect([t95_s / tau_s, t98_s / tau_s, t99_s / tau_s].map((t) => +t.toFixed(2))).toEqual([3, 3.91, 4.61]);
  });
  // BCI, open-circuit voltages of flooded lead-acid at 27 °C (from memory).
  test.each([
    [12.65, 100],
    [12.45, 75],
    [12.24, 50],
    [12.06, 25],
    [11.89, 0],
  ])('%d V at rest is %d %%', (resting_V, charge) =>
    expect(chargingTest({ resting_V }).stateOfCharge_pct).toBeCloseTo(charge, 6),
  );
  // ISO 3233 and mass balance: a litre of all solids covers 10 m² at 100 µm.
  test('a litre of all solids', () =>
    expect(paintCoverage({ area_m2: 10, dryFilm_um: 100, volumeSolids_pct: 100, loss_pct: 0 })).toMatchObject({ litres: 1, wetFilm_um: 100 })); // prettier-ignore
  // PMBOK Guide, §7.4: half done for half planned at what was planned is on budget and in time (published in kind).
  test('on budget and in time', () =>
    expect(earnedValue({ bac: 200, pv: 100, ev: 100, ac: 100 })).toMatchObject({ cpi: 1, spi: 1, eacCpi: 200, vac: 0, verdict: 'ok' })); // prettier-ignore
  // Malcolm et al. 1959: (a + 4m + b) ÷ 6 and (b − a) ÷ 6 (published).
  test('three points', () =>
    expect(pertPlan({ tasks: [{ optimistic_h: 1, likely_h: 2, pessimistic_h: 9 }] }).tasks[0]).toEqual({ mean_h: 3, sd_h: 8 / 6 })); // prettier-ignore
});
