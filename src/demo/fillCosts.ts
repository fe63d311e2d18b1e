/** The demo's money and snags: what hours cost, what went on which line, money on account, suppliers' invoices. */
import { FROM_THE_BEGINNING } from '#core/costs/rates.ts';
import type { Work } from '#core/estimate/lines.ts';
import type { Station } from '#core/snags/snags.ts';
import { addDays, dayOf, type Day } from '#core/time/days.ts';
import type { Deps } from '#server/deps.ts';
import { payInstalment, putInstalment } from '#server/features/costs/instalments.service.ts';
import { putInvoice, readInvoices } from '#server/features/costs/invoices.service.ts';
import { readCosts } from '#server/features/costs/costs.service.ts';
import { listEntries } from '#server/features/entries/entries.service.ts';
import { putRate } from '#server/features/estimate/rates.service.ts';
import { putAbsence } from '#server/features/shop/shop.service.ts';
import { endSnag, putSnag, putTrial, readSnags } from '#server/features/snags/snags.service.ts';
import { settleEntry } from '#server/features/work/hours.service.ts';
import { putShopHours } from '#server/features/work/shopHours.service.ts';
import type { SignedIn } from '#server/http/session.ts';
import { pence, type LineIds } from './fillEstimates.ts';
import { fieldsOf } from './fillParts.ts';

/** What an hour costs, by person; Petra's paint work is charged a little above the shop's rate since the autumn. */
const COSTS: Record<string, number> = { W: 24, J: 21.5, M: 19, P: 22 };

export async function setRates(
  deps: Deps,
  people: ReadonlyMap<string, SignedIn>,
  today: Day,
  id: () => string,
): Promise<void> {
  const owner = people.get('W')!;
  for (const [key, perHour] of Object.entries(COSTS))
    await putRate(deps, owner, id(), {
      personId: people.get(key)!.personId,
      from: FROM_THE_BEGINNING,
      costMinor: pence(perHour),
    });
  await putRate(deps, owner, id(), { from: addDays(today, 30), work: 'paint', chargeMinor: pence(66) });
}

/** What is so today: who is away, what was done for the shop. */
export async function setToday(
  deps: Deps,
  people: ReadonlyMap<string, SignedIn>,
  today: Day,
  id: () => string,
): Promise<void> {
  await putAbsence(deps, people.get('W')!, id(), {
    version: 0,
    personId: people.get('P')!.personId,
    from: addDays(today, -9),
    to: addDays(today, 5),
    reason: 'her sister’s wedding, then a week of nothing',
    isOff: false,
  });
  const hours = [
    ['M', 2, 120, 'blast room filters changed and swept'],
    ['J', 1, 45, 'lift 2 greased, its arms and pads looked over'],
  ] as const;
  for (const [key, ago, minutes, what] of hours)
    await putShopHours(deps, people.get(key)!, id(), {
      day: addDays(today, -ago),
      minutes,
      what,
      isOff: false,
    });
}

interface Counting {
  deps: Deps;
  who: SignedIn;
  buildId: string;
  timeZone: string;
  lines: LineIds;
  id: () => string;
}

/** "brakes: first words of an entry": the newest entry with those words goes on the line. */
async function toLine(c: Counting, rule: string): Promise<void> {
  const [line = '', words = ''] = rule.split(': ');
  const { entries } = await listEntries(c.deps, c.who, c.buildId, { q: words, limit: 1 });
  const entry = entries[0];
  const lineId = c.lines.get(line);
  if (!entry || lineId === undefined) throw new Error(`the demo cannot put this on a line: ${rule}`);
  await settleEntry(c.deps, c.who, c.buildId, entry.id, { belongs: 'line', lineId });
}

async function askMoney(c: Counting, rule: string): Promise<void> {
  const f = fieldsOf(rule);
  const today = dayOf(c.deps.clock.now(), c.timeZone);
  await putInstalment(c.deps, c.who, c.buildId, c.id(), {
    version: 0,
    what: f.what!,
    askedMinor: pence(Number(f.asked)),
    holds: f.holds !== 'no',
    ...(f.due === undefined ? {} : { due: addDays(today, Number(f.due)) }),
  });
}

async function takeMoney(c: Counting, rule: string): Promise<void> {
  const f = fieldsOf(rule);
  const { instalments, today } = await readCosts(c.deps, c.who, c.buildId);
  const asked = instalments.find((i) => i.what === f.what)!;
  const paid = { actId: c.id(), amountMinor: pence(Number(f.received)), on: today };
  await payInstalment(c.deps, c.who, c.buildId, asked.id, paid);
}

/** "vendor=…; number=…; total=…; CAR PART=amount; carriage=amount": an order is named by car and words. */
async function takeInvoice(c: Counting, rule: string): Promise<void> {
  const { vendor, number, total, ...rows } = fieldsOf(rule);
  const { open, today } = await readInvoices(c.deps, c.who);
  const items = Object.entries(rows).map(([words, amount]) => {
    const order = open.find(
      (o) => o.vendor === vendor && words === [o.nickname, o.what].filter(Boolean).join(' '),
    );
    const amountMinor = pence(Number(amount));
    if (!order) return { what: words, amountMinor, buildId: c.buildId };
    const named = order.partId === null ? { batchId: order.batchId! } : { partId: order.partId };
    return { what: order.what, amountMinor, ...named };
  });
  await putInvoice(c.deps, c.who, c.id(), {
    version: 0,
    vendor: vendor!,
    number: number!,
    day: today,
    totalMinor: pence(Number(total)),
    items,
  });
}

/** "front: badge is loose". */
const seen = (rule: string): { station: Station; what: string } => {
  const [station = '', ...what] = rule.split(': ');
  return { station: station as Station, what: what.join(': ') };
};

async function putRight(c: Counting, what: string): Promise<void> {
  const { snags } = await readSnags(c.deps, c.who, c.buildId);
  const snag = snags.find((s) => s.what === what && s.state === 'open')!;
  const end = { entryId: c.id(), state: 'right' as const, said: '' };
  await endSnag(c.deps, c.who, c.buildId, snag.id, end);
}

/** "the hood | rear: header rail sits 4 mm high | …"; nothing after it where it fits. */
async function tryIn(c: Counting, rule: string): Promise<void> {
  const [what = '', ...things] = rule.split(' | ');
  const inTheWay = things.map((t) => ({ id: c.id(), ...seen(t) }));
  await putTrial(c.deps, c.who, c.buildId, c.id(), { what, inTheWay });
}

const ROWS: Record<string, (c: Counting, rule: string) => Promise<unknown>> = {
  '@to': toLine,
  '@ask-money': askMoney,
  '@money-in': takeMoney,
  '@invoice': takeInvoice,
  '@snag': (c, rule) => putSnag(c.deps, c.who, c.buildId, c.id(), { entryId: c.id(), ...seen(rule) }),
  '@right': putRight,
  '@trial': tryIn,
};

/** A row of a story that is about money or snags, or false where it is about something else. */
export async function count(c: Counting, text: string): Promise<boolean> {
  const [word = ''] = text.split(' ');
  const act = ROWS[word];
  if (!act) return false;
  await act(c, text.slice(word.length + 1));
  return true;
}

/** Kinds of work that each does. */
export const SKILLS: Record<string, Work[]> = {
  J: ['mechanical', 'electrical', 'machining'],
  M: ['metalwork', 'paint', 'mechanical'],
  P: ['trim', 'paint', 'mechanical'],
};
