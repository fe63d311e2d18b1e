/** One calculator: readings in, the result at once, kept with a car if it is for one. */
import { lazy, Suspense, useMemo, useRef, useState, type FocusEvent, type KeyboardEvent } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { styled } from 'styled-components';
import type { BenchView, DoneJob } from '#contract/bench.ts';
import { faultWords, formOf, type Form, type Ways } from '#core/bench/registry/form.ts';
import { calculatorNamed, isOfCar } from '#core/bench/registry/index.ts';
import { toldOf, type Told } from '#core/bench/registry/told.ts';
import { GROUPS, type Calculator } from '#core/bench/registry/types.ts';
import { wordsOf } from '../../shared/api.ts';
import { useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { NoSuchPage } from '../../shell/Problem.tsx';
import { Button } from '../../ui/Button.tsx';
import { CarTitle, Notice, Now, Page, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { narrow, space } from '../../ui/tokens.ts';
import { CarSelect, useThisCar } from '../entries/index.ts';
import { benchQuery, doneJobsQuery, limitsQuery } from './bench.queries.ts';
import { ContactorRecord } from './ContactorRecord.tsx';
import { FormFields } from './FormFields.tsx';
import { KeepPanel } from './KeepPanel.tsx';
import { Prompt } from './Prompt.tsx';
import { Readings } from './Readings.tsx';
import { Cautions, Result } from './Result.tsx';
import { SpecPanel } from './SpecPanel.tsx';
import { carryForm, useBenchForm } from './useBenchForm.ts';
import { WeatherHours } from './WeatherHours.tsx';

const Drawing = lazy(() => import('./pictures/Drawing.tsx'));

const Sides = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 26rem);
  gap: ${space.l} ${space.xl};
  align-items: start;
  ${narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

export default function CalculatorPage() {
  const { buildId, calculator: name } = useParams();
  const calculator = calculatorNamed(name);
  const limits = useQuery(limitsQuery);
  const car = useQuery({ ...benchQuery(buildId ?? ''), enabled: buildId !== undefined });
  if (!calculator) return <NoSuchPage />;
  // What the shop or the car has of its own is put in before anything is typed; without a network it goes on without.
  if (
    (limits.isPending && limits.fetchStatus !== 'paused') ||
    (buildId && car.isPending && car.fetchStatus !== 'paused')
  )
    return <Quiet>Opening …</Quiet>;
  const usual: Form = {
    ...limits.data?.limits[calculator.name]?.form,
    ...car.data?.specs[calculator.name]?.form,
  };
  return (
    <Bench
      key={`${calculator.name}${buildId ?? ''}`}
      calculator={calculator}
      buildId={buildId}
      car={car.data}
      usual={usual}
    />
  );
}

/** Where quarts and pints are known, they are not asked. */
const regionOf = (locale: string): Ways['region'] =>
  /-US$/.test(locale) ? 'us' : /-(?:GB|AU|NZ|IE)$/.test(locale) ? 'uk' : null;

/** A tyre on a wheel of another seat can kill: said in a box of its own. */
function Danger({ told }: { told: Told }) {
  const codes = told.reasons.map((r) => r.code);
  if (codes.includes('seat_16_vs_16_5'))
    return (
      <Notice $tone="oxide" role="alert">
        <strong>Do not mount.</strong> One has bead seats of 5°, the other of 15°: the bead can break while it
        is inflated, and kill.
      </Notice>
    );
  if (!codes.includes('seat_mismatch')) return null;
  return (
    <Notice $tone="oxide" role="alert">
      <strong>Do not mount.</strong> Tyre and wheel are not of the same diameter.
    </Notice>
  );
}

interface BenchProps {
  calculator: Calculator;
  buildId: string | undefined;
  car: BenchView | undefined;
  usual: Form;
}

/** Signed step by step: nothing fills it in one go. */
const SIGNED = 'contactorSequence';

const pathOf = (target: EventTarget): string | null =>
  target instanceof HTMLElement ? (target.dataset.path ?? null) : null;

function Bench({ calculator, buildId, car, usual }: BenchProps) {
  const { locale, units } = useShop().shop;
  const ways = useMemo((): Ways => ({ region: regionOf(locale), units }), [locale, units]);
  const [own] = useState(usual);
  const bench = useBenchForm(calculator, { buildId, usual: own, ways });
  const [at, setAt] = useState<string | null>(null);
  const [isPlayed, setPlayed] = useState(false);
  const fields = useRef<HTMLDivElement>(null);
  const picture = useRef<HTMLDivElement>(null);
  const { result, refused } = bench.worked;
  const told = useMemo(
    () => (result ? toldOf(calculator, bench.read.input, result) : null),
    [calculator, bench.read, result],
  );
  const faults = refused && refused.code !== 'missing' ? { [refused.field]: faultWords(refused) } : {};
  const focus = (path: string | null): void =>
    [...(fields.current?.querySelectorAll<HTMLElement>('[data-path]') ?? [])]
      .find((e) => e.dataset.path === path)
      ?.focus();
  const onKeyDown = (e: KeyboardEvent): void => {
    const path = pathOf(e.target);
    if (e.key !== 'Enter' || path === null || e.nativeEvent.isComposing) return;
    e.preventDefault();
    bench.take(path);
    const all = [
      ...(fields.current?.querySelectorAll<HTMLInputElement>('[data-path]:not([type=checkbox])') ?? []),
    ];
    const next = all[all.indexOf(e.target as HTMLInputElement) + 1];
    next?.focus();
    if (next instanceof HTMLInputElement) next.select();
  };
  const onFocus = (e: FocusEvent): void => setAt(pathOf(e.target));
  const instead = {
    ...(calculator.name === 'findPaintWindow' ? { hours: <WeatherHours bench={bench} /> } : {}),
    ...(calculator.name === SIGNED ? { events: <ContactorRecord bench={bench} /> } : {}),
  };
  return (
    <Page>
      <Stack $gap="l">
        <Top calculator={calculator} buildId={buildId} car={car} bench={bench} />
        <Cautions calculator={calculator} />
        {told && <Danger told={told} />}
        <Sides>
          <Stack $gap="m">
            <Prompt
              {...{ calculator, bench, at, told, isPlayed }}
              onPlayed={setPlayed}
              onUndo={() => focus(bench.undo())}
            />
            {calculator.before && <Quiet>{calculator.before}</Quiet>}
            <div
              ref={fields}
              onKeyDown={onKeyDown}
              onFocus={onFocus}
              onBlur={() => setAt(null)}
              role="group"
              aria-label="Readings"
            >
              <FormFields
                fields={calculator.fields}
                form={bench.form}
                said={bench.read.said}
                faults={faults}
                set={bench.set}
                instead={instead}
              />
            </div>
            <SpecPanel calculator={calculator} bench={bench} buildId={buildId} car={car} />
          </Stack>
          <Stack $gap="m">
            {result && typeof calculator.picture === 'string' && (
              <div ref={picture}>
                <Suspense>
                  <Drawing of={calculator.picture} input={bench.read.input} result={result} />
                </Suspense>
              </div>
            )}
            <Result calculator={calculator} bench={bench} told={told} />
            {buildId && told && (
              <KeepPanel
                calculator={calculator}
                buildId={buildId}
                told={told}
                bench={bench}
                isPlayed={isPlayed}
                picture={picture}
              />
            )}
            {buildId && car && (
              <Readings
                calculator={calculator}
                car={car}
                onAgain={calculator.name === SIGNED ? null : bench.fill}
              />
            )}
          </Stack>
        </Sides>
      </Stack>
    </Page>
  );
}

/** The shop's finished work, put into the fields: one line of an estimate is one job. */
function OwnJobs({ bench }: { bench: ReturnType<typeof useBenchForm> }) {
  const { refetch, data, isFetching, error } = useQuery(doneJobsQuery);
  const take = async (): Promise<void> => {
    const { data: done } = await refetch();
    if (!done || done.jobs.length === 0) return;
    const rest = Object.entries(bench.form).filter(([path]) => !path.startsWith('jobs'));
    bench.fill({ ...Object.fromEntries(rest), ...formOfJobs(done.jobs) });
  };
  return (
    <>
      <Button onPress={() => void take()} isDisabled={isFetching}>
        Take the shop’s finished work
      </Button>
      <span role="status">
        {data?.jobs.length === 0 && (
          <Quiet>
            No line of an estimate is finished yet: each of its tasks done, and hours logged for it.
          </Quiet>
        )}
      </span>
      {error && <Now role="alert">{wordsOf(error)}</Now>}
    </>
  );
}

/** Hours to a hundredth, as one would type them. */
const inHours = (minutes: number): string => String(Math.round((minutes / 60) * 100) / 100);

const formOfJobs = (jobs: readonly DoneJob[]): Form =>
  Object.fromEntries([
    ['jobs#', String(jobs.length)],
    ...jobs.flatMap((job, i) => [
      [`jobs[${i}].kind`, job.kind],
      [`jobs[${i}].estimate_h`, inHours(job.estimatedMinutes)],
      [`jobs[${i}].actual_h`, inHours(job.tookMinutes)],
    ]),
  ]) as Form;

function Top({
  calculator,
  buildId,
  car,
  bench,
}: Omit<BenchProps, 'usual'> & { bench: ReturnType<typeof useBenchForm> }) {
  const navigate = useNavigate();
  const nickname = car?.nickname;
  useThisCar(buildId ?? '', nickname ?? '');
  useTitle(nickname ? `${calculator.title}, ${nickname}` : calculator.title);
  const toCar = (id: string): void => {
    carryForm(calculator.name, bench.form, id);
    void navigate(`/builds/${id}/bench/${calculator.name}`);
  };
  return (
    <Row>
      <CarTitle>{nickname ? `${nickname}: ${calculator.title.toLowerCase()}` : calculator.title}</CarTitle>
      <Link to={buildId ? `/builds/${buildId}/bench` : '/bench'}>All of the bench</Link>
      <Quiet>{GROUPS[calculator.group]}</Quiet>
      {!buildId && isOfCar(calculator) && (
        <>
          <Quiet>Keep it with</Quiet>
          <CarSelect build={null} isOptional onBuild={({ id }) => toCar(id)} />
        </>
      )}
      {calculator.name === 'estimateCalibration' && <OwnJobs bench={bench} />}
      {calculator.name !== SIGNED && (
        <Button $look="quiet" onPress={() => bench.fill(formOf(calculator.fields, calculator.example))}>
          Show an example
        </Button>
      )}
      <Button $look="quiet" onPress={bench.clear}>
        Begin anew
      </Button>
    </Row>
  );
}
