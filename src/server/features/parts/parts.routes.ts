import { DonorPutDto, PartActDto, PartPutDto, PartsImportDto, PartsQueryDto } from '#contract/parts.ts';
import type { Deps } from '../../deps.ts';
import { sendFile } from '../../http/outFile.ts';
import type { Feature } from '../../http/routes.ts';
import { putDonor, readDonors } from './donors.service.ts';
import { exportParts, importParts } from './exchange.service.ts';
import * as s from './parts.service.ts';

export function partsRoutes(deps: Deps): Feature {
  return {
    partsDesk: { query: PartsQueryDto, run: ({ who, query }) => s.readDesk(deps, who, query) },
    partsRead: { run: ({ who, params }) => s.readParts(deps, who, params.buildId) },
    partPut: {
      body: PartPutDto,
      run: ({ who, params, body }) => s.putPart(deps, who, params.buildId, params.partId, body),
    },
    partsCsv: { run: async ({ who, res }) => sendFile(res, await exportParts(deps, who)) },
    partsImport: {
      body: PartsImportDto,
      run: ({ who, params, body }) => importParts(deps, who, params.buildId, body),
    },
    donorsRead: { run: ({ who }) => readDonors(deps, who) },
    donorPut: {
      body: DonorPutDto,
      run: ({ who, params, body }) => putDonor(deps, who, params.donorId, body),
    },
    partAct: {
      body: PartActDto,
      run: ({ who, params, body }) => s.actOnPart(deps, who, params.buildId, params.partId, body),
    },
  };
}
