/** On the Floor: tools that were to be back by now, with whoever has them. */
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { formatDay } from '#core/time/days.ts';
import { isOverdue } from '#core/tools/loans.ts';
import { useManner } from '../../shared/shop.ts';
import { Notice, Now } from '../../ui/parts.tsx';
import { loansQuery } from './tools.queries.ts';

export function OverdueLoans() {
  const { data } = useQuery(loansQuery);
  const { today, locale } = useManner();
  const late = (data?.loans ?? []).filter((l) => isOverdue(l, today));
  if (late.length === 0) return null;
  return (
    <Notice $tone="oxide">
      <Now>Lent and overdue:</Now>{' '}
      {late.map((l) => `${l.what} with ${l.lentTo}, by ${formatDay(l.due!, locale, today)}`).join('; ')}.{' '}
      <Link to="/tools">Tools lent</Link>
    </Notice>
  );
}
