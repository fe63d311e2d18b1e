/** Finds the builds, people, vendors and places a line names, and names the shop does not know yet. */
import type { Known, Named } from './types.ts';
import type { Found } from './quantities.ts';
import type { Token } from './tokens.ts';

interface Indexed {
  words: string[];
  known: Known;
}

/** Names by their first word, so that a line costs a look-up per token and not per name. */
export type NameIndex = Map<string, Indexed[]>;

const nameWords = (name: string): string[] =>
  name
    .toLowerCase()
    .replaceAll('’', "'")
    .split(/[^\p{L}\p{N}']+/u)
    .filter((w) => w !== '' && w !== 'and');

/** Index of full names and aliases; with `byFirstWord`, of first words too where only one bears it. */
export function indexNames(
  known: readonly Known[],
  options: { firstWord?: boolean; everyWord?: boolean; headWord?: boolean } = {},
): NameIndex {
  const index: NameIndex = new Map();
  const add = (words: string[], k: Known): void => {
    const first = words[0];
    if (first === undefined) return;
    const row = index.get(first) ?? [];
    if (
      row.some(
        (r) =>
          r.known.id === k.id && r.words.length === words.length && r.words.every((w, i) => w === words[i]),
      )
    )
      return;
    row.push({ words, known: k });
    index.set(first, row);
  };
  for (const k of known) for (const name of [k.name, ...(k.aliases ?? [])]) add(nameWords(name), k);
  if (options.firstWord) for (const [word, k] of soleWords(known, (w) => w.slice(0, 1))) add([word], k);
  if (options.headWord) for (const [word, k] of soleWords(known, (w) => w.slice(-1), true)) add([word], k);
  if (options.everyWord) for (const [word, k] of soleWords(known, (w) => w)) add([word], k);
  for (const row of index.values()) row.sort((a, b) => b.words.length - a.words.length);
  return index;
}

/** Words that name nothing by themselves. */
const DULL = new Set(
  'the of a an to for van car truck mr mrs ms dr ltd sons co one two three four five six seven eight nine ten'.split(
    ' ',
  ),
);

/** Of these a shop may have but one: then “the van” names it. */
const HEADS = /^(?:van|truck)$/;

/**
 * What a car is called by and every car has or may have: “the pump is leaking” does not turn from the snow plough to the fire
 * pump. Such a car is named whole.
 */
const PARTS_OF_CARS = /^(?:engine|pump|cab|tank|ladder|boiler|winch|lift|box|bar|seat)$/;

/** Words that belong to one name only. */
function soleWords(
  known: readonly Known[],
  pick: (words: string[]) => string[],
  heads = false,
): Map<string, Known> {
  const owner = new Map<string, Known | null>();
  for (const k of known) {
    const words = new Set([k.name, ...(k.aliases ?? [])].flatMap((n) => pick(nameWords(n))));
    for (const w of words) {
      if (w.length < 3 || (DULL.has(w) && !(heads && HEADS.test(w))) || /^\d+$/.test(w)) continue;
      if (heads && PARTS_OF_CARS.test(w)) continue;
      owner.set(w, owner.has(w) && owner.get(w) !== k ? null : k);
    }
  }
  return new Map([...owner].filter((e): e is [string, Known] => e[1] !== null));
}

const PLAIN_WORD = /^[a-z0-9]+$/;

/** The name that starts at token `i`. Marks inside names (& - .) are passed over. */
export function nameAt(index: NameIndex, t: readonly Token[], i: number): Found<Known> | null {
  const first = t[i];
  if (!first) return null;
  const head = PLAIN_WORD.test(first.lower)
    ? first.lower
    : (nameWords(stripPossessive(first.lower))[0] ?? '');
  for (const { words, known } of index.get(head) ?? []) {
    const next = matchFrom(words, t, i);
    if (next !== null) return { value: known, from: i, next };
  }
  return null;
}

function matchFrom(words: string[], t: readonly Token[], i: number): number | null {
  let at = i;
  let k = 0;
  while (k < words.length) {
    const tok = t[at];
    if (!tok) return null;
    if (k > 0 && (/^[&.\-/]$/.test(tok.text) || tok.lower === 'and')) {
      at += 1;
      continue;
    }
    const parts = nameWords(stripPossessive(tok.lower));
    if (parts.length === 0 || !parts.every((p, j) => words[k + j] === p)) return null;
    k += parts.length;
    at += 1;
  }
  return at;
}

const stripPossessive = (w: string): string => w.replace(/'s$/, '');

export function findNames(index: NameIndex, t: readonly Token[], start = 0): Found<Known>[] {
  const found: Found<Known>[] = [];
  for (let i = start; i < t.length; i += 1) {
    const name = nameAt(index, t, i);
    if (!name) continue;
    found.push(name);
    i = name.next - 1;
  }
  return found;
}

const isCapital = (tok: Token | undefined): boolean =>
  tok !== undefined && tok.type === 'word' && /^\p{Lu}/u.test(tok.text);

/** Trades one sends work to; "from the welder" names a vendor even where its firm is not known. */
const TRADES =
  /^(?:welder|welders|plater|platers|chromer|chromers|trimmer|trimmers|blaster|blasters|painter|painters|machinist|machine|foundry|upholsterer|glazier|galvaniser|galvanizer|coater|supplier|breaker|breakers|scrapyard|junkyard|engineers|engineer|autojumble|dealer|maker|carpenter|joiner|signwriter|electrician|rechromer|powdercoater|laser)$/;

/** A vendor named but not known: "from Tern & Sons", "back from the welder", "at the platers". */
export function unknownVendor(t: readonly Token[], blocked: (i: number) => boolean): Found<Named> | null {
  for (let i = 0; i < t.length; i += 1) {
    if (!/^(?:from|at|off|with|via|to)$/.test(t[i]!.lower) || blocked(i)) continue;
    const the = t[i + 1]?.lower === 'the' || t[i + 1]?.lower === 'our' ? 1 : 0;
    const at = i + 1 + the;
    const trade = t[at];
    if (trade && TRADES.test(trade.lower)) return { value: { name: trade.lower }, from: i, next: at + 1 };
    if (/^(?:with|off|to)$/.test(t[i]!.lower) || the) continue;
    if (!isCapital(t[at]) || blocked(at)) continue;
    let next = at + 1;
    while (isCapital(t[next]) || (/^(?:&|and|of)$/.test(t[next]?.lower ?? '') && isCapital(t[next + 1])))
      next += 1;
    const name = t
      .slice(at, next)
      .map((x) => x.text)
      .join(' ');
    return { value: { name }, from: i, next };
  }
  return null;
}
