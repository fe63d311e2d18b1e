/**
 * Induction and fuel: the air that an engine takes, whether a carburettor is of its size, and what injectors it needs.
 *
 * Sources. cfm = in³·rpm·VE/3456: derived (a four-stroke fills its displacement every second turn; 1728 in³ are a cubic foot).
 * Flow through an orifice goes with the root of the pressure: Bernoulli (published). Depressions at which carburettors are rated,
 * 1.5 and 3 inHg: from memory. Limits on size, BSFC and duty: common practice.
 */
import { KG_PER_LB } from './exact.ts';
import { countAt, judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface InductionFuelInput {
  displacement_in3: number;
  peak_rpm: number;
  /** Volumetric efficiency, as a fraction. */
  ve: number;
  /** All carburettors together. */
  carb?: { rated_cfm: number; ratedAt_inHg?: number | null } | null;
  fuel?: {
    power_hp: number;
    bsfc_lb_hph?: number | null;
    injectors: number;
    dutyLimit?: number | null;
    density_kg_l?: number | null;
    installed_lb_h?: number | null;
    /** Across the injector; one of them needs the other. */
    ratedPressure_psi?: number | null;
    actualPressure_psi?: number | null;
  } | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface InductionFuelResult extends Judged {
  required_cfm: number;
  carb: { normalised_cfm: number; ratio: number } | null;
  fuel: {
    total_lb_h: number;
    total_l_h: number;
    required_lb_h: number;
    required_cc_min: number;
    actual_lb_h: number | null;
    duty: number | null;
    supportedPower_hp: number | null;
  } | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { tooSmall: 0.85, small: 1, big: 1.3, tooBig: 1.6, dutyOver: 0.9 };

const CFM_DIVISOR = 2 * 1728;
/** Carburettors are compared at this depression (from memory). */
const NORMAL_INHG = 1.5;
/** Of what is needed (common practice). */
/** An injector that is open longer than this hardly closes (common practice). */

function carbOf(value: NonNullable<InductionFuelInput['carb']>, required: number, allowed: typeof LIMITS) {
  const rated = numberAt(value.rated_cfm, 'carb.rated_cfm', { least: 20, most: 3000 });
  const at = numberAt(value.ratedAt_inHg, 'carb.ratedAt_inHg', {
    least: 0.5,
    most: 25,
    otherwise: NORMAL_INHG,
  });
  const normalised_cfm = rated * Math.sqrt(NORMAL_INHG / at);
  const ratio = normalised_cfm / required;
  const says = (code: string, level: Reason['level'], words: string): Reason[] => [
    { code, level, text: `It flows ${ratio.toFixed(2)} times what is needed: ${words}.` },
  ];
  const reasons =
    ratio < allowed.tooSmall - SLACK
      ? says('carb_too_small', 'fail', `under ${allowed.tooSmall}, it strangles the engine`)
      : ratio < allowed.small - SLACK
        ? says('carb_small', 'watch', 'a little small')
        : ratio > allowed.tooBig + SLACK
          ? says('carb_too_big', 'fail', `over ${allowed.tooBig}; one with vacuum secondaries may bear more`)
          : ratio > allowed.big + SLACK
            ? says('carb_big', 'watch', `over ${allowed.big}; one with vacuum secondaries may bear more`)
            : [];
  return { carb: { normalised_cfm, ratio }, reasons };
}

function fuelOf(of: NonNullable<InductionFuelInput['fuel']>, allowed: typeof LIMITS) {
  const at = (name: keyof typeof of, least: number, most: number, otherwise?: number): number =>
    numberAt(of[name], `fuel.${name}`, { least, most, otherwise });
  const isGiven = (name: keyof typeof of): boolean => of[name] !== undefined && of[name] !== null;
  const power = at('power_hp', 1, 3000);
  const bsfc = at('bsfc_lb_hph', 0.3, 1.2, 0.5);
  const injectors = countAt(of.injectors, 'fuel.injectors', 1, 32);
  const limit = at('dutyLimit', 0.3, 1, 0.8);
  const density = at('density_kg_l', 0.6, 0.9, 0.74);
  const installed = isGiven('installed_lb_h') ? at('installed_lb_h', 1, 400) : null;
  const hasPressure = isGiven('ratedPressure_psi') || isGiven('actualPressure_psi');
  const gain = hasPressure
    ? Math.sqrt((1 / at('ratedPressure_psi', 5, 200)) * at('actualPressure_psi', 5, 200))
    : 1;
  const total_lb_h = power * bsfc;
  const required_lb_h = total_lb_h / (injectors * limit);
  const actual = installed === null ? null : installed * gain;
  const duty = actual === null ? null : total_lb_h / (injectors * actual);
  const reasons: Reason[] = [];
  if (duty !== null) {
    const text = `The injectors are open ${(duty * 100).toFixed(0)} % of the time at full power.`;
    if (duty > Math.max(allowed.dutyOver, limit) + SLACK)
      reasons.push({ code: 'duty_over', level: 'fail', text });
    else if (duty > limit + SLACK) reasons.push({ code: 'duty_high', level: 'watch', text });
  }
  return {
    fuel: {
      total_lb_h,
      total_l_h: (total_lb_h * KG_PER_LB) / density,
      required_lb_h,
      required_cc_min: (required_lb_h * KG_PER_LB * 1000) / (60 * density),
      actual_lb_h: actual,
      duty,
      supportedPower_hp: actual === null ? null : (actual * injectors * limit) / bsfc,
    },
    reasons,
  };
}

/** Works out the air of an engine, and judges the carburettor and the injectors that are given. */
export function inductionFuel(input: InductionFuelInput): InductionFuelResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const displacement = numberAt(input.displacement_in3, 'displacement_in3', { least: 5, most: 1000 });
  const rpm = numberAt(input.peak_rpm, 'peak_rpm', { least: 500, most: 12_000 });
  const ve = numberAt(input.ve, 've', { least: 0.3, most: 1.4 });
  const required_cfm = (displacement * rpm * ve) / CFM_DIVISOR;
  const air = input.carb ? carbOf(input.carb, required_cfm, allowed) : { carb: null, reasons: [] };
  const petrol = input.fuel ? fuelOf(input.fuel, allowed) : { fuel: null, reasons: [] };
  return {
    required_cfm,
    carb: air.carb,
    fuel: petrol.fuel,
    ...judged([...air.reasons, ...petrol.reasons]),
  };
}
