/** Above every page, for owner and office: what of the installation needs somebody. Nothing where all is well. */
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Notice, Now } from '../../ui/parts.tsx';
import { upkeepQuery } from './upkeep.queries.ts';
import { ALARM_WORDS, isOfMail } from './words.ts';

export default function UpkeepBar() {
  const { data } = useQuery(upkeepQuery);
  const alarm = data?.alarms[0];
  if (!data || !alarm) return null;
  const more = data.alarms.length - 1;
  return (
    <Notice $tone="oxide" role="status">
      <Now>{ALARM_WORDS[alarm](data)}</Now>{' '}
      <Link to={isOfMail(alarm) ? '/shop/mail' : '/shop'}>
        {isOfMail(alarm) ? 'Mail server' : 'Backups and disk'}
      </Link>
      {more > 0 && ` and ${more} more`}
    </Notice>
  );
}
