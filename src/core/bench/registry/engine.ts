/** The engine on its stand: bores, big ends, ratio and pushrods, induction, fasteners. */
import { bigEnd } from '../bigEnd.ts';
import { boreSurvey } from '../boreSurvey.ts';
import { compressionRatio } from '../compressionRatio.ts';
import { fastener, type FastenerInput } from '../fastener.ts';
import { inductionFuel } from '../inductionFuel.ts';
import {
  limitsOf,
  choice,
  derived,
  describe,
  memory,
  n,
  num,
  numbers,
  opt,
  part,
  practice,
  published,
  rows,
  several,
  tick,
  usual,
  cells,
  when,
  fixed,
} from './describe.ts';
import * as limits from './limits.ts'; // prettier-ignore

const group = 'engine';
const LEVELS = [['top', 'Top'], ['middle', 'Middle'], ['bottom', 'Bottom']] as const; // prettier-ignore

const bores = describe({
  name: 'boreSurvey',
  title: 'Bores',
  group,
  before: 'Clean and at the warmth of the room. Across the crank first, then along it; top, middle, bottom.',
  fields: [
    num('nominal_in', 'Bore when new'),
    rows(
      'cylinders',
      'Cylinders',
      'Cylinder',
      [1, 16],
      LEVELS.flatMap(([at, word]) => [
        num(`${at}.thrust_in`, `${word}, across the crank`),
        num(`${at}.axial_in`, `${word}, along it`),
      ]),
    ),
    numbers('oversizes_in', 'Oversizes that can be had', { hint: 'as in 0.020 0.030 0.040' }),
    num('pistonClearance_in.min', 'Piston clearance from', { unit: 'in' }),
    num('pistonClearance_in.max', 'to', { unit: 'in' }),
    cells('newPistons_in', 'New pistons, measured', 'Piston', [1, 16], {
      optional: true,
      hint: 'none: they are not in hand',
    }),
    opt('existingPiston_in', 'Piston that is there'),
    opt('maxOversize_in', 'The wall allows'),
    usual('taperLimit_in', 'Taper allowed', 0.005, 'from memory'),
    usual('outOfRoundLimit_in', 'Out of round allowed', 0.003, 'from memory'),
    opt('honeAllowance_in', 'Left to hone'),
    opt('cleanupHone_in', 'Honed to clean up'),
    limitsOf(limits.boreSurvey, {
      below_in: 'Under the new bore by',
      pistonOff_in: 'A piston off its oversize by',
    }),
  ],
  spec: ['nominal_in', 'oversizes_in', 'pistonClearance_in.min', 'pistonClearance_in.max', 'maxOversize_in'],
  work: boreSurvey,
  example: {
    nominal_in: 4,
    cylinders: [
      { top: { thrust_in: 4.0082, axial_in: 4.0051 }, middle: { thrust_in: 4.004, axial_in: 4.003 }, bottom: { thrust_in: 4.0007, axial_in: 4.0006 } },
      { top: { thrust_in: 4.006, axial_in: 4.0035 }, middle: { thrust_in: 4.003, axial_in: 4.002 }, bottom: { thrust_in: 4.0008, axial_in: 4.0007 } },
    ],
    oversizes_in: [0.06, 0.02, 0.03, 0.04],
    pistonClearance_in: { min: 0.0015, max: 0.0025 },
    newPistons_in: [4.0181, 4.0179],
  }, // prettier-ignore
  shows: [
    ['decision', 'What to do'],
    ['cylinders.wear_in', 'Wear', 4],
    ['cylinders.taper_in', 'Taper', 4],
    ['cylinders.outOfRound_in', 'Out of round', 4],
    ['oversize_in', 'Next oversize', 3],
    ['targetBore_in', 'Bore to', 4],
    ['boreBarTo_in', 'Bar to', 4],
    ['finishHoneTo_in', 'Hone to', 4],
    ['boringAllowed', 'Bore now'],
  ],
  sum: (i, r) => [
    `wear of cylinder ${r.worstCylinder} = ${n(r.maxDiameter_in, 4)} − ${n(i.nominal_in, 4)} = ${n(r.maxDiameter_in - i.nominal_in, 4)} in`,
    `worst taper ${n(r.worstTaper_in, 4)} in, worst out of round ${n(r.worstOutOfRound_in, 4)} in`,
    ...(r.oversize_in === null
      ? []
      : [
          `next oversize ${n(r.oversize_in, 3)} in: ${n(i.nominal_in, 3)} + ${n(r.oversize_in, 3)} = ${n(r.targetBore_in, 4)} in`,
        ]),
  ],
  right: (_, r) =>
    r.decision === 'bore'
      ? [
          `Bore all to ${n(r.oversize_in, 3)} in over${r.boringAllowed ? '' : ', once the pistons are in hand and measured'}.`,
        ]
      : [r.decision === 'hone' ? 'Honing will do.' : 'Sleeve it.'],
  sources: [
    published('Taper, out of round and wear: engine-rebuilding textbooks, in kind'),
    derived('A bar on the old axis must cut twice the one-sided wear'),
    memory('Taper 0.005 and out of round 0.003 in: US shop manuals of the 1950s to 70s'),
    practice('What is left to hone, clean-up, pistons in hand before boring'),
  ],
  picture: 'bores',
});

const rods = describe({
  name: 'bigEnd',
  title: 'Big end of a rod',
  group,
  before: 'Cap on and torqued as in the engine, no shells in. Angles from the rod’s own line.',
  fields: [
    num('housingMin_in', 'Housing from'),
    num('housingMax_in', 'to'),
    rows('readings', 'Readings', 'Reading', [2, 24], [num('angle_deg', 'At'), num('dia_in', 'Diameter')]),
    opt('outOfRoundLimit_in', 'Out of round allowed'),
    opt('finish_in', 'Finish at'),
    opt('honeStock_in', 'Left to hone'),
    opt('maxCutPerFace_in', 'Off a face, at most'),
    opt('capShare', 'Of the cut, off the cap'),
    part('oil', 'Oil clearance', [
      num('shellThickness_in', 'Shell'),
      num('journal_in', 'Journal'),
      opt('housing_in', 'Housing, where it is another'),
    ]),
    limitsOf(limits.bigEnd, {
      oilLeast: ['Clearance of the journal, from', 'from memory'],
      oilMost: ['to', 'from memory'],
      oilMiddle: ['in the middle', 'from memory'],
      oilBearable: 'still bearable from',
      oilOver_in: 'and over by',
    }),
  ],
  spec: ['housingMin_in', 'housingMax_in', 'outOfRoundLimit_in'],
  work: bigEnd,
  example: { housingMin_in: 2.2247, housingMax_in: 2.2252, readings: [{ angle_deg: 0, dia_in: 2.225 }, { angle_deg: 45, dia_in: 2.2249 }, { angle_deg: -45, dia_in: 2.225 }, { angle_deg: 80, dia_in: 2.2248 }], oil: { shellThickness_in: 0.06152, journal_in: 2.1 } }, // prettier-ignore
  shows: [
    ['decision', 'What to do'],
    ['outOfRound_in', 'Out of round', 4],
    ['oversize_in', 'Over the largest allowed', 4],
    ['capCut_in', 'Off the cap', 4],
    ['rodCut_in', 'Off the rod', 4],
    ['afterCut_in', 'Readings after the cut', 4],
    ['ctcChange_in', 'Rod shorter by', 4],
    ['oil.clearance_in', 'Oil clearance', 4],
    ['oil.relativeLeakage', 'Oil it lets through, of the middle', 1],
  ],
  sum: (_, r) => [
    `out of round = largest − smallest = ${n(r.outOfRound_in, 4)} in`,
    ...(r.totalCut_in > 0
      ? [
          `cut ${n(r.capCut_in, 4)} off the cap + ${n(r.rodCut_in, 4)} off the rod = ${n(r.totalCut_in, 4)} in; a diameter at φ closes by cut · cos φ`,
        ]
      : []),
  ],
  right: (_, r) =>
    r.totalCut_in > 0
      ? [
          `Cut ${n(r.capCut_in, 4)} in off the cap and ${n(r.rodCut_in, 4)} in off the rod, then hone to ${n(r.finish_in, 4)} in.`,
        ]
      : [],
  sources: [
    derived('A cut c closes a diameter at φ by c·cos φ, and the centre moves by half of it'),
    memory('Clearance 0.00075 to 0.0010 of the journal: engine-bearing makers’ handbooks'),
    published(
      'Leakage with the cube of the clearance: Reynolds and Poiseuille, as in Cameron, Principles of Lubrication',
    ),
    practice('Limits on ovality, stock and depth of a cut'),
  ],
  picture: 'bigEnd',
});

const ratio = describe({
  name: 'compressionRatio',
  title: 'Compression ratio and pushrods',
  group,
  fields: [
    num('bore_in', 'Bore'),
    num('stroke_in', 'Stroke'),
    num('cylinders', 'Cylinders'),
    num('chamber_cc', 'Chamber'),
    num('gasketBore_in', 'Gasket, its bore'),
    num('gasket_in', 'Gasket, pressed'),
    num('deckClearance_in', 'Piston below the deck'),
    num('pistonVolume_cc', 'Piston: dish and pockets, dome below nothing'),
    opt('headSkim_in', 'Skimmed off the head'),
    opt('chamberFaceArea_in2', 'Open area of the chamber'),
    opt('deckSkim_in', 'Skimmed off the deck'),
    opt('newGasket_in', 'New gasket, pressed'),
    tick('quenchHead', 'The head has a quench'),
    opt('targetRatio', 'Ratio wanted'),
    part('pushrod', 'Pushrods', [
      choice('tappets', 'Tappets', { hydraulic: 'hydraulic', solid: 'solid' }),
      num('length_in', 'Length'),
      num('presentPreload_in', 'Preload now; lash is below nothing'),
      opt('baseCircleRadiusReduction_in', 'Base circle smaller by'),
      usual('preloadMin_in', 'Preload from', 0.02, 'from memory'),
      usual('preloadMax_in', 'to', 0.06, 'from memory'),
      opt('preloadTarget_in', 'wanted; lash is below nothing'),
    ]),
    limitsOf(limits.compressionRatio, {
      quenchTouches_in: 'Quench may touch under',
      quenchClose_in: 'close under',
      quenchWide_in: 'wide over',
      ratioLow: 'Ratio low under',
      ratioHigh: 'high over',
      preloadOver_in: 'Preload over the most by',
    }),
  ],
  spec: ['bore_in', 'stroke_in', 'cylinders', 'chamber_cc', 'gasketBore_in', 'gasket_in'],
  work: compressionRatio,
  example: { bore_in: 4, stroke_in: 3, cylinders: 8, chamber_cc: 60, gasketBore_in: 4.1, gasket_in: 0.02, deckClearance_in: 0.025, pistonVolume_cc: 4, headSkim_in: 0.03, deckSkim_in: 0.01, chamberFaceArea_in2: 9, newGasket_in: 0.039, pushrod: { tappets: 'hydraulic', length_in: 7.8, presentPreload_in: 0.04, baseCircleRadiusReduction_in: 0.01 } }, // prettier-ignore
  shows: [
    ['ratio', 'Ratio', 2],
    ['after.ratio', 'Ratio after the work', 2],
    ['displacement_cc', 'Displacement', 0],
    ['quench_in', 'Quench', 3],
    ['after.quench_in', 'Quench after', 3],
    ['gasketToRestoreRatio_in', 'Gasket for the old ratio', 3],
    ['gasketToRestoreQuench_in', 'Gasket for the old quench', 3],
    ['chamberForTarget_cc', 'Chamber for the ratio wanted', 1],
    ['pushrod.preloadIfKept_in', 'Preload with the old pushrods; lash is below nothing', 3],
    ['pushrod.newLength_in', 'Pushrods for the preload wanted', 3],
  ],
  sum: (_, r) => [
    `ratio = (swept + clearance) ÷ clearance = (${n(r.sweptPerCylinder_cc, 1)} + ${n(r.clearanceVolume_cc, 1)}) ÷ ${n(r.clearanceVolume_cc, 1)} = ${n(r.ratio)}`,
    `after the work (${n(r.sweptPerCylinder_cc, 1)} + ${n(r.after.clearanceVolume_cc, 1)}) ÷ ${n(r.after.clearanceVolume_cc, 1)} = ${n(r.after.ratio)}`,
  ],
  right: (_, r) => [
    `A gasket of ${n(r.gasketToRestoreRatio_in, 3)} in gives the old ratio back, one of ${n(r.gasketToRestoreQuench_in, 3)} in the old quench.`,
    ...(r.pushrod ? [`Pushrods of ${n(r.pushrod.newLength_in, 3)} in give the preload that is wanted.`] : []),
  ],
  sources: [
    published('Volumes and ratio: Heywood, Internal Combustion Engine Fundamentals'),
    derived('What skims, gasket and cam do to volumes and valve train'),
    practice('Quench 0.035 to 0.045 in with steel rods, limits on the ratio'),
    memory('Preload 0.020 to 0.060 in'),
  ],
  picture: { none: 'a volume; the numbers before and after say it' },
});

const induction = describe({
  name: 'inductionFuel',
  title: 'Carburettor and injectors',
  group,
  fields: [
    num('displacement_in3', 'Displacement'),
    num('peak_rpm', 'Highest engine speed'),
    num('ve', 'Filling, as a share of 1'),
    part('carb', 'Carburettors', [
      num('rated_cfm', 'Rated, all together'),
      usual('ratedAt_inHg', 'at', 1.5, 'from memory'),
    ]),
    part('fuel', 'Injectors', [
      num('power_hp', 'Power'),
      num('injectors', 'Injectors'),
      opt('bsfc_lb_hph', 'Fuel for power and hour'),
      opt('dutyLimit', 'Open for at most, as a share of 1'),
      opt('density_kg_l', 'Fuel weighs'),
      opt('installed_lb_h', 'Injectors that are there'),
      opt('ratedPressure_psi', 'rated at'),
      opt('actualPressure_psi', 'run at'),
    ]),
    limitsOf(limits.inductionFuel, {
      tooSmall: 'Carburettors too small, of what is needed',
      small: 'small',
      big: 'big',
      tooBig: 'too big',
      dutyOver: 'Injectors open over, of 1',
    }),
  ],
  work: inductionFuel,
  example: { displacement_in3: 289, peak_rpm: 4800, ve: 0.8, carb: { rated_cfm: 500, ratedAt_inHg: 3 }, fuel: { power_hp: 210, injectors: 8, installed_lb_h: 24, ratedPressure_psi: 39.15, actualPressure_psi: 43.5 } }, // prettier-ignore
  shows: [['required_cfm', 'Air it takes', 0], ['carb.normalised_cfm', 'Carburettors, at 1.5 inHg', 0], ['carb.ratio', 'of what it takes'], ['fuel.required_cc_min', 'Each injector', 0], ['fuel.required_lb_h', 'or', 1], ['fuel.duty', 'Open for, of 1'], ['fuel.supportedPower_hp', 'Enough for', 0]], // prettier-ignore
  sum: (i, r) => [
    `in³ · rpm · filling ÷ 3456 = ${n(i.displacement_in3, 1)} · ${n(i.peak_rpm, 0)} · ${n(i.ve)} ÷ 3456 = ${n(r.required_cfm, 0)} cfm`,
  ],
  sources: [
    derived('A four-stroke fills its displacement every second turn'),
    published('Flow with the root of the pressure: Bernoulli'),
    memory('Rated at 1.5 and 3 inHg'),
    practice('Limits on size, BSFC and duty'),
  ],
  cautions: ['fuel'],
  picture: { none: 'a flow; there is nothing to draw to scale' },
});

const bolts = describe({
  name: 'fastener',
  title: 'Fasteners and going over again',
  group,
  before: 'A maker’s own torque always goes before what is worked out here.',
  fields: [
    choice('thread.system', 'Thread', { unified: 'inch', metric: 'metric' }),
    when('thread.system', 'unified', num('thread.d_in', 'Diameter')),
    when('thread.system', 'unified', num('thread.tpi', 'Threads an inch')),
    when('thread.system', 'metric', num('thread.d_mm', 'Diameter')),
    when('thread.system', 'metric', num('thread.pitch_mm', 'Pitch')),
    choice('grade', 'Grade', {
      SAE2: 'grade 2',
      SAE5: 'grade 5',
      SAE8: 'grade 8',
      '8.8': '8.8',
      '10.9': '10.9',
      '12.9': '12.9',
    }),
    choice(
      'surface',
      'Surface',
      { dryBlack: 'dry, black', zinc: 'zinc', oiled: 'oiled', cadmium: 'cadmium', antiSeize: 'anti-seize' },
      { optional: true },
    ),
    opt('nutFactor', 'or its nut factor'),
    usual('proofFraction', 'Of its proof load', 0.75, 'published'),
    part('applied', 'Torque that was put on', [fixed('unit', 'Nm'), num('value', 'Torque', { unit: 'Nm' })]),
    part('retorque', 'Going over again', [
      choice('part', 'Part', { head: 'head', intake: 'intake', exhaust: 'exhaust', other: 'other' }),
      choice('gasket', 'Gasket', {
        composition: 'composition',
        metal: 'metal',
        mls: 'layers of steel',
        none: 'none',
      }),
      tick('torqueToYield', 'Torqued to yield'),
      tick('adjustableValves', 'Valves can be set'),
      num('heatCycles', 'Times it was warm'),
      num('miles', 'Miles run'),
      several('done', 'Done already', {
        heat: 'after the first heat',
        '50': 'at 50 miles',
        '150': 'at 150 miles',
      }),
    ]),
    limitsOf(limits.fastener, {
      over: 'Over-torqued, of proof',
      high: 'high',
      low: 'low',
      under: 'under-torqued',
      scatter: ['A wrench scatters by', 'from memory'],
    }),
  ],
  work: fastener,
  example: { thread: { system: 'unified', d_in: 0.4375, tpi: 14 }, grade: 'SAE8', retorque: { part: 'head', gasket: 'composition', adjustableValves: true, heatCycles: 9, miles: 60, done: ['heat'] } } as FastenerInput, // prettier-ignore
  shows: [['torque_Nm', 'Torque', 0], ['torque_lbft', 'or', 0], ['preload_N', 'Preload', 0], ['preloadLow_N', 'with a wrench, from', 0], ['preloadHigh_N', 'to', 0], ['proofLoad_N', 'Proof load', 0], ['applied.proofFraction', 'Put on, of proof'], ['retorque.due', 'Due'], ['retorque.valveCheckDue', 'Set the valves']], // prettier-ignore
  sum: (_, r) => [
    `T = K·d·F = ${n(r.nutFactor)} · d · ${n(r.preload_N, 0)} N = ${n(r.torque_Nm, 1)} N·m`,
    `F from ${n(r.stressArea_mm2, 1)} mm² at ${n(r.proofStress_MPa, 0)} MPa proof`,
  ],
  right: (_, r) => [
    `Torque to ${n(r.torque_Nm, 0)} N·m (${n(r.torque_lbft, 0)} lbf·ft) where the maker says nothing.`,
    ...(r.retorque?.due.length ? ['Go over it now.'] : []),
  ],
  sources: [
    published('Stress area: ASME B1.1, ISO 898-1; proof: SAE J429, ISO 898-1'),
    published('T = K·d·F, K, 0.75 of proof: Shigley, Mechanical Engineering Design'),
    memory('A torque wrench scatters by 30 %: Bickford'),
    practice('Heat, 50 and 150 miles'),
  ],
  picture: { none: 'a torque; there is nothing to draw' },
});

export const ENGINE = [bores, rods, ratio, induction, bolts];
