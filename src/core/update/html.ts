/** A letter as the customer reads it: the same words as HTML for the page, and as plain text for the mail. */
import { picturesHtml, type ShownPicture } from '../photo/shown.ts';
import type { Letter, LetterItem } from './letter.ts';
import { escapeHtml } from './escape.ts';
import { richHtml, richText, trimmed } from './rich.ts';

/** The parts of a letter that are told: what is left out, and parts with nothing in them, are gone. */
export function toldParts(letter: Letter): { title: string; items: LetterItem[] }[] {
  return letter.parts
    .map((p) => ({
      title: p.title,
      items: p.items.filter((i) => !i.leftOut && i.text.trim() !== '').map((i) => trimmed(i)),
    }))
    .filter((p) => p.items.length > 0);
}

/** Ids of the photographs that a letter tells, by the entry they belong to. */
export function picturesTold(letter: Letter): Map<string, readonly string[]> {
  const items = toldParts(letter).flatMap((p) => p.items);
  return new Map(items.flatMap(({ id, media }) => (media && media.length > 0 ? [[id, media]] : [])));
}

const paragraphs = (text: string): string => escapeHtml(text.trim()).replace(/\n/g, '<br>');

/** Where a letter's photographs are found: the page's address, and the photographs as sent. */
export interface LetterPictures {
  address: string;
  pictures: readonly ShownPicture[];
}

function itemHtml(item: LetterItem, { address, pictures }: LetterPictures): string {
  const { text, media } = item;
  const shown = pictures.filter((p) => media?.includes(p.id));
  return `<li>${richHtml(item)}${picturesHtml(shown, address, text.slice(0, 120))}</li>`;
}

/** What must be decided is answered on the estimate; a mail, which knows no address, leads to the page. */
const toAnswer = (items: readonly LetterItem[], address: string): string =>
  address !== '' && items.some((i) => i.answer)
    ? `<p class="estimate"><a href="${escapeHtml(address)}/estimate">Read it and answer</a></p>`
    : '';

const NO_PICTURES: LetterPictures = { address: '', pictures: [] };

/** The letter's body as HTML, every word escaped; its headings are of `level`. */
export function letterHtml(letter: Letter, level: 2 | 3 = 2, pictures: LetterPictures = NO_PICTURES): string {
  const parts = toldParts(letter).map(
    ({ title, items }) =>
      `<section><h${level}>${escapeHtml(title)}</h${level}><ul>${items.map((i) => itemHtml(i, pictures)).join('')}</ul>${toAnswer(items, pictures.address)}</section>`,
  );
  return `<p class="greeting">${paragraphs(letter.greeting)}</p>${parts.join('')}<p class="closing">${paragraphs(letter.closing)}</p>`;
}

/** The letter as plain text for a mail, with the address of its page. */
export function letterText(letter: Letter, link: string): string {
  const parts = toldParts(letter).map(
    ({ title, items }) =>
      `${title}\n${items.map((i) => `  - ${richText(i).replace(/\n/g, '\n    ')}`).join('\n')}`,
  );
  return [
    letter.greeting,
    ...parts,
    `Read it with everything I have sent you:\n${link}`,
    letter.closing,
  ].join('\n\n');
}
