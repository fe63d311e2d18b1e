/** The calculators of the bench, by the names that the trade has for them. */
export { alignment } from './alignment.ts';
export { bigEnd } from './bigEnd.ts';
export { boreSurvey } from './boreSurvey.ts';
export { compressionRatio } from './compressionRatio.ts';
export { cylinderTests } from './cylinderTests.ts';
export { driveline } from './driveline.ts';
export { fastener } from './fastener.ts';
export { fluidBalance } from './fluidBalance.ts';
export { gearing } from './gearing.ts';
export { inductionFuel } from './inductionFuel.ts';
export { repairOrReplace } from './repairOrReplace.ts';
export { seatMatch } from './seatMatch.ts';
export { tyreAge } from './tyreAge.ts';
export { tyreChange } from './tyreChange.ts';
export { tyreSize } from './tyreSize.ts';
export { wheelFit } from './wheelFit.ts';
