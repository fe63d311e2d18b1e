/** What is typed on a bench screen: kept through a reload, undone step by step, read and worked out at every keystroke. */
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  emptyForm,
  readForm,
  usualPathsOf,
  workOut,
  type Form,
  type FormRead,
  type Ways,
  type Worked,
} from '#core/bench/registry/form.ts';
import type { Calculator } from '#core/bench/registry/types.ts';
import { remembered, remember } from '../../shared/remember.ts';

export interface BenchForm {
  form: Form;
  read: FormRead;
  worked: Worked;
  set: (path: string, text: string) => void;
  /** Puts all of it in place: an example, an earlier reading. */
  fill: (form: Form) => void;
  clear: () => void;
  /** A cell was done with: undo goes back to it. */
  take: (path: string) => void;
  /** The last one that was taken; null when there is none. */
  taken: { path: string; text: string } | null;
  /** Takes the last one back, and says where it stood. */
  undo: () => string | null;
}

const keyOf = (calculator: string, buildId: string | undefined): string =>
  `avrik.bench.${calculator}.${buildId ?? ''}`;

function kept(key: string): Form {
  try {
    return JSON.parse(remembered(key) ?? '{}') as Form;
  } catch {
    return {};
  }
}

/** Steps that can be taken back: more than a pack has taps. */
const MOST_UNDONE = 500;

/** What is typed on one screen can be taken to that of a car. */
export const carryForm = (calculator: string, form: Form, buildId: string): void =>
  remember(keyOf(calculator, buildId), JSON.stringify(form));

const NOTHING: Worked = { result: null, refused: null };

export function useBenchForm(
  calculator: Calculator,
  { buildId, usual, ways }: { buildId: string | undefined; usual: Form; ways: Ways },
): BenchForm {
  const key = keyOf(calculator.name, buildId);
  const blank = useMemo(() => ({ ...emptyForm(calculator.fields), ...usual }), [calculator, usual]);
  const [form, setForm] = useState<Form>(() => ({ ...blank, ...kept(key) }));
  const [history, setHistory] = useState<{ path: string; text: string; was: string }[]>([]);
  const before = useRef<Record<string, string>>({});
  // At once: a page may be left between two keystrokes.
  useEffect(() => remember(key, JSON.stringify(form)), [key, form]);
  // Whoever clears a limit has the one that is kept, not the one of the books.
  const standing = useMemo(() => {
    const paths = usualPathsOf(calculator);
    return Object.fromEntries(Object.entries(usual).filter(([path]) => paths.includes(path)));
  }, [calculator, usual]);
  const read = useMemo(
    () => readForm(calculator.fields, form, ways, standing),
    [calculator, form, ways, standing],
  );
  const worked = useMemo(() => (read.isRead ? workOut(calculator, read.input) : NOTHING), [calculator, read]);
  const last = history.at(-1);
  const [act] = useState(() => ({
    set: (path: string, text: string): void => setForm((now) => ({ ...now, [path]: text })),
  }));
  return {
    ...{ form, read, worked, set: act.set },
    fill: (next) => {
      setForm({ ...emptyForm(calculator.fields), ...next });
      setHistory([]);
    },
    clear: () => {
      setForm(blank);
      setHistory([]);
    },
    take: (path) => {
      const [text, was] = [form[path] ?? '', before.current[path] ?? ''];
      setHistory((all) => [...all.slice(-MOST_UNDONE), { path, text, was }]);
      before.current[path] = text;
    },
    taken: last ?? null,
    undo: () => {
      if (!last) return null;
      setForm((now) => ({ ...now, [last.path]: last.was }));
      before.current[last.path] = last.was;
      setHistory((all) => all.slice(0, -1));
      return last.path;
    },
  };
}
