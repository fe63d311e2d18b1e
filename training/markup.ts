/**
 * Texts of the corpus as they are written by hand: what is said, with what it says marked where it says it. One text begins with a line
 * of its context and ends before the next one:
 *
 *     @ en-GB ramble at=b1 | b1 Merrow van ~Tiller's Bakery | b2 Kestrin GT ~Paul Overy | people Dom, Jess | vendors Ashby Clutch | places booth
 *     right {b1: the van} so [did weld: dom's welded the sill] and [planned.coming: it wants painting]
 *
 * `{b1: words}` turns to a car; what follows is of that car. `[kind.tense op/thing: words]` is a thing; the tense is the usual one of its
 * kind where it is left out, and so are operation and thing. `b2!` before the kind says that a thing is of another car than the talk,
 * `?!` that nobody could know. Facts follow the kind: `+minutes=120 +due=friday`.
 *
 * Of the style `lines` each row is a text of its own, of one thing, as it is typed into the log line: `did: fitted the pump, 1h`.
 */

export interface CorpusThing {
  /** In the text. */
  start: number;
  end: number;
  /** `?` where nobody could know. */
  build: string;
  kind: string;
  tense: string;
  op?: string;
  thing?: string;
  facts: Record<string, string>;
}

/** What the shop knows by name. */
export interface CorpusContext {
  builds: { id: string; name: string; customer?: string }[];
  people: string[];
  vendors: string[];
  places: string[];
}

export interface CorpusText extends CorpusContext {
  id: string;
  author: string;
  locale: string;
  style: string;
  /** The car whose page is open. */
  at: string | null;
  text: string;
  things: CorpusThing[];
  turns: { start: number; end: number; build: string }[];
}

const USUAL: Readonly<Record<string, string>> = { planned: 'coming', needs: 'coming', held: 'going' };
const MARK =
  /\{([\w?]+):\s*|\[(?:([\w?]+)!\s*)?([a-z]+)(?:\.([a-z]+))?((?:\s+\+\w+=[^\s:]+)*)(?:\s+([^:\]]*))?:\s*|([\]}])/g;

function contextOf(head: string): Omit<CorpusText, 'id' | 'author' | 'text' | 'things' | 'turns'> {
  const [first = '', ...parts] = head
    .slice(1)
    .split('|')
    .map((p) => p.trim());
  const [locale = 'en-GB', style = 'short', at] = first.split(/\s+/);
  const lists: Record<string, string[]> = { people: [], vendors: [], places: [] };
  const builds: CorpusText['builds'] = [];
  for (const part of parts) {
    const [word = '', ...rest] = part.split(/\s+/);
    const said = rest.join(' ');
    if (lists[word]) lists[word] = said.split(',').map((s) => s.trim());
    else {
      const [name = '', customer] = said.split('~').map((s) => s.trim());
      builds.push({ id: word, name, ...(customer === undefined ? {} : { customer }) });
    }
  }
  const { people = [], vendors = [], places = [] } = lists;
  return { locale, style, builds, people, vendors, places, at: at?.replace('at=', '') ?? null };
}

/** Reads one text; throws with its number where a mark is not closed, or a car is not in its context. */
function readText(author: string, n: number, head: string, body: string): CorpusText {
  const context = contextOf(head);
  const id = `${author}-${String(n).padStart(3, '0')}`;
  const known = new Set([...context.builds.map((b) => b.id), '?']);
  const text: CorpusText = { id, author, ...context, text: '', things: [], turns: [] };
  let at = 0;
  let build = context.at ?? '?';
  let open: (() => void) | null = null;
  for (const m of body.matchAll(MARK)) {
    text.text += body.slice(at, m.index);
    at = m.index + m[0].length;
    const start = text.text.length;
    if (m[7] !== undefined) {
      if (!open)
        throw new Error(`${id}: a mark is closed that was not opened, near “${text.text.slice(-40)}”`);
      open();
      open = null;
      continue;
    }
    if (open) throw new Error(`${id}: a mark in a mark, near “${text.text.slice(-40)}”`);
    if (m[1] !== undefined) {
      build = m[1];
      if (!known.has(build)) throw new Error(`${id}: there is no car ${build}`);
      const turn = { start, end: start, build };
      open = () => {
        turn.end = text.text.length;
        text.turns.push(turn);
      };
      continue;
    }
    const [, , other, kind = 'note', tense, facts = '', about = ''] = m;
    const of = other ?? build;
    if (!known.has(of)) throw new Error(`${id}: there is no car ${of}`);
    const [op, thing] = about.split('/').map((s) => s.trim());
    const found: CorpusThing = {
      start,
      end: start,
      build: of,
      kind,
      tense: tense ?? USUAL[kind] ?? 'done',
      ...(op ? { op } : {}),
      ...(thing ? { thing } : {}),
      facts: Object.fromEntries([...facts.matchAll(/\+(\w+)=([^\s:]+)/g)].map((f) => [f[1]!, f[2]!])),
    };
    open = () => {
      found.end = text.text.length;
      text.things.push(found);
    };
  }
  if (open) throw new Error(`${id}: a mark is not closed`);
  text.text += body.slice(at);
  return text;
}

/** All texts of a file. */
export function readMarkup(author: string, file: string): CorpusText[] {
  const texts: CorpusText[] = [];
  for (const block of file.split(/^(?=@ )/m)) {
    if (!block.startsWith('@ ')) continue;
    const [head = '', ...body] = block.trim().split('\n');
    const isOfLines = contextOf(head).style === 'lines';
    for (const text of isOfLines ? body.map((row) => `[${row}]`) : [body.join('\n')])
      texts.push(readText(author, texts.length + 1, head, text));
  }
  return texts;
}
