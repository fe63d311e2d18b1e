/** The customer's page: a letter from a craftsman, whole on the server, readable without a script. */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { dayOf, formatDay } from '#core/time/days.ts';
import type { Letter } from '#core/update/letter.ts';
import type { ShownPicture } from '#core/photo/shown.ts';
import { escapeHtml } from '#core/update/escape.ts';
import { letterHtml } from '#core/update/html.ts';
import { ROOT } from '../../root.ts';
import type { PageHead } from './letterPage.queries.ts';

const own = (file: string): string =>
  readFileSync(path.join(ROOT, 'src/server/features/letterPage', file), 'utf8');
const CSS = own('letterPage.css');
const PAIR_SCRIPT = own('pair.js');

/** Only where there is a pair of pictures to lay over each other. */
const scriptFor = (body: string, nonce: string): string =>
  body.includes('<figure class="pair">') ? `<script nonce="${nonce}">${PAIR_SCRIPT}</script>` : '';

interface SentLetter {
  id: string;
  content: Letter;
  pictures: ShownPicture[];
  sent_at: string;
}

function article(letter: SentLetter, head: PageHead, today: string, address: string): string {
  const day = dayOf(letter.sent_at, head.time_zone);
  return `<article aria-labelledby="t-${letter.id}"><p class="date"><time datetime="${day}">${escapeHtml(
    formatDay(day, head.locale, today),
  )}</time></p><h2 id="t-${letter.id}">${escapeHtml(letter.content.subject)}</h2>${letterHtml(letter.content, 3, { address, pictures: letter.pictures })}</article>`;
}

function earlier(letters: SentLetter[], head: PageHead, today: string, address: string): string {
  if (letters.length === 0) return '';
  const items = letters.map((l) => {
    const day = formatDay(dayOf(l.sent_at, head.time_zone), head.locale, today);
    return `<details><summary><span>${escapeHtml(l.content.subject)}</span> <small>${escapeHtml(day)}</small></summary>${article(l, head, today, address)}</details>`;
  });
  return `<section class="earlier" aria-labelledby="earlier"><h2 id="earlier">Earlier letters</h2>${items.join('')}</section>`;
}

export function letterPageHtml(
  head: PageHead,
  letters: SentLetter[],
  nonce: string,
  today: string,
  { hasEstimate, address, beside }: { hasEstimate: boolean; address: string; beside: string },
): string {
  const [newest, ...older] = letters;
  const body = newest
    ? article(newest, head, today, address) + beside + earlier(older, head, today, address)
    : `<p>There is no letter here yet. When there is news of your car, you will find it on this page.</p>${beside}`;
  const link = hasEstimate
    ? `<p class="estimate"><a href="${escapeHtml(address)}/estimate">Your estimate, to read and to answer</a></p>`
    : '';
  return customerPageHtml(head, nonce, link + body);
}

/** What every page behind a customer's link has around it. */
export function customerPageHtml(head: PageHead, nonce: string, body: string): string {
  const year = head.year === null ? '' : `${head.year} `;
  return page(
    `${head.vehicle} · ${head.shop}`,
    head.locale,
    nonce,
    `<header><p class="shop">${escapeHtml(head.shop)}</p><h1>${escapeHtml(`${year}${head.vehicle}`)}</h1></header><main>${body}</main><footer><p>This page is yours alone: whoever has its address can read it. Build ${escapeHtml(head.number)}.</p></footer>`,
  );
}

/** For a link that is unknown or revoked: says no more than that. */
export function noLetterHtml(nonce: string): string {
  return page(
    'No letter here',
    'en',
    nonce,
    '<main><h1>There is no letter under this address</h1><p>The link may have been renewed. The newest mail from your workshop has the right one; or ring them.</p></main>',
  );
}

const page = (title: string, locale: string, nonce: string, body: string): string =>
  `<!doctype html><html lang="${escapeHtml(locale)}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex, nofollow"><link rel="icon" href="/mark.svg" type="image/svg+xml"><meta name="color-scheme" content="light dark"><title>${escapeHtml(title)}</title><style nonce="${nonce}">${CSS}</style></head><body>${body}${scriptFor(body, nonce)}</body></html>`;
