/** A draft being edited: saves itself, knows when somebody else changed it, loses nothing. */
import { useEffect, useRef, useState } from 'react';
import type { LetterView } from '#contract/letters.ts';
import type { Letter } from '#core/update/draft.ts';
import { ApiProblem } from '../../shared/api.ts';
import { useRedraft, useSaveLetter, useSendLetter } from './letters.queries.ts';

const QUIET_MS = 800;

type State = 'saved' | 'unsaved' | 'saving' | 'conflict' | 'failed';

export function useDraft(letter: LetterView) {
  const [content, setContent] = useState<Letter>(letter.content);
  const [version, setVersion] = useState(letter.version);
  const [state, setState] = useState<State>('saved');
  const latest = useRef(content);
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
    setContent(view.content);
    setVersion(view.version);
    setState('saved');
  };

  /** Saves what is there now; answers the version that holds, or null where it could not. */
  const saveNow = async (): Promise<number | null> => {
    if (state === 'saved') return version;
    const sent = latest.current;
    setState('saving');
    try {
      const saved = await save.mutateAsync({ version, content: sent });
      setVersion(saved.version);
      // Typed on meanwhile: the next round saves that.
      setState(latest.current === sent ? 'saved' : 'unsaved');
      return saved.version;
    } catch (error) {
      setState(error instanceof ApiProblem && error.problem.status === 409 ? 'conflict' : 'failed');
      return null;
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

  const sendNow = async (): Promise<void> => {
    const at = await saveNow();
    if (at !== null) await send.mutateAsync(at).catch(() => undefined);
  };

  const again = (): void => redraft.mutate(version, { onSuccess: take });
  return {
    content,
    edit,
    state,
    saveNow,
    sendNow,
    again,
    take,
    error: send.error ?? redraft.error ?? save.error,
    sending: send.isPending || save.isPending,
  };
}
