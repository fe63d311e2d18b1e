/** What the owner can read of accounts: added to, never changed. */
import { v7 as uuidv7 } from 'uuid';
import type { AccountEvent, AccountEventKind } from '#contract/account.ts';
import type { Tx } from '../../db/pool.ts';

export interface NewEvent {
  kind: AccountEventKind;
  text: string;
  /** Whom it is about. */
  personId?: string | null;
  /** Who did it, where that is somebody else. */
  byId?: string;
}

/** @param now UTC ISO instant */
export const noteEvent = (
  tx: Tx,
  now: string,
  { kind, text, personId = null, byId }: NewEvent,
): Promise<number> =>
  tx.run(
    `insert into account_events (shop_id, id, at, person_id, by_id, kind, text)
     values (:shopId, :id, :now, :personId, :byId, :kind, :text)`,
    { id: uuidv7(), now, personId, byId: byId ?? null, kind, text: text.slice(0, 500) },
  );

const SHOWN = 200;

/** The newest first. */
export const eventsOf = (tx: Tx): Promise<AccountEvent[]> =>
  tx.rows(
    `select e.id, e.at, e.kind, e.text, p.name as person, b.name as by from account_events e
     left join people p on p.shop_id = e.shop_id and p.id = e.person_id
     left join people b on b.shop_id = e.shop_id and b.id = e.by_id
     where e.shop_id = :shopId order by e.at desc, e.id desc limit ${SHOWN}`,
  );
