/** What stands on a customer's page beside the letters: their questions, and the money line by line. */
import type { QuestionView } from '#contract/questions.ts';
import { LONGEST_QUESTION } from '#contract/questions.ts';
import { bytesInWords } from '#core/book/book.ts';
import type { Given } from '#core/approval/answers.ts';
import { dayOf, formatDay, type Day } from '#core/time/days.ts';
import { costItems, moneyWords, type LetterManner, type LetterMoney } from '#core/update/figures.ts';
import type { LetterPart } from '#core/update/letter.ts';
import { escapeHtml } from '#core/update/escape.ts';
import type { AnswerTold } from '../estimate/index.ts';
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
      : q.answer === ''
        ? `<p class="date">Answered when we spoke, ${day(q.answeredAt)}.</p>`
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

/** The plan as it stands today. */
export function planHtml(parts: readonly LetterPart[]): string {
  const body = parts.map(
    ({ title, items }) =>
      `<h3>${escapeHtml(title)}</h3><ul>${items.map((i) => `<li>${escapeHtml(i.text)}</li>`).join('')}</ul>`,
  );
  return `<section class="plan" aria-labelledby="plan"><h2 id="plan">The plan, as of today</h2>${body.join('')}</section>`;
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

const GIVEN_WORDS: Record<Exclude<Given, 'other way'>, string> = {
  approve: 'agreed',
  wait: 'put off',
  decline: 'declined',
  ask: 'asked about',
};

/** What was agreed, and when: every answer, as it is on record. */
export function agreedHtml(answers: readonly AnswerTold[], manner: LetterManner): string {
  if (answers.length === 0) return '';
  const items = answers.map(({ on, name, via, lines: of }) => {
    const how = via === 'telephone' ? ', on the telephone' : '';
    const said = of.map(
      (l) =>
        `<li>${escapeHtml(l.title)}: ${GIVEN_WORDS[l.given as 'approve']}, ${escapeHtml(moneyWords(l.grossMinor, manner))}</li>`,
    );
    return `<li><p class="date">${escapeHtml(formatDay(on, manner.locale, manner.today))}, ${escapeHtml(name)}${how}</p><ul>${said.join('')}</ul></li>`;
  });
  return `<section class="agreed" aria-labelledby="agreed"><h2 id="agreed">What was agreed, and when</h2><details><summary>${answers.length === 1 ? 'One answer' : `${answers.length} answers, the newest first`}</summary><ul class="questions">${items.join('')}</ul></details></section>`;
}

interface ToKeep {
  book: { pages: number | null; pdf_bytes: number | null; zip_bytes: number | null } | undefined;
  papers: readonly { id: string; name: string; bytes: number }[];
  estimates: readonly { id: string; on: Day }[];
}

/** Documents to keep: the car’s book and its papers, once they were given, and every estimate that was sent. */
export function keepHtml({ book, papers, estimates }: ToKeep, address: string, manner: LetterManner): string {
  const link = (to: string, words: string, bytes: number | null): string =>
    `<li><a href="${escapeHtml(address)}/${to}" download>${escapeHtml(words)}</a>${bytes === null ? '' : ` (${bytesInWords(bytes)})`}</li>`;
  const items = [
    ...(book
      ? [
          link(
            'book/book.pdf',
            `The book of your car, ${book.pages} pages, to read and print`,
            book.pdf_bytes,
          ),
          link(
            'book/book.zip',
            'Everything in the book with its pictures, for any shop that works on it next',
            book.zip_bytes,
          ),
        ]
      : []),
    ...papers.map((p) => link(`papers/${p.id}`, p.name, p.bytes)),
    ...estimates.map((e) =>
      link(`estimates/${e.id}`, `The estimate of ${formatDay(e.on, manner.locale, manner.today)}`, null),
    ),
  ];
  if (items.length === 0) return '';
  return `<section class="keep" aria-labelledby="keep"><h2 id="keep">To keep</h2><ul>${items.join('')}</ul></section>`;
}
