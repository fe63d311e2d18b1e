/** Where one thing that is said begins and ends; what is in none is chatter. */
import { label } from './chain.ts';
import { boundaryFeatures } from './features.ts';
import { weights } from './weights.ts';
import type { Word } from './words.ts';

/** Words `from` up to before `next` of a text. */
export interface Run {
  from: number;
  next: number;
}

export interface Cut extends Run {
  /** How likely it is that one thing begins and ends there. */
  probability: number;
}

/** Nobody speaks of one thing in more words. */
const LONGEST = 60;

/** The things that are said, in their order. */
export function cutText(words: readonly Word[]): Cut[] {
  const { boundaries } = weights();
  const [begins, goesOn] = [boundaries.labels.indexOf('begins'), boundaries.labels.indexOf('goes on')];
  const n = boundaries.labels.length;
  const { path, probability } = label(
    boundaries,
    words.map((_, i) => boundaryFeatures(words, i)),
  );
  const p = (i: number, k: number): number => probability[i * n + k] ?? 0;
  const cuts: Cut[] = [];
  let open: Cut | null = null;
  path.forEach((k, i) => {
    const opens = k === begins || (k === goesOn && (open === null || i - open.from >= LONGEST));
    if (k !== goesOn || opens) open = null;
    if (opens) {
      open = { from: i, next: i + 1, probability: p(i, begins) };
      cuts.push(open);
    } else if (open) open.next = i + 1;
  });
  // Where it ends, the next word does not go on with it.
  for (const c of cuts) if (c.next < words.length) c.probability *= 1 - p(c.next, goesOn);
  return cuts;
}

/** What leads to a car that one turns to: “next up the …”, “over to the …”, “and this is …”. */
const LEADS = new Set(
  'the a this that these here so and then now next up on to over is are we got have back moving going come us with for at of um uh right okay ok alright well'.split(
    ' ',
  ),
);
/** Behind a car's name: something is said of the car itself, and its name belongs to it. */
const OF_ITSELF =
  /^(?:is|are|has|had|was|needs|wants|went|gone|got|moved|came|runs|still|back)$|^(?:will|'ll)$/;

/**
 * Where the talk turns to another car in the middle of a thing, the thing ends before the words that lead to the car: what was said
 * before them is of the car before. What is left behind them is a thing of its own, if it says anything.
 *
 * @param turns the words of the names that were turned to
 */
export function endAtTurns(words: readonly Word[], cuts: readonly Cut[], turns: readonly Run[]): Cut[] {
  return cuts.flatMap((cut) => {
    const pieces: Cut[] = [{ ...cut }];
    for (const turn of turns) {
      const piece = pieces.at(-1);
      if (!piece || turn.from >= piece.next || turn.next <= piece.from) continue;
      let lead = turn.from;
      while (lead > piece.from && LEADS.has(words[lead - 1]!.norm)) lead -= 1;
      const isOfItself =
        OF_ITSELF.test(words[turn.next]?.norm ?? '') || words[turn.next - 1]!.norm.endsWith("'s");
      const rest = { ...piece, from: isOfItself ? Math.max(turn.from, piece.from) : turn.next };
      if (lead - piece.from < 2) pieces.pop();
      else piece.next = lead;
      if (rest.next > Math.max(rest.from, turn.next)) pieces.push(rest);
    }
    return pieces;
  });
}
