/** Longest waits as they run down: bare steel to primer, base coat to clear. */
import { Link } from 'react-router';
import { formatMinutes } from '#core/time/hours.ts';
import { countdowns, type LongestWait } from '#core/work/tasks.ts';
import { useNow } from '../../shared/now.ts';
import { Notice, Now } from '../../ui/parts.tsx';

/** Where several builds are told of at once, a wait names its own. */
type Shown = LongestWait & { buildId?: string; nickname?: string };

interface Props {
  waits: readonly Shown[];
  /** The server's clock when they were read. */
  then: string;
  /** Only those that are alarms. */
  alarmsOnly?: boolean;
}

export function Countdowns({ waits, then, alarmsOnly = false }: Props) {
  const now = useNow(then);
  return (
    <>
      {countdowns(waits, now)
        .filter((c) => c.isAlarm || !alarmsOnly)
        .map((c) => (
          <Notice
            key={c.taskId + c.after}
            $tone={c.isAlarm ? 'oxide' : 'blueing'}
            role={c.isAlarm ? 'alert' : 'status'}
          >
            {c.minutesLeft < 0 ? (
              <Now>Ran out {formatMinutes(-c.minutesLeft)} ago: </Now>
            ) : (
              <b>{formatMinutes(c.minutesLeft)} left: </b>
            )}
            {c.buildId && (
              <>
                <Link to={`/builds/${c.buildId}/work`}>{c.nickname}</Link>,{' '}
              </>
            )}
            “{c.title}” after “{c.after}”, {c.reason}.
          </Notice>
        ))}
    </>
  );
}
