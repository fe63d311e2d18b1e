import type { BenchForm, Load, Moment, ReadingView } from '#contract/bench.ts';
import type { Told, Verdict } from '#core/bench/registry/told.ts';
import type { Tx } from '../../db/pool.ts';

const READINGS = `select r.id, r.calculator, r.what, r.moment, r.instrument, r.loaded, r.input, r.told, r.verdict,
    r.entry_id as "entryId", coalesce(e.withdrawn, false) as "isWithdrawn",
    r.finding_entry_id as "findingEntryId", r.closed_by as "closedBy", r.taken_at as "takenAt", p.name as person
  from readings r join people p on p.shop_id = r.shop_id and p.id = r.person_id
  left join entries_now e on e.shop_id = r.shop_id and e.id = r.entry_id
  where r.shop_id = :shopId and r.build_id = :buildId`;

/** The newest first. */
export const readingsOf = (tx: Tx, buildId: string): Promise<ReadingView[]> =>
  tx.rows(`${READINGS} order by r.taken_at desc, r.id desc`, { buildId });

export const readingById = (tx: Tx, buildId: string, id: string): Promise<ReadingView | undefined> =>
  tx.one(`${READINGS} and r.id = :id`, { buildId, id });

export const nameOf = async (tx: Tx, personId: string): Promise<string> =>
  (await tx.one<{ name: string }>('select name from people where shop_id = :shopId and id = :personId', {
    personId,
  }))!.name;

export interface NewReading {
  id: string;
  buildId: string;
  calculator: string;
  what: string;
  moment: Moment;
  instrument: string;
  loaded: Load;
  input: Record<string, unknown>;
  told: Told;
  verdict: Verdict;
  entryId: string;
  personId: string;
  takenAt: string;
}

export const insertReading = (tx: Tx, { input, told, ...r }: NewReading): Promise<number> =>
  tx.run(
    `insert into readings (shop_id, id, build_id, calculator, what, moment, instrument, loaded, input, told, verdict, entry_id, person_id, taken_at)
     values (:shopId, :id, :buildId, :calculator, :what, :moment, :instrument, :loaded, :inputJson::jsonb, :toldJson::jsonb, :verdict, :entryId, :personId, :takenAt)`,
    { ...r, inputJson: JSON.stringify(input), toldJson: JSON.stringify(told) },
  );

/** The newest reading of the same thing before the work that nobody withdrew. */
export const lastBefore = (
  tx: Tx,
  of: { buildId: string; calculator: string; what: string },
): Promise<ReadingView | undefined> =>
  tx.one(
    `${READINGS} and r.calculator = :calculator and r.what = :what and r.moment = 'before'
       and not coalesce(e.withdrawn, false)
     order by r.taken_at desc, r.id desc limit 1`,
    of,
  );

/** Findings of the same thing that no reading has closed yet; closes them, and says how many. */
export const closeFindings = (
  tx: Tx,
  of: { buildId: string; calculator: string; what: string; by: string },
): Promise<number> =>
  tx.run(
    `update readings set closed_by = :by where shop_id = :shopId and build_id = :buildId and calculator = :calculator
       and what = :what and finding_entry_id is not null and closed_by is null and id <> :by`,
    of,
  );

export const setFinding = (tx: Tx, id: string, entryId: string): Promise<number> =>
  tx.run('update readings set finding_entry_id = :entryId where shop_id = :shopId and id = :id', {
    id,
    entryId,
  });

interface FormRow extends BenchForm {
  calculator: string;
}

const byCalculator = (rows: FormRow[]): Record<string, BenchForm> =>
  Object.fromEntries(rows.map(({ calculator, ...form }) => [calculator, form]));

export const specsOf = async (tx: Tx, buildId: string): Promise<Record<string, BenchForm>> =>
  byCalculator(
    await tx.rows<FormRow>(
      'select calculator, form, version from reading_specs where shop_id = :shopId and build_id = :buildId',
      { buildId },
    ),
  );

export const limitsOf = async (tx: Tx): Promise<Record<string, BenchForm>> =>
  byCalculator(
    await tx.rows<FormRow>(
      'select calculator, form, version from reading_limits where shop_id = :shopId',
      {},
    ),
  );

/** Nothing is changed where another version is there than the one it was based on. */
export const saveSpec = (
  tx: Tx,
  s: { buildId: string; calculator: string; form: string; version: number },
): Promise<number> =>
  tx.run(
    `insert into reading_specs (shop_id, build_id, calculator, form, version)
     values (:shopId, :buildId, :calculator, :form::jsonb, 1)
     on conflict (shop_id, build_id, calculator) do update set form = excluded.form, version = reading_specs.version + 1
       where reading_specs.version = :version`,
    s,
  );

export const saveLimits = (
  tx: Tx,
  s: { calculator: string; form: string; version: number },
): Promise<number> =>
  tx.run(
    `insert into reading_limits (shop_id, calculator, form, version) values (:shopId, :calculator, :form::jsonb, 1)
     on conflict (shop_id, calculator) do update set form = excluded.form, version = reading_limits.version + 1
       where reading_limits.version = :version`,
    s,
  );
