/** The customer's estimate over HTTP: plain pages and forms, found by the secret link. */
import express, { type Request, type Response } from 'express';
import rateLimit from 'express-rate-limit';
import { v7 as uuidv7 } from 'uuid';
import {
  ANSWERS,
  answersOfPick,
  choiceOf,
  standingOf,
  whyNotAnswers,
  type Answer,
  type LineAnswer,
} from '#core/approval/answers.ts';
import { changesBetween } from '#core/approval/revision.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { field } from '../../http/forms.ts';
import type { Feature } from '../../http/routes.ts';
import { nonceOf, refuseCrossSite } from '../../http/security.ts';
import { queueCode } from '../../jobs/queue.ts';
import { isUuid } from '../../uuid.ts';
import { buildForUpdate } from '../builds/index.ts';
import * as estimate from '../estimate/index.ts';
import { seesMoney, throughLink } from '../links/index.ts';
import { customerPageHtml, noLetterHtml, pageHead, sendPage, type PageHead } from '../letterPage/index.ts';
import {
  answeredHtml,
  codeHtml,
  estimateHtml,
  type LineNow,
  type PageOf,
  type Typed,
} from './estimatePage.html.ts';

interface Opened {
  tx: Tx;
  deps: Deps;
  buildId: string;
  shopId: string;
  linkId: string;
  head: PageHead;
  of: PageOf;
}

interface Page {
  status: number;
  body: string;
}

/** Opens the build behind a link and answers with the page that `work` makes; a dead link with a page that says so. */
async function answer(
  deps: Deps,
  { params, res }: { params: Record<string, string>; res: Response },
  work: (opened: Opened) => Promise<Page | null>,
): Promise<undefined> {
  const nonce = nonceOf(res);
  const token = params.token ?? '';
  const page = await throughLink(deps, token, async ({ tx, link }) => {
    if (!seesMoney(link)) return null;
    const head = (await pageHead(tx, link.build_id))!;
    const of = {
      mayAnswer: link.scope === 'approve',
      customer: head.customer,
      shop: head.shop,
      vehicle: head.vehicle,
      locale: head.locale,
      home: `/l/${token}`,
      action: `/l/${token}/estimate`,
    };
    const made = await work({
      tx,
      deps,
      buildId: link.build_id,
      shopId: link.shop_id,
      linkId: link.id,
      head,
      of,
    });
    return made && { status: made.status, html: customerPageHtml(head, nonce, made.body) };
  });
  // The browser must say that the form comes from this very page, and no other site learns the address by it.
  res.set('referrer-policy', 'same-origin');
  sendPage(res, page?.status ?? 404, page?.html ?? noLetterHtml(nonce));
  return undefined;
}

/** How each line of the newest revision stands, and what was answered to it last. */
async function linesNow(
  { tx, deps, buildId }: Opened,
  revision: estimate.Revision,
): Promise<Map<string, LineNow>> {
  const { answered } = await estimate.estimateNow(tx, deps, buildId);
  return new Map(
    revision.content.lines.map((line) => {
      const { state } = standingOf(line, revision.content, answered);
      const last = answered.flatMap((a) => a.answers).findLast((g) => g.lineId === line.id);
      return [line.id, { state, given: state === 'changed' ? undefined : last }];
    }),
  );
}

const nothingTyped: Typed = { name: '', understood: false, answers: [] };

async function newestPage(
  opened: Opened,
  seen: estimate.Revision | null,
  status: number,
): Promise<Page | null> {
  const [newest] = await estimate.revisionsOf(opened.tx, opened.buildId);
  if (!newest) return null;
  const lines = await linesNow(opened, newest);
  const changes = seen && changesBetween(seen.content, newest.content);
  return { status, body: estimateHtml(opened.of, newest, lines, nothingTyped, [], changes) };
}

const isAnswer = (value: string): value is Answer => (ANSWERS as readonly string[]).includes(value);

function typedIn(req: Request, revision: estimate.Revision): Typed {
  const { content } = revision;
  const all = field(req, 'all') === 'yes';
  const asked = (id: string): string => field(req, `question.${id}`).trim().slice(0, 1000);
  const ways = (content.choices ?? []).flatMap((c) =>
    answersOfPick(content, c, {
      pick: all ? c.heldId : field(req, `choice.${c.id}`),
      question: asked(c.id),
    }),
  );
  const lines = content.lines.flatMap((l): LineAnswer[] => {
    if (choiceOf(content, l)) return [];
    if (all) return [{ lineId: l.id, answer: l.proposal === 'do' ? 'approve' : 'wait' }];
    const answer = field(req, `line.${l.id}`);
    if (!isAnswer(answer)) return [];
    return [{ lineId: l.id, answer, ...(answer === 'ask' ? { question: asked(l.id) } : {}) }];
  });
  const answers = [...ways, ...lines];
  return {
    name: field(req, 'name').trim().slice(0, 120),
    understood: field(req, 'understood') === 'yes',
    answers,
  };
}

async function revisionOf({ tx, buildId }: Opened, id: string): Promise<estimate.Revision | null> {
  const revision = isUuid(id) ? await estimate.revisionById(tx, id) : undefined;
  return revision?.buildId === buildId ? revision : null;
}

/** The answers of the form: kept until the code comes, or shown again with what is missing. */
async function takeAnswers(deps: Deps, opened: Opened, req: Request): Promise<Page | null> {
  const { tx, of, buildId, shopId, linkId } = opened;
  if (!of.mayAnswer) return newestPage(opened, null, 403);
  const revision = await revisionOf(opened, field(req, 'revision'));
  const [newest] = await estimate.revisionsOf(tx, buildId);
  if (!revision || newest?.id !== revision.id) return newestPage(opened, revision, 409);
  const typed = typedIn(req, revision);
  const faults = whyNotAnswers(revision.content, typed.answers, typed.understood);
  if (typed.name === '') faults.push({ field: 'name', reason: 'write your name' });
  const anHourAgo = new Date(Date.parse(deps.clock.now()) - 3600_000).toISOString();
  if ((await estimate.codesSince(tx, buildId, anHourAgo)) >= estimate.MOST_CODES_AN_HOUR)
    faults.push({
      field: 'name',
      reason: 'several codes were mailed to you within the hour: use the newest, wait an hour, or ring us',
    });
  if (faults.length > 0) {
    const before = await linesNow(opened, revision);
    const lines = new Map(
      [...before].map(([id, { state }]) => [
        id,
        { state, given: typed.answers.find((a) => a.lineId === id) },
      ]),
    );
    return { status: 400, body: estimateHtml(of, revision, lines, typed, faults) };
  }
  const waiting = { id: uuidv7(), revisionId: revision.id, linkId, name: typed.name, given: typed.answers };
  await estimate.insertWaiting(tx, deps, { ...waiting, understood: typed.understood });
  await queueCode(tx, { shopId, codeId: waiting.id });
  return { status: 200, body: codeHtml(of, revision.content, waiting) };
}

/** The code: what was chosen counts from here. */
async function takeCode(deps: Deps, opened: Opened, req: Request): Promise<Page | null> {
  const { tx, of, head, buildId } = opened;
  if (!of.mayAnswer) return newestPage(opened, null, 403);
  const build = (await buildForUpdate(tx, buildId))!;
  const id = field(req, 'answer');
  const waiting = isUuid(id) ? await estimate.waitingAnswer(tx, id) : undefined;
  const revision = waiting && (await revisionOf(opened, waiting.revision_id));
  if (!waiting || !revision) return newestPage(opened, null, 404);
  const [newest] = await estimate.revisionsOf(tx, buildId);
  if (newest?.id !== revision.id && waiting.used_at === null) return newestPage(opened, revision, 409);
  const now = deps.clock.now();
  const fault = estimate.whyNotCode(waiting, field(req, 'code'), now);
  await estimate.noteTry(tx, id, fault === null ? (waiting.used_at ?? now) : waiting.used_at);
  if (fault !== null) return { status: 400, body: codeHtml(of, revision.content, waiting, fault) };
  const { name, understood, given } = waiting;
  if (waiting.used_at === null)
    await estimate.keepAnswer(tx, deps, build, revision, {
      id,
      name,
      via: 'page',
      takenBy: null,
      said: '',
      understood,
      given,
    });
  const at = `${formatDay(dayOf(waiting.used_at ?? now, head.time_zone), head.locale)}`;
  return { status: 200, body: answeredHtml(of, revision, { name, at, given }) };
}

/** A form of four hundred lines with questions is under this. */
const form = express.urlencoded({ extended: false, limit: '600kb', parameterLimit: 1000 });

const patience = (limit: number) =>
  rateLimit({ windowMs: 10 * 60_000, limit, standardHeaders: 'draft-8', legacyHeaders: false });

export function estimatePageRoutes(deps: Deps): Feature {
  return {
    estimatePage: {
      before: [patience(300)],
      run: (call) => answer(deps, call, (opened) => newestPage(opened, null, 200)),
    },
    // Each answer sends a mail.
    estimateAnswer: {
      before: [patience(20), refuseCrossSite, form],
      run: (call) => answer(deps, call, (opened) => takeAnswers(deps, opened, call.req)),
    },
    estimateCode: {
      before: [patience(60), refuseCrossSite, form],
      run: (call) => answer(deps, call, (opened) => takeCode(deps, opened, call.req)),
    },
  };
}
