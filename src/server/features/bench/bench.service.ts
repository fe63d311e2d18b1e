/** Readings of the bench: worked out again here, kept with their verdict as it was, said in the logbook. */
import {
  LONGEST_FORM,
  MOST_READINGS,
  type BenchFormDto,
  type BenchLimits,
  type BenchView,
  type DoneJobsView,
  type ReadingFindingDto,
  type ReadingPutDto,
} from '#contract/bench.ts';
import { specPathsOf, usualPathsOf, workOut } from '#core/bench/registry/form.ts';
import { calculatorNamed, isOfCar } from '#core/bench/registry/index.ts';
import { readingInWords, toldOf } from '#core/bench/registry/told.ts';
import type { Calculator } from '#core/bench/registry/types.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidFields, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail, buildForUpdate } from '../builds/index.ts';
import { agoOf, logIn } from '../entries/index.ts';
import { doneJobs } from '../work/index.ts';
import * as q from './bench.queries.ts';

/** As many as the form of the shop’s calibration holds. */
const MOST_JOBS = 500;

async function viewOf(tx: Tx, buildId: string): Promise<BenchView> {
  const build = await buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  return {
    buildId,
    nickname: build.nickname,
    readings: await q.readingsOf(tx, buildId),
    specs: await q.specsOf(tx, buildId),
  };
}

export const readBench = (deps: Deps, who: SignedIn, buildId: string): Promise<BenchView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, buildId));

export const readLimits = (deps: Deps, who: SignedIn): Promise<BenchLimits> =>
  inShop(deps.db, who.shopId, async (tx) => ({ limits: await q.limitsOf(tx) }));

export const readDoneJobs = (deps: Deps, who: SignedIn): Promise<DoneJobsView> =>
  inShop(deps.db, who.shopId, async (tx) => ({ jobs: await doneJobs(tx, MOST_JOBS) }));

function calculatorOf(name: string): Calculator {
  const calculator = calculatorNamed(name);
  if (!calculator) throw invalidFields([{ field: 'calculator', reason: 'none that the bench has' }]);
  return calculator;
}

function toldAgain(calculator: Calculator, input: Record<string, unknown>) {
  if (!isOfCar(calculator)) throw invalidFields([{ field: 'calculator', reason: 'is no reading of a car' }]);
  if (JSON.stringify(input).length > LONGEST_FORM)
    throw invalidFields([{ field: 'input', reason: 'is too long' }]);
  const { result, refused } = workOut(calculator, input);
  if (!result) throw invalidFields([{ field: `input.${refused!.field}`, reason: refused!.message }]);
  return toldOf(calculator, input, result);
}

/** What is signed is signed by whom it says: nobody signs for another. */
async function refuseForeignSignatures(
  tx: Tx,
  who: SignedIn,
  { calculator, input }: ReadingPutDto,
): Promise<void> {
  if (calculator !== 'contactorSequence') return;
  const own = await q.nameOf(tx, who.personId);
  const events = input.events as { signedBy?: string }[];
  const foreign = events.findIndex((e) => (e.signedBy ?? '') !== '' && e.signedBy !== own);
  if (foreign >= 0)
    throw invalidFields([
      { field: `input.events[${foreign}].signedBy`, reason: 'is signed by somebody else' },
    ]);
}

/** Keeps a reading. The same id again is the same reading. One that passes after the work closes the findings of the same thing. */
export const putReading = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: ReadingPutDto,
): Promise<BenchView> => {
  const calculator = calculatorOf(dto.calculator);
  const told = toldAgain(calculator, dto.input);
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    if (await q.readingById(tx, buildId, id)) return viewOf(tx, buildId);
    await refuseForeignSignatures(tx, who, dto);
    if ((await q.readingsOf(tx, buildId)).length >= MOST_READINGS)
      throw new Refusal('conflict', `At most ${MOST_READINGS} readings of one car.`);
    const { moment, entryId, instrument, loaded, input } = dto;
    const what = dto.what.trim();
    const of = { buildId, calculator: calculator.name, what };
    const before = moment === 'after' ? await q.lastBefore(tx, of) : undefined;
    const takenAt = agoOf(deps.clock.now(), dto.agoMs);
    const was = before
      ? ` ${readingInWords({ ...before.told, title: 'Before' }, { moment: '', what: '' })}`
      : '';
    await logIn(tx, deps, build, {
      id: entryId,
      kind: 'reading',
      text: readingInWords(told, { moment, what }) + was,
      facts: { subject: told.title.toLowerCase() },
      audience: dto.forCustomer ? 'customer' : 'shop',
      personId: who.personId,
      at: takenAt,
      about: { type: 'reading', id },
    });
    await q.insertReading(tx, {
      ...{ ...of, id, moment, instrument: instrument.trim(), loaded, input, told },
      ...{ verdict: told.verdict, entryId, personId: who.personId, takenAt },
    });
    if (moment === 'after' && told.verdict === 'ok' && (await q.closeFindings(tx, { ...of, by: id })) > 0)
      await logIn(tx, deps, build, {
        kind: 'did',
        text: `brought right: ${told.title}${what === '' ? '' : `, ${what}`}, measured after the work`,
        facts: { subject: told.title.toLowerCase() },
        personId: who.personId,
        about: { type: 'reading', id },
      });
    return viewOf(tx, buildId);
  });
};

/** Makes a finding of a reading, with its numbers in it; it then waits for its price. */
export const findOf = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: ReadingFindingDto,
): Promise<BenchView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    const reading = build && (await q.readingById(tx, buildId, id));
    if (!build || !reading) throw notFound('reading');
    if (reading.findingEntryId === dto.entryId) return viewOf(tx, buildId);
    if (reading.findingEntryId !== null)
      throw new Refusal('conflict', 'This reading has its finding already.');
    if (reading.isWithdrawn) throw new Refusal('conflict', 'This reading was withdrawn.');
    if (reading.verdict === 'ok') throw new Refusal('conflict', 'This reading is in order.');
    await logIn(tx, deps, build, {
      id: dto.entryId,
      kind: 'found',
      text: dto.text.trim(),
      facts: { subject: reading.told.title.toLowerCase() },
      personId: who.personId,
      about: { type: 'reading', id },
    });
    await q.setFinding(tx, id, dto.entryId);
    return viewOf(tx, buildId);
  });

/** Only texts at fields that are meant: no more is kept, whatever is sent. */
function formFor(paths: readonly string[], { form }: BenchFormDto): string {
  const kept = Object.entries(form).filter(
    ([path, text]) =>
      typeof text === 'string' && text.length <= 200 && paths.includes(path.replace(/[#?]$/, '')),
  );
  return JSON.stringify(Object.fromEntries(kept));
}

const STALE = 'Somebody changed these meanwhile. Read them again, then change them.';

export const putSpec = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  name: string,
  dto: BenchFormDto,
): Promise<BenchView> => {
  const calculator = calculatorOf(name);
  return inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const form = formFor(specPathsOf(calculator), dto);
    const saved = await q.saveSpec(tx, { buildId, calculator: name, form, version: dto.version ?? 0 });
    if (saved === 0) throw new Refusal('conflict', STALE);
    return viewOf(tx, buildId);
  });
};

export const putLimits = (
  deps: Deps,
  who: SignedIn,
  name: string,
  dto: BenchFormDto,
): Promise<BenchLimits> => {
  const calculator = calculatorOf(name);
  return inShop(deps.db, who.shopId, async (tx) => {
    const form = formFor(usualPathsOf(calculator), dto);
    const saved = await q.saveLimits(tx, { calculator: name, form, version: dto.version ?? 0 });
    if (saved === 0) throw new Refusal('conflict', STALE);
    return { limits: await q.limitsOf(tx) };
  });
};
