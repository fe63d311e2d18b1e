/**
 * Fasteners: stress area, proof load, preload and the torque for it; what an applied torque did; when a gasket wants its bolts
 * gone over again.
 *
 * Sources. Stress area: ASME B1.1 (unified), ISO 898-1 (metric) (published). Proof stress: SAE J429, ISO 898-1 (published).
 * T = K·d·F, the torque factors K, 0.75 of proof for joints that are taken apart: Shigley, Mechanical Engineering Design
 * (published). Scatter of a torque wrench ±30 %: Bickford (from memory). Limits on the share of proof, and the plan of going over
 * again (heat, 50 and 150 miles): common practice. A maker's own torque always goes before what is worked out here.
 */
import { MM_PER_IN, N_PER_LBF, NM_PER_KGM, NM_PER_LBFT, PA_PER_KSI } from './exact.ts';
import { choiceAt, inconsistent, type InputError, judged, numberAt, objectAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

/** From memory or common practice; a shop may put its own in their place. */
export const LIMITS = { over: 0.9, high: 0.8, low: 0.6, under: 0.4, scatter: 0.3 };

const TORQUE_UNITS = ['Nm', 'lbft', 'inlb', 'kgm'] as const;
export type TorqueUnit = (typeof TORQUE_UNITS)[number];
const GRADES = ['SAE2', 'SAE5', 'SAE8', '8.8', '10.9', '12.9'] as const;
const SURFACES = ['dryBlack', 'zinc', 'oiled', 'cadmium', 'antiSeize'] as const;
const STEPS = ['heat', '50', '150'] as const;
export type RetorqueStep = (typeof STEPS)[number];

export type Thread =
  { system: 'unified'; d_in: number; tpi: number } | { system: 'metric'; d_mm: number; pitch_mm: number };

export interface FastenerInput {
  thread: Thread;
  grade: (typeof GRADES)[number];
  surface?: (typeof SURFACES)[number] | null;
  /** Goes before the surface. */
  nutFactor?: number | null;
  proofFraction?: number | null;
  applied?: { unit: TorqueUnit; value: number } | null;
  retorque?: {
    part: 'head' | 'intake' | 'exhaust' | 'other';
    gasket: 'composition' | 'metal' | 'mls' | 'none';
    torqueToYield?: boolean | null;
    adjustableValves?: boolean | null;
    heatCycles: number;
    miles: number;
    done?: RetorqueStep[] | null;
  } | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface FastenerResult extends Judged {
  stressArea_mm2: number;
  stressArea_in2: number;
  proofStress_MPa: number;
  proofLoad_N: number;
  proofLoad_lbf: number;
  preload_N: number;
  preload_lbf: number;
  nutFactor: number;
  torque_Nm: number;
  torque_lbft: number;
  torque_inlb: number;
  torque_kgm: number;
  preloadLow_N: number;
  preloadHigh_N: number;
  applied: { torque_Nm: number; preload_N: number; proofFraction: number } | null;
  retorque: { due: RetorqueStep[]; next: RetorqueStep | null; valveCheckDue: boolean } | null;
}

/** Torque factors by surface (published: Shigley). */
const NUT_FACTOR = { dryBlack: 0.3, zinc: 0.2, oiled: 0.18, cadmium: 0.16, antiSeize: 0.12 } as const;
/** Scatter of preload by a torque wrench (from memory: Bickford). */
/** Shares of proof load (common practice). */

const NM_PER: Record<TorqueUnit, number> = {
  Nm: 1,
  lbft: NM_PER_LBFT,
  inlb: NM_PER_LBFT / 12,
  kgm: NM_PER_KGM,
};

interface ReadThread {
  system: Thread['system'];
  /** Nominal diameter, and what the thread takes off it for the stress area. */
  d_mm: number;
  off_mm: number;
}

function threadAt(value: unknown): ReadThread {
  const of = objectAt(value, 'thread');
  const system = choiceAt(of.system, 'thread.system', ['unified', 'metric'], undefined, 'out_of_range');
  const tooCoarse = (field: string): InputError =>
    inconsistent(field, 'the thread would take more than half of the bolt');
  if (system === 'unified') {
    const d = numberAt(of.d_in, 'thread.d_in', { least: 0.25, most: 1.5 });
    const tpi = numberAt(of.tpi, 'thread.tpi', { least: 4, most: 40 });
    // ASME B1.1: the stress area is that of d − 0.9743/n.
    const off = 0.9743 / tpi;
    if (off >= d / 2) throw tooCoarse('thread.tpi');
    return { system, d_mm: d * MM_PER_IN, off_mm: off * MM_PER_IN };
  }
  const d = numberAt(of.d_mm, 'thread.d_mm', { least: 3, most: 39 });
  const pitch = numberAt(of.pitch_mm, 'thread.pitch_mm', { least: 0.35, most: 5 });
  // ISO 898-1: that of d − 0.9382·P.
  const off = 0.9382 * pitch;
  if (off >= d / 2) throw tooCoarse('thread.pitch_mm');
  return { system, d_mm: d, off_mm: off };
}

/** In megapascals, by nominal size (published: SAE J429, ISO 898-1). */
function proofStress(grade: FastenerInput['grade'], d_mm: number): number {
  const ksi = (stress: number): number => (stress * PA_PER_KSI) / 1e6;
  const within = (inches: number): boolean => d_mm <= inches * MM_PER_IN + SLACK;
  switch (grade) {
    case 'SAE2':
      return ksi(within(0.75) ? 55 : 33);
    case 'SAE5':
      return ksi(within(1) ? 85 : 74);
    case 'SAE8':
      return ksi(120);
    case '8.8':
      return d_mm <= 16 + SLACK ? 580 : 600;
    case '10.9':
      return 830;
    case '12.9':
      return 970;
  }
}

function gradeAt(value: unknown, system: Thread['system']): FastenerInput['grade'] {
  const grade = choiceAt(value, 'grade', GRADES, undefined, 'out_of_range');
  if (grade.startsWith('SAE') !== (system === 'unified'))
    throw inconsistent('grade', `${grade} is no grade of a ${system} thread`);
  return grade;
}

const percent = (share: number): string => `${(share * 100).toFixed(0)} %`;

function judgeApplied(share: number, allowed: typeof LIMITS): Reason[] {
  const says = (code: string, level: Reason['level'], text: string): Reason[] => [{ code, level, text }];
  const at = `${percent(share)} of its proof load`;
  if (share > allowed.over + SLACK)
    return says(
      'over_torqued',
      'fail',
      `It is pulled to ${at}, over ${percent(allowed.over)}: do not use it again.`,
    );
  if (share > allowed.high + SLACK)
    return says('high', 'watch', `It is pulled to ${at}, over ${percent(allowed.high)}.`);
  if (share < allowed.under - SLACK)
    return says('under_torqued', 'fail', `It is pulled to ${at} only, under ${percent(allowed.under)}.`);
  if (share < allowed.low - SLACK)
    return says('low', 'watch', `It is pulled to ${at} only, under ${percent(allowed.low)}.`);
  return [];
}

const REACHED: Record<RetorqueStep, (heatCycles: number, miles: number) => boolean> = {
  heat: (cycles) => cycles >= 1,
  '50': (_, miles) => miles >= 50 - SLACK,
  '150': (_, miles) => miles >= 150 - SLACK,
};

function retorqueAt(value: FastenerInput['retorque']): {
  plan: FastenerResult['retorque'];
  reasons: Reason[];
} {
  if (value === undefined || value === null) return { plan: null, reasons: [] };
  const of = objectAt(value, 'retorque');
  const choice = <T extends string>(name: string, among: readonly T[]): T =>
    choiceAt(of[name], `retorque.${name}`, among, undefined, 'out_of_range');
  const part = choice('part', ['head', 'intake', 'exhaust', 'other']);
  const gasket = choice('gasket', ['composition', 'metal', 'mls', 'none']);
  const count = (name: string): number => numberAt(of[name], `retorque.${name}`, { least: 0, most: 1e7 });
  const [cycles, miles] = [count('heatCycles'), count('miles')];
  const done = (value.done ?? []).map((step, i) =>
    choiceAt(step, `retorque.done[${i}]`, STEPS, undefined, 'out_of_range'),
  );
  const none = (code: string, text: string) => ({
    plan: { due: [], next: null, valveCheckDue: false },
    reasons: [{ code, level: 'info' as const, text }],
  });
  if (value.torqueToYield)
    return none('no_retorque_tty', 'Bolts that are torqued to yield are not gone over again.');
  if (gasket === 'mls') return none('no_retorque_mls', 'A multi-layer steel gasket is not gone over again.');
  const open = STEPS.filter((step) => !done.includes(step));
  const due = open.filter((step) => REACHED[step](cycles, miles));
  const next = open.find((step) => !REACHED[step](cycles, miles)) ?? null;
  const valveCheckDue = part === 'head' && value.adjustableValves === true && due.length > 0;
  const reasons: Reason[] = [];
  if (due.length > 0)
    reasons.push({
      code: 'retorque_due',
      level: 'watch',
      text: 'Go over it again: engine cold, in sequence, each bolt backed off a quarter turn first.',
    });
  if (valveCheckDue)
    reasons.push({
      code: 'valve_check_due',
      level: 'watch',
      text: 'Set the valve clearances after that, never before: pulling the head down changes them.',
    });
  return { plan: { due, next, valveCheckDue }, reasons };
}

/** Works out what a bolt of this thread and grade can hold, the torque that pulls it to its preload, and what is due. */
export function fastener(input: FastenerInput): FastenerResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const thread = threadAt(input.thread);
  const grade = gradeAt(input.grade, thread.system);
  const surface = choiceAt(input.surface, 'surface', SURFACES, 'zinc', 'out_of_range');
  const nutFactor = numberAt(input.nutFactor, 'nutFactor', {
    ...{ least: 0.05, most: 0.5, otherwise: NUT_FACTOR[surface] },
  });
  const proofFraction = numberAt(input.proofFraction, 'proofFraction', {
    least: 0.1,
    most: 1,
    otherwise: 0.75,
  });
  const area_mm2 = (Math.PI / 4) * (thread.d_mm - thread.off_mm) ** 2;
  const stress_MPa = proofStress(grade, thread.d_mm);
  const proofLoad_N = stress_MPa * area_mm2;
  const preload_N = proofFraction * proofLoad_N;
  const d_m = thread.d_mm / 1000;
  const torque_Nm = nutFactor * d_m * preload_N;
  const reasons: Reason[] = [];
  let applied: FastenerResult['applied'] = null;
  if (input.applied !== undefined && input.applied !== null) {
    const of = objectAt(input.applied, 'applied');
    const unit = choiceAt(of.unit, 'applied.unit', TORQUE_UNITS, undefined, 'out_of_range');
    const torque = numberAt(of.value, 'applied.value', { least: 0, most: 5000 }) * NM_PER[unit];
    const pulled_N = torque / (nutFactor * d_m);
    applied = { torque_Nm: torque, preload_N: pulled_N, proofFraction: pulled_N / proofLoad_N };
    reasons.push(...judgeApplied(applied.proofFraction, allowed));
  }
  const { plan, reasons: due } = retorqueAt(input.retorque);
  reasons.push(...due);
  return {
    stressArea_mm2: area_mm2,
    stressArea_in2: area_mm2 / MM_PER_IN ** 2,
    proofStress_MPa: stress_MPa,
    proofLoad_N,
    proofLoad_lbf: proofLoad_N / N_PER_LBF,
    preload_N,
    preload_lbf: preload_N / N_PER_LBF,
    nutFactor,
    torque_Nm,
    torque_lbft: torque_Nm / NM_PER.lbft,
    torque_inlb: torque_Nm / NM_PER.inlb,
    torque_kgm: torque_Nm / NM_PER.kgm,
    preloadLow_N: preload_N * (1 - allowed.scatter),
    preloadHigh_N: preload_N * (1 + allowed.scatter),
    applied,
    retorque: plan,
    ...judged(reasons),
  };
}
