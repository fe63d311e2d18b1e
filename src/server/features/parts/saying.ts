/** What acts on parts say in the logbook. */
import { v7 as uuidv7 } from 'uuid';
import type { PartActDto } from '#contract/parts.ts';
import type { LoggedKind } from '#core/capture/understood.ts';
import type { Facts } from '#core/log/kinds.ts';
import { ASKED, UNSAID } from '#core/parts/parts.ts';
import type { Day } from '#core/time/days.ts';
import { formatMinutes } from '#core/time/hours.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import type { BuildKey } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { saveBelongs } from '../work/index.ts';
import type * as q from './parts.queries.ts';

/** What a faulty one brought with it. */
function consequences({ broke, lostMinutes, oldIsBack }: PartActDto): string {
  const words = [
    broke?.trim() && `it broke ${broke.trim()}`,
    lostMinutes !== undefined && `${formatMinutes(lostMinutes)} lost`,
    oldIsBack && 'the old one is in again',
  ].filter((w): w is string => Boolean(w));
  return words.map((w) => `; ${w}`).join('');
}

/** The owner's question to the customer, which stands in the next letter until it is answered. */
const askAboutOld = (tx: Tx, deps: Deps, who: SignedIn, build: BuildKey, part: q.PartRow): Promise<void> =>
  logIn(tx, deps, build, {
    kind: 'asked',
    text: `what shall become of the old ${part.content.what}: back to you, kept, or scrapped?`,
    facts: { subject: `the old ${part.content.what}`.slice(0, 300) },
    personId: who.personId,
    about: { type: 'part', id: part.id },
  });

/** What it broke is a finding; the hours it cost belong to the claim on whoever sold it, not to a line. */
async function logConsequences(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  part: q.PartRow,
  dto: PartActDto,
): Promise<void> {
  const about = { type: 'part', id: part.id };
  const broke = dto.broke?.trim();
  if (broke)
    await logIn(tx, deps, build, {
      kind: 'found',
      text: `found ${broke} broken by the faulty ${part.content.what}`,
      facts: { subject: broke, cause: 'damage' },
      personId: who.personId,
      about,
    });
  if (dto.lostMinutes === undefined) return;
  const id = uuidv7();
  await logIn(tx, deps, build, {
    id,
    kind: 'hours',
    text: `lost to the faulty ${part.content.what}`,
    facts: { subject: part.content.what, minutes: dto.lostMinutes },
    personId: who.personId,
    about,
  });
  await saveBelongs(tx, { entryId: id, taskId: null, lineId: null, belongs: 'warranty' });
}

/** What else the logbook hears of an act: a question about the old part, what a faulty one brought with it. */
export async function logEntailed(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  part: q.PartRow,
  dto: PartActDto,
): Promise<void> {
  if (dto.act === 'fit' && dto.fate === ASKED) await askAboutOld(tx, deps, who, build, part);
  const isFaulty = dto.act === 'failed' || (dto.act === 'arrive' && dto.check !== 'right');
  if (isFaulty) await logConsequences(tx, deps, who, build, part, dto);
}

/** What the customer pays with an order, as the logbook counts it. */
const moneyWith = ({ priceMinor, costMinor }: PartActDto, depositMinor = 0): Facts => {
  const minor = priceMinor ?? costMinor;
  return minor === undefined ? {} : { moneyMinor: minor + depositMinor };
};

/** “4 hydraulic hoses”. */
export const inCount = ({ what, quantity }: Pick<q.PartContent, 'what' | 'quantity'>): string =>
  quantity === 1 ? what : `${quantity} ${what}`;

export const factsOf = ({ what, quantity }: Pick<q.PartContent, 'what' | 'quantity'>): Facts => ({
  subject: what.slice(0, 300),
  ...(quantity === 1 ? {} : { quantity }),
});

/** What an act says in the logbook: its kind, its words, its facts; days as the shop writes them. */
export function saying(
  p: q.PartRow,
  dto: PartActDto,
  inWords: (day: Day) => string,
): { kind: LoggedKind; text: string; facts: Facts } {
  const { what } = p.content;
  const thing = inCount(p.content);
  const facts = factsOf(p.content);
  const note = dto.note?.trim() ? `: ${dto.note.trim()}` : '';
  const vendor = dto.vendor?.trim() || p.vendor;
  const from = vendor === '' ? {} : { vendor };
  switch (dto.act) {
    case 'order':
      return {
        kind: 'ordered',
        text: `ordered ${thing} from ${vendor}${note}`,
        facts: {
          ...facts,
          ...from,
          ...(dto.due === undefined ? {} : { due: dto.due }),
          ...moneyWith(dto, p.content.depositMinor),
        },
      };
    case 'arrive':
      return dto.check === 'right'
        ? {
            kind: 'arrived',
            text: `${thing} arrived${vendor === '' ? '' : ` from ${vendor}`}`,
            facts: { ...facts, ...from },
          }
        : {
            kind: 'note',
            text: `${thing} arrived ${dto.check}${note}${consequences(dto)}`,
            facts: { ...facts, ...from },
          };
    case 'fit': {
      const old =
        dto.fate === 'there was none' || dto.fate === UNSAID
          ? ''
          : `; the old one ${dto.fate}${dto.bag ? `, bag ${dto.bag}` : ''}`;
      return { kind: 'fitted', text: `fitted ${thing}${old}${note}`, facts };
    }
    case 'new date':
      return {
        kind: 'note',
        text: `${thing} now expected ${inWords(dto.due!)}, before that ${p.due === null ? 'no day was named' : inWords(p.due)}${note}`,
        facts,
      };
    case 'failed':
      return {
        kind: 'note',
        text: `${thing} failed${note}${consequences(dto)}`,
        facts: { ...facts, ...from },
      };
    case 'core sent':
      return {
        kind: 'note',
        text: `old ${what} sent back for its deposit${note}`,
        facts: { ...facts, ...from },
      };
    case 'credited':
      return {
        kind: 'spent',
        text: `credited for ${thing}${vendor === '' ? '' : ` by ${vendor}`}${note}`,
        facts: { ...facts, ...from, moneyMinor: -dto.creditMinor! },
      };
    case 'old one settled': {
      const bag = dto.bag ? `, bag ${dto.bag}` : '';
      return {
        kind: 'decided',
        text: `old ${what}: ${dto.fate}${bag}${note}`,
        facts: { subject: what.slice(0, 300) },
      };
    }
    case 'send back':
      return { kind: 'note', text: `${thing} sent back${note}`, facts: { ...facts, ...from } };
    case 'found':
      return { kind: 'note', text: `found where to get ${thing}${note}`, facts };
    case 'take up again':
      return { kind: 'note', text: `${thing} is needed again${note}`, facts };
  }
}
