/** A draft being edited: saves itself, knows when somebody else changed it, loses nothing. */
import { useEffect, useRef, useState } from 'react';
import type { LetterView } from '#contract/letters.ts';
import { figuresTold, type Letter } from '#core/update/letter.ts';
import { ApiProblem } from '../../shared/api.ts';
import { useRedraft, useSaveLetter, useSendLetter } from './letters.queries.ts';

const QUIET_MS = 800;

type State = 'saved' | 'unsaved' | 'saving' | 'conflict' | 'failed';

export function useDraft(letter: LetterView) {
  const [content, setContent] = useState<Letter>(letter.content);
  const [state, setState] = useState<State>('saved');
  /** What stands on the page, what the server has of it, and under which version. */
  const latest = useRef(content);
  const kept = useRef({ content: letter.content, version: letter.version });
  const inFlight = useRef<Promise<number | null> | null>(null);
  const save = useSaveLetter(letter.id);
  const redraft = useRedraft(letter.id);
  const send = useSendLetter(letter.id);

  const edit = (change: (letter: Letter) => Letter): void => {
    latest.current = change(latest.current);
    setContent(latest.current);
    setState('unsaved');
  };

  const take = (view: LetterView): void => {
    latest.current = view.content;
    kept.current = { content: view.content, version: view.version };
    setContent(view.content);
    setState('saved');
  };

  const attempt = async (): Promise<number | null> => {
    const sent = latest.current;
    setState('saving');
    try {
      const { version } = await save.mutateAsync({ version: kept.current.version, content: sent });
      kept.current = { content: sent, version };
      // Typed on meanwhile: the next round saves that.
      setState(latest.current === sent ? 'saved' : 'unsaved');
      return version;
    } catch (error) {
      setState(error instanceof ApiProblem && error.problem.status === 409 ? 'conflict' : 'failed');
      return null;
    }
  };

  /** Saves what is there now, after any save that is under way; answers the version that holds, or null. */
  const saveNow = async (): Promise<number | null> => {
    await inFlight.current;
    if (latest.current === kept.current.content) return kept.current.version;
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
      await send.mutateAsync({ version, figures: figuresTold(latest.current) });
      return true;
    } catch (error) {
      const now = error instanceof ApiProblem ? error.problem.current : undefined;
      if (now) take(now as LetterView);
      return false;
    }
  };

  const again = (): void => redraft.mutate(kept.current.version, { onSuccess: take });
  const error = send.error ?? redraft.error ?? save.error;
  return { content, edit, state, saveNow, sendNow, again, take, error, sending: send.isPending };
}
