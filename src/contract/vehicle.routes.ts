/** Routes of vehicle. */
import type { Register } from '#core/vehicle/registers.ts';
import type { IdentityDto, RowDtoOf, VehicleView } from './vehicle.ts';
import { EVERYBODY } from './access.ts';
import { del, get, put } from './route.ts';

const vehicleRead = get('/api/builds/:buildId/vehicle', EVERYBODY).answers<VehicleView>();

export const vehicleRoutes = {
  vehicleRead,
  identitySave: put('/api/builds/:buildId/vehicle', EVERYBODY).takes<IdentityDto>().answersAs(vehicleRead),
  registerRowPut: put('/api/builds/:buildId/vehicle/:register/:rowId', EVERYBODY)
    .takes<RowDtoOf<Register>>()
    .answersAs(vehicleRead),
  registerRowDrop: del('/api/builds/:buildId/vehicle/:register/:rowId', EVERYBODY).answersAs(vehicleRead),
} as const;
