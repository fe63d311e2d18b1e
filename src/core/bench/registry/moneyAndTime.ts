/** What work costs and how long it takes: repair or replace, three-point hours, earned value, the shop's own calibration; and units. */
import { convert, type ConvertInput } from '../convert.ts';
import { earnedValue } from '../earnedValue.ts';
import { estimateCalibration } from '../estimateCalibration.ts';
import { parseReading } from '../parseReading.ts';
import { pertPlan } from '../pertPlan.ts';
import { repairOrReplace, type RepairOrReplaceInput } from '../repairOrReplace.ts';
import { UNITS } from '../units.ts';
import {
  limitsOf,
  choice,
  describe,
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

const group = 'moneyAndTime';
const pert = published('Three points: Malcolm, Roseboom, Clark & Fazar 1959, Operations Research 7');
const threeOf = (path: string, label: string) => [num(`${path}.optimistic_h`, `${label}, at best`), num(`${path}.likely_h`, 'likely'), num(`${path}.pessimistic_h`, 'at worst')]; // prettier-ignore

const repair = describe({
  name: 'repairOrReplace',
  title: 'Repair or replace',
  group,
  fields: [
    num('rate_per_h', 'An hour costs', { unit: '' }),
    ...threeOf('repairHours', 'Repair'),
    usual('growthFactor', 'Grows once opened, times', 1.15),
    opt('repairMaterials', 'Materials to repair'),
    num('panelPrice', 'New panel'),
    ...threeOf('fittingHours', 'Fitting'),
    opt('fittingMaterials', 'Materials to fit'),
    choice('paintStrategy', 'Finish', { preserve: 'kept, and blended in', repaint: 'painted anew' }),
    num('paintFull', 'Paint, all of it'),
    when('paintStrategy', 'preserve', num('paintBlend', 'Paint, blended in')),
    when('paintStrategy', 'preserve', opt('originalityLoss', 'What losing the original costs')),
    choice(
      'distribution',
      'Hours spread',
      { pert: 'about the likely', triangular: 'as a triangle' },
      { otherwise: 'pert' },
    ),
    choice('plan', 'Planned', { repair: 'repair', replace: 'replace' }, { optional: true }),
    limitsOf(limits.repairOrReplace, {
      clearRepair: 'Repair under a chance of',
      clearReplace: 'Replace over',
      uncertain: 'Hours uncertain over, of the cost',
    }),
  ],
  work: repairOrReplace,
  example: { rate_per_h: 80, repairHours: { optimistic_h: 6, likely_h: 10, pessimistic_h: 20 }, growthFactor: 1.2, repairMaterials: 100, panelPrice: 450, fittingHours: { optimistic_h: 4, likely_h: 5, pessimistic_h: 8 }, paintStrategy: 'preserve', paintFull: 700, paintBlend: 250, originalityLoss: 50, plan: 'repair' } as RepairOrReplaceInput, // prettier-ignore
  shows: [
    ['recommendation', 'Rather'],
    ['repairCost', 'Repair costs', 0],
    ['replaceCost', 'Replacing costs', 0],
    ['probabilityRepairDearer', 'Chance that repair is dearer'],
    ['breakEvenHours_h', 'Even at', 1],
  ],
  sum: (i, r) => [
    `repair ${n(r.repairMeanHours_h, 1)} h · ${n(i.rate_per_h, 0)} + materials + paint = ${n(r.repairCost, 0)}; replace = ${n(r.replaceCost, 0)}`,
  ],
  sources: [pert, practice('Growth 1.15, limits 0.35, 0.65 and 0.5, what costs what')],
  picture: { none: 'two sums and a chance' },
});

const plan = describe({
  name: 'pertPlan',
  title: 'Three-point hours',
  group,
  fields: [
    rows(
      'tasks',
      'Tasks',
      'Task',
      [1, 500],
      [num('optimistic_h', 'At best'), num('likely_h', 'likely'), num('pessimistic_h', 'at worst')],
    ),
    opt('deadline_h', 'Within'),
    limitsOf(limits.pertPlan, { unlikely: 'Unlikely under', tight: 'Tight under' }),
  ],
  work: pertPlan,
  example: { tasks: [{ optimistic_h: 2, likely_h: 4, pessimistic_h: 6 }, { optimistic_h: 5, likely_h: 8, pessimistic_h: 17 }, { optimistic_h: 1, likely_h: 2, pessimistic_h: 9 }], deadline_h: 18 }, // prettier-ignore
  shows: [
    ['total_h', 'Together', 1],
    ['sd_h', 'give or take', 1],
    ['p80_h', 'Four times of five within', 1],
    ['probabilityOnTime', 'Chance to be in time'],
  ],
  sum: (_, r) => [`Σ (a + 4m + b) ÷ 6 = ${n(r.total_h, 1)} h; √Σ ((b − a) ÷ 6)² = ${n(r.sd_h, 1)} h`],
  sources: [pert, practice('Half and four fifths as limits; the sum is only roughly normal')],
  picture: { none: 'a sum and how sure it is' },
});

const earned = describe({
  name: 'earnedValue',
  title: 'Earned value',
  group,
  fields: [
    num('bac', 'Budget of the whole'),
    num('pv', 'Of it planned by now'),
    num('ev', 'Of it done by now'),
    num('ac', 'Spent for that'),
    opt('bottomUpEtc', 'What is left, estimated anew'),
    limitsOf(limits.earnedValue, {
      low: 'Index low under',
      watch: 'looked at under',
      unrealistic: 'Unrealistic over',
    }),
  ],
  work: earnedValue,
  example: { bac: 10_000, pv: 5000, ev: 4000, ac: 5000 },
  shows: [
    ['cpi', 'Done for every 1 spent'],
    ['spi', 'Done for every 1 planned'],
    ['eacCpi', 'It ends at, going on so', 0],
    ['eacBudgetRate', 'at the budget’s rate from now', 0],
    ['eacBottomUp', 'estimated anew', 0],
    ['vac', 'Left of the budget', 0],
    ['tcpiBac', 'To keep it, from now on'],
    ['percentComplete', 'Done (%)', 0],
  ],
  sum: (i, r) => [
    `${n(i.ev, 0)} ÷ ${n(i.ac, 0)} = ${n(r.cpi)}; ${n(i.ev, 0)} ÷ ${n(i.pv, 0)} = ${n(r.spi)}; budget ÷ first = ${n(r.eacCpi, 0)}`,
  ],
  sources: [
    published('Indexes: ANSI/EIA-748; PMBOK Guide, 6th edition, §7.4'),
    practice('0.95, 0.85 and 1.1'),
  ],
  picture: { none: 'indexes; the costs page draws the money' },
});

const calibration = describe({
  name: 'estimateCalibration',
  title: 'The shop’s own calibration',
  group,
  fields: [
    rows(
      'jobs',
      'Jobs that are done',
      'Job',
      [0, 500],
      [text('kind', 'Kind'), num('estimate_h', 'Estimated'), num('actual_h', 'Took')],
    ),
    text('kind', 'New job, kind', { hint: 'as it is called in the jobs above' }),
    num('newEstimate_h', 'New job, estimated'),
    usual('priorMean_ln', 'Before any job, middle (ln)', 0),
    usual('priorSd_ln', 'Before any job, give or take (ln)', 0.3),
    opt('sigma_ln', 'Jobs differ by (ln)'),
    limitsOf(limits.estimateCalibration, { far: 'Far off over, times', some: 'Off over, times' }),
  ],
  work: estimateCalibration,
  example: { kind: 'welding', newEstimate_h: 20, sigma_ln: 0.3, priorSd_ln: 0.3, jobs: [{ kind: 'welding', estimate_h: 10, actual_h: 15 }, { kind: 'welding', estimate_h: 8, actual_h: 12 }, { kind: 'welding', estimate_h: 20, actual_h: 30 }, { kind: 'trim', estimate_h: 5, actual_h: 5 }] }, // prettier-ignore
  shows: [
    ['median_h', 'It will take', 1],
    ['low80_h', 'four times of five from', 1],
    ['high80_h', 'to', 1],
    ['factor', 'Times the estimate'],
    ['n', 'Jobs of this kind', 0],
    ['shrinkage', 'Weight of the jobs, of 1'],
  ],
  sum: (i, r) => [
    `e^${n(r.posteriorMean_ln, 3)} = ${n(r.factor)}; ${n(i.newEstimate_h, 1)} h · ${n(r.factor)} = ${n(r.median_h, 1)} h`,
  ],
  sources: [
    published('Normal prior and likelihood: Gelman et al., Bayesian Data Analysis, chapters 2 and 5'),
    practice('Deviations of 0.3 and 0.35, bands of the factor'),
  ],
  picture: { none: 'a factor and how sure it is' },
});

const UNIT_WORDS = Object.fromEntries(
  Object.values(UNITS).flatMap((of) => Object.keys(of).map((id) => [id, id.replace('_', ' ')])),
);
const units = describe({
  name: 'convert',
  title: 'Units',
  group: 'units',
  fields: [num('value', 'Value'), choice('from', 'In', UNIT_WORDS), choice('to', 'To', UNIT_WORDS)],
  work: convert,
  example: { value: 65, from: 'lbft', to: 'Nm' } as ConvertInput,
  shows: [
    ['value', 'Value', 4],
    ['unit', 'Unit'],
    ['siValue', 'In the base unit', 4],
    ['siUnit', 'Base unit'],
  ],
  sum: (i, r) => [`${n(i.value, 4)} ${i.from} = ${n(r.value, 4)} ${i.to}`],
  sources: [
    published(
      'All factors: NIST SP 811, appendix B; inch and pound of 1959; UK pint and gallon: Units of Measurement Regulations 1995',
    ),
  ],
  picture: { none: 'one number in two units' },
});

const said = describe({
  name: 'parseReading',
  title: 'What a reading means',
  group: 'units',
  fields: [
    text('text', 'Reading as it is said or typed', { hint: '2 1/2 thou, .030, 5/16, nine quarts' }),
    choice(
      'expected',
      'It is of',
      {
        length: 'length',
        torque: 'torque',
        pressure: 'pressure',
        volume: 'volume',
        speed: 'speed',
        mass: 'mass',
        temperature: 'temperature',
      },
      { optional: true },
    ),
    choice('defaultUnit', 'Without a unit it is in', UNIT_WORDS, { optional: true }),
    choice(
      'region',
      'Measures of',
      { us: 'the United States', uk: 'the United Kingdom' },
      { optional: true },
    ),
  ],
  work: parseReading,
  example: { text: '2 1/2 thou' },
  shows: [
    ['value', 'Value', 4],
    ['unit', 'Unit'],
    ['siValue', 'In the base unit', 5],
    ['siUnit', 'Base unit'],
    ['choices.unit', 'May be in'],
    ['choices.siValue', 'which would be', 3],
  ],
  sum: (i, r) =>
    r.value === null ? [] : [`${i.text} = ${n(r.value, 4)} ${r.unit} = ${n(r.siValue, 5)} ${r.siUnit}`],
  sources: [
    published('Factors: NIST SP 811, appendix B'),
    practice('.030 and bare fractions as inches, mil for millimetre in speech'),
  ],
  picture: { none: 'one reading' },
});

export const MONEY_AND_TIME = [repair, plan, earned, calibration];
export const UNIT_SCREENS = [units, said];
