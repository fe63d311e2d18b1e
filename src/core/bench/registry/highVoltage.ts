/** Packs: cell taps, pre-charge, contactors, isolation. Every one of them with the cautions of high voltage. */
import { contactorSequence, CONTACTOR_STEPS, type ContactorSequenceInput } from '../contactorSequence.ts';
import { isolation, type IsolationInput } from '../isolation.ts';
import { preCharge } from '../preCharge.ts';
import { tapSurvey } from '../tapSurvey.ts';
import {
  limitsOf,
  cells,
  choice,
  derived,
  describe,
  memory,
  n,
  num,
  opt,
  practice,
  published,
  rows,
  text,
  usual,
  when,
} from './describe.ts';
import * as limits from './limits.ts';

const group = 'highVoltage';
const cautions = ['highVoltage'] as const;
const hazard = published('60 V DC, 30 V AC: UNECE R100, ISO 6469-3');

export const STEP_WORDS: Readonly<Record<string, string>> = {
  closeNegative: 'negative closed',
  closePrecharge: 'pre-charge closed',
  verifyBus: 'bus measured',
  closePositive: 'positive closed',
  openPrecharge: 'pre-charge opened',
  openAll: 'all opened',
};

const taps = describe({
  name: 'tapSurvey',
  title: 'Cell taps',
  group,
  fields: [
    choice('kind', 'Measured', {
      cumulative: 'each tap against the pack’s negative',
      cells: 'each cell by itself',
    }),
    choice('chemistry', 'The cells are', {
      nmc: 'lithium, nickel or cobalt (NMC, NCA)',
      lfp: 'lithium iron phosphate (LFP)',
      lto: 'lithium titanate (LTO)',
      nimh: 'nickel metal hydride',
    }),
    cells('readings_V', 'Readings', 'Tap', [2, 400]),
    opt('packReading_V', 'The pack itself'),
    opt('cellMin_V', 'By its sheet, a cell from'),
    opt('cellMax_V', 'to'),
    usual('spreadWatch_mV', 'Spread looked at from', 20),
    usual('spreadFail_mV', 'not allowed from', 50),
    usual('resolution_mV', 'The meter shows', 1),
    usual('packTolerance_pct', 'Sum may differ by', 0.5),
    limitsOf(limits.tapSurvey, { stepNone: 'No step under, of the usual', stepDoubled: 'Double step from' }),
  ],
  work: tapSurvey,
  example: { kind: 'cumulative', chemistry: 'nmc', readings_V: [3.7, 7.4, 14.8, 11.1, 18.5, 22.2], packReading_V: 22.2 } as Parameters<typeof tapSurvey>[0], // prettier-ignore
  shows: [
    ['misplacedTaps', 'Out of place', 0],
    ['faults.tap', 'Taps at fault', 0],
    ['outliers', 'Unlike the others', 0],
    ['min_V', 'Lowest', 3],
    ['minTap', 'at tap', 0],
    ['max_V', 'Highest', 3],
    ['maxTap', 'at tap', 0],
    ['mean_V', 'Mean', 3],
    ['spread_mV', 'Spread', 0],
    ['total_V', 'Together', 2],
    ['difference_V', 'off the pack', 2],
  ],
  sum: (_, r) => [
    `spread = ${n(r.max_V, 3)} − ${n(r.min_V, 3)} V = ${n(r.spread_mV, 0)} mV over ${r.cellsUsed} cells; deviation ${n(r.sigma_mV, 1)} mV`,
  ],
  right: (_, r) =>
    r.misplacedTaps.length === 0
      ? []
      : [`Check taps ${r.misplacedTaps.join(' and ')}${r.misplacedTaps.length === 2 ? ': swapped?' : '.'}`],
  sources: [
    published('Outliers above 3.5: Iglewicz & Hoaglin 1993'),
    hazard,
    practice('Spread, 0.5 % of the pack: the maker’s data go first'),
    memory(
      'Limits of a cell by what it is: NMC 2.5 to 4.25 V, LFP 2.5 to 3.65, LTO 1.5 to 2.8, NiMH 0.9 to 1.6; its sheet goes first',
    ),
  ],
  cautions,
  picture: 'taps',
});

const charge = describe({
  name: 'preCharge',
  title: 'Pre-charge',
  group,
  fields: [
    num('pack_V', 'Pack'),
    num('resistor_ohm', 'Resistor'),
    num('capacitance_uF', 'Capacitance of the bus'),
    opt('initialBus_V', 'Bus before', { otherwise: 0 }),
    usual('target_pct', 'Close at', 95),
    opt('resistorPulse_J', 'Resistor bears, by its sheet'),
    usual('timeMax_s', 'Within', 5),
    opt('bus_V', 'Bus now'),
    opt('elapsed_s', 'after'),
    limitsOf(limits.preCharge, {
      nearEnergy: 'Close, of what the resistor bears',
      ahead: 'Too fast, share of the pack ahead',
      stopAfter: 'Stop after so many times',
    }),
  ],
  spec: ['pack_V', 'resistor_ohm', 'capacitance_uF', 'resistorPulse_J'],
  work: preCharge,
  example: { pack_V: 400, resistor_ohm: 100, capacitance_uF: 1000 },
  shows: [['closeAllowed', 'Main may close'], ['tTarget_s', 'It takes', 2], ['tau_s', 'Time constant', 3], ['peakCurrent_A', 'At first it draws', 1], ['peakPower_W', 'and heats with', 0], ['resistorEnergy_J', 'Resistor takes', 0], ['busEnergy_J', 'Bus holds', 0]], // prettier-ignore
  sum: (i, r) => [
    `τ = R·C = ${n(i.resistor_ohm, 0)} · ${n(i.capacitance_uF, 0)} µF = ${n(r.tau_s, 3)} s`,
    `to ${n(i.target_pct ?? 95, 1)} %: ${n(r.tTarget_s, 2)} s; resistor ½CV² = ${n(r.resistorEnergy_J, 0)} J`,
  ],
  right: (i, r) =>
    r.closeAllowed === false && r.verdict === 'watch' && r.tTarget_s > (i.elapsed_s ?? 0)
      ? [`Wait ${n(r.tTarget_s - (i.elapsed_s ?? 0), 2)} s more, then measure the bus again.`]
      : [],
  sources: [
    derived('Charging through a resistor, ½CV²: physics'),
    practice('95 %, three times the time, four fifths of what the resistor bears, five seconds'),
  ],
  cautions,
  picture: 'preCharge',
});

const contactors = describe({
  name: 'contactorSequence',
  title: 'Contactors, in order',
  group,
  before: 'A record of who did what. It controls nothing.',
  fields: [
    num('pack_V', 'Pack'),
    usual('target_pct', 'Close at', 95),
    rows(
      'events',
      'Steps',
      'Step',
      [0, 200],
      [
        choice('step', 'Step', STEP_WORDS),
        text('signedBy', 'Signed by', { optional: true }),
        opt('bus_V', 'Bus'),
        text('at', 'At', { optional: true }),
      ],
    ),
  ],
  work: contactorSequence,
  example: { pack_V: 360, events: CONTACTOR_STEPS.map((step) => ({ step, signedBy: 'A', ...(step === 'verifyBus' ? { bus_V: 345 } : {}) })) } as ContactorSequenceInput, // prettier-ignore
  shows: [
    ['completed', 'Done'],
    ['next', 'Next'],
    ['closed.negative', 'Negative closed'],
    ['closed.precharge', 'Pre-charge closed'],
    ['closed.positive', 'Positive closed'],
    ['refused.why', 'Refused'],
  ],
  sum: (i) => [
    `bus at least ${n(i.target_pct ?? 95, 1)} % of ${n(i.pack_V, 0)} V = ${n(((i.target_pct ?? 95) / 100) * i.pack_V, 0)} V`,
  ],
  sources: [practice('Order of the steps, 95 %: the maker’s order goes first'), hazard],
  cautions,
  picture: { none: 'five steps, each with its own row' },
});

const isolate = describe({
  name: 'isolation',
  title: 'Isolation',
  group,
  fields: [
    num('workingVoltage_V', 'Working voltage'),
    choice('bus', 'Bus', { dc: 'DC', ac: 'AC', combined: 'both' }),
    choice('method', 'Measured', {
      direct: 'with an insulation meter',
      voltmeter: 'with a voltmeter and a resistor',
    }),
    when('method', 'direct', num('rPos_ohm', 'Positive to the body')),
    when('method', 'direct', num('rNeg_ohm', 'Negative to the body')),
    when('method', 'voltmeter', num('vNeg_V', 'Negative to the body')),
    when('method', 'voltmeter', num('vPos_V', 'Positive to the body')),
    when('method', 'voltmeter', num('vPrime_V', 'The higher, with the resistor across')),
    when('method', 'voltmeter', num('r0_ohm', 'Resistor')),
    limitsOf(limits.isolation, { marginal: 'Close, times the limit', sum_pct: 'Sides may not add up by' }),
  ],
  spec: ['workingVoltage_V', 'bus'],
  work: isolation,
  example: {
    workingVoltage_V: 360,
    bus: 'dc',
    method: 'direct',
    rPos_ohm: 500_000,
    rNeg_ohm: 36_000,
  } as IsolationInput,
  shows: [
    ['ohmsPerVolt', 'Ω for every volt', 0],
    ['limit_ohmsPerVolt', 'At least', 0],
    ['isolation_ohm', 'Isolation', 0],
    ['hazardous', 'Hazardous voltage'],
  ],
  sum: (i, r) => [
    `${n(r.isolation_ohm, 0)} Ω ÷ ${n(i.workingVoltage_V, 0)} V = ${n(r.ohmsPerVolt, 0)} Ω/V (at least ${r.limit_ohmsPerVolt})`,
  ],
  sources: [
    published('100 and 500 Ω/V, method: UNECE R100, ISO 6469-3 (annex number from memory)'),
    practice('Twice the limit as a warning, 5 % between voltages'),
  ],
  cautions,
  picture: { none: 'a resistance; there is nothing to draw' },
});

export const HIGH_VOLTAGE = [taps, charge, contactors, isolate];
