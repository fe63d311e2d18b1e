/**
 * A sentence of a letter as it is written: plain text, with what is bold and what leads elsewhere kept beside it, so that
 * whatever looks at the words (the leak stop, the mail without pictures, the search) sees them as they are read. A line
 * that begins with a dash is a point of a list.
 */
import { escapeHtml } from './escape.ts';

/** Words from `start` to before `end`, in UTF-16 units of the text, that are bold, lead to an address, or both. */
export interface TextMark {
  start: number;
  end: number;
  bold?: boolean;
  href?: string;
}

export interface Rich {
  text: string;
  marks?: readonly TextMark[];
}

/** Words of one look. */
export interface Span {
  text: string;
  bold: boolean;
  href: string | null;
}

/** A paragraph, or a list with its points; `start` is where in the text each begins. */
export type Block =
  | { type: 'paragraph'; start: number; spans: Span[] }
  | { type: 'list'; points: { start: number; spans: Span[] }[] };

/** What begins a point of a list. */
export const POINT = '- ';

/** Labels of a host with a dot between them, a port, and what follows; no name and password in front (RFC 3986, 3.2). */
const WEB =
  /^https?:\/\/(?:[\p{L}\p{N}](?:[\p{L}\p{N}-]*[\p{L}\p{N}])?\.)+\p{L}[\p{L}\p{N}-]*(?::\d{1,5})?(?:[/?#][^\s"<>\\^`{|}]*)?$/iu;
const MAILBOX = /^mailto:[^\s@/:"<>?]+@[^\s@/:"<>?]+\.[^\s@/:"<>?.]+$/i;
const TELEPHONE = /^tel:\+?[\d().-]{3,20}$/i;
const LONGEST_HREF = 500;

/** An address as it may stand in a letter: the web, a mailbox, a telephone; null for anything else. */
export function safeHref(typed: string): string | null {
  const text = typed.trim();
  const whole = /^[a-z][a-z\d+-]*:(?!\d)/i.test(text)
    ? text
    : text.includes('@') && !text.includes('/')
      ? `mailto:${text}`
      : `https://${text}`;
  if (whole.length > LONGEST_HREF) return null;
  return [WEB, MAILBOX, TELEPHONE].some((form) => form.test(whole)) ? whole : null;
}

/** The text from `start` to before `end`, cut where its look changes. Marks outside of it, and unsafe addresses, are nothing. */
export function spansOf({ text, marks = [] }: Rich, start = 0, end = text.length): Span[] {
  const inside = marks
    .map((m) => ({ ...m, start: Math.max(m.start, start), end: Math.min(m.end, end) }))
    .filter((m) => m.start < m.end);
  const cuts = [...new Set([start, end, ...inside.flatMap((m) => [m.start, m.end])])].sort((a, b) => a - b);
  return cuts.slice(1).map((to, i) => {
    const from = cuts[i]!;
    const over = inside.filter((m) => m.start <= from && m.end >= to);
    const href = over.map((m) => (m.href === undefined ? null : safeHref(m.href))).find((h) => h !== null);
    return { text: text.slice(from, to), bold: over.some((m) => m.bold), href: href ?? null };
  });
}

/** The text as paragraphs and lists, in order. An empty line is an empty paragraph. */
export function blocksOf(rich: Rich): Block[] {
  const blocks: Block[] = [];
  let at = 0;
  for (const line of rich.text.split('\n')) {
    const end = at + line.length;
    if (line.startsWith(POINT)) {
      const start = at + POINT.length;
      const point = { start, spans: spansOf(rich, start, end) };
      const last = blocks.at(-1);
      if (last?.type === 'list') last.points.push(point);
      else blocks.push({ type: 'list', points: [point] });
    } else blocks.push({ type: 'paragraph', start: at, spans: spansOf(rich, at, end) });
    at = end + 1;
  }
  return blocks;
}

/** The text without blanks around it, its marks moved with the words. */
export function trimmed<T extends Rich>(rich: T): T {
  const text = rich.text.trim();
  if (text === rich.text || rich.marks === undefined) return { ...rich, text };
  const cut = rich.text.length - rich.text.trimStart().length;
  const marks = rich.marks
    .map((m) => ({ ...m, start: Math.max(0, m.start - cut), end: Math.min(text.length, m.end - cut) }))
    .filter((m) => m.start < m.end);
  return { ...rich, text, marks };
}

function spanHtml({ text, bold, href }: Span): string {
  const words = bold ? `<b>${escapeHtml(text)}</b>` : escapeHtml(text);
  return href === null ? words : `<a href="${escapeHtml(href)}" rel="noopener noreferrer">${words}</a>`;
}

const spansHtml = (spans: readonly Span[]): string => spans.map(spanHtml).join('');

/** The sentence as HTML, every word of it escaped. */
export function richHtml(rich: Rich): string {
  return blocksOf(rich)
    .map((block, i, all) => {
      if (block.type === 'list')
        return `<ul>${block.points.map((p) => `<li>${spansHtml(p.spans)}</li>`).join('')}</ul>`;
      return (all[i - 1]?.type === 'paragraph' ? '<br>' : '') + spansHtml(block.spans);
    })
    .join('');
}

/** The sentence for a mail of plain text: an address stands behind the words that lead to it. */
export function richText(rich: Rich): string {
  return blocksOf(rich)
    .flatMap((block) =>
      block.type === 'list'
        ? block.points.map((p) => `${POINT}${spansText(p.spans)}`)
        : [spansText(block.spans)],
    )
    .join('\n');
}

const spansText = (spans: readonly Span[]): string =>
  spans
    .map(({ text, href }, i) => {
      const goesOn = spans[i + 1]?.href === href;
      if (href === null || goesOn || href.includes(text.trim())) return text;
      return `${text} (${href.replace(/^(?:mailto|tel):/, '')})`;
    })
    .join('');
