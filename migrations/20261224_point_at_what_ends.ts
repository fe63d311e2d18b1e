import type { Knex } from 'knex';

/** Words that say something, each without the s of a plural. */
const words = (text: string): string => `(
  select array_agg(distinct regexp_replace(w, 's$', '') order by regexp_replace(w, 's$', ''))
  from regexp_split_to_table(lower(${text}), '[^[:alnum:]]+') w
  where length(w) > 2 and w not in ('the', 'and'))`;

/**
 * What arrived and what was resumed, kept before lines pointed at things, ended the waits that it names with all their words and no others:
 * it points at them now, and nothing reads their words again. Later entries that end the same wait are there for when the first is
 * withdrawn.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table entries disable trigger entries_are_kept;
    with said as materialized (
      select e.shop_id, e.build_id, e.id, e.seq, e.kind, ${words("concat_ws(' ', e.facts ->> 'zone', coalesce(e.facts ->> 'subject', e.facts ->> 'person', e.text))")} as named
      from entries_now e where e.kind = 'waiting' and not e.withdrawn),
    ending as materialized (
      select e.shop_id, e.build_id, e.id, e.seq, ${words("e.facts ->> 'subject'")} as named
      from entries_now e
      where e.kind in ('arrived', 'resumed') and not e.withdrawn and e.acts is null and e.facts ->> 'subject' is not null
        and e.about_type is distinct from 'entry')
    update entries e set acts = found.acts
    from (
      select n.shop_id, n.id, jsonb_agg(jsonb_build_object('act', 'release', 'type', 'hold', 'id', s.id, 'before', null) order by s.seq) as acts
      from ending n join said s on s.shop_id = n.shop_id and s.build_id = n.build_id and s.seq < n.seq and s.named = n.named
      group by n.shop_id, n.id) found
    where e.shop_id = found.shop_id and e.id = found.id and e.acts is null;
    alter table entries enable trigger entries_are_kept;
  `);
}

/** What entries point at stays: where they were read by name, they name it. */
export async function down(): Promise<void> {
  await Promise.resolve();
}
