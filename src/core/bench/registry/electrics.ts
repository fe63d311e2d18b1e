/** Electrics of 12 V: battery, drop, drain, fuses, resistors. */
import { chargingTest, type ChargingTestInput } from '../chargingTest.ts';
import { fuseChoice } from '../fuseChoice.ts';
import { parasiticDrain } from '../parasiticDrain.ts';
import { seriesResistor } from '../seriesResistor.ts';
import { voltageDrop } from '../voltageDrop.ts';
import { limitsOf, choice, describe, memory, n, num, opt, practice, published, usual } from './describe.ts';
import * as limits from './limits.ts';

const group = 'lookOver';

const charging = describe({
  name: 'chargingTest',
  title: 'Battery and charging',
  group,
  fields: [
    opt('resting_V', 'At rest', { hint: 'an hour after the engine stopped' }),
    opt('cranking_V', 'While cranking'),
    opt('charging_V', 'Running, nothing on'),
    opt('loaded_V', 'Running, everything on'),
    opt('ripple_mV', 'Ripple (AC)'),
    limitsOf(limits.chargingTest, {
      restingFail_V: 'At rest, not under',
      restingWatch_V: 'looked at under',
      restingHigh_V: 'over',
      crankingFail_V: 'Cranking, not under',
      crankingWatch_V: 'looked at under',
      chargingFail_V: 'Charging, not under',
      chargingWatch_V: 'looked at under',
      chargingMost_V: 'looked at over',
      chargingOver_V: 'not over',
      loadedFail_V: 'Loaded, not under',
      loadedWatch_V: 'looked at under',
      rippleWatch_mV: 'Ripple looked at over',
      rippleFail_mV: 'not over',
    }),
  ],
  work: chargingTest,
  example: {
    resting_V: 12.65,
    cranking_V: 10.1,
    charging_V: 14.2,
    loaded_V: 13.6,
    ripple_mV: 40,
  } as ChargingTestInput,
  shows: [['stateOfCharge_pct', 'Charge', 0], ['bands.resting_V', 'At rest'], ['bands.cranking_V', 'Cranking'], ['bands.charging_V', 'Charging'], ['bands.loaded_V', 'Loaded'], ['bands.ripple_mV', 'Ripple']], // prettier-ignore
  sum: (i, r) =>
    r.stateOfCharge_pct === null
      ? []
      : [`${n(i.resting_V)} V at rest is ${n(r.stateOfCharge_pct, 0)} % between the points of the table`],
  sources: [
    memory('Charge by voltage at 27 °C, flooded lead: values of the BCI'),
    published('9.6 V while cranking: idea of SAE J537, applied here as common practice'),
    practice('Bands of charging and ripple'),
  ],
  cautions: ['battery'],
  picture: { none: 'five voltages, each with its own band' },
});

const drop = describe({
  name: 'voltageDrop',
  title: 'Voltage drop and wire size',
  group,
  fields: [
    num('current_A', 'Current'),
    num('length_m', 'Length, one way'),
    choice('returnPath', 'Returns by', { wire: 'a wire', chassis: 'the body' }, { otherwise: 'wire' }),
    usual('system_V', 'System', 12),
    usual('maxDrop_pct', 'Drop allowed', 3),
    usual('conductor_C', 'Wire is at', 20, 'published'),
    opt('area_mm2', 'Wire that is there'),
    opt('awg', 'or its AWG', { hint: '0 to −3 for 1/0 to 4/0' }),
    limitsOf(limits.voltageDrop, { near: 'Close, of the drop allowed' }),
  ],
  work: voltageDrop,
  example: { current_A: 10, length_m: 5, area_mm2: 2.5 },
  shows: [['requiredArea_mm2', 'Needed'], ['recommended_mm2', 'Take'], ['recommendedAwg', 'or AWG', 0], ['resistance_ohm', 'Resistance', 4], ['drop_V', 'It drops'], ['drop_pct', 'which is', 1], ['loss_W', 'Lost', 1]], // prettier-ignore
  sum: (i, r) => [
    `area = ρ·length·current ÷ drop = ${n(r.rho_ohm_mm2_per_m, 5)} · ${n(i.length_m)} m ${i.returnPath === 'chassis' ? '' : '· 2 '}· ${n(i.current_A)} A = ${n(r.requiredArea_mm2)} mm²`,
    ...(r.drop_V === null
      ? []
      : [`drop = ${n(r.resistance_ohm, 4)} Ω · ${n(i.current_A)} A = ${n(r.drop_V)} V`]),
  ],
  right: (_, r) =>
    r.recommended_mm2 === null
      ? []
      : [`Take ${n(r.recommended_mm2)} mm²${r.recommendedAwg === null ? '' : ` (AWG ${r.recommendedAwg})`}.`],
  sources: [
    published('Copper: IEC 60028'),
    published('AWG: ASTM B258'),
    memory('Metric sizes: ISO 6722, ISO 19642'),
    practice('3 % of drop'),
  ],
  picture: { none: 'a wire has no shape that matters here' },
});

const drain = describe({
  name: 'parasiticDrain',
  title: 'Drain while parked',
  group,
  fields: [num('drain_mA', 'Drain, all asleep'), num('capacity_Ah', 'Battery'), usual('stateOfCharge_pct', 'Charged to', 100), usual('minimumCharge_pct', 'Not below', 50), usual('selfDischarge_pct_per_month', 'Loses by itself', 5), limitsOf(limits.parasiticDrain, { raised_mA: 'Raised from', high_mA: 'High from' })], // prettier-ignore
  work: parasiticDrain,
  example: { drain_mA: 50, capacity_Ah: 60, selfDischarge_pct_per_month: 0 },
  shows: [
    ['days', 'It stands for', 0],
    ['perDay_Ah', 'A day takes'],
    ['usable_Ah', 'There is'],
  ],
  sum: (_, r) => [`${n(r.usable_Ah)} Ah ÷ ${n(r.perDay_Ah)} Ah a day = ${n(r.days, 0)} days`],
  sources: [practice('50 and 100 mA, half a charge, five per cent a month')],
  cautions: ['battery'],
  picture: { none: 'a current and a time' },
});

const fuse = describe({
  name: 'fuseChoice',
  title: 'Fuse for a wire',
  group,
  fields: [num('load_A', 'Load'), opt('wire_mm2', 'Wire'), opt('ampacity_A', 'or what it may carry'), usual('loadFactor', 'Fuse loaded to', 0.8), usual('bundleFactor', 'In a bundle', 1), opt('fitted_A', 'Fuse that is there'), limitsOf(limits.fuseChoice, { near: 'Close, of what the wire carries' })], // prettier-ignore
  work: fuseChoice,
  example: { load_A: 12, wire_mm2: 1.5 },
  shows: [['chosenFuse_A', 'Take', 1], ['minFuse_A', 'At least', 1], ['maxFuse_A', 'At most', 1], ['ampacity_A', 'Wire carries', 1], ['minimumWire_mm2', 'Thinnest wire']], // prettier-ignore
  sum: (i, r) => [
    `load ÷ share = ${n(i.load_A)} ÷ ${n(i.loadFactor ?? 0.8)} → at least ${n(r.minFuse_A)} A; the wire allows ${n(r.maxFuse_A)} A`,
  ],
  right: (_, r) =>
    r.chosenFuse_A === null
      ? r.minimumWire_mm2 === null
        ? []
        : [`Lay ${n(r.minimumWire_mm2)} mm² and fuse it with ${n(r.minFuse_A)} A.`]
      : [`Fit ${n(r.chosenFuse_A)} A.`],
  sources: [
    published('Blade fuses: ISO 8820-3'),
    memory('Larger ones: ISO 8820-4, -5'),
    practice('What thin-wall wire carries; four fifths of a fuse'),
  ],
  picture: { none: 'a rating and a wire' },
});

const resistor = describe({
  name: 'seriesResistor',
  title: 'Resistor in series',
  group,
  fields: [
    num('supply_V', 'Supply'),
    num('device_V', 'Device'),
    num('device_A', 'takes'),
    opt('resistorRating_W', 'Resistor that is there'),
    limitsOf(limits.seriesResistor, { hot: 'Hot, of its rating', over: 'Rated for, times the heat' }),
  ],
  work: seriesResistor,
  example: { supply_V: 13.8, device_V: 6, device_A: 0.25 },
  shows: [['standard_ohm', 'Take', 1], ['resistance_ohm', 'Worked out', 1], ['power_W', 'It turns into heat'], ['recommendedRating_W', 'Rated for', 1], ['currentWithStandard_A', 'Then it flows', 3]], // prettier-ignore
  sum: (i, r) => [
    `(${n(i.supply_V)} − ${n(i.device_V)}) ÷ ${n(i.device_A, 3)} = ${n(r.resistance_ohm, 1)} Ω; heat ${n(r.power_W)} W`,
  ],
  right: (_, r) => [`Take ${n(r.standard_ohm, 1)} Ω, rated for ${n(r.recommendedRating_W, 1)} W.`],
  sources: [published('E24: IEC 60063'), practice('Twice the heat as its rating')],
  picture: { none: 'two parts in a row' },
});

export const ELECTRICS = [charging, drop, drain, fuse, resistor];
