/** What other features may use of this one. */
export { addRequirements } from './vehicle.service.ts';
