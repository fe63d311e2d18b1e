/**
 * The contract holds both sides. What must not compile stands under an expected error: the type check of the whole fails where
 * one of them compiles. Nasty cases: a mistyped path, a missing and a foreign parameter, another body, another answer, a
 * class of another shape, a query of another name.
 */
import { describe, expect, test } from '@jest/globals';
import type { Feature } from '#server/http/routes.ts';
import { call } from '#client/shared/api.ts';
import { DonorPutDto, PartPutDto, type PartsView } from './parts.ts';
import { addressOf, pathOf, ROUTES } from './routes.ts';

const view: PartsView = { buildId: 'b', parts: [], units: [], lines: [], tasks: [] };

/** Never called: they are there for the compiler. */
export const PLANTED = {
  server: [
    { partsRead: { run: () => Promise.resolve(view) } },
    // @ts-expect-error a handler that answers in another shape
    { partsRead: { run: () => Promise.resolve({ parts: 'none' }) } },
    // @ts-expect-error a handler that answers nothing where an answer is awaited
    { partsRead: { run: () => Promise.resolve() } },
    // @ts-expect-error a parameter that is not in the path
    { partsRead: { run: ({ params }) => Promise.resolve({ ...view, buildId: params.carId }) } },
    // @ts-expect-error a class of another body
    { partPut: { body: DonorPutDto, run: () => Promise.resolve(view) } },
    // @ts-expect-error no class, where there is a body
    { partPut: { run: () => Promise.resolve(view) } },
    // @ts-expect-error a class, where there is no body
    { partsRead: { body: PartPutDto, run: () => Promise.resolve(view) } },
    // @ts-expect-error no such route
    { partsWrite: { run: () => Promise.resolve(view) } },
  ] satisfies Feature[],
  client: [
    () => call('partsRead', { params: { buildId: 'b' } }).then((answer): PartsView => answer),
    // @ts-expect-error another answer
    () => call('partsRead', { params: { buildId: 'b' } }).then((answer): { parts: 'none' } => answer),
    // @ts-expect-error a parameter is missing
    () => call('partsRead'),
    // @ts-expect-error another parameter
    () => call('partsRead', { params: { carId: 'b' } }),
    // @ts-expect-error another body
    () => call('partPut', { params: { buildId: 'b', partId: 'p' }, body: { name: 'hose' } }),
    // @ts-expect-error a query of another name
    () => call('partsDesk', { query: { words: 'hose' } }),
    // @ts-expect-error no such route
    () => call('partsWrite'),
    // @ts-expect-error a parameter is missing
    () => pathOf('partsRead'),
  ],
};

describe('a path', () => {
  test('is filled in, and what is filled in is escaped', () =>
    expect(pathOf('partPut', { buildId: 'a/b', partId: 'ü' })).toBe('/api/builds/a%2Fb/parts/%C3%BC'));
  test('without one of its parameters is an error', () =>
    expect(() => addressOf('partPut', { buildId: 'b' })).toThrow('partPut needs partId'));
});

test('no two routes are one', () => {
  const keys = Object.values(ROUTES).map(({ method, path }) => `${method} ${path.replace(/:\w+/g, ':')}`);
  expect(keys.filter((k, i) => keys.indexOf(k) !== i)).toEqual([]);
});
