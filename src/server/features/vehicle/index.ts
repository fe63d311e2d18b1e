/** What other features may use of this one. */
export { addRequirements, bringInVehicle, viewOf as vehicleView } from './vehicle.service.ts';
