/** The log line's state: the text, what it is understood to say, what was put right, and keeping it. */
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import type { EntryView } from '#contract/entries.ts';
import { parseLine, type CaptureContext, type Named, type ParsedLine } from '#core/capture/index.ts';
import {
  lineAs,
  NOTHING_PUT_RIGHT,
  understand,
  withoutAddress,
  type PutRight,
  type Understood,
} from '#core/capture/understood.ts';
import { isCostly, type Asked } from '#core/reader/doubt.ts';
import type { LineRead } from '#core/reader/line.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { useRemembered } from '../../shared/remember.ts';
import { sendAct } from '../outgoing/index.ts';
import { filesInWords, sendFiles } from '../photos/index.ts';
import {
  actsOf,
  AS_UNDERSTOOD,
  didWords,
  knownSoon,
  meantBy,
  openThingsSoon,
  subjectOf,
  useOpenThings,
  type ChosenActs,
} from './acting.ts';
import { withPut, type Put } from './questions.ts';
import { useLogTarget, type Here } from './target.tsx';
import { knownQuery } from './entries.queries.ts';
import { useCapture, withKnown } from './useCapture.ts';
import { readerSoon, useReader, type Reader } from './useReader.ts';

export interface Kept {
  entry: EntryView;
  /** What it did, in words. */
  did: string[];
  build: Named & { id: string };
}

/** Looking over a car one says what, not where: the zone at hand is where, unless the line names another. */
const atHand = (parsed: ParsedLine, zone: string | undefined): ParsedLine =>
  zone !== undefined && parsed.kind === 'found' && parsed.zone === undefined ? { ...parsed, zone } : parsed;

/**
 * On a car's own page a line stays with that car, unless another is addressed in front, with a mark behind it (“hearse: …”): a
 * word of another car's name (“engine”, “pump”) is more often a part of this one.
 */
const staysHere = (parsed: ParsedLine, text: string, here: Partial<Named> | null): ParsedLine => {
  const at = parsed.spans.find((s) => s.field === 'build');
  if (!here || !parsed.build || parsed.build.id === here.id || !at) return parsed;
  if (text.slice(0, at.start).trim() === '' && /^\s*[:,–—]/.test(text.slice(at.end))) return parsed;
  const stays: ParsedLine = { ...parsed, spans: parsed.spans.filter((s) => s !== at) };
  delete stays.build;
  return stays;
};

/** What was understood of a line, with what somebody put right laid over it, and what is in doubt that would cost if it were wrong. */
interface LineSaid {
  parsed: ParsedLine;
  understood: Understood;
  asks: readonly Asked[];
  read: LineRead | null;
}

/** Without the reader a line is a note, until somebody says its kind. */
function lineSaid(
  text: string,
  right: PutRight,
  reader: Reader | null,
  { capture, here }: { capture: CaptureContext; here: Here | null },
): LineSaid {
  const read = reader?.readLine(text, capture) ?? null;
  const line = read?.line ?? parseLine(text, capture, 'note');
  const parsed = staysHere(atHand(lineAs(right.kind, { text, line }, capture), here?.zone), text, here);
  const asks = right.kind === undefined ? (read?.asks ?? []).filter(isCostly) : [];
  return { parsed, understood: understand(parsed, right), asks, read };
}

/** What comes with a line may come without a word. */
const onlyFiles = (files: readonly File[]) => ({
  kind: 'note' as const,
  text: filesInWords(files),
  facts: {},
  audience: KIND_SPECS.note.audience,
});

export function useLogLine() {
  const capture = useCapture();
  const here = useLogTarget();
  const [text, setText] = useRemembered('avrik.log-line');
  const [right, setRight] = useState<PutRight>(NOTHING_PUT_RIGHT);
  const [fault, setFault] = useState<string | null>(null);
  // Photographs and voice notes.
  const [files, setFiles] = useState<readonly File[]>([]);
  const [kept, setKept] = useState<Kept | null>(null);
  /** How many lines are on their way. */
  const [keeping, setKeeping] = useState(0);
  const latest = useRef(text);
  /** The line that waits to hear what is open on its car. */
  const soon = useRef<string | null>(null);
  const client = useQueryClient();
  useLayoutEffect(() => {
    latest.current = text;
  });

  /** Whether the line is about to be written: then what reads it is sent for. */
  const [isNear, setNear] = useState(false);
  const hasWords = text.trim() !== '';
  const { reader, isMissing } = useReader(isNear || hasWords);
  /** Whether it was to be kept, and something must be answered first. */
  const [isAsking, setAsking] = useState(false);
  const said = useMemo(
    () => lineSaid(text, right, reader, { capture, here }),
    [text, right, reader, capture, here],
  );
  const { parsed, understood } = said;
  const build = understood.build ?? here;
  const [acts, setActs] = useState<ChosenActs>(AS_UNDERSTOOD);
  // Of a part that the line orders and nobody wrote down before.
  const [newPartId, setNewPartId] = useState<string>(() => uuidv7());
  const { locale } = useManner();
  const things = useOpenThings(build?.id === undefined ? [] : [build.id]).get(build?.id ?? '');
  const match = useMemo(
    () => meantBy({ text, parsed, understood, locale }, things, newPartId),
    [text, parsed, understood, locale, things, newPartId],
  );

  const write = (next: string): void => {
    setText(next);
    setFault(null);
    setAsking(false);
    if (next !== '') return;
    setRight(NOTHING_PUT_RIGHT);
    setActs(AS_UNDERSTOOD);
  };
  const putRight = (change: (before: PutRight) => PutRight): void => {
    setFault(null);
    setRight(change);
  };

  const chooseFiles = (more: readonly File[]): void => setFiles((before) => [...before, ...more]);
  const dropFile = (file: File): void => setFiles((before) => before.filter((f) => f !== file));

  /**
   * Keeps what is written and frees the line at once, so that the next one can be written while this one is on its way; a
   * line that is refused comes back before whatever was written meanwhile. Gives whether something must be answered first.
   */
  const keep = async (chosen: PutRight = right): Promise<boolean> => {
    if ((!hasWords && files.length === 0) || soon.current === text) return false;
    const isEarly =
      hasWords && (!client.getQueryData(knownQuery.queryKey) || (!reader && chosen.kind === undefined));
    let now = chosen === right ? said : lineSaid(text, chosen, reader, { capture, here });
    if (isEarly) {
      // Written faster than the names of the shop, or what reads it, came: the line stays where it is until then.
      soon.current = text;
      const [come, known] = await Promise.all([readerSoon(client), knownSoon(client)]);
      soon.current = null;
      now = lineSaid(text, chosen, come, { capture: withKnown(capture, known ?? null), here });
    }
    const { kind, facts, audience } = now.understood;
    const build = now.understood.build ?? here;
    if (!build?.id) {
      setFault('Which car is it for? Choose it here, or begin with its name: “microcar: …”');
      return false;
    }
    if (now.asks.length > 0) {
      setAsking(true);
      return true;
    }
    let open = now === said ? things : undefined;
    if (!open && hasWords) {
      // Written faster than what is open on its car came.
      soon.current = text;
      open = await openThingsSoon(client, build.id);
      soon.current = null;
    }
    const words = withoutAddress(text, now.parsed);
    const sent = {
      id: uuidv7(),
      text,
      right: chosen,
      acts,
      files,
      // Where what is open is not known, it does nothing.
      does: open && hasWords ? actsOf(meantBy({ text, ...now, locale }, open, newPartId), acts) : undefined,
      said: hasWords ? { kind, text: words, facts, audience } : onlyFiles(files),
    };
    // What was typed since is the next line.
    const meanwhile = latest.current;
    setText(meanwhile.startsWith(text) ? meanwhile.slice(text.length).trimStart() : meanwhile);
    setFault(null);
    setAsking(false);
    setRight(NOTHING_PUT_RIGHT);
    setActs(AS_UNDERSTOOD);
    setNewPartId(uuidv7());
    setFiles([]);
    setKeeping((n) => n + 1);
    try {
      const entry = await sendAct<EntryView>({
        id: sent.id,
        route: 'entryAdd',
        params: { buildId: build.id },
        body: { id: sent.id, ...sent.said, ...(sent.does && { does: sent.does }) },
        words: `${build.name}: ${sent.said.text}`,
      });
      const did = didWords(sent.does ?? [], open ?? [], subjectOf(now.understood, sent.said.text));
      setKept(entry === 'later' ? null : { entry, did, build: { id: build.id, name: build.name } });
      sendFiles(build.id, sent.id, sent.files);
    } catch (error) {
      comeBack(sent);
      setFault(wordsOf(error));
    } finally {
      setKeeping((n) => n - 1);
    }
    return false;
  };

  /** Answered by somebody who wanted it kept, it is kept. */
  const answer = (put: Put): void => {
    const chosen = withPut(right, put);
    setRight(chosen);
    setAsking(false);
    if (isAsking) void keep(chosen);
  };

  const comeBack = (sent: {
    text: string;
    right: PutRight;
    acts: ChosenActs;
    files: readonly File[];
  }): void => {
    const meanwhile = latest.current;
    setText(meanwhile.trim() === '' ? sent.text : `${sent.text}\n${meanwhile}`);
    // What was put right is about that line alone.
    setRight(meanwhile.trim() === '' ? sent.right : NOTHING_PUT_RIGHT);
    setActs(meanwhile.trim() === '' ? sent.acts : AS_UNDERSTOOD);
    setFiles((now) => [...sent.files, ...now]);
  };

  return {
    capture,
    text,
    write,
    right,
    putRight,
    understood,
    /** What it does to things of its car, and what was chosen of that. */
    match,
    /** What it would write down, as it will be called. */
    newThing: subjectOf(understood, withoutAddress(text, parsed)),
    acts,
    putActs: setActs,
    /** What was read, and what must be answered of it before it is kept. */
    read: said.read,
    asks: said.asks,
    answer,
    isAsking,
    /** What reads it is on its way, or cannot come; nobody need be told where its kind was chosen. */
    reading: reader || right.kind !== undefined ? null : isMissing ? 'missing' : 'on its way',
    comeNear: () => setNear(true),
    build,
    here,
    files,
    chooseFiles,
    dropFile,
    keep: () => keep(),
    keeping: keeping > 0,
    fault,
    kept,
    setKept,
  };
}

export type LogLineState = ReturnType<typeof useLogLine>;
