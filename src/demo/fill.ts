/**
 * Fills an empty database with the demo shop, through the same services that people use, with a clock that walks
 * through the last six months. The same day gives the same shop.
 */
import type { BuildCreateDto } from '#contract/builds.ts';
import { factsOf, type CaptureContext } from '#core/capture/index.ts';
import { loadWeights, readLine } from '#core/reader/line.ts';
import type { SymptomRole } from '#core/inspection/symptoms.ts';
import type { PauseSide } from '#core/pauses/pauses.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { addDays, dayOf, weekdayOf, type Day } from '#core/time/days.ts';
import { figuresTold } from '#core/update/letter.ts';
import { noonOf } from '#core/time/zones.ts';
import { holdName } from '#server/db/lock.ts';
import { allOrNothing, atTheDoor } from '#server/db/pool.ts';
import type { Deps } from '#server/deps.ts';
import { createBuild, setNext } from '#server/features/builds/builds.service.ts';
import { pauseBuild } from '#server/features/builds/pauses.service.ts';
import { setStage } from '#server/features/builds/stages.service.ts';
import { addEntry, correctEntry } from '#server/features/acts/line.service.ts';
import { listEntries } from '#server/features/entries/entries.service.ts';
import { openLetter, saveLetter, sendLetter } from '#server/features/letters/letters.service.ts';
import { firstShopMade } from '#server/features/session/session.queries.ts';
import { createShop } from '#server/features/session/session.service.ts';
import { setPinned } from '#server/features/plan/plan.service.ts';
import { putPerson, putPlace, putVendor } from '#server/features/shop/shop.service.ts';
import { linkEntry, putSymptom } from '#server/features/symptoms/symptoms.service.ts';
import type { SignedIn } from '#server/http/session.ts';
import { INTAKES } from './estimates.ts';
import { answerEstimate, pence, setTerms, writeEstimate, type LineIds } from './fillEstimates.ts';
import { count, setRates, setToday, SKILLS } from './fillCosts.ts';
import { mergeJob } from './fillJobs.ts';
import { letters } from './fillLetters.ts';
import { outwork } from './fillOutwork.ts';
import { part } from './fillParts.ts';
import { takeDrawing, takeHum } from './fillPhotos.ts';
import { lendTools } from './fillTools.ts';
import { work } from './fillWork.ts';
import { lookOver } from './fillInspections.ts';
import { measure } from './fillReadings.ts';
import { describeVehicle } from './fillVehicles.ts';
import { DEMO_PASSWORD, PEOPLE, PLACES, SHOP, VENDORS, type DemoBuild } from './saltmarsh.ts';
import { stepsOf, type Step } from './script.ts';
import { camper } from './stories/camper.ts';
import { drophead } from './stories/drophead.ts';
import { estate } from './stories/estate.ts';
import { iceCreamVan } from './stories/iceCreamVan.ts';
import { microcar } from './stories/microcar.ts';
import { milkFloat } from './stories/milkFloat.ts';
import { rallyCar } from './stories/rallyCar.ts';
import { surfBus } from './stories/surfBus.ts';
import { tourer } from './stories/tourer.ts';
import { tricycle } from './stories/tricycle.ts';
import { fairgroundLorry } from './stories/fairgroundLorry.ts';
import { firePump } from './stories/firePump.ts';
import { airportTug } from './stories/airportTug.ts';
import { ambulance } from './stories/ambulance.ts';
import { breadVan } from './stories/breadVan.ts';
import { charabanc } from './stories/charabanc.ts';
import { snowPlough } from './stories/snowPlough.ts';

const BUILDS: DemoBuild[] = [
  iceCreamVan,
  rallyCar,
  estate,
  milkFloat,
  microcar,
  camper,
  surfBus,
  drophead,
  tourer,
  tricycle,
  fairgroundLorry,
  firePump,
  airportTug,
  breadVan,
  charabanc,
  snowPlough,
  ambulance,
];

/** Ids that count, in the shape of UUIDv7, so that the demo is the same every time. */
function counter(): () => string {
  let n = 0;
  return () => {
    n += 1;
    return `019d0000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
  };
}

interface Shop {
  deps: Deps;
  id: () => string;
  people: Map<string, SignedIn>;
  buildIds: string[];
  lineIds: LineIds[];
  taskIds: Map<string, string>[];
  partIds: Map<string, string>[];
  /** Over all cars: a batch takes pieces of several. */
  pieceIds: Map<string, string>;
  batchIds: Map<string, string>;
  before: { ended: string }[];
  madeAt: string;
  today: Day;
  setClock: (instant: string) => void;
  context: CaptureContext;
}

/**
 * Fills the demo shop if no shop has been made in this database yet: as a whole, so that a start that is broken off leaves
 * nothing; and once, however many servers start at the same time.
 */
export async function fillDemoIfEmpty(deps: Deps): Promise<void> {
  if (await atTheDoor(deps.db, {}, firstShopMade)) return;
  process.stdout.write('Filling the demo shop with six months of work …\n');
  await allOrNothing(deps.db, async (db) => {
    await atTheDoor(db, {}, (tx) => holdName(tx, 'filling the demo shop'));
    if (!(await atTheDoor(db, {}, firstShopMade))) await fillDemo({ ...deps, db });
  });
}

async function fillDemo(real: Deps): Promise<void> {
  await loadWeights();
  const today = dayOf(real.clock.now(), SHOP.timeZone);
  let at = morning(addDays(today, -200), 0);
  const deps: Deps = { ...real, clock: { now: () => at } };
  const id = counter();
  const people = await makePeople(deps, id);
  await makeNames(deps, people.get('W')!, id);
  await setTerms(deps, people.get('W')!);
  await setRates(deps, people, today, id);
  const shop: Shop = {
    deps,
    id,
    people,
    buildIds: [],
    lineIds: BUILDS.map(() => new Map()),
    taskIds: BUILDS.map(() => new Map()),
    partIds: BUILDS.map(() => new Map()),
    pieceIds: new Map(),
    batchIds: new Map(),
    before: BUILDS.map(() => ({ ended: '' })),
    madeAt: real.clock.now(),
    today,
    setClock: (instant) => (at = instant),
    context: contextOf(today),
  };
  const steps = stepsOf(BUILDS);
  for (const [i, build] of BUILDS.entries()) {
    const arrived = Math.max(...steps.filter((s) => s.build === i).map((s) => s.daysAgo));
    shop.setClock(morning(addDays(today, -arrived), 0));
    const buildId = await makeBuild(shop, build);
    shop.buildIds.push(buildId);
    await lookOver(deps, people.get('J')!, buildId, { nickname: build.nickname, id });
    await measure(deps, people.get('J')!, buildId, build.nickname);
    await describeVehicle(deps, people.get('J')!, buildId, { build, id });
  }
  for (const step of steps) await take(shop, step);
  shop.setClock(real.clock.now());
  await setToday(deps, people, today, id);
  await lendTools(deps, people.get('W')!, today, id);
}

/** Eight in the morning and some minutes of a day. */
const morning = (day: Day, minute: number): string =>
  new Date(Date.parse(noonOf(day, SHOP.timeZone)) + (minute - 240) * 60_000).toISOString();

/** Nobody works on Sunday: what fell there was done on the Saturday. */
const workday = (day: Day): Day => (weekdayOf(day) === 7 ? addDays(day, -1) : day);

async function makePeople(deps: Deps, id: () => string): Promise<Map<string, SignedIn>> {
  const [owner, ...others] = PEOPLE;
  const shopId = id();
  const signedIn = await createShop(
    deps,
    { ...SHOP, shopId, personId: id(), ownerName: owner!.name, email: owner!.email, password: DEMO_PASSWORD },
    true,
  );
  const people = new Map([[owner!.key, signedIn]]);
  for (const { key, ...p } of others) {
    const personId = id();
    await putPerson(deps, signedIn, personId, {
      ...p,
      version: 0,
      password: DEMO_PASSWORD,
      hasLeft: false,
      skills: SKILLS[key] ?? [],
    });
    people.set(key, { personId, shopId, name: p.name, role: p.role });
  }
  return people;
}

async function makeNames(deps: Deps, who: SignedIn, id: () => string): Promise<void> {
  for (const [position, p] of PLACES.entries())
    await putPlace(deps, who, id(), { ...p, version: 0, position, closed: false });
  for (const name of VENDORS) await putVendor(deps, who, id(), { version: 0, name });
}

const known = (name: string): { id: string; name: string } => ({ id: name, name });

const contextOf = (today: Day): CaptureContext => ({
  today,
  currency: SHOP.currency,
  units: SHOP.units,
  locale: SHOP.locale,
  builds: [],
  people: PEOPLE.map((p) => known(p.name)),
  vendors: VENDORS.map(known),
  parts: [],
  places: PLACES.map((p) => known(p.name)),
});

async function makeBuild(shop: Shop, b: DemoBuild): Promise<string> {
  const id = shop.id();
  const { vehicleName, vehicleYear, nickname, customerName, customerEmail, standard, tellEveryDays } = b;
  await createBuild(shop.deps, shop.people.get('W')!, {
    id,
    customerId: shop.id(),
    vehicleId: shop.id(),
    vehicleName,
    vehicleYear,
    nickname,
    customerName,
    customerEmail,
    standard,
    tellEveryDays,
    ...intakeOf(b.nickname, shop.today),
    ...(b.promisedIn === undefined ? {} : { promised: addDays(shop.today, b.promisedIn) }),
  });
  return id;
}

/** What was agreed when the car came in. */
function intakeOf(nickname: string, today: Day): Partial<BuildCreateDto> {
  const intake = INTAKES[nickname];
  if (!intake) return {};
  return {
    complaint: intake.complaint,
    ...(intake.budget === undefined ? {} : { budgetMinor: pence(intake.budget) }),
    ...(intake.discretion === undefined ? {} : { discretionMinor: pence(intake.discretion) }),
    ...(intake.eventIn === undefined ? {} : { eventDay: addDays(today, intake.eventIn) }),
  };
}

/** One context a day: the parser indexes the names of a context once. */
function contextOn(shop: Shop, today: Day): CaptureContext {
  if (shop.context.today !== today) shop.context = { ...shop.context, today };
  return shop.context;
}

/** What a voice note says, which here only hums. */
const VOICE = '@voice ';

async function take(shop: Shop, step: Step): Promise<void> {
  const day = workday(addDays(shop.today, -step.daysAgo));
  shop.setClock(morning(day, step.minute));
  const who = shop.people.get(step.who);
  const buildId = shop.buildIds[step.build]!;
  if (!who) throw new Error(`the demo has nobody "${step.who}"`);
  if (step.text === '@letter') return writeLetter(shop, who, buildId);
  if (await letters({ deps: shop.deps, who, buildId, id: shop.id, today: day }, step.text)) return;
  if (step.text.startsWith(VOICE)) {
    const entryId = shop.id();
    const said = { kind: 'note' as const, text: 'Voice note', facts: {}, audience: 'shop' as const };
    await addEntry(shop.deps, who, buildId, { id: entryId, ...said });
    const at = { deps: shop.deps, who, buildId, entryId, id: shop.id() };
    return takeHum(at, step.text.slice(VOICE.length));
  }
  if (step.text.startsWith('@next ')) {
    await setNext(shop.deps, who, buildId, { next: step.text.slice(6), version: 1 });
    return;
  }
  const writing = { deps: shop.deps, who, buildId, ids: shop.lineIds[step.build]!, id: shop.id };
  const working = {
    ...writing,
    lines: writing.ids,
    tasks: shop.taskIds[step.build]!,
    before: shop.before[step.build]!,
    setClock: shop.setClock,
    madeAt: shop.madeAt,
    isToday: step.daysAgo === 0,
  };
  if (await work(working, step.text)) return;
  if (await count({ ...writing, lines: writing.ids, timeZone: SHOP.timeZone }, step.text)) return;
  const parting = { ...writing, timeZone: SHOP.timeZone, parts: shop.partIds[step.build]! };
  const sending = {
    ...parting,
    tasks: working.tasks,
    pieces: shop.pieceIds,
    batches: shop.batchIds,
  };
  for (const made of [await part(parting, step.text), await outwork(sending, step.text)]) {
    if (made === null) return;
    if (made !== false) return picture(shop, step, who, buildId, made);
  }
  if (step.text.startsWith('@estimate ')) return writeEstimate(writing, step.text.slice(10));
  if (step.text.startsWith('@answer ')) return answerEstimate(writing, step.text.slice(8));
  if (step.text.startsWith('@job ')) return mergeJob(writing, step.text.slice(5));
  if (step.text.startsWith('@pinned ')) {
    const [by = '', freedBy = ''] = step.text.slice(8).split(' | ');
    await setPinned(shop.deps, who, buildId, { by, freedBy });
    return;
  }
  if (step.text.startsWith('@rest ')) {
    const [side = '', ...reason] = step.text.slice(6).split(' ');
    const dto = { side: side as PauseSide, reason: reason.join(' ') };
    await pauseBuild(shop.deps, who, buildId, shop.id(), dto);
    return;
  }
  if (step.text.startsWith('@home ')) {
    const end = { id: shop.id(), from: 'open', to: 'handed over', word: step.text.slice(6) } as const;
    await setStage(shop.deps, who, buildId, end);
    await setStage(shop.deps, who, buildId, { id: shop.id(), from: 'handed over', to: 'closed' });
    return;
  }
  if (step.text.startsWith('@symptom ')) return followUp(shop, who, buildId, step.text.slice(9));
  if (step.text.startsWith('@correct ')) return correct(shop, who, buildId, step.text.slice(9), day);
  const parsed = readLine(step.text, contextOn(shop, day)).line;
  if (parsed.kind === 'correction') throw new Error(`a correction needs its entry: ${step.text}`);
  const entryId = shop.id();
  await addEntry(shop.deps, who, buildId, {
    id: entryId,
    kind: parsed.kind,
    text: step.text,
    facts: factsOf(parsed),
    audience: KIND_SPECS[parsed.kind].audience,
  });
  await picture(shop, step, who, buildId, entryId);
}

/** Puts the pictures of a step beside its entry. */
async function picture(
  shop: Shop,
  step: Step,
  who: SignedIn,
  buildId: string,
  entryId: string,
): Promise<void> {
  for (const rule of step.photos)
    await takeDrawing({ deps: shop.deps, who, buildId, entryId, id: shop.id() }, SHOP.timeZone, rule);
}

/** "first words => what holds now": puts right the newest entry of this build with those words. */
async function correct(shop: Shop, who: SignedIn, buildId: string, rule: string, day: Day): Promise<void> {
  const [first = '', now = ''] = rule.split(' => ');
  const query = { q: first, limit: 1 };
  const [entry] = (await listEntries(shop.deps, who, buildId, query)).entries;
  const parsed = readLine(now, contextOn(shop, day)).line;
  if (!entry || parsed.kind === 'correction') throw new Error(`the demo cannot correct: ${rule}`);
  const said = { kind: parsed.kind, text: now, facts: factsOf(parsed), audience: entry.audience };
  await correctEntry(shop.deps, who, buildId, { id: shop.id(), correctsId: entry.id, now: said });
}

/** "what was noticed | role: first words of an entry | …": ties the logbook to a symptom. */
async function followUp(shop: Shop, who: SignedIn, buildId: string, rule: string): Promise<void> {
  const [words = '', ...links] = rule.split(' | ');
  const symptomId = shop.id();
  const { candidates } = await putSymptom(shop.deps, who, buildId, symptomId, {
    version: 0,
    words,
    removed: false,
  });
  for (const link of links) {
    const [role = '', first = ''] = link.split(': ');
    const entry = candidates.find((c) => c.text.startsWith(first));
    if (!entry) throw new Error(`the demo has no entry for: ${link}`);
    const ids = { symptomId, entryId: entry.entryId };
    await linkEntry(shop.deps, who, buildId, ids, { role: role as SymptomRole });
  }
}

/** Drafts, leaves out what is not for this customer, as an owner would, and sends. */
async function writeLetter(shop: Shop, who: SignedIn, buildId: string): Promise<void> {
  let letter = await openLetter(shop.deps, who, buildId, { id: shop.id() });
  const leaks = new Set(letter.leaks.map((l) => l.where));
  if (leaks.size > 0) {
    const parts = letter.content.parts.map((p) => ({
      ...p,
      items: p.items.map((i) => ({
        ...i,
        media: [...(i.media ?? [])],
        leftOut: i.leftOut || leaks.has(i.id),
      })),
    }));
    const content = { ...letter.content, meant: [], parts };
    letter = await saveLetter(shop.deps, who, letter.id, { version: letter.version, content });
  }
  await sendLetter(shop.deps, who, letter.id, {
    version: letter.version,
    figures: figuresTold(letter.content),
  });
}
