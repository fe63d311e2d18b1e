/** The corpus of shop speech, all authors in one form, with the labels that they gave differently made one. */
import { readdirSync, readFileSync } from 'node:fs';
import { readMarkup, type CorpusContext, type CorpusText, type CorpusThing } from './markup.ts';

export const KINDS = [
  'note',
  'found',
  'did',
  'planned',
  'needs',
  'ordered',
  'received',
  'fitted',
  'spent',
  'hours',
  'held',
  'resumed',
  'measured',
  'moved',
  'asked',
  'decided',
  'told',
] as const;
export const TENSES = ['done', 'going', 'coming', 'wished', 'not'] as const;

/** A thing as the authors of the JSON files wrote it: its words, and what else they saw in it. */
interface WrittenThing {
  span: string;
  build: string;
  kind: string;
  tense?: string;
  op?: string;
  thing?: string;
  [fact: string]: unknown;
}

interface WrittenText {
  id: string;
  locale: string;
  style: string;
  context: CorpusContext;
  at: string | null;
  text: string;
  things: WrittenThing[];
  turns: { span: string; build: string }[];
}

const NO_FACTS = new Set(['span', 'build', 'kind', 'tense', 'op', 'thing']);

/** Where each of these stands in the text, in their order; the same words twice are two places. */
function placesOf<T extends { span: string }>(
  text: string,
  marks: readonly T[],
  id: string,
): (T & { start: number })[] {
  let at = 0;
  let before = '';
  return marks.map((m) => {
    const start = text.indexOf(m.span, m.span === before ? at + 1 : at);
    if (start < 0) throw new Error(`${id}: “${m.span}” is not in the text, or not in its order`);
    at = start;
    before = m.span;
    return { ...m, start };
  });
}

function readWritten(author: string, line: string): CorpusText {
  const { id, locale, style, context, at, text, things, turns } = JSON.parse(line) as WrittenText;
  return {
    ...{ id, author, locale, style, at, text, ...context },
    things: placesOf(text, things, id).map(
      ({ start, span, build, kind, tense = 'done', op, thing, ...facts }) => ({
        ...{ start, end: start + span.length, build, kind, tense },
        ...(op ? { op } : {}),
        ...(thing ? { thing } : {}),
        facts: Object.fromEntries(
          Object.entries(facts)
            .filter(([field]) => !NO_FACTS.has(field))
            .map(([field, value]) => [field, String(value)]),
        ),
      }),
    ),
    turns: placesOf(text, turns, id).map(({ start, span, build }) => ({
      start,
      end: start + span.length,
      build,
    })),
  };
}

const ACTS_OF_WORK = new Set(['did', 'fitted', 'moved', 'measured', 'ordered', 'told']);
const IS_TO_COME = new Set(['coming', 'wished', 'not']);

/** The kind and tense that a thing has by the one rule of the corpus, which its README states. */
export function settled({ kind, tense }: Pick<CorpusThing, 'kind' | 'tense'>): {
  kind: string;
  tense: string;
} {
  if (ACTS_OF_WORK.has(kind) && IS_TO_COME.has(tense)) return { kind: 'planned', tense };
  switch (kind) {
    case 'received':
      if (tense === 'coming') return { kind: 'held', tense };
      if (tense === 'not') return { kind: 'held', tense: 'going' };
      return tense === 'wished' ? { kind: 'planned', tense } : { kind, tense: 'done' };
    // Time and money that were only estimated, or refused, are an amount of what they are said of; of nothing, a note.
    case 'hours':
    case 'spent':
      return IS_TO_COME.has(tense) ? { kind: 'note', tense: 'done' } : { kind, tense: 'done' };
    case 'planned':
      return { kind, tense: IS_TO_COME.has(tense) ? tense : 'coming' };
    case 'needs':
      return { kind, tense: tense === 'wished' || tense === 'not' ? tense : 'coming' };
    case 'held':
      return { kind, tense: tense === 'coming' || tense === 'wished' ? 'coming' : 'going' };
    case 'decided':
      if (tense === 'coming' || tense === 'wished') return { kind: 'planned', tense };
      return { kind, tense: tense === 'not' ? 'not' : 'done' };
    case 'note':
      return { kind, tense: tense === 'not' ? 'not' : 'done' };
    case 'found':
    case 'resumed':
      return { kind, tense: 'done' };
    default:
      return { kind, tense };
  }
}

const FOLDER = new URL('./corpus/', import.meta.url);

/** Every text of every author, in the order of their names. */
export function readCorpus(): CorpusText[] {
  return readdirSync(FOLDER)
    .filter((name) => /\.(?:jsonl|txt)$/.test(name))
    .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))
    .flatMap((name) => {
      const author = name.replace(/\.\w+$/, '');
      const file = readFileSync(new URL(name, FOLDER), 'utf8');
      if (name.endsWith('.txt')) return readMarkup(author, file);
      return file.split('\n').flatMap((line) => (line.trim() === '' ? [] : [readWritten(author, line)]));
    })
    .map((text) => ({ ...text, things: text.things.map((t) => ({ ...t, ...settled(t) })) }));
}
