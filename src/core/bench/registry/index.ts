/** All calculators as they stand on the bench, in the order of work. */
import { BRAKES_AND_WEIGHTS } from './brakesAndWeights.ts';
import { ELECTRICS } from './electrics.ts';
import { ENGINE } from './engine.ts';
import { FINISH } from './finish.ts';
import { FRAME_AND_PANELS } from './frameAndPanels.ts';
import { HIGH_VOLTAGE } from './highVoltage.ts';
import { LOOK_OVER } from './lookOver.ts';
import { MONEY_AND_TIME, UNIT_SCREENS } from './moneyAndTime.ts';
import { RUNNING_GEAR } from './runningGear.ts';
import { WHEELS } from './wheels.ts';
import type { Calculator } from './types.ts';

export const CALCULATORS: readonly Calculator[] = [
  ...LOOK_OVER,
  ...FRAME_AND_PANELS,
  ...ELECTRICS,
  ...ENGINE,
  ...RUNNING_GEAR,
  ...WHEELS,
  ...BRAKES_AND_WEIGHTS,
  ...FINISH,
  ...HIGH_VOLTAGE,
  ...MONEY_AND_TIME,
  ...UNIT_SCREENS,
];

/** Sums of money and time, and units, are no readings of a car. */
export const isOfCar = ({ group }: Calculator): boolean => group !== 'moneyAndTime' && group !== 'units';

export const calculatorNamed = (name: string | undefined): Calculator | undefined =>
  CALCULATORS.find((c) => c.name === name);
