/** Outwork: what came off the cars, the piles it is sorted into, and the batches that go to a vendor and come back piece by piece. */

/** What is done to a piece that is off. */
export const TREATMENTS = [
  'plate',
  'chrome',
  'powder coat',
  'blast',
  'wet blast',
  'anodise',
  'machine',
  'trim',
  'replace',
  'make',
  'from donor',
] as const;
export type Treatment = (typeof TREATMENTS)[number];

/** A treatment as what is done there: “plating”, as in “out for plating”. */
export const TREATMENT_WORK: Record<Treatment, string> = {
  plate: 'plating',
  chrome: 'chrome plating',
  'powder coat': 'powder coating',
  blast: 'blasting',
  'wet blast': 'wet blasting',
  anodise: 'anodising',
  machine: 'machining',
  trim: 'trimming',
  replace: 'replacing',
  make: 'making',
  'from donor': 'a donor’s',
};

/** Piles of pieces that do not go anywhere: another part takes their place. */
export const REPLACED_BY_PART: readonly Treatment[] = ['replace', 'make', 'from donor'];

export const PIECE_STATES = ['off', 'out', 'missing', 'ready', 'on', 'replaced'] as const;
/**
 * `off`: here, to be sorted or in a pile; `out`: at a vendor; `missing`: did not come back with its batch; `ready`: done, to
 * go on again; `on`: on the car again; `replaced`: a part was written down in its place.
 */
export type PieceState = (typeof PIECE_STATES)[number];

export const BATCH_STATES = ['filling', 'out', 'back'] as const;
export type BatchState = (typeof BATCH_STATES)[number];

/** How a piece was when it came back. */
export const RETURN_CHECKS = ['right', 'wrong', 'damaged'] as const;
export type ReturnCheck = (typeof RETURN_CHECKS)[number];

export interface Piece {
  id: string;
  what: string;
  count: number;
  treatment: Treatment | null;
  state: PieceState;
  batchId: string | null;
}

/** Pieces that lie here by treatment, in the order of treatments; those not sorted yet under null, first. */
export function piles<P extends Piece>(pieces: readonly P[]): { treatment: Treatment | null; pieces: P[] }[] {
  const here = pieces.filter((p) => p.state === 'off' && p.batchId === null);
  return [null, ...TREATMENTS]
    .map((treatment) => ({ treatment, pieces: here.filter((p) => p.treatment === treatment) }))
    .filter((pile) => pile.pieces.length > 0);
}

/** Why a piece cannot go into a batch of this treatment, or null. */
export function whyNotInBatch(piece: Piece, batch: { id: string; treatment: Treatment }): string | null {
  if (piece.state !== 'off') return `“${piece.what}” is ${PIECE_WORDS[piece.state]}`;
  if (piece.batchId !== null && piece.batchId !== batch.id)
    return `“${piece.what}” lies in another batch already`;
  if (piece.treatment !== batch.treatment)
    return `“${piece.what}” is ${piece.treatment === null ? 'not sorted yet' : `to be: ${piece.treatment}`}, the batch: ${batch.treatment}`;
  return null;
}

const PIECE_WORDS: Record<PieceState, string> = {
  off: 'off, here',
  out: 'out',
  missing: 'missing',
  ready: 'done, to go on',
  on: 'on the car again',
  replaced: 'replaced by a part',
};

/** “door hinge”, “2 door hinges”: the words are the shop’s own, so nothing is bent. */
export const thingsInWords = ({ what, count }: { what: string; count: number }): string =>
  count === 1 ? what : `${count} ${what}`;

/** A piece of a batch that is out: how many went, how many came back so far. */
export interface SentPiece {
  pieceId: string;
  what: string;
  sent: number;
  back: number;
}

/** What came back of one piece, this time. */
export interface CameBack {
  pieceId: string;
  count: number;
  check: ReturnCheck;
  note?: string | undefined;
}

const onlySo = (many: number): string => (many === 1 ? 'only 1 piece is' : `only ${many} pieces are`);

/** Why what is said to have come back cannot have, by piece; empty where it can. */
export function whyNotBack(
  sent: readonly SentPiece[],
  came: readonly CameBack[],
): { field: string; reason: string }[] {
  const byId = new Map(sent.map((s) => [s.pieceId, s]));
  const seen = new Set<string>();
  return came.flatMap(({ pieceId, count, check, note }) => {
    const field = `came.${pieceId}`;
    const s = byId.get(pieceId);
    if (!s) return [{ field, reason: 'that piece did not go with this batch' }];
    if (seen.has(pieceId)) return [{ field, reason: `“${s.what}” stands there twice` }];
    seen.add(pieceId);
    const left = s.sent - s.back;
    if (count < 1 || count > left)
      return [{ field, reason: `of “${s.what}” ${left < 1 ? 'none is' : onlySo(left)} still out` }];
    if (check !== 'right' && !note?.trim())
      return [{ field, reason: `say what is ${check} with “${s.what}”` }];
    return [];
  });
}

/**
 * How each piece of a batch stands after a return. `isAll`: nothing more comes, so what is not there is missing, and known
 * to be that day. A piece that came back wrong goes onto its pile again; a piece that was missing and came later is as good
 * as the rest.
 */
export function afterReturn(
  sent: readonly SentPiece[],
  came: readonly CameBack[],
  isAll: boolean,
): { pieceId: string; back: number; lacking: number; state: PieceState }[] {
  const byId = new Map(came.map((c) => [c.pieceId, c]));
  return sent.map((s) => {
    const now = byId.get(s.pieceId);
    const back = s.back + (now?.count ?? 0);
    const lacking = s.sent - back;
    const whole: PieceState = now && now.check !== 'right' ? 'off' : 'ready';
    return { pieceId: s.pieceId, back, lacking, state: lacking === 0 ? whole : isAll ? 'missing' : 'out' };
  });
}
