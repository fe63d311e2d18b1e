/** What a line does to the things of its car: as it is understood, with what a person chose laid over it. */
import { useQueries, type QueryClient } from '@tanstack/react-query';
import type { KnownView } from '#contract/builds.ts';
import { ACT_SPECS, type ActOn, type OpenThing } from '#core/acts/acts.ts';
import type { ParsedLine } from '#core/capture/index.ts';
import { conditionOf } from '#core/capture/condition.ts';
import { turnOf } from '#core/capture/turns.ts';
import type { Understood } from '#core/capture/understood.ts';
import { placedName } from '#core/log/sentences.ts';
import { titleOf } from '#core/capture/planned.ts';
import { matchLine, whyRefused, type Match, type Meant } from '#core/match/match.ts';
import { knownQuery, openThingsQuery } from './entries.queries.ts';

/** What a person chose of what a line may do. */
export interface ChosenActs {
  /** Acts that it is not to do. */
  off: readonly string[];
  /** Of those in doubt, the one that is meant. */
  chosen: string | null;
  /** Whether the work is finished, where that was put right. */
  isDone: Readonly<Record<string, boolean>>;
}
export const AS_UNDERSTOOD: ChosenActs = { off: [], chosen: null, isDone: {} };

const NOTHING_MEANT: Match = { does: [], asks: [] };

export const keyOf = ({ act, id, check }: ActOn): string => `${act} ${id} ${check ?? ''}`;

/** What is open on each of these cars, by its id; a car whose things have not come yet is absent. */
export function useOpenThings(buildIds: readonly string[]): ReadonlyMap<string, OpenThing[]> {
  return useQueries({
    queries: buildIds.map(openThingsQuery),
    combine: (found) =>
      new Map(found.flatMap(({ data }) => (data ? [[data.buildId, data.things] as const] : []))),
  });
}

/** So long a line that is kept waits to hear what the shop knows, and what is open on its car. */
const SOON_MS = 1500;

/** What is asked for, if it comes soon: without a network, or from a slow server, undefined. */
const soon = <T>(asked: Promise<T>): Promise<T | undefined> =>
  Promise.race([
    asked.catch(() => undefined),
    new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), SOON_MS)),
  ]);

export const openThingsSoon = async (
  client: QueryClient,
  buildId: string,
): Promise<OpenThing[] | undefined> => (await soon(client.ensureQueryData(openThingsQuery(buildId))))?.things;

export const knownSoon = (client: QueryClient): Promise<KnownView | undefined> =>
  soon(client.ensureQueryData(knownQuery));

/** What a line does; nothing while what is open on its car is not known. */
export function meantBy(
  line: { text: string; parsed: ParsedLine; understood: Understood; locale: string },
  things: readonly OpenThing[] | undefined,
  newId: string,
): Match {
  if (!things) return NOTHING_MEANT;
  const { text, parsed, locale } = line;
  const { kind, facts } = line.understood;
  const turn = turnOf(text, parsed, locale) ?? undefined;
  return matchLine({ kind, facts, turn, condition: conditionOf(text) }, things, newId);
}

/** The acts that go with the line. */
export function actsOf({ does, asks }: Match, { off, chosen, isDone }: ChosenActs): ActOn[] {
  const meant = [
    ...does.filter((m) => !off.includes(keyOf(m))),
    ...asks.filter((m) => keyOf(m) === chosen).slice(0, 1),
  ];
  return meant.map((m) => {
    const { act, type, id, toGoMinutes, count, check } = m;
    return { act, type, id, toGoMinutes, count, check, isDone: isDone[keyOf(m)] ?? m.isDone };
  });
}

/** What the line is about, as a thing that is not written down yet will be called. */
export const subjectOf = ({ kind, facts }: Pick<Understood, 'kind' | 'facts'>, words: string): string => {
  if (kind === 'planned') return titleOf(words);
  return facts.subject === undefined ? '' : placedName(facts.subject, facts.zone);
};

/** “4 hydraulic hoses”, and what else tells which: “from Tern & Sons”. */
export function thingWords(m: Meant, subject: string): { name: string; more: string } {
  const { thing } = m;
  if (!thing) return { name: subject, more: m.act === 'order' ? 'new on the parts list' : '' };
  const some = m.count === undefined ? '' : `${m.count} of `;
  const count = thing.quantity !== undefined && thing.quantity > 1 ? `${some}${thing.quantity} ` : '';
  const from = thing.vendor ? `from ${thing.vendor}` : '';
  return { name: `${count}${thing.name}`, more: whyRefused(m) ?? from };
}

/** What a line did, in words: “Received hydraulic hoses”. */
export const didWords = (acts: readonly ActOn[], things: readonly OpenThing[], subject: string): string[] =>
  acts.map(({ act, id, count }) => {
    const some = count === undefined ? '' : `${count} of the `;
    return `${ACT_SPECS[act].did} ${some}${things.find((t) => t.id === id)?.name ?? subject}`;
  });

/** “Receives 4 hydraulic hoses”, in one run of words. */
export function actWords(m: Meant, subject: string): string {
  const check = m.check !== undefined && m.check !== 'right' ? `, ${m.check}` : '';
  return `${ACT_SPECS[m.act].will} ${thingWords(m, subject).name}${check}`;
}
