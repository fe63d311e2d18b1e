import { BenchFormDto, ReadingFindingDto, ReadingPutDto } from '#contract/bench.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import * as s from './bench.service.ts';

export function benchRoutes(deps: Deps): Feature {
  return {
    benchRead: handler({ run: ({ who, params }) => s.readBench(deps, who, params.buildId!) }),
    benchJobs: handler({ run: ({ who }) => s.readDoneJobs(deps, who) }),
    benchLimits: handler({ run: ({ who }) => s.readLimits(deps, who) }),
    readingPut: handler({
      body: ReadingPutDto,
      run: ({ who, params, body }) => s.putReading(deps, who, params.buildId!, params.readingId!, body),
    }),
    readingFinding: handler({
      body: ReadingFindingDto,
      run: ({ who, params, body }) => s.findOf(deps, who, params.buildId!, params.readingId!, body),
    }),
    benchSpecPut: handler({
      body: BenchFormDto,
      run: ({ who, params, body }) => s.putSpec(deps, who, params.buildId!, params.calculator!, body),
    }),
    benchLimitsPut: handler({
      body: BenchFormDto,
      run: ({ who, params, body }) => s.putLimits(deps, who, params.calculator!, body),
    }),
  };
}
