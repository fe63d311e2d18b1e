/**
 * What was logged on this device and has to reach the server: kept here first, sent in the order of writing, once each. It
 * survives a reload, a dead battery and a server that is away. The id of each is its own, so that sent twice it is kept once.
 */
import { useSyncExternalStore } from 'react';
import { LONGEST_AGO_MS } from '#core/time/ago.ts';
import { ApiProblem, callAgain, mayPass } from '../../shared/api.ts';
import { allHere, dropHere, keepHere, type KeptAct } from '../../shared/device.ts';
import { onReturn } from '../../shared/reach.ts';

type Outcome = { sent: unknown } | { refused: ApiProblem } | 'later';
export type Act = Pick<KeptAct, 'id' | 'route' | 'params' | 'body' | 'words' | 'lines'>;

/** Younger than this it is now: the server's own clock says when. */
const NOW_MS = 60_000;
const FIRST_PAUSE_MS = 2000;
const LONGEST_PAUSE_MS = 30_000;
/** Behind thick walls an answer may never come and no error either. */
const LONGEST_ANSWER_MS = 20_000;
/** So long one waits to hear that it is kept by the server; then it is kept here, which is enough to go on. */
const PATIENCE_MS = 4000;

let acts: readonly KeptAct[] = [];
let sender: string | null = null;
let pause = FIRST_PAUSE_MS;
let timer: ReturnType<typeof setTimeout> | undefined;
let last = 0;
let isRunning = false;
/** Asked for while it ran: it looks once more. */
let wanted = false;
const listeners = new Set<() => void>();
const arrivals = new Set<(act: KeptAct) => void>();
const waiting = new Map<string, (outcome: Outcome) => void>();

async function refresh(): Promise<void> {
  acts = (await allHere('acts')).sort((a, b) => a.n - b.n);
  last = Math.max(last, ...acts.map((a) => a.n));
  for (const tell of listeners) tell();
}

/** The request as it goes: written a while ago, it says how long, by a span that a wrong clock measures as well. */
function bodyOf({ body, writtenAt }: KeptAct): object {
  const ago = Math.min(Math.max(0, Date.now() - writtenAt), LONGEST_AGO_MS);
  return ago < NOW_MS ? body : { ...body, agoMs: Math.round(ago) };
}

/** Sends one; answers whether those behind it may follow. */
async function send(act: KeptAct): Promise<boolean> {
  const settle = (outcome: Outcome): void => waiting.get(act.id)?.(outcome);
  try {
    const signal = AbortSignal.timeout(LONGEST_ANSWER_MS);
    const sent = await callAgain(act.route, { params: act.params, body: bodyOf(act), signal });
    await dropHere('acts', act.id);
    // Gone from the list before anybody hears of it: what waits for it may go at once.
    acts = acts.filter((a) => a.id !== act.id);
    settle({ sent });
    for (const tell of arrivals) tell(act);
    return true;
  } catch (error) {
    if (!(error instanceof ApiProblem) || mayPass(error.problem.status)) return false;
    // Whoever waits for it is told and has the words; without them it stays here to be looked at.
    if (waiting.has(act.id)) {
      await dropHere('acts', act.id);
      settle({ refused: error });
    } else await keepHere('acts', { ...act, refused: error.message });
    return true;
  }
}

/** One page at a time sends; two that are open would only send twice what is kept once. */
const alone = (work: () => Promise<void>): Promise<void> =>
  globalThis.navigator?.locks ? navigator.locks.request('avrik-outgoing', work) : work();

async function sendAll(): Promise<void> {
  clearTimeout(timer);
  await refresh();
  for (;;) {
    const next = acts.find((a) => a.refused === null && a.personId === sender);
    if (!next) break;
    if (!(await send(next))) return rest();
    pause = FIRST_PAUSE_MS;
    await refresh();
  }
}

/** No answer: whoever waits is told, what came meanwhile too, and nothing is tried before a pause. */
async function rest(): Promise<void> {
  await refresh();
  wanted = false;
  timer = setTimeout(pump, pause);
  pause = Math.min(LONGEST_PAUSE_MS, pause * 2);
  for (const a of acts) waiting.get(a.id)?.('later');
}

async function run(): Promise<void> {
  isRunning = true;
  try {
    while (wanted) {
      wanted = false;
      await alone(sendAll);
    }
  } finally {
    isRunning = false;
  }
}

/** Sends what waits; asked for while it does, it looks once more when it is through. */
function pump(): void {
  wanted = true;
  if (!isRunning) void run();
}

/**
 * Who is signed in here: what somebody else left on this device waits until they come back. What an earlier page left is looked
 * for after a pause, so that it does not stand in the way of the first screen.
 */
export function sendAs(personId: string | null, pauseMs = 0): void {
  sender = personId;
  clearTimeout(timer);
  if (personId === null) return;
  if (pauseMs === 0) pump();
  else timer = setTimeout(pump, pauseMs);
}

/** Reads what this device still has to send. */
export const loadActs = refresh;

/**
 * Keeps it on this device and sends it. Answers what the server said, or `later` where it did not answer. Throws its refusal;
 * then nothing of it stays here.
 */
export async function sendAct<T>(act: Act): Promise<T | 'later'> {
  if (sender === null) throw new Error('nobody is signed in');
  last += 1;
  await keepHere('acts', {
    ...act,
    n: Math.max(last, acts.at(-1)?.n ?? 0),
    personId: sender,
    writtenAt: Date.now(),
    refused: null,
  });
  const outcome = await new Promise<Outcome>((resolve) => {
    const settle = (o: Outcome): void => {
      clearTimeout(patience);
      waiting.delete(act.id);
      resolve(o);
    };
    const patience = setTimeout(() => settle('later'), PATIENCE_MS);
    waiting.set(act.id, settle);
    pump();
  });
  if (outcome === 'later') return 'later';
  if ('refused' in outcome) throw outcome.refused;
  return outcome.sent as T;
}

export async function forgetAct(id: string): Promise<void> {
  await dropHere('acts', id);
  await refresh();
}

/** Whether an entry of this id has still to reach the server: as an act of its own, or made by one, as a reading makes its entry. */
export const isOutgoing = (id: string): boolean =>
  acts.some((a) => a.id === id || ('entryId' in a.body && a.body.entryId === id));

/** Hears of each that has arrived. */
export function onActArrived(tell: (act: KeptAct) => void): () => void {
  arrivals.add(tell);
  return () => arrivals.delete(tell);
}

export const useOutgoing = (): readonly KeptAct[] =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => acts,
  );

if (typeof window !== 'undefined') {
  window.addEventListener('online', pump);
  onReturn(() => {
    pause = FIRST_PAUSE_MS;
    pump();
  });
}
