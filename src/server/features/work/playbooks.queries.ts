import type { PastPlaybookView } from '#contract/work.ts';
import type { Playbook } from '#core/work/playbook.ts';
import type { Tx } from '../../db/pool.ts';

export interface PlaybookRow {
  id: string;
  content: Playbook;
  version: number;
}

export const changedPlaybooks = (tx: Tx): Promise<PlaybookRow[]> =>
  tx.rows('select id, content, version from playbooks where shop_id = :shopId order by id');

export const insertPlaybook = (
  tx: Tx,
  content: Playbook,
  past: readonly PastPlaybookView[],
): Promise<number> =>
  tx.run(
    `insert into playbooks (shop_id, id, content, past) values (:shopId, :id, :content::jsonb, :past::jsonb)
     on conflict do nothing`,
    { id: content.id, content: JSON.stringify(content), past: JSON.stringify(past) },
  );

export const savePlaybook = (
  tx: Tx,
  content: Playbook,
  version: number,
  past: readonly PastPlaybookView[],
): Promise<number> =>
  tx.run(
    `update playbooks set content = :content::jsonb, past = :past::jsonb, version = version + 1
     where shop_id = :shopId and id = :id and version = :version`,
    { id: content.id, content: JSON.stringify(content), version, past: JSON.stringify(past) },
  );

export const pastOfPlaybook = async (tx: Tx, id: string): Promise<PastPlaybookView[]> =>
  (
    await tx.one<{ past: PastPlaybookView[] }>(
      'select past from playbooks where shop_id = :shopId and id = :id',
      { id },
    )
  )?.past ?? [];
