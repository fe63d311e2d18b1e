/** Routes of vehicle. */
import type { Register } from '#core/vehicle/registers.ts';
import type { IdentityDto, RowDtoOf, VehicleView } from './vehicle.ts';
import { EVERYBODY } from './access.ts';
import { del, get, put } from './route.ts';

export const vehicleRoutes = {
  vehicleRead: get('/api/builds/:buildId/vehicle', EVERYBODY).answers<VehicleView>(),
  identitySave: put('/api/builds/:buildId/vehicle', EVERYBODY).takes<IdentityDto>().answers<VehicleView>(),
  registerRowPut: put('/api/builds/:buildId/vehicle/:register/:rowId', EVERYBODY)
    .takes<RowDtoOf<Register>>()
    .answers<VehicleView>(),
  registerRowDrop: del('/api/builds/:buildId/vehicle/:register/:rowId', EVERYBODY).answers<VehicleView>(),
} as const;
