/** A dictation's state: the text, what was understood of it piece by piece, what was answered and put right, and logging it all. */
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { useMutation } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import {
  lineAs,
  NOTHING_PUT_RIGHT,
  understand,
  type PutRight,
  type Understood,
} from '#core/capture/understood.ts';
import { dictated, type Dictated } from '#core/reader/dictation.ts';
import { isCostly, type Asked } from '#core/reader/doubt.ts';
import { moveMarks, NO_MARKS, withCut, withJoin } from '#core/reader/marks.ts';
import { wordsOf } from '../../shared/api.ts';
import { useShop } from '../../shared/shop.ts';
import { useRemembered } from '../../shared/remember.ts';
import { sendAct, useOutgoing, type Act } from '../outgoing/index.ts';
import { useCapture } from './useCapture.ts';
import { useReader } from './useReader.ts';

type Car = Understood['build'] & { id: string };

export interface Reviewed {
  /** The same for the same words, however the rest of the text changes. */
  key: string;
  piece: Dictated;
  understood: Understood;
  is: Dictated['is'];
  /** What nobody has answered yet. */
  asks: Asked[];
}

/** What is said of one car in one go. */
export interface Group {
  car: Car | null;
  pieces: Reviewed[];
}

/** What was logged last, and the act that carries it: it may wait on this device for the server. */
interface Logged {
  actId: string;
  lines: number;
  cars: string[];
}

interface Put {
  right: PutRight;
  is?: Dictated['is'];
  answered: readonly Asked[];
}

const UNTOUCHED: Put = { right: NOTHING_PUT_RIGHT, answered: [] };

/** The nth piece of the same words has the same key. */
function keysOf(pieces: readonly Dictated[]): string[] {
  const seen = new Map<string, number>();
  return pieces.map(({ text }) => {
    const n = (seen.get(text) ?? 0) + 1;
    seen.set(text, n);
    return `${text}#${n}`;
  });
}

interface Options {
  /** The car that one stands at: what is said before any car is named is about it. */
  here?: { id: string; name: string };
  /** Under which name this device remembers the text. */
  rememberedAs?: string;
}

export function useDictation({ here, rememberedAs = 'avrik.narration' }: Options = {}) {
  const capture = useCapture();
  const { reader, isMissing } = useReader();
  const { seesPrices } = useShop();
  const [text, setText] = useRemembered(rememberedAs);
  const [puts, setPuts] = useState<ReadonlyMap<string, Put>>(new Map());
  const [marks, setMarks] = useState(NO_MARKS);
  const [logged, setLogged] = useState<Logged | null>(null);
  // One id a piece: pressed again after a lost answer, it is the same entry.
  const ids = useRef(new Map<string, string>());
  // The text and its marks belong together: neither is read with the other's yesterday.
  const read = useDeferredValue(useMemo(() => ({ text, marks }), [text, marks]));
  const hereId = here?.id ?? null;
  const pieces = useMemo(
    () => (reader ? dictated(read.text, { ...capture, at: hereId }, read.marks) : []),
    [read, capture, hereId, reader],
  );

  const reviewed = useMemo((): Reviewed[] => {
    const keys = keysOf(pieces);
    return pieces.map((piece, i) => {
      // What is next is the desk's to say; from others it is a line of the logbook.
      const usual = piece.is === 'next' && !seesPrices ? 'entry' : piece.is;
      const { right, is = usual, answered } = puts.get(keys[i]!) ?? UNTOUCHED;
      // Which car it is about says the dictation, not the line by itself.
      const build = right.build ?? piece.car ?? undefined;
      const { kind, facts, audience } = understand(lineAs(right.kind, piece, capture), right);
      const understood = { kind, facts, audience, ...(build && { build }) };
      const isAsked = (a: Asked): boolean =>
        !answered.includes(a) && (a !== 'car' || build?.id !== undefined);
      // Without a car it goes nowhere, whatever was answered.
      const noCar: Asked[] = build?.id === undefined ? ['car'] : [];
      const asks = is === 'chatter' ? [] : [...noCar, ...piece.asks.filter(isAsked)];
      return { key: keys[i]!, piece, understood, is, asks };
    });
  }, [pieces, puts, seesPrices, capture]);

  const put = (keys: readonly string[], change: (before: Put) => Put): void =>
    setPuts((before) => {
      const after = new Map(before);
      for (const key of keys) after.set(key, change(before.get(key) ?? UNTOUCHED));
      return after;
    });
  const putRight = (key: string, change: (before: PutRight) => PutRight): void =>
    put([key], (b) => ({ ...b, right: change(b.right) }));
  const setIs = (key: string, is: Dictated['is']): void => put([key], (b) => ({ ...b, is }));
  const answer = (key: string, asked: readonly Asked[], change: (b: PutRight) => PutRight = (b) => b): void =>
    put([key], (b) => ({ ...b, right: change(b.right), answered: [...b.answered, ...asked] }));

  /** A car that is chosen holds until the talk turns to another. */
  const setCar = (key: string, build: Car): void => {
    const at = reviewed.findIndex((r) => r.key === key);
    const was = reviewed[at]?.piece.car?.id;
    const behind = reviewed.slice(at + 1);
    const turn = behind.findIndex((r) => r.piece.turns && r.is !== 'chatter' && r.piece.car?.id !== was);
    const same = [reviewed[at]!, ...(turn < 0 ? behind : behind.slice(0, turn))];
    put(
      same.filter((r) => r.piece.car?.id === was).map((r) => r.key),
      (b) => ({ ...b, right: { ...b.right, build }, answered: [...b.answered, 'car'] }),
    );
  };

  const kept = reviewed.filter((r) => r.is !== 'chatter');
  const asks = kept.reduce((n, r) => n + (r.asks.some(isCostly) ? 1 : 0), 0);

  const log = useMutation({
    mutationFn: async () => {
      const act = actOf(kept, ids.current);
      await sendAct(act);
      return { done: kept, actId: act.id };
    },
    onSuccess: ({ done, actId }) => {
      const cars = [...new Map(done.map((r) => [r.understood.build!.id!, r.understood.build!.name]))];
      setLogged({ actId, lines: done.length, cars: cars.map(([, name]) => name) });
      setText('');
      setPuts(new Map());
      setMarks(NO_MARKS);
      ids.current.clear();
    },
  });
  const waiting = useOutgoing().find((a) => a.id === logged?.actId);

  return {
    text,
    write: (next: string) => {
      setMarks(moveMarks(marks, text, next));
      setText(next);
      setLogged(null);
      log.reset();
    },
    isReading: !reader && text.trim() !== '',
    isMissing,
    kept,
    groups: groupsOf(kept),
    aside: reviewed.filter((r) => r.is === 'chatter'),
    putRight,
    setCar,
    answer,
    setIs,
    /** Another thing begins at this place of the text. */
    cutAt: (place: number) => setMarks(withCut(marks, place)),
    joinToBefore: ({ piece }: Reviewed) => setMarks(withJoin(marks, piece.start)),
    isFirst: ({ piece }: Reviewed) => piece === pieces[0],
    asks,
    log: () => log.mutate(),
    isLogging: log.isPending,
    fault: log.isError ? wordsOf(log.error) : undefined,
    // What the server refused afterwards stands with what is still to be sent.
    logged:
      logged && (waiting?.refused ?? null) === null ? { ...logged, isHere: waiting !== undefined } : null,
  };
}

export type Dictation = ReturnType<typeof useDictation>;

/** Car after car, in the order of the walk. */
function groupsOf(kept: readonly Reviewed[]): Group[] {
  const groups: Group[] = [];
  for (const r of kept) {
    const build = r.understood.build;
    const car = build?.id === undefined ? null : { id: build.id, name: build.name };
    const last = groups.at(-1);
    if (last && last.car?.id === car?.id) last.pieces.push(r);
    else groups.push({ car, pieces: [r] });
  }
  return groups;
}

/** All of it in one request: kept whole, or not at all. */
function actOf(kept: readonly Reviewed[], ids: Map<string, string>): Act {
  const idOf = (key: string): string => {
    const id = ids.get(key) ?? uuidv7();
    ids.set(key, id);
    return id;
  };
  const lines = kept
    .filter((r) => r.is === 'entry')
    .map(({ key, piece, understood: { build, kind, facts, audience } }) => ({
      buildId: build!.id!,
      ...{ id: idOf(key), kind, text: piece.text, facts, audience },
    }));
  const nexts = kept
    .filter((r) => r.is === 'next')
    .map((r) => ({ buildId: r.understood.build!.id!, next: r.piece.text }));
  return {
    id: uuidv7(),
    route: 'saidKeep',
    params: {},
    body: { lines, nexts },
    words: kept.map((r) => `${r.understood.build!.name}: ${r.piece.text}`).join('; '),
    lines: kept.length,
  };
}
