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
  /** Hours, money, days and measures: as wanted, of all that were wanted; and amounts that nobody said. */
  amountsWanted: number;
  amountsRight: number;
  amountsInvented: number;
  byKind: Record<string, KindScore>;
  faults: string[];
}

const kindOf = (p: Piece): string => (p.is === 'next' ? 'next' : p.line.kind);

/** Hours, money, the day that it is expected on, and each thing measured. */
function amounts(wanted: SaidEntry, p: Piece): { right: number; invented: number } {
  const score = { right: 0, invented: 0 };
  for (const [want, got] of [
    [wanted.minutes, p.line.minutes],
    [wanted.money, p.line.moneyMinor],
  ] as const) {
    if (want !== undefined && want === got) score.right += 1;
    if (got !== undefined && got !== want) score.invented += 1;
  }
  if (wanted.due !== undefined && wanted.due === p.line.due) score.right += 1;
  if (wanted.due !== undefined && p.line.due !== undefined && wanted.due !== p.line.due) score.invented += 1;
  const measured = p.line.measures.map((m) => `${m.value} ${m.unit}`);
  score.right += (wanted.measures ?? []).filter((m) => measured.includes(m)).length;
  if (wanted.measures) score.invented += measured.filter((m) => !wanted.measures!.includes(m)).length;
  return score;
}

const amountsIn = ({ minutes, money, due, measures = [] }: SaidEntry): number =>
  [minutes, money, due].filter((of) => of !== undefined).length + measures.length;

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
      score.amountsWanted += amountsIn(wanted);
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
      if (found.right < amountsIn(wanted) || found.invented > 0)
        fault(
          `“${piece.text}” has ${piece.line.minutes ?? '-'} min, ${piece.line.moneyMinor ?? '-'}, ${piece.line.due ?? 'no day'}, ${piece.line.measures.map((m) => `${m.value} ${m.unit}`).join(', ')}`,
        );
    }
    for (const p of kept.filter((k) => !taken.has(k))) fault(`one too many: “${p.text}” (${kindOf(p)})`);
    if (score.faults.length === before) score.whole += 1;
  }
  return score;
}
