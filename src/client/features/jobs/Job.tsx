/** One job: how far it is, what it comes to, what holds it up; opened, everything that belongs to it. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { JobView } from '#contract/jobs.ts';
import { canBeSplit, jobMoney } from '#core/jobs/jobs.ts';
import { formatDay } from '#core/time/days.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { useManner, useMoney, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Mono, Now, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { costsQuery } from '../costs/index.ts';
import { STATE_WORDS } from '../estimate/index.ts';

const Item = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 22rem;
  gap: 0 ${space.l};
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  overflow-wrap: anywhere;
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
/** A finding gives its job a name in small letters, as it was logged. */
const Name = styled.h3`
  font-weight: 650;
  &::first-letter {
    text-transform: uppercase;
  }
`;
const Figures = styled.div`
  display: grid;
  gap: ${space.xs};
  align-content: start;
`;
const Belongings = styled.dl`
  display: grid;
  grid-template-columns: 9rem minmax(0, 1fr);
  gap: ${space.xs} ${space.m};
  dt {
    color: ${color.zinc};
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
    dd + dt {
      margin-top: ${space.xs};
    }
  }
`;

/** What is done to a job by hand. */
export type JobEdit = 'name' | 'merge' | 'split';

interface Props {
  buildId: string;
  job: JobView;
  onEdit: (edit: JobEdit) => void;
}

export function Job({ buildId, job, onEdit }: Props) {
  const { seesPrices } = useShop();
  const few = inFew(job);
  return (
    <Item>
      <Stack $gap="xs">
        <Name>{job.title}</Name>
        {showsFindings(job) && job.findings.map((f) => <Quiet key={f.id}>{f.text}</Quiet>)}
        {job.heldBy !== null && (
          <p>
            <Now>Held up:</Now> {job.heldBy}
          </p>
        )}
        {(few !== '' || seesPrices) && (
          <details>
            <Summary>{few || 'Change'}</Summary>
            <Stack>
              <Everything job={job} />
              {seesPrices && (
                <Row>
                  <Button $look="quiet" aria-label={`Rename: ${job.title}`} onPress={() => onEdit('name')}>
                    Rename
                  </Button>
                  <Button $look="quiet" aria-label={`Merge: ${job.title}`} onPress={() => onEdit('merge')}>
                    Merge with another job
                  </Button>
                  {canBeSplit(job) && (
                    <Button $look="quiet" aria-label={`Split: ${job.title}`} onPress={() => onEdit('split')}>
                      Split
                    </Button>
                  )}
                </Row>
              )}
            </Stack>
          </details>
        )}
      </Stack>
      <Figures>
        <Hours job={job} />
        <Told job={job} />
        {seesPrices && job.lines.length > 0 && <Money buildId={buildId} lines={job.lines} />}
      </Figures>
    </Item>
  );
}

const counted = (n: number, one: string): string => (n === 1 ? `1 ${one}` : `${n} ${one}s`);

/** Its findings stand under its name while it has no line. */
const showsFindings = ({ lines }: JobView): boolean => lines.length === 0;

/** What there is of it, in numbers; empty where all of it is shown. */
function inFew(job: JobView): string {
  const { findings, lines, tasks, parts } = job;
  const done = tasks.filter((t) => t.isDone).length;
  return [
    findings.length > 0 && !showsFindings(job) && counted(findings.length, 'finding'),
    lines.length > 0 && counted(lines.length, 'line'),
    tasks.length > 0 && `${done} of ${counted(tasks.length, 'task')} done`,
    parts.length > 0 && `${counted(parts.length, 'part')} to come`,
  ]
    .filter(Boolean)
    .join(', ');
}

function Hours({ job: { spentMinutes, toGoMinutes } }: { job: JobView }) {
  if (spentMinutes + toGoMinutes === 0) return null;
  if (spentMinutes === 0) return <Quiet>{formatMinutes(toGoMinutes)} estimated</Quiet>;
  const share = Math.round((100 * spentMinutes) / (spentMinutes + toGoMinutes));
  return (
    <Quiet>
      {formatMinutes(spentMinutes)} done
      {toGoMinutes > 0 && `, ${formatMinutes(toGoMinutes)} left, ${share} %`}
    </Quiet>
  );
}

/** What its customer knows of it. */
function Told({ job: { told, news, findings } }: { job: JobView }) {
  const { locale, today } = useManner();
  const { seesPrices } = useShop();
  if (told === null && news === 0 && findings.length === 0) return null;
  const day = told && formatDay(told.on, locale, today);
  return (
    <span>
      {told === null ? (
        <Quiet>Customer not told yet</Quiet>
      ) : (
        <Quiet>Customer told {seesPrices ? <Link to={`/letters/${told.letterId}`}>{day}</Link> : day}</Quiet>
      )}
      {told !== null && news > 0 && <Quiet>, {news} new since</Quiet>}
    </span>
  );
}

/** What its lines come to, as the costs of the build say it; nothing for those who see no prices. */
function Money({ buildId, lines }: { buildId: string; lines: JobView['lines'] }) {
  const write = useMoney();
  const { data: costs } = useSuspenseQuery(costsQuery(buildId));
  const { priceMinor, agreedMinor, spentMinor } = jobMoney(lines, costs.lines);
  if (priceMinor + agreedMinor + spentMinor === 0) return null;
  return (
    <span>
      <Mono>{write(agreedMinor > 0 ? agreedMinor : priceMinor)}</Mono>{' '}
      <Quiet>{agreedMinor > 0 ? 'agreed' : 'expected'}</Quiet>
      {spentMinor > 0 && (
        <>
          , <Mono>{write(spentMinor)}</Mono> <Quiet>spent</Quiet>
        </>
      )}
    </span>
  );
}

function Everything({ job }: { job: JobView }) {
  const { findings, lines, tasks, parts } = job;
  const { locale, today } = useManner();
  return (
    <Belongings>
      {findings.length > 0 && !showsFindings(job) && (
        <>
          <dt>Found</dt>
          <dd>
            <ul>
              {findings.map((f) => (
                <li key={f.id}>{f.text}</li>
              ))}
            </ul>
          </dd>
        </>
      )}
      {lines.length > 0 && (
        <>
          <dt>On the estimate</dt>
          <dd>
            <ul>
              {lines.map((l) => (
                <li key={l.id}>
                  {l.title} <Quiet>{STATE_WORDS[l.state]}</Quiet>
                </li>
              ))}
            </ul>
          </dd>
        </>
      )}
      {tasks.length > 0 && (
        <>
          <dt>Work</dt>
          <dd>
            <ul>
              {tasks.map((t) => (
                <li key={t.id}>
                  {t.title} {t.isDone && <Quiet>done</Quiet>}
                </li>
              ))}
            </ul>
          </dd>
        </>
      )}
      {parts.length > 0 && (
        <>
          <dt>Parts to come</dt>
          <dd>
            <ul>
              {parts.map((p) => (
                <li key={p.id}>
                  {p.what}{' '}
                  <Quiet>{p.due === null ? p.state : `due ${formatDay(p.due, locale, today)}`}</Quiet>
                </li>
              ))}
            </ul>
          </dd>
        </>
      )}
    </Belongings>
  );
}
