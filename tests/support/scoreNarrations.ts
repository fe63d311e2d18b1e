/** How well narrations are read: precision and recall by kind, the car of a thing, its amounts, and what was made up. */
import type { CaptureContext } from '#core/capture/types.ts';
import { parseNarration, type Piece } from '#core/capture/narration/narration.ts';
import type { Narration, SaidEntry } from '#tests/data/narrations.ts';

export interface KindScore {
  wanted: number;
  found: number;
  right: number;
}

export interface NarrationScore {
  narrations: number;
  /** Read without one fault. */
  whole: number;
  entries: number;
  /** Things that stand in a piece of their own. */
  cut: number;
  car: number;
  kind: number;
  /** Hours and money: as wanted, of all that were wanted; and amounts that nobody said. */
  amountsWanted: number;
  amountsRight: number;
  amountsInvented: number;
  byKind: Record<string, KindScore>;
  faults: string[];
}

const kindOf = (p: Piece): string => (p.is === 'next' ? 'next' : p.line.kind);

function amounts(wanted: SaidEntry, p: Piece): { wanted: number; right: number; invented: number } {
  const score = { wanted: 0, right: 0, invented: 0 };
  for (const [want, got] of [
    [wanted.minutes, p.line.minutes],
    [wanted.money, p.line.moneyMinor],
  ] as const) {
    if (want !== undefined) score.wanted += 1;
    if (want !== undefined && want === got) score.right += 1;
    if (got !== undefined && got !== want) score.invented += 1;
  }
  return score;
}

/** Each wanted entry against the piece that holds its words; a piece answers for one entry only. */
export function scoreNarrations(narrations: readonly Narration[], context: CaptureContext): NarrationScore {
  const score: NarrationScore = {
    narrations: narrations.length,
    whole: 0,
    entries: 0,
    cut: 0,
    car: 0,
    kind: 0,
    amountsWanted: 0,
    amountsRight: 0,
    amountsInvented: 0,
    byKind: {},
    faults: [],
  };
  const of = (kind: string): KindScore => (score.byKind[kind] ??= { wanted: 0, found: 0, right: 0 });
  for (const { name, text, entries } of narrations) {
    const kept = parseNarration(text, context).filter((p) => p.is === 'entry' || p.is === 'next');
    const taken = new Set<Piece>();
    const before = score.faults.length;
    const fault = (why: string): number => score.faults.push(`${name}: ${why}`);
    for (const p of kept) of(kindOf(p)).found += 1;
    for (const wanted of entries) {
      score.entries += 1;
      of(wanted.kind).wanted += 1;
      const piece = kept.find((p) => !taken.has(p) && p.text.includes(wanted.has));
      score.amountsWanted += Number(wanted.minutes !== undefined) + Number(wanted.money !== undefined);
      if (!piece) {
        fault(`“${wanted.has}” is in no piece of its own`);
        continue;
      }
      taken.add(piece);
      score.cut += 1;
      if (piece.car?.name === wanted.car) score.car += 1;
      else fault(`“${wanted.has}” is of ${piece.car?.name ?? 'no car'}, not ${wanted.car}`);
      if (kindOf(piece) === wanted.kind) {
        score.kind += 1;
        of(wanted.kind).right += 1;
      } else fault(`“${wanted.has}” is ${kindOf(piece)}, not ${wanted.kind}`);
      const found = amounts(wanted, piece);
      score.amountsRight += found.right;
      score.amountsInvented += found.invented;
      if (found.right < found.wanted || found.invented > 0)
        fault(`“${piece.text}” has ${piece.line.minutes ?? '-'} min and ${piece.line.moneyMinor ?? '-'}`);
    }
    for (const p of kept.filter((k) => !taken.has(k))) fault(`one too many: “${p.text}” (${kindOf(p)})`);
    if (score.faults.length === before) score.whole += 1;
  }
  return score;
}
