/** A car that comes with its book: what the book says becomes the start of its logbook here. */
import { v7 as uuidv7 } from 'uuid';
import { picturesOf, type Book, type BookPart } from '#core/book/book.ts';
import { CAUTIONS, type Caution } from '#core/work/cautions.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { insertBuild, insertCustomer, insertVehicle, takeNumber } from '../builds/index.ts';
import { withEnds } from '#core/match/holdNamed.ts';
import { logAll, logIn } from '../entries/index.ts';
import { insertFitted } from '../parts/index.ts';
import { insertPhoto, savePhoto } from '../photos/index.ts';
import { bringInVehicle } from '../vehicle/index.ts';
import { finishFollowUp, insertFollowUp, insertTask, setState } from '../work/index.ts';

/** A picture of the archive as it is kept here. */
export interface KeptPicture {
  original: string;
  plain: string;
  thumb: string;
  bytes: number;
  width: number;
  height: number;
  hadLocation: boolean;
}

interface At {
  tx: Tx;
  deps: Deps;
  buildId: string;
  personId: string;
  now: string;
}

async function logbook(
  { tx, deps, buildId, personId, now }: At,
  book: Book,
  kept: ReadonlyMap<string, KeptPicture>,
) {
  const build = { id: buildId, nickname: book.build.nickname };
  const entries = book.logbook.map((e) => ({ ...e, id: uuidv7() }));
  await logAll(
    tx,
    deps,
    build,
    withEnds(entries, book.shop.timeZone).map(({ id, at, kind, text, facts, acts }) => ({
      id,
      at,
      kind,
      text,
      facts,
      audience: 'customer',
      personId,
      acts,
    })),
  );
  const ids = new Map(picturesOf(book).map((p) => [p.file, uuidv7()]));
  for (const { id: entryId, pictures } of entries)
    for (const picture of pictures) {
      const file = kept.get(picture.file)!;
      const id = ids.get(picture.file)!;
      await insertPhoto(tx, {
        id,
        build_id: buildId,
        entry_id: entryId,
        name: picture.file.replace('pictures/', ''),
        original_hash: file.original,
        plain_hash: file.plain,
        shown_hash: file.plain,
        thumb_hash: file.thumb,
        type: 'image/jpeg',
        bytes: file.bytes,
        width: file.width,
        height: file.height,
        taken_at: picture.takenAt,
        had_location: file.hadLocation,
        person_id: personId,
        recorded_at: now,
      });
    }
  // Once all of them are there: one may come before the other in the logbook or after it.
  for (const { file, caption, before } of picturesOf(book))
    if (caption !== '' || before !== undefined) {
      const { plain: shown, thumb } = kept.get(file)!;
      const earlier = before === undefined ? null : ids.get(before)!;
      await savePhoto(tx, { id: ids.get(file)!, caption, marks: [], before: earlier, shown, thumb });
    }
}

async function parts({ tx, buildId, now }: At, all: readonly BookPart[], entryId: string): Promise<void> {
  for (const { fittedOn, old, ...part } of all)
    await insertFitted(tx, {
      id: uuidv7(),
      buildId,
      lineId: null,
      donorId: null,
      vendor: '',
      content: { ...part, sourceNote: '' },
      oldFate: old,
      history:
        fittedOn === null ? [] : [{ entryId, act: 'fit', on: fittedOn, by: '', words: 'as its book says' }],
      now,
    });
}

const KNOWN = new Map(
  Object.entries(CAUTIONS).map(([caution, words]) => [words as string, caution as Caution]),
);

/** What is to be looked after hangs on work: one task that was done, which says so. */
async function lookAfter({ tx, buildId, now }: At, { cautions, followUps }: Book): Promise<void> {
  if (cautions.length === 0 && followUps.length === 0) return;
  const taskId = uuidv7();
  await insertTask(tx, {
    id: taskId,
    buildId,
    lineId: null,
    content: {
      title: 'Done before, as its book says',
      work: 'mechanical',
      minutes: 0,
      cautions: cautions.flatMap((words) => KNOWN.get(words) ?? []),
    },
    now,
  });
  await setState(tx, { id: taskId, state: 'done', toGoMinutes: 0, doneAt: now });
  for (const { title, dueOn, dueMiles, doneOn } of followUps) {
    const id = uuidv7();
    await insertFollowUp(tx, { id, buildId, taskId, title, dueOn, dueMiles });
    if (doneOn !== null) await finishFollowUp(tx, id, `${doneOn}T12:00:00Z`);
  }
}

/** Makes the build of a book; answers its id. What it cost stays in the book: it was another ledger’s. */
export async function bringIn(
  tx: Tx,
  deps: Deps,
  book: Book,
  kept: ReadonlyMap<string, KeptPicture>,
  personId: string,
): Promise<string> {
  const [buildId, vehicleId, customerId] = [uuidv7(), uuidv7(), uuidv7()];
  const now = deps.clock.now();
  const { build, customer, vehicle } = book;
  await insertCustomer(tx, { id: customerId, ...customer, tellEveryDays: 365, tellBy: 'mail' });
  await insertVehicle(tx, { id: vehicleId, name: vehicle.name, year: vehicle.year });
  const number = await takeNumber(tx, build.number);
  await insertBuild(tx, {
    id: buildId,
    number,
    nickname: build.nickname,
    customerId,
    vehicleId,
    standard: build.standard,
    promised: null,
    promisedOn: null,
    arrivedAt: build.arrivedAt,
    complaint: build.complaint,
    budgetMinor: null,
    discretionMinor: 0,
    eventDay: null,
  });
  await bringInVehicle(tx, { buildId, vehicleId }, vehicle, book.registers);
  const at = { tx, deps, buildId, personId, now };
  await logbook(at, book, kept);
  const entryId = uuidv7();
  await logIn(
    tx,
    deps,
    { id: buildId, nickname: build.nickname },
    {
      id: entryId,
      personId,
      kind: 'note',
      audience: 'shop',
      text: `Read from its book, bound by ${book.shop.name} on ${book.boundAt.slice(0, 10)}${number === build.number ? '' : `; there it was build ${build.number}`}`,
    },
  );
  await parts(at, book.parts, entryId);
  await lookAfter(at, book);
  return buildId;
}
