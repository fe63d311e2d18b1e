/** Writes, sends and answers the demo's estimates through the services. */
import type { EstimateLineDto, EstimateView } from '#contract/estimate.ts';
import type { LineAnswer } from '#core/approval/answers.ts';
import type { ThreePoint } from '#core/estimate/lines.ts';
import { inShop } from '#server/db/pool.ts';
import type { Deps } from '#server/deps.ts';
import { buildForUpdate } from '#server/features/builds/index.ts';
import { keepAnswer, revisionById } from '#server/features/estimate/index.ts';
import { putChoice } from '#server/features/estimate/choices.service.ts';
import { readEstimate } from '#server/features/estimate/estimateNow.ts';
import { putLine, saveTerms, setOpening } from '#server/features/estimate/estimate.service.ts';
import { sendRevision, takeAnswer } from '#server/features/estimate/revisions.service.ts';
import type { SignedIn } from '#server/http/session.ts';
import { ANSWERED, ESTIMATES, RATES } from './estimates.ts';
import type { DemoLine } from './estimates/shape.ts';

export const pence = (pounds: number): number => Math.round(pounds * 100);

const points = (of: DemoLine['hours'] | undefined, each: (n: number) => number): ThreePoint => {
  const [low, likely, high] = of ?? [0, 0, 0];
  return { low: each(low), likely: each(likely), high: each(high) };
};

/** Ids of a build's lines by their short names. */
export type LineIds = Map<string, string>;

interface Writing {
  deps: Deps;
  who: SignedIn;
  buildId: string;
  ids: LineIds;
  id: () => string;
}

export const setTerms = (deps: Deps, owner: SignedIn): Promise<unknown> =>
  saveTerms(deps, owner, {
    version: 1,
    rates: {
      mechanical: pence(RATES.mechanical),
      metalwork: pence(RATES.metalwork),
      paint: pence(RATES.paint),
      trim: pence(RATES.trim),
      electrical: pence(RATES.electrical),
      machining: pence(RATES.machining),
    },
    taxBp: 2000,
    taxIncluded: false,
    sharedRisk: 0.3,
    storagePerDayMinor: pence(4),
  });

function bodyOf(l: DemoLine, version: number, ids: LineIds, ways: LineIds): EstimateLineDto {
  return {
    version,
    title: l.title,
    why: l.why,
    class: l.class,
    work: l.work,
    minutes: points(l.hours, (h) => Math.round(h * 60)),
    parts: points(l.parts, pence),
    outwork: points(l.outwork, pence),
    sundriesMinor: pence(l.sundries ?? 0),
    needs: (l.needs ?? []).map((key) => ids.get(key)!),
    access: l.access ?? [],
    proposal: l.wait ? 'wait' : 'do',
    wish: l.wish ?? 'none',
    laterExtraMinor: pence(l.later ?? 0),
    ...(l.way === undefined ? {} : { wayId: ways.get(l.way)! }),
  };
}

/** Puts the lines of this estimate on, and sends it where it has words to go with it. */
export async function writeEstimate(w: Writing, name: string): Promise<void> {
  const { lines, note, openings = [], choices = [] } = ESTIMATES[name]!;
  let view: EstimateView = await readEstimate(w.deps, w.who, w.buildId);
  const ways: LineIds = new Map();
  for (const { title, ways: offered } of choices) {
    const made = offered.map(({ key, name: wayName, weeks: [weeksLow, weeksHigh], risk }) => {
      ways.set(key, w.id());
      return { id: ways.get(key)!, name: wayName, weeksLow, weeksHigh, risk };
    });
    const body = { version: 0, title, ways: made, heldId: made[0]!.id };
    view = await putChoice(w.deps, w.who, w.buildId, w.id(), body);
  }
  for (const l of lines) {
    const lineId = w.ids.get(l.key) ?? w.id();
    w.ids.set(l.key, lineId);
    const version = view.lines.find((v) => v.id === lineId)?.version ?? 0;
    const finding =
      version === 0 && l.finding ? view.findings.find((f) => f.text.includes(l.finding!)) : undefined;
    const body = { ...bodyOf(l, version, w.ids, ways), ...(finding ? { findingId: finding.id } : {}) };
    view = await putLine(w.deps, w.who, w.buildId, lineId, body);
  }
  for (const { hours, ...o } of openings)
    await setOpening(w.deps, w.who, w.buildId, { ...o, minutes: hours * 60 });
  if (note === undefined) return;
  await sendRevision(w.deps, w.who, w.buildId, { id: w.id(), note, after: view.revisions[0]?.number ?? 0 });
}

/** The customer's answer to the newest revision. */
export async function answerEstimate(w: Writing, name: string): Promise<void> {
  const { via, said = '', understood = false, answers } = ANSWERED[name]!;
  const view = await readEstimate(w.deps, w.who, w.buildId);
  const revisionId = view.revisions[0]!.id;
  const given = Object.entries(answers).map(([key, answer]): LineAnswer => ({
    lineId: w.ids.get(key)!,
    answer,
  }));
  const answer = { id: w.id(), name: view.customer, said, understood };
  if (via === 'telephone') {
    await takeAnswer(w.deps, w.who, w.buildId, revisionId, { ...answer, answers: given });
    return;
  }
  await inShop(w.deps.db, w.who.shopId, async (tx) => {
    const revision = (await revisionById(tx, revisionId))!;
    const build = (await buildForUpdate(tx, w.buildId))!;
    await keepAnswer(tx, w.deps, build, revision, { ...answer, via, takenBy: null, given });
  });
}
