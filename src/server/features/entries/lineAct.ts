/** What a feature does when a line of the log acts on one of its things. */
import type { EntryAddDto } from '#contract/entries.ts';
import type { ActOn, DoneAct } from '#core/acts/acts.ts';
import type { LoggedKind } from '#core/capture/understood.ts';
import type { Facts } from '#core/log/kinds.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import type { BuildKey } from '../builds/index.ts';

/** A line that acts, inside its transaction; the build is held. */
export interface LineCall {
  tx: Tx;
  deps: Deps;
  who: SignedIn;
  build: BuildKey;
  line: EntryAddDto;
  act: ActOn;
  /** When it happened: earlier than now where it was written without a network, or says so. */
  at: string;
}

/** The facts of an entry before they are put right, and after. */
export interface Revision {
  was: Facts;
  now: Facts;
}

/** What was looked at and allowed, and is done once the entry is kept. */
export interface Prepared {
  done: DoneAct;
  /** What the entry is, where the act knows it better than the words. */
  said?: { kind: LoggedKind; facts: Facts };
  perform: () => Promise<void>;
}

/** Checks an act, with a refusal where it cannot be. */
export type Prepare = (call: LineCall) => Promise<Prepared>;
/** Takes an act of this entry back, with a refusal where something else was done since. */
export type TakeBack = (tx: Tx, deps: Deps, done: DoneAct, entryId: string) => Promise<void>;

/** Refuses: something was done with the thing since that stands in the way. */
export const doneSince = (what: string): Refusal =>
  new Refusal(
    'conflict',
    `Something was done with “${what}” since: take that back first. Nothing was changed.`,
  );
