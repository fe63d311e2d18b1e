import type {
  AnswerView,
  ChoicePutDto,
  EstimateLineDto,
  FindingView,
  RevisionView,
  TermsDto,
  TermsView,
} from '#contract/estimate.ts';
import type { LineAnswer } from '#core/approval/answers.ts';
import type { RevisionContent } from '#core/approval/revision.ts';
import { rateOn } from '#core/costs/rates.ts';
import type { Opening } from '#core/estimate/apart.ts';
import { WORKS, type Terms, type Work } from '#core/estimate/lines.ts';
import type { Facts } from '#core/log/kinds.ts';
import { placedName } from '#core/log/sentences.ts';
import type { Day } from '#core/time/days.ts';
import type { RateView } from '#contract/rates.ts';
import type { Tx } from '../../db/pool.ts';
import { rowsPer } from '../../db/together.ts';
import { RATE_AS_JSON } from './rates.queries.ts';

/** A line's words and figures, as they are kept in `content`. */
export type LineContent = Omit<EstimateLineDto, 'version' | 'findingId'>;

export interface LineRow {
  id: string;
  build_id: string;
  content: LineContent;
  finding_id: string | null;
  job_id: string;
  version: number;
  discretion_minor: number | null;
  removed: boolean;
}

const LINE_COLUMNS =
  'id, build_id, content, finding_id, job_id, version, discretion_minor, removed_at is not null as removed';

/** Those of a build, dropped ones too: what was spent on one without asking stays spent. */
export const everyLineOf = rowsPer(
  (tx, buildIds) =>
    tx.rows<LineRow>(
      `select ${LINE_COLUMNS} from estimate_lines
       where shop_id = :shopId and build_id = any(:buildIds::uuid[]) order by position, id`,
      { buildIds },
    ),
  (l) => l.build_id,
);

export const linesOf = async (tx: Tx, buildId: string): Promise<LineRow[]> =>
  (await everyLineOf(tx, buildId)).filter((l) => !l.removed);

export const usedOf = (every: readonly LineRow[]): number =>
  every.reduce((sum, l) => sum + (l.discretion_minor ?? 0), 0);

export const discretionUsed = async (tx: Tx, buildId: string): Promise<number> =>
  usedOf(await everyLineOf(tx, buildId));

/** The line wherever it belongs, dropped or not: an id is used once. */
export const lineById = (tx: Tx, id: string): Promise<LineRow | undefined> =>
  tx.one(`select ${LINE_COLUMNS} from estimate_lines where shop_id = :shopId and id = :id`, { id });

export const insertLine = (
  tx: Tx,
  l: { id: string; buildId: string; content: LineContent; findingId: string | null },
): Promise<number> =>
  tx.run(
    `insert into estimate_lines (shop_id, id, build_id, position, content, finding_id)
     select :shopId, :id, :buildId, coalesce(max(position), 0) + 1, :content::jsonb, :findingId::uuid
     from estimate_lines where shop_id = :shopId and build_id = :buildId`,
    { ...l, content: JSON.stringify(l.content) },
  );

export const saveLine = (tx: Tx, id: string, content: LineContent): Promise<number> =>
  tx.run(
    `update estimate_lines set content = :content::jsonb, version = version + 1
     where shop_id = :shopId and id = :id`,
    { id, content: JSON.stringify(content) },
  );

export const dropLine = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run('update estimate_lines set removed_at = :now where shop_id = :shopId and id = :id', { id, now });

export const useDiscretion = (tx: Tx, id: string, minor: number, now: string): Promise<number> =>
  tx.run(
    `update estimate_lines set discretion_minor = :minor, discretion_at = :now
     where shop_id = :shopId and id = :id`,
    { id, minor, now },
  );

/** Findings that stand in the logbook and in no line yet, newest first; none that a later reading showed to be right. */
export async function freeFindings(tx: Tx, buildId: string): Promise<FindingView[]> {
  const rows = await tx.rows<{ id: string; text: string; facts: Facts }>(
    `select e.id, e.text, e.facts from entries_now e
     where e.shop_id = :shopId and e.build_id = :buildId and e.kind = 'found' and not e.withdrawn
       and not exists (select from estimate_lines l
         where l.shop_id = e.shop_id and l.finding_id = e.id and l.removed_at is null)
       and not exists (select from readings r
         where r.shop_id = e.shop_id and r.finding_entry_id = e.id and r.closed_by is not null)
     order by e.at desc, e.seq desc limit 100`,
    { buildId },
  );
  return rows.map(({ id, text, facts }) => ({
    id,
    text,
    subject: facts.subject === undefined ? text : placedName(facts.subject, facts.zone),
    class: facts.class ?? null,
    minutes: facts.minutes ?? null,
    moneyMinor: facts.moneyMinor ?? null,
  }));
}

export const isFindingOf = async (tx: Tx, buildId: string, id: string): Promise<boolean> =>
  (await tx.one(
    `select 1 from entries_now where shop_id = :shopId and build_id = :buildId and id = :id and kind = 'found'`,
    { buildId, id },
  )) !== undefined;

/** A choice's words, as they are kept in `content`. */
type ChoiceContent = Omit<ChoicePutDto, 'version'>;

export interface ChoiceRow {
  id: string;
  build_id: string;
  content: ChoiceContent;
  version: number;
  removed: boolean;
}

const CHOICES =
  'select id, build_id, content, version, removed_at is not null as removed from choices where shop_id = :shopId';

export const choicesOf = rowsPer(
  (tx, buildIds) =>
    tx.rows<ChoiceRow>(
      `${CHOICES} and build_id = any(:buildIds::uuid[]) and removed_at is null order by position, id`,
      { buildIds },
    ),
  (c) => c.build_id,
);

export const choiceById = (tx: Tx, id: string): Promise<ChoiceRow | undefined> =>
  tx.one(`${CHOICES} and id = :id`, { id });

export const insertChoice = (tx: Tx, id: string, buildId: string, content: ChoiceContent): Promise<number> =>
  tx.run(
    `insert into choices (shop_id, id, build_id, position, content)
     select :shopId, :id, :buildId, coalesce(max(position), 0) + 1, :content::jsonb
     from choices where shop_id = :shopId and build_id = :buildId`,
    { id, buildId, content: JSON.stringify(content) },
  );

export const saveChoice = (tx: Tx, id: string, content: ChoiceContent): Promise<number> =>
  tx.run(
    `update choices set content = :content::jsonb, version = version + 1
     where shop_id = :shopId and id = :id`,
    { id, content: JSON.stringify(content) },
  );

export const removeChoice = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run('update choices set removed_at = :now where shop_id = :shopId and id = :id', { id, now });

export const openingsOf = (tx: Tx, buildId: string): Promise<Opening[]> =>
  tx.rows(
    'select name, work, minutes from openings where shop_id = :shopId and build_id = :buildId order by name',
    { buildId },
  );

export const setOpening = (tx: Tx, buildId: string, { name, work, minutes }: Opening): Promise<number> =>
  tx.run(
    `insert into openings (shop_id, build_id, name, work, minutes)
     values (:shopId, :buildId, :name, :work, :minutes)
     on conflict (shop_id, build_id, name) do update set work = excluded.work, minutes = excluded.minutes`,
    { buildId, name, work, minutes },
  );

export const forgetOpening = (tx: Tx, buildId: string, name: string): Promise<number> =>
  tx.run('delete from openings where shop_id = :shopId and build_id = :buildId and name = :name', {
    buildId,
    name,
  });

interface RevisionRow {
  id: string;
  build_id: string;
  number: number;
  content: RevisionContent;
  hash: string;
  sent_at: string;
  sent_by: string;
}

const toRevision = (r: RevisionRow): RevisionView & { buildId: string } => ({
  id: r.id,
  buildId: r.build_id,
  number: r.number,
  hash: r.hash,
  sentAt: r.sent_at,
  sentBy: r.sent_by,
  content: r.content,
});
export type Revision = ReturnType<typeof toRevision>;

const REVISIONS = `select r.id, r.build_id, r.number, r.content, r.hash, r.sent_at, p.name as sent_by from revisions r
  join people p on p.shop_id = r.shop_id and p.id = r.sent_by where r.shop_id = :shopId`;

/** The newest first. */
export const revisionsOf = rowsPer(
  async (tx, buildIds) =>
    (
      await tx.rows<RevisionRow>(
        `${REVISIONS} and r.build_id = any(:buildIds::uuid[]) order by r.number desc`,
        { buildIds },
      )
    ).map(toRevision),
  (r) => r.buildId,
);

export async function revisionById(tx: Tx, id: string): Promise<Revision | undefined> {
  const row = await tx.one<RevisionRow>(`${REVISIONS} and r.id = :id`, { id });
  return row && toRevision(row);
}

export const insertRevision = (
  tx: Tx,
  r: { id: string; buildId: string; content: RevisionContent; hash: string; now: string; by: string },
): Promise<number> =>
  tx.run(
    `insert into revisions (shop_id, id, build_id, number, content, hash, sent_at, sent_by)
     values (:shopId, :id, :buildId, :number, :content::jsonb, :hash, :now, :by)`,
    { ...r, number: r.content.number, content: JSON.stringify(r.content) },
  );

export interface AnswerRow extends Omit<AnswerView, 'takenBy'> {
  build_id: string;
  revision_id: string;
  taken_by: string | null;
}

export const answersOf = rowsPer(
  (tx, buildIds) =>
    tx.rows<AnswerRow>(
      `select a.id, a.build_id, a.revision_id, r.number as revision, a.name, a.via, p.name as taken_by, a.said, a.at, a.given
     from answers a join revisions r on r.shop_id = a.shop_id and r.id = a.revision_id
     left join people p on p.shop_id = a.shop_id and p.id = a.taken_by
     where a.shop_id = :shopId and a.build_id = any(:buildIds::uuid[]) order by a.seq desc`,
      { buildIds },
    ),
  (a) => a.build_id,
);

export const hasAnswers = async (tx: Tx, buildId: string): Promise<boolean> =>
  (
    await tx.rows('select 1 from answers where shop_id = :shopId and build_id = :buildId limit 1', {
      buildId,
    })
  ).length > 0;

export const answerExists = async (tx: Tx, id: string): Promise<boolean> =>
  (await tx.one('select 1 from answers where shop_id = :shopId and id = :id', { id })) !== undefined;

export interface NewAnswer {
  id: string;
  name: string;
  via: 'page' | 'telephone';
  takenBy: string | null;
  said: string;
  understood: boolean;
  given: readonly LineAnswer[];
}

export const insertAnswer = (tx: Tx, a: NewAnswer, revision: Revision, now: string): Promise<number> =>
  tx.run(
    `insert into answers (shop_id, id, build_id, revision_id, hash, name, via, taken_by, said, understood, given, at)
     values (:shopId, :id, :buildId, :revisionId, :hash, :name, :via, :takenBy, :said, :understood, :given::jsonb, :now)`,
    {
      ...a,
      given: JSON.stringify(a.given),
      buildId: revision.buildId,
      revisionId: revision.id,
      hash: revision.hash,
      now,
    },
  );

interface TermsRow {
  tax_bp: number;
  tax_included: boolean;
  shared_risk: number;
  storage_per_day_minor: number;
  addition_bp: number;
  over_bp: number;
  terms_version: number;
  rates: RateView[];
}

const termsRow = async (tx: Tx): Promise<TermsRow> =>
  (await tx.one<TermsRow>(
    `select tax_bp, tax_included, shared_risk::float8 as shared_risk, storage_per_day_minor, addition_bp, over_bp, terms_version,
       coalesce((select json_agg(${RATE_AS_JSON} order by r.from_day, r.id) from rates r where r.shop_id = shops.id), '[]') as rates
     from shops where id = :shopId`,
  ))!;

/** How the shop charges on a day, and every rate that it ever had. */
export async function chargesOf(tx: Tx, today: Day): Promise<{ terms: TermsView; rates: RateView[] }> {
  const shop = await termsRow(tx);
  const { rates } = shop;
  const charge = (work: Work): number => rateOn(rates, { personId: null, work, day: today }).chargeMinor;
  const terms = {
    rates: Object.fromEntries(WORKS.map((w) => [w, charge(w)])) as Terms['rates'],
    taxBp: shop.tax_bp,
    taxIncluded: shop.tax_included,
    sharedRisk: shop.shared_risk,
    storagePerDayMinor: shop.storage_per_day_minor,
    additionBp: shop.addition_bp,
    overBp: shop.over_bp,
    version: shop.terms_version,
  };
  return { terms, rates };
}

/** How the shop charges on a day. */
export const termsOf = async (tx: Tx, today: Day): Promise<TermsView> => (await chargesOf(tx, today)).terms;

/** Keeps the terms, but for the rates, if they are still at this version; answers whether they were. */
export async function saveTerms(tx: Tx, t: TermsDto): Promise<boolean> {
  const { taxBp, taxIncluded, sharedRisk, version } = t;
  const { storagePerDayMinor = null, additionBp = null, overBp = null } = t;
  const saved = await tx.run(
    `update shops set tax_bp = :taxBp, tax_included = :taxIncluded, shared_risk = :sharedRisk,
       storage_per_day_minor = coalesce(:storagePerDayMinor, storage_per_day_minor),
       addition_bp = coalesce(:additionBp, addition_bp), over_bp = coalesce(:overBp, over_bp),
       terms_version = terms_version + 1 where id = :shopId and terms_version = :version`,
    { taxBp, taxIncluded, sharedRisk, storagePerDayMinor, additionBp, overBp, version },
  );
  return saved > 0;
}
