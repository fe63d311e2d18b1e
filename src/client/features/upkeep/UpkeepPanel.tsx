/** On the shop’s page: the last good backup, and how much room the disk has. */
import { useQuery } from '@tanstack/react-query';
import type { UpkeepView } from '#contract/upkeep.ts';
import { agoInWords, dayOf, formatTime } from '#core/time/days.ts';
import { useShop, useToday } from '../../shared/shop.ts';
import { Figures, Head, Notice, Panel, Quiet } from '../../ui/parts.tsx';
import { upkeepQuery } from './upkeep.queries.ts';
import { ALARM_WORDS, isOfMail } from './words.ts';

const GIB = 2 ** 30;

const room = (bytes: number): string =>
  `${(bytes / GIB).toLocaleString('en-GB', { maximumFractionDigits: bytes < 10 * GIB ? 1 : 0 })} GB`;

function HowCopied({ copies, copiesKept }: UpkeepView) {
  if (copies.made === 'elsewhere')
    return (
      <Quiet>
        The database is on a server of its own (DATABASE_URL): back it up with that server’s tools, and the
        data folder with it.
      </Quiet>
    );
  return (
    <Quiet>
      {copies.made === 'daily' ? 'One a day by itself. ' : ''}
      {copiesKept} kept, encrypted. The key is the file backup-key.txt in the data folder: keep a copy of it
      somewhere else, since without it no backup can be opened.
    </Quiet>
  );
}

export function UpkeepPanel() {
  const { data } = useQuery(upkeepQuery);
  const { timeZone } = useShop().shop;
  const today = useToday();
  if (!data) return null;
  const { copies, disk } = data;
  const when =
    copies.lastGood === null
      ? 'none yet'
      : `${agoInWords(dayOf(copies.lastGood, timeZone), today)}, ${formatTime(copies.lastGood, timeZone)}`;
  return (
    <Panel aria-label="Backups and disk">
      <Head>Backups and disk</Head>
      {data.alarms
        .filter((a) => !isOfMail(a))
        .map((a) => (
          <Notice key={a} $tone="oxide">
            {ALARM_WORDS[a](data)} {a === 'copy-fault' && copies.fault}
          </Notice>
        ))}
      <Figures>
        {copies.made !== 'elsewhere' && (
          <>
            <dt>Last good backup</dt>
            <dd>{when}</dd>
          </>
        )}
        <dt>Free disk</dt>
        <dd>
          {room(disk.freeBytes)} of {room(disk.totalBytes)}
        </dd>
      </Figures>
      <HowCopied {...data} />
    </Panel>
  );
}
