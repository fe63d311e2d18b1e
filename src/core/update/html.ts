/** A letter as the customer reads it: the same words as HTML for the page, and as plain text for the mail. */
import type { Letter } from './draft.ts';

const ENTITIES: Record<string, string> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};

/** Text made safe to stand in HTML, in an element or a quoted attribute. */
export function escapeHtml(text: string): string {
  return text.replace(/[&<>"']/g, (c) => ENTITIES[c] ?? c);
}

/** The parts of a letter that are told: what is left out, and parts with nothing in them, are gone. */
export function toldParts(letter: Letter): { title: string; texts: string[] }[] {
  return letter.parts
    .map((p) => ({
      title: p.title,
      texts: p.items.filter((i) => !i.leftOut && i.text.trim() !== '').map((i) => i.text.trim()),
    }))
    .filter((p) => p.texts.length > 0);
}

const paragraphs = (text: string): string => escapeHtml(text.trim()).replace(/\n/g, '<br>');

/** The letter's body as HTML, every word escaped; its headings are of `level`. */
export function letterHtml(letter: Letter, level: 2 | 3 = 2): string {
  const parts = toldParts(letter).map(
    ({ title, texts }) =>
      `<section><h${level}>${escapeHtml(title)}</h${level}><ul>${texts.map((t) => `<li>${paragraphs(t)}</li>`).join('')}</ul></section>`,
  );
  return `<p class="greeting">${paragraphs(letter.greeting)}</p>${parts.join('')}<p class="closing">${paragraphs(letter.closing)}</p>`;
}

/** The letter as plain text for a mail, with the address of its page. */
export function letterText(letter: Letter, link: string): string {
  const parts = toldParts(letter).map(
    ({ title, texts }) => `${title}\n${texts.map((t) => `  - ${t}`).join('\n')}`,
  );
  return [
    letter.greeting,
    ...parts,
    `Read it with everything I have sent you:\n${link}`,
    letter.closing,
  ].join('\n\n');
}
