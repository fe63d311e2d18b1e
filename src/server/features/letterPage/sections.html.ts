/** What stands on a customer's page beside the letters: their questions, and the money line by line. */
import type { QuestionView } from '#contract/questions.ts';
import { LONGEST_QUESTION } from '#contract/questions.ts';
import { bytesInWords } from '#core/book/book.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { costItems, moneyWords, type LetterManner, type LetterMoney } from '#core/update/figures.ts';
import { escapeHtml } from '#core/update/escape.ts';
import type { PageHead } from './letterPage.queries.ts';

const lines = (text: string): string => escapeHtml(text).replace(/\n/g, '<br>');

/** What was typed into the form, and why it was not taken. */
export interface AskedTyped {
  /** Made with the form, so that a second press is the same question. */
  id: string;
  name: string;
  text: string;
  fault: string | null;
}

function questionHtml(q: QuestionView, head: PageHead, today: string): string {
  const day = (at: string): string => escapeHtml(formatDay(dayOf(at, head.time_zone), head.locale, today));
  const answer =
    q.answeredAt === null
      ? '<p class="date">It is with us; you will hear.</p>'
      : `<p class="date">${day(q.answeredAt)}</p><p>${lines(q.answer)}</p>`;
  return `<li><p class="date">${escapeHtml(q.name)}, ${day(q.askedAt)}</p><p><b>${lines(q.text)}</b></p>${answer}</li>`;
}

/** The questions so far, the newest first, and a place to ask. */
export function questionsHtml(
  questions: readonly QuestionView[],
  head: PageHead,
  today: string,
  { address, typed }: { address: string; typed: AskedTyped },
): string {
  const list =
    questions.length === 0
      ? ''
      : `<ul class="questions">${[...questions]
          .sort((a, b) => b.askedAt.localeCompare(a.askedAt))
          .map((q) => questionHtml(q, head, today))
          .join('')}</ul>`;
  const fault = typed.fault === null ? '' : `<p class="fault" role="alert">${escapeHtml(typed.fault)}</p>`;
  return `<section id="questions" class="ask" aria-labelledby="ask"><h2 id="ask">Ask, or tell us something</h2>${list}<form method="post" action="${escapeHtml(address)}/questions">${fault}<input type="hidden" name="id" value="${escapeHtml(typed.id)}"><p><label for="text">What you want to know, or to tell</label><textarea id="text" name="text" rows="4" maxlength="${LONGEST_QUESTION}" required>${escapeHtml(typed.text)}</textarea></p><p><label for="name">Your name</label><input id="name" name="name" autocomplete="name" maxlength="120" required value="${escapeHtml(typed.name)}"></p><p><button type="submit">Send it</button></p></form></section>`;
}

/** The money as the newest letter would tell it today, and every agreed line. */
export function moneyHtml(
  money: LetterMoney | null,
  rows: readonly { title: string; approvedMinor: number; spentMinor: number }[],
  manner: LetterManner,
): string {
  if (money === null) return '';
  const said = costItems(money, { spentMinor: 0, workedMinutes: 0 }, manner).filter(
    (i) => i.id !== 'costs-hours',
  );
  const say = (minor: number): string => escapeHtml(moneyWords(minor, manner));
  const body = rows
    .map(
      (r) =>
        `<tr><th scope="row">${escapeHtml(r.title)}</th><td>${say(r.approvedMinor)}</td><td>${say(r.spentMinor)}</td></tr>`,
    )
    .join('');
  const table =
    rows.length === 0
      ? ''
      : `<table><thead><tr><th scope="col">What is agreed</th><th scope="col">agreed</th><th scope="col">spent</th></tr></thead><tbody>${body}</tbody></table>`;
  return `<section class="money" aria-labelledby="money"><h2 id="money">The money, as of today</h2><ul>${said
    .map((i) => `<li>${escapeHtml(i.text)}</li>`)
    .join('')}</ul><details><summary>Line by line</summary>${table}</details></section>`;
}

/** Documents to keep: the car’s book, once it was given. */
export function keepHtml(
  book: { pages: number | null; pdf_bytes: number | null; zip_bytes: number | null } | undefined,
  address: string,
): string {
  if (!book) return '';
  const link = (file: string, words: string, bytes: number | null): string =>
    `<li><a href="${escapeHtml(address)}/book/${file}" download>${words}</a> (${bytesInWords(bytes ?? 0)})</li>`;
  return `<section class="keep" aria-labelledby="keep"><h2 id="keep">To keep</h2><p>The book of your car: what was found and done, its parts, where they come from.</p><ul>${link('book.pdf', `The book, ${book.pages} pages, to read and print`, book.pdf_bytes)}${link('book.zip', 'Everything in it with the pictures, for any shop that works on it next', book.zip_bytes)}</ul></section>`;
}
