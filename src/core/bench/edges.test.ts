/**
 * Where verdicts turn: each limit from both sides and upon itself. A limit lets a value through by 1e-9; what lies upon it is good.
 */
import { describe, expect, test } from '@jest/globals';
import * as bench from './index.ts';
import type { Judged } from './input.ts';

type Row = [name: string, base: object, field: string, at: [value: number, code: string][]];

/** Puts a value at a dotted path. */
function withAt(base: object, path: string, value: number): object {
  const copy = structuredClone(base) as Record<string, unknown>;
  const steps = path.split('.');
  let at = copy;
  for (const step of steps.slice(0, -1)) at = at[step] as Record<string, unknown>;
  at[steps.at(-1)!] = value;
  return copy;
}

const drive = { trans_deg: 3, shaft_deg: 5, pinion_deg: 3, shaftMax_rpm: 2000 };
const battery = {};
const corner = { lf_kg: 300, rf_kg: 300, lr_kg: 300, rr_kg: 300 };
const ride = { lf_mm: 600, rf_mm: 600, lr_mm: 600, rr_mm: 600, specFront_mm: 600, specRear_mm: 600 };
const paint = { air_C: 20, rh_pct: 50, surface_C: 20 };
const wheel = { oldWidth_in: 7, oldOffset_mm: 0, newWidth_in: 7, newOffset_mm: 0, innerClearance_mm: 20, outerClearance_mm: 20 }; // prettier-ignore
const charge = { pack_V: 400, resistor_ohm: 100, capacitance_uF: 1000, resistorPulse_J: 100 };
const gaps = { targetGap_mm: 4, edgeA: [{ gap_mm: 4 }] };
const value = { bac: 1000, pv: 500, ev: 500, ac: 500 };
const iso = { workingVoltage_V: 400, bus: 'dc', method: 'direct', rPos_ohm: 1e6, rNeg_ohm: 1e6 };
const spring = { wheelLoad_kg: 400, area_cm2: 100 };
const cells = {
  chemistry: 'nmc',
  kind: 'cells',
  readings_V: [3.7, 3.7, 3.7, 3.7, 3.7, 3.7],
  packReading_V: 22.2,
};

const ROWS: Row[] = [
  ['driveline', { ...drive, trans_deg: 0, pinion_deg: 0 }, 'shaft_deg', [[0.4, 'needle_min,needle_min'], [0.5, 'angle_low,angle_low'], [0.9, 'angle_low,angle_low'], [1, ''], [3, ''], [3.1, 'angle_over_3,angle_over_3'], [9, 'angle_over_table,angle_over_table,inertial_drive,inertial_coast']]],
  ['driveline', { ...drive, trans_deg: 0, shaft_deg: 2 }, 'pinion_deg', [[0, ''], [0.5, ''], [0.6, 'cancel_watch'], [1, 'cancel_watch'], [-1.1, 'angle_over_3,cancel_fail']]],
  ['chargingTest', battery, 'resting_V', [[12.05, 'resting_low'], [12.06, 'resting_low'], [12.39, 'resting_low'], [12.4, ''], [12.9, ''], [12.91, 'surface_charge']]],
  ['chargingTest', battery, 'cranking_V', [[8.9, 'cranking_low'], [9, 'cranking_low'], [9.6, '']]],
  ['chargingTest', battery, 'charging_V', [[13.1, 'charging_low'], [13.2, 'charging_low'], [13.8, ''], [14.8, ''], [15, 'charging_high'], [15.1, 'charging_high']]],
  ['chargingTest', battery, 'loaded_V', [[12.7, 'loaded_low'], [12.8, 'loaded_low'], [13.2, '']]],
  ['chargingTest', battery, 'ripple_mV', [[100, ''], [101, 'ripple_high_diode'], [500, 'ripple_high_diode'], [501, 'ripple_high_diode']]],
  ['parasiticDrain', { capacity_Ah: 60 }, 'drain_mA', [[50, ''], [51, 'drain_raised'], [100, 'drain_raised'], [101, 'drain_high']]],
  ['parasiticDrain', { capacity_Ah: 60, drain_mA: 20 }, 'stateOfCharge_pct', [[51, ''], [50, 'already_at_minimum'], [20, 'already_at_minimum']]],
  ['cornerWeights', corner, 'lf_kg', [[300, ''], [312, ''], [313, 'cross_weight_marginal'], [340, 'cross_weight_off'], [0, 'corner_unloaded,cross_weight_off,side_bias']]],
  ['rideHeight', ride, 'lf_mm', [[606, ''], [607, 'front_side_difference'], [612, 'front_side_difference'], [613, 'front_side_difference'], [622, 'front_side_difference,front_height_out_of_spec']]],
  ['paintCheck', paint, 'surface_C', [[12.1, 'surface_too_close_to_dew_point'], [13.2, 'dew_margin_small'], [13.3, ''], [35, ''], [35.1, 'surface_too_hot']]],
  ['paintCheck', { ...paint, surface_C: 30 }, 'rh_pct', [[85, ''], [85.1, 'humidity_too_high']]],
  ['blastToPrime', { rh_pct: 50 }, 'hoursSinceBlast_h', [[6, ''], [6.1, 'deadline_near'], [8, 'deadline_near'], [8.1, 'deadline_passed']]],
  ['blastToPrime', { hoursSinceBlast_h: 1.5 }, 'rh_pct', [[50, ''], [70, ''], [85, ''], [85.1, 'humidity_too_high']]],
  ['paintCoverage', { area_m2: 1, dryFilm_um: 50, volumeSolids_pct: 50 }, 'loss_pct', [[60, ''], [61, 'loss_unusually_high']]],
  ['paintTimers', { touchDry_h: 4 }, 'actual_C', [[10, ''], [9.9, 'below_product_minimum_no_cure'], [30, ''], [31, 'recoat_window_halved']]],
  ['paintTimers', { touchDry_h: 4, minProduct_C: 0 }, 'actual_C', [[10, ''], [9, 'cure_more_than_doubled']]],
  ['wheelFit', wheel, 'newOffset_mm', [[0, ''], [14, ''], [15, 'inner_clearance_small'], [20, 'inner_contact'], [-14, ''], [-15, 'outer_clearance_small'], [-20, 'outer_contact']]],
  ['preCharge', charge, 'resistorPulse_J', [[100, ''], [99, 'resistor_energy_near_limit'], [80, 'resistor_energy_near_limit'], [79, 'resistor_energy_exceeded']]],
  ['preCharge', charge, 'resistor_ohm', [[1600, ''], [1700, 'precharge_slow']]],
  ['isolation', iso, 'rNeg_ohm', [[39_999, 'isolation_too_low'], [40_000, 'isolation_marginal'], [79_999, 'isolation_marginal'], [80_000, '']]],
  ['panelGaps', gaps, 'edgeA.0.gap_mm', [[4, ''], [5, ''], [5.1, 'gap_out_of_tolerance'], [6, 'gap_out_of_tolerance'], [6.1, 'gap_out_of_tolerance'], [0, 'panels_touch,gap_out_of_tolerance']]],
  ['earnedValue', value, 'ac', [[500, ''], [526, ''], [527, 'cpi_low'], [588, 'cpi_low,tcpi_unrealistic'], [1000, 'cpi_low,budget_spent_work_left']]],
  ['earnedValue', value, 'pv', [[500, ''], [526, ''], [527, 'spi_low'], [589, 'spi_low']]],
  ['airSpring', spring, 'wheelLoad_kg', [[35, 'pressure_under_minimum'], [36, ''], [633, ''], [634, 'pressure_near_maximum'], [703, 'pressure_near_maximum'], [704, 'pressure_over_maximum']]],
  ['airSpring', spring, 'measured_kPa', [[392, ''], [431, ''], [432, 'measured_pressure_differs']]],
  ['tapSurvey', cells, 'readings_V.2', [[3.7, ''], [3.72, 'outlier_cells'], [3.721, 'spread_wide,outlier_cells'], [3.75, 'spread_wide,outlier_cells'], [3.751, 'spread_too_wide,outlier_cells'], [4.251, 'cell_over_maximum,spread_too_wide,outlier_cells,sum_differs'], [-3.7, 'cell_reversed_or_zero,sum_differs_by_a_cell']]],
  ['tapSurvey', cells, 'packReading_V', [[22.2, ''], [22.31, ''], [22.4, 'sum_differs'], [25, 'sum_differs_by_a_cell']]],
  ['linePressure', { pedalRatio: 6, masterBore_mm: 20 }, 'pedalForce_N', [[0, 'no_pedal_force'], [500, ''], [640, 'pressure_near_limit'], [740, 'pressure_over_limit']]],
  ['fuseChoice', { wire_mm2: 1.5 }, 'load_A', [[12, ''], [16, ''], [17, 'wire_too_thin_for_fuse'], [25, 'wire_too_thin_for_fuse']]],
  ['fuseChoice', { wire_mm2: 1.5, load_A: 12 }, 'fitted_A', [[15, ''], [20, ''], [25, 'fitted_fuse_does_not_protect_wire'], [14, 'fitted_fuse_will_age'], [10, 'fitted_fuse_below_load']]],
  ['voltageDrop', { length_m: 5, area_mm2: 2.5 }, 'current_A', [[4, ''], [4.3, 'drop_near_limit'], [5.2, 'drop_near_limit'], [5.3, 'drop_too_large']]],
  ['seriesResistor', { supply_V: 12, device_V: 6, device_A: 0.5 }, 'resistorRating_W', [[6, ''], [5.9, 'resistor_runs_hot'], [3, 'resistor_runs_hot'], [2.9, 'resistor_overloaded']]],
  ['componentDate', { component_date: '1966-08-01', modelYear: 1967, stampedSerial: '1', vehicleSerial: '1' }, 'usualLead_days', [[180, ''], [0, '']]],
  ['tyreChange', { fitted: '200/50R16', proposed: '200/50R16' }, 'indicated_kmh', [[100, '']]],
]; // prettier-ignore

const bands = ROWS.flatMap(([name, base, field, all]) =>
  all.map(([at, codes]) => [name, base, field, at, codes] as const),
);

test.each(bands)('%s: %o, %s at %d says “%s”', (name, base, field, at, codes) => {
  const work = (bench as never as Record<string, (input: object) => Judged>)[name]!;
  const { reasons, verdict } = work(withAt(base, field, at));
  const said = reasons.filter((r) => r.level !== 'info');
  expect(said.map((r) => r.code).join()).toBe(codes);
  expect(verdict).toBe(said.some((r) => r.level === 'fail') ? 'fail' : said.length > 0 ? 'watch' : 'ok');
});

describe('by words', () => {
  test.each([
    ['205/55R16', ''],
    ['205/57R16', ''],
    ['205/60R16', 'diameter_change_over_3pct,speedo_under_reads'],
    ['205/50R16', 'diameter_change_over_3pct'],
    ['215/55R16', 'diameter_change_over_1_5pct,speedo_under_reads'],
    ['205/55R15', 'diameter_change_over_3pct,different_rim_diameter'],
  ])('from 205/55R16 to %s: “%s”', (proposed, codes) =>
    expect(bench.tyreChange({ fitted: '205/55R16', proposed }).reasons.map((r) => r.code).filter((c) => c !== 'speedo_under_reads' || codes.includes(c)).join()).toBe(codes)); // prettier-ignore

  test.each([
    ['1966-08-01', 'consistent', 0],
    ['1967-07-31', 'consistent', 0],
    ['1967-08-01', 'later_replacement_likely', 1],
    ['1966-02-02', 'consistent', 0],
    ['1966-02-01', 'inconclusive', 1],
    ['1965-08-01', 'inconclusive', 1],
    ['1965-07-31', 'older_unit_likely', 1],
  ])('of a car of 1967, made on %s: %s', (component_date, conclusion, reasons) => {
    const result = bench.componentDate({
      component_date,
      modelYear: 1967,
      stampedSerial: '7',
      vehicleSerial: '7',
    });
    expect(result.conclusion).toBe(conclusion);
    expect(
      result.reasons.filter((r) => r.code !== 'number_matches_but_date_does_not_restamp_possible'),
    ).toHaveLength(reasons);
  });
});
