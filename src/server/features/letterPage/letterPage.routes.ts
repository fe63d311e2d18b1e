import { validateSync } from 'class-validator';
import express, { type Request, type Response } from 'express';
import rateLimit from 'express-rate-limit';
import { v7 as uuidv7 } from 'uuid';
import { QuestionDto } from '#contract/questions.ts';
import { dayOf } from '#core/time/days.ts';
import type { Deps } from '../../deps.ts';
import { field } from '../../http/forms.ts';
import { sendFile } from '../../http/outFile.ts';
import { notFound } from '../../http/refusal.ts';
import type { Feature } from '../../http/routes.ts';
import { nonceOf, refuseCrossSite } from '../../http/security.ts';
import { isUuid } from '../../uuid.ts';
import { bookGiven, fileOfBook } from '../book/index.ts';
import { exportPdf, revisionsOf } from '../estimate/index.ts';
import { paperGiven, papersGiven } from '../papers/index.ts';
import { buildForUpdate } from '../builds/index.ts';
import { withoutPrices } from '../entries/index.ts';
import { lettersFor, lettersMoney, planNow } from '../letters/index.ts';
import { seesMoney, throughLink, type Opened } from '../links/index.ts';
import { sendPhoto, wasShown } from '../photos/index.ts';
import { askIn, questionsOf } from '../questions/index.ts';
import { letterPageHtml, noLetterHtml } from './letterPage.html.ts';
import * as q from './letterPage.queries.ts';
import {
  agreedHtml,
  keepHtml,
  moneyHtml,
  planHtml,
  questionsHtml,
  type AskedTyped,
} from './sections.html.ts';

const nothingTyped = (): AskedTyped => ({ id: uuidv7(), name: '', text: '', fault: null });

/** The whole page, with what was typed into its form. */
async function pageOf(deps: Deps, { tx, link }: Opened, token: string, nonce: string, typed: AskedTyped) {
  const now = deps.clock.now();
  const { build_id: buildId } = link;
  await q.noteOpened(tx, link.id, now);
  const plan = lettersMoney(tx, deps, buildId).then(async (of) => ({
    ...of,
    plan: await planNow(tx, deps, buildId, of),
  }));
  const [head, { money, lines, answers, manner, ...told }, letters, asked] = await Promise.all([
    q.pageHead(tx, buildId),
    plan,
    q.sentLetters(tx, buildId).then((sent) => lettersFor(tx, deps, link.scope, sent)),
    questionsOf(tx, buildId),
  ]);
  const { time_zone: timeZone } = head!;
  const today = dayOf(now, timeZone);
  const address = `/l/${token}`;
  if (!seesMoney(link)) {
    const { plan: parts, questions } = await withoutPrices(tx, deps, { plan: told.plan, questions: asked });
    const beside = planHtml(parts) + questionsHtml(questions, head!, today, { address, typed });
    return letterPageHtml(head!, letters, nonce, today, { hasEstimate: false, address, beside });
  }
  const [sent, book, papers] = await Promise.all([
    revisionsOf(tx, buildId),
    bookGiven(tx, buildId),
    papersGiven(tx, buildId),
  ]);
  const estimates = sent.map((r) => ({ id: r.id, on: dayOf(r.sentAt, timeZone) }));
  return letterPageHtml(head!, letters, nonce, today, {
    hasEstimate: sent.length > 0,
    address,
    beside:
      planHtml(told.plan) +
      questionsHtml(asked, head!, today, { address, typed }) +
      moneyHtml(money, lines, manner) +
      agreedHtml(answers, manner) +
      keepHtml({ book, papers, estimates }, address, manner),
  });
}

function typedIn(req: Request): AskedTyped {
  const id = field(req, 'id');
  const dto = Object.assign(new QuestionDto(), { name: field(req, 'name'), text: field(req, 'text') });
  const [fault] = validateSync(dto).flatMap((e) => Object.values(e.constraints ?? {}));
  return {
    id: isUuid(id) ? id : uuidv7(),
    name: dto.name,
    text: dto.text,
    fault: fault === undefined ? null : `Please ${fault}. Nothing was sent.`,
  };
}

/** A question of the form: kept, and the page is shown with it; or shown again with what is missing. */
async function takeQuestion(deps: Deps, token: string, req: Request, nonce: string): Promise<string | null> {
  const typed = typedIn(req);
  return throughLink(deps, token, async (o) => {
    if (typed.fault !== null) return pageOf(deps, o, token, nonce, typed);
    const build = (await buildForUpdate(o.tx, o.link.build_id))!;
    await askIn(o.tx, deps, build, typed);
    return '';
  });
}

export function sendPage(res: Response, status: number, html: string): void {
  res
    .status(status)
    .set('cache-control', 'private, no-store')
    .set('x-robots-tag', 'noindex')
    .type('html')
    .send(html);
}

/** The shop whose link this is, if a picture of this hash was sent to this customer. */
async function shopShowing(deps: Deps, token: string, hash: string): Promise<string | null> {
  return throughLink(deps, token, async ({ tx, link }) =>
    (await wasShown(tx, link.build_id, hash)) ? link.shop_id : null,
  );
}

/** Nobody guesses 256 bits, but nobody need try a thousand times a minute either. */
const patience = () =>
  rateLimit({
    windowMs: 60_000,
    limit: 120,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
  });

/** A question is a form of two fields. */
const form = express.urlencoded({ extended: false, limit: '40kb', parameterLimit: 10 });
const askPatience = () =>
  rateLimit({ windowMs: 10 * 60_000, limit: 20, standardHeaders: 'draft-8', legacyHeaders: false });

/** The browser must say that the form comes from this very page; no other site learns the address by it. */
function sendLetterPage(res: Response, status: number, html: string | null): void {
  if (html !== null) res.set('referrer-policy', 'same-origin');
  sendPage(res, status, html ?? noLetterHtml(nonceOf(res)));
}

export function letterPageRoutes(deps: Deps): Feature {
  return {
    letterPage: {
      before: [patience()],
      run: async ({ params, res }) => {
        const token = params.token ?? '';
        const nonce = nonceOf(res);
        const html = await throughLink(deps, token, (o) => pageOf(deps, o, token, nonce, nothingTyped()));
        sendLetterPage(res, html === null ? 404 : 200, html);
        return undefined;
      },
    },
    questionAsk: {
      before: [askPatience(), refuseCrossSite, form],
      run: async ({ params, req, res }) => {
        const token = params.token ?? '';
        const html = await takeQuestion(deps, token, req, nonceOf(res));
        // Seen anew, so that to load the page again asks nothing twice.
        if (html === '') res.redirect(303, `/l/${encodeURIComponent(token)}#questions`);
        else sendLetterPage(res, html === null ? 404 : 400, html);
        return undefined;
      },
    },
    linkBook: {
      before: [patience()],
      run: async ({ params, res }) => {
        const { token = '', bookFile = '' } = params;
        const found = await throughLink(deps, token, async ({ tx, link }) => {
          if (!seesMoney(link)) return null;
          const given = await bookGiven(tx, link.build_id);
          return given && { shopId: link.shop_id, file: fileOfBook(given, bookFile) };
        });
        if (!found) throw notFound('book');
        await sendPhoto(deps, res, found.shopId, { ...found.file, mayChange: true });
        return undefined;
      },
    },
    linkPaper: {
      before: [patience()],
      run: async ({ params, res }) => {
        const { token = '', paperId = '' } = params;
        const found = await throughLink(deps, token, async ({ tx, link }) => {
          const file =
            isUuid(paperId) && seesMoney(link) ? await paperGiven(tx, link.build_id, paperId) : null;
          return file && { shopId: link.shop_id, file };
        });
        if (!found) throw notFound('paper');
        await sendPhoto(deps, res, found.shopId, found.file);
        return undefined;
      },
    },
    linkRevision: {
      before: [patience()],
      run: async ({ params, res }) => {
        const { token = '', revisionId = '' } = params;
        const link = await throughLink(deps, token, async (o) => o.link);
        if (!link || !seesMoney(link) || !isUuid(revisionId)) throw notFound('estimate');
        const of = { shopId: link.shop_id };
        res.set('cache-control', 'private, no-store');
        return sendFile(res, await exportPdf(deps, of, link.build_id, revisionId));
      },
    },
    letterPicture: {
      before: [patience()],
      run: async ({ params, res }) => {
        const { token = '', hash = '' } = params;
        const shopId = await shopShowing(deps, token, hash);
        if (shopId === null) throw notFound('picture');
        await sendPhoto(deps, res, shopId, { hash, type: 'image/jpeg' });
        return undefined;
      },
    },
  };
}
