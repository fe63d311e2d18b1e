/** Clocks that run: one's own on every page, and those that somebody forgot. */
import { lazy, Suspense, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import { styled } from 'styled-components';
import type { RunningView, SpellView } from '#contract/work.ts';
import { formatDay, formatTime } from '#core/time/days.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { isForgotten, minutesBetween } from '#core/work/spells.ts';
import { useNow } from '../../shared/now.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice, Now } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { Countdowns } from './Countdowns.tsx';
import { runningQuery } from './work.queries.ts';

const StopDialog = lazy(() => import('./StopDialog.tsx'));

const Bar = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 0 ${space.m};
  > button {
    flex: none;
  }
  padding: ${space.xs} ${space.l};
  background: ${color.blueingWash};
  border-bottom: 1px solid ${color.zincLine};
  &[data-forgotten] {
    background: ${color.oxideWash};
  }
  ${phone} {
    padding: ${space.xs} ${space.m};
  }
`;

export default function RunningBar() {
  const { data } = useQuery(runningQuery);
  return data ? <Running data={data} /> : null;
}

function Running({ data }: { data: RunningView }) {
  const { person, shop } = useShop();
  const manner = useManner();
  const { pathname } = useLocation();
  const now = useNow(data.now);
  const [stopping, setStopping] = useState<SpellView | null>(null);
  const forgotten = (s: SpellView): boolean =>
    isForgotten({ startedAt: s.startedAt, endedAt: null }, now, shop.timeZone);
  // One's own on every page; what others forgot where one looks over the shop, and not in the way of other work.
  const shown = data.spells.filter((s) => s.personId === person.id || (pathname === '/' && forgotten(s)));
  return (
    <>
      <Countdowns waits={data.waits} then={data.now} alarmsOnly={pathname !== '/'} />
      {pathname === '/' &&
        data.due.map((f) => (
          <Notice key={f.id} role="status">
            <Link to={`/builds/${f.buildId}/work`}>{f.nickname}</Link>: {f.title},{' '}
            {f.dueOn < manner.today ? (
              <Now>was due {formatDay(f.dueOn, manner.locale, manner.today)}</Now>
            ) : (
              `due ${formatDay(f.dueOn, manner.locale, manner.today)}`
            )}
          </Notice>
        ))}
      {shown.map((s) => (
        <Bar key={s.id} role="status" {...(forgotten(s) ? { 'data-forgotten': true } : {})}>
          <span>
            {forgotten(s) && <Now>Forgotten: </Now>}
            {s.personId === person.id ? 'You are at' : `${s.person} is at`}{' '}
            <Link to={`/builds/${s.buildId}/work`}>
              {s.task}, {s.nickname}
            </Link>
            {', since '}
            {formatTime(s.startedAt, shop.timeZone)}
            {!forgotten(s) && ` (${formatMinutes(minutesBetween(s.startedAt, now))})`}
          </span>
          <Button aria-label={`Stop the clock: ${s.task}`} onPress={() => setStopping(s)}>
            Stop
          </Button>
        </Bar>
      ))}
      {stopping && (
        <Suspense>
          <StopDialog spell={stopping} now={now} onClose={() => setStopping(null)} />
        </Suspense>
      )}
    </>
  );
}
