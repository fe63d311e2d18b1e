/**
 * The playbooks that come with the product: general trade knowledge in its own words. Hours and waits are common practice
 * without a published source; a shop changes them as it learns its own.
 */
import type { Playbook } from '../playbook.ts';
import { brakeOverhaul } from './brakes.ts';
import { drivetrainExchange } from './drivetrainExchange.ts';
import { electricDrive } from './electricDrive.ts';
import { engineRebuild } from './engineRebuild.ts';
import { engineTopEnd } from './engineTopEnd.ts';
import { frameStrip } from './frame.ts';
import { fuelCleanOut } from './fuel.ts';
import { gearboxRebuild } from './gearbox.ts';
import { structuralMetalwork } from './metalwork.ts';
import { blastToPaint } from './paint.ts';
import { recommission } from './recommission.ts';
import { airSuspension, drivelineAndAlignment } from './suspension.ts';
import { interiorTrim, roofAndDropheadTrim } from './trim.ts';
import { wiringRepair } from './wiring.ts';

export const PLAYBOOKS: readonly Playbook[] = [
  recommission,
  brakeOverhaul,
  fuelCleanOut,
  wiringRepair,
  engineTopEnd,
  engineRebuild,
  gearboxRebuild,
  drivetrainExchange,
  structuralMetalwork,
  frameStrip,
  blastToPaint,
  interiorTrim,
  airSuspension,
  electricDrive,
  drivelineAndAlignment,
  roofAndDropheadTrim,
];
