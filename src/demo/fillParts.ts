/** The demo's parts: written down, ordered, come, wrong, fitted; through the services. */
import type { PartActDto } from '#contract/parts.ts';
import { addDays, dayOf } from '#core/time/days.ts';
import { putDonor, readDonors } from '#server/features/parts/donors.service.ts';
import { actOnPart, putPart, readParts } from '#server/features/parts/parts.service.ts';
import type { Deps } from '#server/deps.ts';
import type { SignedIn } from '#server/http/session.ts';
import { pence, type LineIds } from './fillEstimates.ts';

interface Parting {
  deps: Deps;
  who: SignedIn;
  buildId: string;
  timeZone: string;
  /** Ids of the build's parts by their short names. */
  parts: Map<string, string>;
  /** Ids of its estimated lines by their short names. */
  ids: LineIds;
  id: () => string;
}

/** "key=value; key=value", in order. */
export const fieldsOf = (rule: string): Record<string, string> =>
  Object.fromEntries(rule.split('; ').map((f) => f.split('=') as [string, string]));

/** The donor of this name; written down where it is not known yet, "name, where it stands". */
async function donorNamed(p: Parting, said: string): Promise<string> {
  const [name = '', place = ''] = said.split(', ');
  const { donors } = await readDonors(p.deps, p.who);
  const known = donors.find((d) => d.name === name);
  if (known) return known.id;
  const id = p.id();
  await putDonor(p.deps, p.who, id, { version: 0, name, place, note: '', isGone: false });
  return id;
}

async function writeDown(p: Parting, key: string, rule: string): Promise<void> {
  const f = fieldsOf(rule);
  const { units } = await readParts(p.deps, p.who, p.buildId);
  const unit = f.unit === undefined ? undefined : units.find((u) => u.name.startsWith(f.unit!));
  const [from, to] = (f.fits ?? '').split('-');
  p.parts.set(key, p.id());
  await putPart(p.deps, p.who, p.buildId, p.parts.get(key)!, {
    version: 0,
    what: f.what ?? key,
    quantity: Number(f.quantity ?? 1),
    number: f.number ?? '',
    catalogue: f.catalogue ?? '',
    instead: f.instead ?? '',
    source: (f.source ?? 'supplier') as 'supplier',
    sourceNote: f.where ?? '',
    vendor: f.vendor ?? '',
    ...(f.superseded === undefined ? {} : { supersededBy: f.superseded }),
    ...(f.deposit === undefined ? {} : { depositMinor: pence(Number(f.deposit)) }),
    ...(f.donor === undefined ? {} : { donorId: await donorNamed(p, f.donor) }),
    ...(unit ? { unitId: unit.id } : {}),
    ...(f.line === undefined ? {} : { lineId: p.ids.get(f.line)! }),
    ...(from ? { fitsFrom: Number(from) } : {}),
    ...(to ? { fitsTo: Number(to) } : {}),
    ...(f.price === undefined ? {} : { priceMinor: pence(Number(f.price)) }),
    ...(f.cost === undefined ? {} : { costMinor: pence(Number(f.cost)) }),
  });
}

/** Answers the entry that says it. */
async function doWith(p: Parting, key: string, rule: string): Promise<string> {
  const { act, due, price, cost, lost, ...rest } = fieldsOf(rule);
  const partId = p.parts.get(key)!;
  const { version } = (await readParts(p.deps, p.who, p.buildId)).parts.find((o) => o.id === partId)!;
  const today = dayOf(p.deps.clock.now(), p.timeZone);
  const body = {
    ...rest,
    version,
    entryId: p.id(),
    act,
    ...(due === undefined ? {} : { due: addDays(today, Number(due)) }),
    ...(price === undefined ? {} : { priceMinor: pence(Number(price)) }),
    ...(cost === undefined ? {} : { costMinor: pence(Number(cost)) }),
    ...(lost === undefined ? {} : { lostMinutes: Number(lost) * 60 }),
  };
  await actOnPart(p.deps, p.who, p.buildId, partId, body as PartActDto);
  return body.entryId;
}

/**
 * A row of a story that is about a part, "@part KEY FIELDS" or "@part-done KEY FIELDS": answers the entry that came of it, or
 * null. False where it is about something else.
 */
export async function part(p: Parting, text: string): Promise<string | null | false> {
  const [, word, key = '', rule = ''] = /^@(part|part-done) (\S+) (.+)$/.exec(text) ?? [];
  if (word === undefined) return false;
  if (word === 'part-done') return doWith(p, key, rule);
  await writeDown(p, key, rule);
  return null;
}
