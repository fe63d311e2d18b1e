/** The jobs of a car: each from what was found to what was done, with what it comes to and what holds it up. */
import { lazy, Suspense, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import type { JobView } from '#contract/jobs.ts';
import { isOver, type JobState } from '#core/jobs/jobs.ts';
import { useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { CarTitle, Head, Page, Panel, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { useThisCar } from '../entries/index.ts';
import { Job, type JobEdit } from './Job.tsx';
import { jobsQuery } from './jobs.queries.ts';
import { JOB_WORDS, NEXT_STEP } from './words.ts';

const NameDialog = lazy(() => import('./NameDialog.tsx'));
const MergeDialog = lazy(() => import('./MergeDialog.tsx'));
const SplitDialog = lazy(() => import('./SplitDialog.tsx'));

export default function JobsPage() {
  const { buildId = '' } = useParams();
  const { data } = useSuspenseQuery(jobsQuery(buildId));
  const [open, setOpen] = useState<{ edit: JobEdit; job: JobView } | null>(null);
  useThisCar(buildId, data.nickname);
  useTitle(`Jobs, ${data.nickname}`);
  const close = (): void => setOpen(null);
  const states = [...new Set(data.jobs.map((j) => j.state))];
  const list = (of: readonly JobView[]) => (
    <ul>
      {of.map((job) => (
        <Job key={job.id} buildId={buildId} job={job} onEdit={(edit) => setOpen({ edit, job })} />
      ))}
    </ul>
  );
  const inState = (state: JobState): JobView[] => data.jobs.filter((j) => j.state === state);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{data.nickname}: jobs</CarTitle>
          <Link to={`/builds/${buildId}`}>To its logbook</Link>
        </Row>
        {data.jobs.length === 0 && (
          <p>
            No job yet. The first thing that is found on the car, or the first line of its estimate, begins
            one.
          </p>
        )}
        {states.map((state) =>
          isOver(state) ? (
            <Panel key={state} aria-label={JOB_WORDS[state]}>
              <details>
                <Summary>
                  {JOB_WORDS[state]}: {inState(state).length}
                </Summary>
                {list(inState(state))}
              </details>
            </Panel>
          ) : (
            <Panel key={state} aria-label={JOB_WORDS[state]}>
              <Row>
                <Head>{JOB_WORDS[state]}</Head>
                <Quiet>{inState(state).length}</Quiet>
                <NextStep buildId={buildId} state={state} />
              </Row>
              {list(inState(state))}
            </Panel>
          ),
        )}
      </Stack>
      {open && (
        <Suspense>
          {open.edit === 'name' && <NameDialog buildId={buildId} job={open.job} onClose={close} />}
          {open.edit === 'merge' && (
            <MergeDialog buildId={buildId} job={open.job} jobs={data.jobs} onClose={close} />
          )}
          {open.edit === 'split' && <SplitDialog buildId={buildId} job={open.job} onClose={close} />}
        </Suspense>
      )}
    </Page>
  );
}

function NextStep({ buildId, state }: { buildId: string; state: JobState }) {
  const { seesPrices } = useShop();
  const step = NEXT_STEP[state];
  if (!step || (step.isDesk && !seesPrices)) return null;
  return <Link to={`/builds/${buildId}/${step.to}`}>{step.words}</Link>;
}
