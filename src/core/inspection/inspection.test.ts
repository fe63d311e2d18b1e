/** The registry of checkpoints, walked whole. Nasty cases: marks of checkpoints that do not apply any more. */
import { describe, expect, test } from '@jest/globals';
import { parseLine } from '../capture/index.ts';
import { namelessContext } from '../capture/nameless.ts';
import { findingLine, lookedAt, thingOf, zonesFor, type Mark } from './checkpoints.ts';
import { BODIES } from './zones.ts';

const all = BODIES.map((body) => [body, zonesFor({ body, gas: true, highVoltage: true })] as const);

describe.each(all)('%s', (body, zones) => {
  test('every checkpoint has an id of its own and words to look by', () => {
    const checkpoints = zones.flatMap((z) => z.checkpoints);
    expect(new Set(checkpoints.map((c) => c.id)).size).toBe(checkpoints.length);
    for (const c of checkpoints)
      expect(c).toMatchObject({
        id: expect.stringMatching(/^[a-z-]+\/[a-z-]+$/),
        look: expect.stringMatching(/^\S.+\S$/),
      });
    expect(checkpoints.length).toBeGreaterThan(4);
    for (const z of zones) expect(z.checkpoints.length).toBeGreaterThan(0);
  });

  test('where looking can hurt, the caution stands there', () => {
    const dangerous = /^(under-|fuel|brakes|steering|gas|high-voltage|exhaust|paint)/;
    for (const z of zones.filter((zone) => dangerous.test(zone.id))) expect(z.caution).toMatch(/\.$/);
    expect(zones.some((z) => z.id === 'brakes')).toBe(body !== 'engine' && body !== 'gearbox');
  });
});

test('the order is that of crawling over it, and differs by what stands there', () => {
  const ids = (body: (typeof BODIES)[number]) =>
    zonesFor({ body, gas: false, highVoltage: false }).map((z) => z.id);
  expect(ids('car').slice(0, 8)).toEqual([
    'outside',
    'glass',
    'inside',
    'boot',
    'engine-bay',
    'under-front',
    'under-middle',
    'under-rear',
  ]);
  expect(ids('engine')).toEqual(['bare-engine']);
  expect(ids('motorcycle')).toContain('frame');
  expect(ids('motorcycle')).not.toContain('boot');
  expect(ids('van')).not.toContain('gas');
});

test('a finding written at a checkpoint stays a finding, whatever the zone', () => {
  const context = namelessContext({ currency: 'GBP', locale: 'en-GB', today: '2026-03-11' });
  for (const [, zones] of all)
    for (const z of zones)
      expect(parseLine(`found ${z.zone}: perished, 40 and two hours, must`, context).kind).toBe('found');
});

test('what has not been looked at is what has no mark; marks that do not apply do not count', () => {
  const zones = zonesFor({ body: 'gearbox', gas: false, highVoltage: false });
  const marks = new Map<string, Mark>([
    ['bare-gearbox/case', 'finding'],
    ['bare-gearbox/oil', 'not seen'],
    ['brakes/fluid', 'fine'],
  ]);
  expect(lookedAt(zones, marks)).toEqual({ checkpoints: 5, looked: 2, fine: 0, findings: 1, notSeen: 1 });
  expect(lookedAt([], new Map())).toMatchObject({ checkpoints: 0, looked: 0 });
});

describe('a finding that says only what is wrong', () => {
  const at = (look: string) => ({ id: 'a/b', look });
  test.each([
    ['Flexible hoses: cracks, swelling', 'flexible hoses'],
    ['Mirrors', 'mirrors'],
    ['How it stands: level, leaning, a corner down', null],
    ['Dents, filler, repairs that show', null],
    ['Does it select every gear and stay there', null],
  ])('%s is about %s', (look, thing) => expect(thingOf(at(look))).toBe(thing));

  test.each([
    [
      'cracked at the union, 40 and two hours, safety',
      'found flexible hoses cracked at the union, 40 and two hours, safety',
    ],
    ['Found front hose perished', 'found front hose perished'],
    ['rear hoses swollen', 'found rear hoses swollen'],
  ])('%s is kept as %s', (said, line) => {
    expect(findingLine(at('Flexible hoses: cracks, swelling'), said)).toBe(line);
  });

  test('and is read so', () => {
    const context = namelessContext({ currency: 'GBP', locale: 'en-GB', today: '2026-03-11' });
    const line = findingLine(
      at('Flexible hoses: cracks, swelling'),
      'cracked at the union, 40 and two hours, safety',
    );
    expect(parseLine(line, context)).toMatchObject({
      kind: 'found',
      subject: 'flexible hoses',
      moneyMinor: 4000,
      minutes: 120,
      class: 'safety',
    });
  });
});
