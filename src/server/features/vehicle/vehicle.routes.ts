import { IdentityDto, ROW_SHAPES } from '#contract/vehicle.ts';
import { REGISTERS, type Register } from '#core/vehicle/registers.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { readShape } from '../../http/validate.ts';
import * as s from './vehicle.service.ts';

const at = (params: Record<string, string>): { register: Register; id: string } => {
  const register = REGISTERS.find((r) => r === params.register);
  if (!register) throw notFound('register');
  return { register, id: params.rowId! };
};

export function vehicleRoutes(deps: Deps): Feature {
  return {
    vehicleRead: handler({ run: ({ who, params }) => s.readVehicle(deps, who, params.buildId!) }),
    identitySave: handler({
      body: IdentityDto,
      run: ({ who, params, body }) => s.saveIdentity(deps, who, params.buildId!, body),
    }),
    registerRowPut: handler({
      // Which class the body is depends on the register.
      run: async ({ who, params, req }) => {
        const where = at(params);
        const dto = readShape<InstanceType<(typeof ROW_SHAPES)[Register]>>(
          ROW_SHAPES[where.register],
          req.body ?? {},
        );
        return s.putRow(deps, who, params.buildId!, where, dto);
      },
    }),
    registerRowDrop: handler({
      run: async ({ who, params }) => s.dropRow(deps, who, params.buildId!, at(params)),
    }),
  };
}
