/**
 * Exact factors between units (published: BIPM, The International System of Units; NIST SP 811, appendix B.8).
 */
export const MM_PER_IN = 25.4;
export const N_PER_LBF = 4.4482216152605;
export const NM_PER_LBFT = 1.3558179483314004;
export const NM_PER_KGM = 9.80665;
export const KM_PER_MILE = 1.609344;
/** m/s² */
export const STANDARD_GRAVITY = 9.80665;
export const KPA_PER_PSI = 6.894757293168361;
export const KG_PER_LB = 0.45359237;
export const PA_PER_KSI = 6_894_757.293168361;
export const IN_PER_MILE = 63_360;
export const CC_PER_IN3 = 16.387064;

export const rad = (degrees: number): number => (degrees * Math.PI) / 180;
export const deg = (radians: number): number => (radians * 180) / Math.PI;
