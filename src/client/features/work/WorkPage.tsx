/** The work of one build: what can be begun now, what waits and why, how far it is; hours that belong nowhere yet. */
import { lazy, Suspense, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import type { SpellView, TaskView, WorkView } from '#contract/work.ts';
import { wordsAt } from '#core/graph/readiness.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { addUp, progressInWords } from '#core/work/progress.ts';
import { inOrder, longestWaits, type Task } from '#core/work/tasks.ts';
import { useKey } from '../../shared/keys.ts';
import { useNow } from '../../shared/now.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Aside, CarTitle, Head, Page, Panel, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { Countdowns } from './Countdowns.tsx';
import { FollowUps } from './FollowUps.tsx';
import { LinesOfWork, LooseHours } from './LinesOfWork.tsx';
import { TaskRow } from './TaskRow.tsx';
import { workQuery } from './work.queries.ts';

const HoursDialog = lazy(() => import('./HoursDialog.tsx'));
const PlaybookDialog = lazy(() => import('./PlaybookDialog.tsx'));
const StopDialog = lazy(() => import('./StopDialog.tsx'));
const TaskDialog = lazy(() => import('./TaskDialog.tsx'));

/** A task as the rules of core see it. */
const ruled = (t: TaskView): Task => ({
  id: t.id,
  title: t.title,
  state: t.state,
  needs: t.needs,
  gate: t.gateSigned ? null : t.gate,
  away: t.away,
  doneAt: t.doneAt,
});

type Open =
  | { what: 'task'; task: TaskView | null }
  | { what: 'hours'; task: TaskView }
  | { what: 'playbook' }
  | { what: 'stop'; spell: SpellView };

export default function WorkPage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data: work } = useSuspenseQuery(workQuery(buildId));
  const [open, setOpen] = useState<Open | null>(null);
  const close = (): void => setOpen(null);
  useThisCar(build.id, build.nickname);
  useTitle(`Work, ${build.nickname}`);
  useKey('n', () => setOpen({ what: 'task', task: null }));
  const counted = work.tasks.filter((t) => t.state !== 'dropped');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{build.nickname}: work</CarTitle>
          <Link to={`/builds/${build.id}`}>To its logbook</Link>
          <Link to="/shop/playbooks">Playbooks</Link>
          {counted.length > 0 && <Quiet>{progressInWords(addUp(counted), formatMinutes)}</Quiet>}
        </Row>
        <CountdownsOf work={work} />
        <Aside>
          <Stack>
            <Row>
              <Button $look="main" onPress={() => setOpen({ what: 'playbook' })}>
                From a playbook
              </Button>
              <Button onPress={() => setOpen({ what: 'task', task: null })}>New task</Button>
            </Row>
            <Tasks
              work={work}
              onStop={(spell) => setOpen({ what: 'stop', spell })}
              onEdit={(task) => setOpen({ what: 'task', task })}
              onHours={(task) => setOpen({ what: 'hours', task })}
            />
          </Stack>
          <div>
            <LinesOfWork work={work} />
            <FollowUps work={work} />
            <LooseHours work={work} />
          </div>
        </Aside>
      </Stack>
      {open && (
        <Suspense>
          {open.what === 'task' && <TaskDialog work={work} task={open.task} onClose={close} />}
          {open.what === 'hours' && <HoursDialog buildId={buildId} task={open.task} onClose={close} />}
          {open.what === 'playbook' && <PlaybookDialog work={work} onClose={close} />}
          {open.what === 'stop' && <StopDialog spell={open.spell} now={work.now} onClose={close} />}
        </Suspense>
      )}
    </Page>
  );
}

function CountdownsOf({ work }: { work: WorkView }) {
  return <Countdowns waits={longestWaits(work.tasks.map(ruled))} then={work.now} />;
}

interface TasksProps {
  work: WorkView;
  onStop: (spell: SpellView) => void;
  onEdit: (task: TaskView) => void;
  onHours: (task: TaskView) => void;
}

function Tasks({ work, onStop, onEdit, onHours }: TasksProps) {
  const now = useNow(work.now);
  const ordered = inOrder(work.tasks).map((task) => ({
    task,
    waits: task.holds.filter((h) => h.endsAt === undefined || h.endsAt > now).map((h) => wordsAt(h, now)),
  }));
  const going = ordered.filter(
    ({ task, waits }) => task.state === 'going' || (task.state === 'to do' && waits.length === 0),
  );
  const waiting = ordered.filter(({ waits }) => waits.length > 0);
  const over = ordered.filter(({ task }) => task.state === 'done' || task.state === 'dropped');
  const rows = (of: typeof ordered) => (
    <ul>
      {of.map(({ task, waits }) => (
        <TaskRow
          key={task.id}
          work={work}
          task={task}
          waits={waits}
          onStop={onStop}
          onEdit={() => onEdit(task)}
          onHours={() => onHours(task)}
        />
      ))}
    </ul>
  );
  if (work.tasks.length === 0)
    return (
      <Panel>
        <p>No task yet. A playbook turns an agreed line into tasks with their order; or write one down.</p>
      </Panel>
    );
  return (
    <>
      <Panel aria-label="Can be done now">
        <Head>Can be done now</Head>
        {going.length === 0 && <Quiet>Nothing: everything waits, and says for what.</Quiet>}
        {rows(going)}
      </Panel>
      {waiting.length > 0 && (
        <Panel aria-label="Waits">
          <Head>Waits</Head>
          {rows(waiting)}
        </Panel>
      )}
      {over.length > 0 && (
        <Panel aria-label="Over">
          <details>
            <Summary>{over.length} done or dropped</Summary>
            {rows(over)}
          </details>
        </Panel>
      )}
    </>
  );
}
