import type { Knex } from 'knex';

/** Entries as they hold today: the newest correction of each laid over it. `more`: columns behind those that it always had. */
const entriesNow = (more: string): string => `
  create or replace view entries_now with (security_invoker = true) as
    select e.shop_id, e.build_id, e.id, e.seq, e.at, e.recorded_at, e.person_id, e.about_type, e.about_id,
      e.text as first_text, e.kind as first_kind,
      coalesce(c.now ->> 'kind', e.kind) as kind,
      coalesce(c.now ->> 'text', e.text) as text,
      coalesce(c.now -> 'facts', e.facts) as facts,
      coalesce(c.now ->> 'audience', e.audience) as audience,
      c.id as correction_id, c.seq as correction_seq, c.at as correction_at,
      coalesce(c.now = '"withdrawn"'::jsonb, false) as withdrawn${more}
    from entries e
    left join lateral (
      select c.id, c.seq, c.at, c.now from entries c
      where c.shop_id = e.shop_id and c.corrects_id = e.id order by c.seq desc limit 1
    ) c on true
    where e.kind <> 'correction';`;

/** What an entry did to parts, pieces, tasks and holds, and how each stood before: so that it can be taken back. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table entries add column acts jsonb check (jsonb_typeof(acts) = 'array');
    ${entriesNow(', e.acts')}
    -- A spell that was begun by mistake goes as if it had never been; what an hour belonged to goes with its entry.
    grant delete on spells, entry_belongs to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    revoke delete on spells, entry_belongs from avrik_app;
    drop view entries_now;
    alter table entries drop column acts;
    ${entriesNow('')}
    grant select on entries_now to avrik_app;
  `);
}
