/** What came off a car: written down, sorted, on the car again, or replaced by a part. */
import type {
  PieceActDto,
  PiecePutDto,
  PieceStandDto,
  PiecesView,
  PieceToPartDto,
} from '#contract/outwork.ts';
import { canonical } from '#core/approval/canonical.ts';
import { REPLACED_BY_PART, thingsInWords, type PieceState } from '#core/outwork/outwork.ts';
import { whyNotMove } from '#core/plan/floorPlan.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate, type BuildKey } from '../builds/index.ts';
import { logIn, standingNow } from '../entries/index.ts';
import { addPartIn } from '../parts/index.ts';
import { doneTo } from './doing.ts';
import { piecesNow } from './outworkNow.ts';
import * as q from './outwork.queries.ts';

const changing = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  change: (tx: Tx, build: BuildKey) => Promise<unknown>,
): Promise<PiecesView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    await change(tx, build);
    return piecesNow(tx, buildId);
  });

async function pieceOf(tx: Tx, buildId: string, id: string): Promise<q.PieceRow | undefined> {
  const [piece] = await q.piecesById(tx, [id]);
  if (piece && piece.build_id !== buildId) throw notFound('piece');
  return piece;
}

/** Where a change of what a piece is leaves it; a piece that is out stays as it went. */
function stateAfter(known: q.PieceRow, content: q.PieceContent, treatment: string | null): PieceState {
  if (known.state !== 'out' && known.state !== 'missing') {
    const again = treatment !== known.treatment && known.state === 'ready';
    return again ? 'off' : known.state;
  }
  if (content.what !== known.content.what || content.count !== known.content.count)
    throw invalidAt('what', 'it is out with a batch: what and how many stand on its manifest');
  if (treatment !== known.treatment) throw invalidAt('treatment', 'it is out with a batch');
  return known.state;
}

/** Writes down a piece that came off (version 0), or changes it. */
export const putPiece = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: PiecePutDto,
): Promise<PiecesView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const { version, treatment = null, taskId = null, entryId, ...said } = dto;
    const known = await pieceOf(tx, buildId, id);
    const content = {
      ...said,
      what: said.what.trim(),
      bag: said.bag.trim(),
      entryId: known?.content.entryId ?? entryId,
    };
    const kept = { id, buildId, taskId, content, treatment };
    const same =
      known &&
      canonical([known.content, known.task_id, known.treatment]) === canonical([content, taskId, treatment]);
    if (same) return;
    if ((known?.version ?? 0) !== version) throw changedMeanwhile('this piece', known);
    if (taskId !== null && !(await q.isTaskOf(tx, buildId, taskId)))
      throw invalidAt('taskId', 'that task is not of this car');
    if (known) {
      if (known.batch_id !== null && known.state === 'off' && treatment !== known.treatment)
        throw invalidAt('treatment', 'it lies in a batch: take it out of there first');
      await q.savePiece(tx, { ...kept, state: stateAfter(known, content, treatment) });
      return;
    }
    await q.insertPiece(tx, { ...kept, now: deps.clock.now() });
    await logIn(tx, deps, build, {
      id: entryId,
      kind: 'note',
      text: `off: ${thingsInWords(content)}${content.bag ? `, bag ${content.bag}` : ''}`,
      facts: { subject: content.what, ...(content.count === 1 ? {} : { quantity: content.count }) },
      audience: 'shop',
      personId: who.personId,
      about: { type: 'piece', id },
      acts: [doneTo('take off', id, null)],
    });
  });

const LEADS = {
  'on the car': { from: ['off', 'ready'], to: 'on', words: 'on the car again' },
  'off again': { from: ['on'], to: 'ready', words: 'off again' },
} as const;

export const actOnPiece = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: PieceActDto,
): Promise<PiecesView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const piece = await pieceOf(tx, buildId, id);
    if (!piece) throw notFound('piece');
    const { from, to, words } = LEADS[dto.act];
    if (piece.state === to && piece.version === dto.version + 1) return;
    if (piece.version !== dto.version) throw changedMeanwhile('this piece', piece);
    if (!(from as readonly PieceState[]).includes(piece.state) || (piece.state === 'off' && piece.batch_id))
      throw invalidAt('act', `“${piece.content.what}” is not here to be put on`);
    await q.setPiece(tx, { id, state: to, batchId: piece.batch_id });
    await logIn(tx, deps, build, {
      kind: 'note',
      text: `${words}: ${thingsInWords(piece.content)}`,
      facts: { subject: piece.content.what },
      audience: 'shop',
      personId: who.personId,
      about: { type: 'piece', id },
      acts: [doneTo(dto.act, id, q.standingOf(piece))],
    });
  });

/** Puts a piece somewhere, or takes it back to its shelf. A place that holds one car is taken by another large thing. */
export const standPiece = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  { version, placeId, isLarge }: PieceStandDto,
): Promise<PiecesView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const piece = await pieceOf(tx, buildId, id);
    if (!piece) throw notFound('piece');
    const to = placeId ?? null;
    if (piece.place_id === to && piece.is_large === isLarge) return;
    if (piece.version !== version) throw changedMeanwhile('this piece', piece);
    if (piece.state !== 'off' && piece.state !== 'ready')
      throw invalidAt('placeId', `“${piece.content.what}” is not here to stand anywhere`);
    const { places, standing } = await standingNow(tx);
    const place = places.find((p) => p.id === to);
    if (to !== null && !place) throw invalidAt('placeId', 'there is no such place');
    const refused = place && isLarge ? whyNotMove(id, place, places, standing) : null;
    if (refused !== null) throw invalidAt('placeId', refused);
    await q.standPiece(tx, { id, placeId: to, isLarge });
    if (piece.place_id === to) return;
    await logIn(tx, deps, build, {
      kind: 'note',
      text: place ? `${piece.content.what} to ${place.name}` : `${piece.content.what} back on its shelf`,
      facts: { subject: piece.content.what },
      audience: 'shop',
      personId: who.personId,
      about: { type: 'piece', id },
      acts: [
        doneTo('stand', id, {
          ...q.standingOf(piece),
          placeId: piece.place_id,
          isLarge: piece.is_large,
        }),
      ],
    });
  });

/** A part takes the place of a piece that is missing, or is to be replaced, made, or taken from a donor. */
export const replacePiece = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: PieceToPartDto,
): Promise<PiecesView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const piece = await pieceOf(tx, buildId, id);
    if (!piece) throw notFound('piece');
    if (piece.state === 'replaced' && piece.version === dto.version + 1) return;
    if (piece.version !== dto.version) throw changedMeanwhile('this piece', piece);
    const isToBe = piece.treatment !== null && REPLACED_BY_PART.includes(piece.treatment);
    if (piece.state !== 'missing' && !(piece.state === 'off' && isToBe))
      throw invalidAt('treatment', 'only what is missing, or lies on “replace”, “make” or “from donor”');
    const source =
      piece.treatment === 'make'
        ? 'made in the shop'
        : piece.treatment === 'from donor'
          ? 'donor vehicle'
          : 'supplier';
    const { what, count, bag } = piece.content;
    const need = await addPartIn(tx, deps, buildId, {
      id: dto.partId,
      what,
      quantity: count,
      source,
      sourceNote: bag === '' ? '' : `the old one in bag ${bag}`,
    });
    await q.setPiece(tx, { id, state: 'replaced', batchId: null });
    await logIn(tx, deps, build, {
      kind: 'needs',
      text: `needs ${thingsInWords(piece.content)} in place of ${piece.state === 'missing' ? 'what is missing' : 'the old'}`,
      facts: { subject: what, ...(count === 1 ? {} : { quantity: count }) },
      personId: who.personId,
      about: { type: 'piece', id },
      acts: [doneTo('replace', id, q.standingOf(piece)), need],
    });
  });
