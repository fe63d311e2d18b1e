import { IdentityDto, ROW_SHAPES } from '#contract/vehicle.ts';
import { REGISTERS, type Register } from '#core/vehicle/registers.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './vehicle.service.ts';

function registerOf(name: string): Register {
  const register = REGISTERS.find((r) => r === name);
  if (!register) throw notFound('register');
  return register;
}

const at = (params: { register: string; rowId: string }): { register: Register; id: string } => ({
  register: registerOf(params.register),
  id: params.rowId,
});

export function vehicleRoutes(deps: Deps): Feature {
  return {
    vehicleRead: { run: ({ who, params }) => s.readVehicle(deps, who, params.buildId) },
    identitySave: {
      body: IdentityDto,
      run: ({ who, params, body }) => s.saveIdentity(deps, who, params.buildId, body),
    },
    registerRowPut: {
      bodyBy: ({ register }) => ROW_SHAPES[registerOf(register)],
      run: ({ who, params, body }) => s.putRow(deps, who, params.buildId, at(params), body),
    },
    registerRowDrop: {
      run: async ({ who, params }) => s.dropRow(deps, who, params.buildId, at(params)),
    },
  };
}
