/** Symptoms of a build, and the chain from each to its cause. */
import type { SymptomEntryDto, SymptomEntryView, SymptomPutDto, SymptomsView } from '#contract/symptoms.ts';
import { whyNotExplained, whyNotRole } from '#core/inspection/symptoms.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail, buildForUpdate } from '../builds/index.ts';
import { seesPrices } from '../entries/index.ts';
import * as q from './symptoms.queries.ts';

/** Symptoms of one build. */
const MOST_SYMPTOMS = 50;

/** How this caller may see an entry: whole, or without its money. */
function shownTo(who: SignedIn): <E extends SymptomEntryView>(e: E) => E {
  if (seesPrices(who)) return (e) => e;
  return (e) => {
    const facts = { ...e.facts };
    delete facts.moneyMinor;
    return { ...e, facts };
  };
}

async function viewOf(tx: Tx, who: SignedIn, buildId: string): Promise<SymptomsView> {
  const build = await buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  const shown = shownTo(who);
  const linked = await q.linkedOf(tx, buildId);
  const symptoms = (await q.symptomsOf(tx, buildId)).map(({ id, version, words }) => {
    const own = linked.filter((l) => l.symptomId === id);
    const entries = own.map(({ entryId, kind, text, facts, at, hasPhotos, role }) =>
      shown({ entryId, kind, text, facts, at, hasPhotos, role }),
    );
    return { id, version, words, entries, whyNotExplained: whyNotExplained(entries) };
  });
  const candidates = (await q.candidatesOf(tx, buildId)).map(shown);
  return { buildId, complaint: build.complaint, symptoms, candidates };
}

export const readSymptoms = (deps: Deps, who: SignedIn, buildId: string): Promise<SymptomsView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, who, buildId));

/** Makes a symptom (version 0), words it anew, or takes it off. The same again changes nothing. */
export const putSymptom = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: SymptomPutDto,
): Promise<SymptomsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const words = dto.words.trim();
    const known = await q.symptomById(tx, id);
    if (known && known.build_id !== buildId) throw notFound('symptom');
    if (known && known.words === words && known.removed === dto.removed) return viewOf(tx, who, buildId);
    if ((known?.version ?? 0) !== dto.version) throw changedMeanwhile('this', await viewOf(tx, who, buildId));
    if (known) await q.saveSymptom(tx, { id, words, removedAt: dto.removed ? deps.clock.now() : null });
    else {
      if ((await q.symptomsOf(tx, buildId)).length >= MOST_SYMPTOMS)
        throw new Refusal('too-many', `At most ${MOST_SYMPTOMS} symptoms of one build.`);
      await q.insertSymptom(tx, { id, buildId, words });
    }
    return viewOf(tx, who, buildId);
  });

/** Says what an entry has to do with a symptom, or that it has nothing to do with it. */
export const linkEntry = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  { symptomId, entryId }: { symptomId: string; entryId: string },
  { role }: SymptomEntryDto,
): Promise<SymptomsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const symptom = await q.symptomById(tx, symptomId);
    if (symptom?.build_id !== buildId || symptom.removed) throw notFound('symptom');
    const kind = await q.kindOfEntry(tx, buildId, entryId);
    if (kind === undefined) throw notFound('entry');
    if (role === undefined) await q.unlink(tx, symptomId, entryId);
    else {
      const refused = whyNotRole(role, kind);
      if (refused !== null)
        throw new Refusal('invalid', `${refused}.`, { fields: [{ field: 'role', reason: refused }] });
      await q.link(tx, { symptomId, entryId, role });
    }
    return viewOf(tx, who, buildId);
  });
