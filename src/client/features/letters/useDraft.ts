/**
 * A draft being edited: saves itself, puts together what somebody else changed meanwhile, can undo, loses nothing.
 */
import { useEffect, useRef, useState } from 'react';
import type { LetterView } from '#contract/letters.ts';
import { figuresTold, type Letter } from '#core/update/letter.ts';
import { mergeLetters } from '#core/update/merge.ts';
import { ApiProblem } from '../../shared/api.ts';
import { beginHistory, changed, redone, throughout, undone, type History } from './history.ts';
import { useRedraft, useSaveLetter, useSendLetter } from './letters.queries.ts';

const QUIET_MS = 800;

type State = 'saved' | 'unsaved' | 'saving' | 'conflict' | 'failed';

export function useDraft(letter: LetterView) {
  const [history, setHistory] = useState(() => beginHistory(letter.content));
  const [state, setState] = useState<State>('saved');
  /** Where both changed the same sentence; what the other one made of it. */
  const [clash, setClash] = useState<{ where: string[]; theirs: LetterView } | null>(null);
  /** What stands on the page, what the server has of it, and under which version. */
  const latest = useRef(history);
  const kept = useRef({ content: letter.content, version: letter.version });
  const inFlight = useRef<Promise<number | null> | null>(null);
  const save = useSaveLetter(letter.id);
  const redraft = useRedraft(letter.id);
  const send = useSendLetter(letter.id);

  const put = (next: History<Letter>): void => {
    latest.current = next;
    setHistory(next);
  };
  /** Changes the letter; what is typed in one go at one place is undone in one go. */
  const edit = (change: (letter: Letter) => Letter, place: string | null = null): void => {
    put(changed(latest.current, change(latest.current.now), place, performance.now()));
    setState('unsaved');
  };
  const step = (to: (h: History<Letter>) => History<Letter>): void => {
    const next = to(latest.current);
    if (next === latest.current) return;
    put(next);
    setState('unsaved');
  };

  const take = (view: LetterView): void => {
    kept.current = { content: view.content, version: view.version };
    put(beginHistory(view.content));
    setClash(null);
    setState('saved');
  };

  /** What somebody else changed, put together with what stands here. Where both changed the same, they are asked. */
  const join = (theirs: LetterView): void => {
    if (theirs.version <= kept.current.version) return;
    // The server has answered meanwhile: that it once did not is no news any more.
    if (save.isError) save.reset();
    const base = kept.current.content;
    const { clashes } = mergeLetters(base, latest.current.now, theirs.content);
    if (clashes.length > 0) {
      setClash({ where: clashes, theirs });
      setState('conflict');
      return;
    }
    put(throughout(latest.current, (mine) => mergeLetters(base, mine, theirs.content).letter));
    const isSame = JSON.stringify(latest.current.now) === JSON.stringify(theirs.content);
    kept.current = { content: isSame ? latest.current.now : theirs.content, version: theirs.version };
    setState(isSame ? 'saved' : 'unsaved');
  };

  /** Keeps one’s own words where both changed the same. */
  const keepMine = (): void => {
    if (!clash) return;
    const { letter: merged } = mergeLetters(kept.current.content, latest.current.now, clash.theirs.content);
    kept.current = { content: clash.theirs.content, version: clash.theirs.version };
    put(changed(latest.current, merged, null, 0));
    setClash(null);
    setState('unsaved');
  };

  const attempt = async (): Promise<number | null> => {
    const sent = latest.current.now;
    setState('saving');
    try {
      const { version } = await save.mutateAsync({ version: kept.current.version, content: sent });
      kept.current = { content: sent, version };
      // Typed on meanwhile: the next round saves that.
      setState(latest.current.now === sent ? 'saved' : 'unsaved');
      return version;
    } catch (error) {
      const problem = error instanceof ApiProblem ? error.problem : null;
      if (problem?.status !== 409) setState('failed');
      else if (problem.current === undefined) setState('conflict');
      else {
        save.reset();
        join(problem.current as LetterView);
      }
      return null;
    }
  };

  /** Saves what is there now, after any save that is under way; answers the version that holds, or null. */
  const saveNow = async (): Promise<number | null> => {
    await inFlight.current;
    if (latest.current.now === kept.current.content) return kept.current.version;
    inFlight.current = attempt();
    try {
      return await inFlight.current;
    } finally {
      inFlight.current = null;
    }
  };

  useEffect(() => {
    if (state !== 'unsaved') return;
    const timer = setTimeout(() => void saveNow(), QUIET_MS);
    return () => clearTimeout(timer);
  });

  useEffect(() => {
    if (state === 'saved') return;
    const warn = (e: BeforeUnloadEvent): void => e.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [state]);

  /** Sends what is on the page; where the figures have changed meanwhile, they are put on the page instead. */
  const sendNow = async (): Promise<boolean> => {
    const version = await saveNow();
    if (version === null) return false;
    try {
      await send.mutateAsync({ version, figures: figuresTold(latest.current.now) });
      return true;
    } catch (error) {
      const now = error instanceof ApiProblem ? error.problem.current : undefined;
      if (now) take(now as LetterView);
      return false;
    }
  };

  return {
    content: history.now,
    edit,
    undo: () => step(undone),
    redo: () => step(redone),
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    state,
    clash,
    join,
    keepMine,
    saveNow,
    sendNow,
    again: () => redraft.mutate(kept.current.version, { onSuccess: take }),
    take,
    /** The version that stands here, saved or changed since. */
    versionHere: () => kept.current.version,
    error: send.error ?? redraft.error ?? save.error,
    sending: send.isPending,
  };
}
