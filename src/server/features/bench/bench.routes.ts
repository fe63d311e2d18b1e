import { BenchFormDto, ReadingFindingDto, ReadingPutDto } from '#contract/bench.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './bench.service.ts';

export function benchRoutes(deps: Deps): Feature {
  return {
    benchRead: { run: ({ who, params }) => s.readBench(deps, who, params.buildId) },
    benchJobs: { run: ({ who }) => s.readDoneJobs(deps, who) },
    benchLimits: { run: ({ who }) => s.readLimits(deps, who) },
    readingPut: {
      body: ReadingPutDto,
      run: ({ who, params, body }) => s.putReading(deps, who, params.buildId, params.readingId, body),
    },
    readingFinding: {
      body: ReadingFindingDto,
      run: ({ who, params, body }) => s.findOf(deps, who, params.buildId, params.readingId, body),
    },
    benchSpecPut: {
      body: BenchFormDto,
      run: ({ who, params, body }) => s.putSpec(deps, who, params.buildId, params.calculator, body),
    },
    benchLimitsPut: {
      body: BenchFormDto,
      run: ({ who, params, body }) => s.putLimits(deps, who, params.calculator, body),
    },
  };
}
