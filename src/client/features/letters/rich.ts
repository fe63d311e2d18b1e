/** A sentence of a letter in the editor's own form, and back: no word and no look is lost on the way. */
import type { JSONContent } from '@tiptap/core';
import { blocksOf, POINT, type Rich, type Span, type TextMark } from '#core/update/rich.ts';

const textNodes = (spans: readonly Span[]): JSONContent[] =>
  spans
    .filter((s) => s.text !== '')
    .map(({ text, bold, href }) => ({
      type: 'text',
      text,
      marks: [
        ...(href === null ? [] : [{ type: 'link', attrs: { href } }]),
        ...(bold ? [{ type: 'bold' }] : []),
      ],
    }));

const paragraph = (spans: readonly Span[]): JSONContent => ({ type: 'paragraph', content: textNodes(spans) });

/** The editor's document of a sentence. */
export const docOf = (rich: Rich): JSONContent => ({
  type: 'doc',
  content: blocksOf(rich).map((block) =>
    block.type === 'paragraph'
      ? paragraph(block.spans)
      : {
          type: 'bulletList',
          content: block.points.map((p) => ({ type: 'listItem', content: [paragraph(p.spans)] })),
        },
  ),
});

/** Lines of a document: every paragraph is one, and those of a list begin with a dash. */
function linesOf(node: JSONContent, isPoint = false): { isPoint: boolean; texts: JSONContent[] }[] {
  if (node.type === 'paragraph') return [{ isPoint, texts: node.content ?? [] }];
  return (node.content ?? []).flatMap((child) => linesOf(child, isPoint || node.type === 'listItem'));
}

const lookOf = (node: JSONContent): Omit<TextMark, 'start' | 'end'> => {
  const href = node.marks?.find((m) => m.type === 'link')?.attrs?.href as string | undefined;
  const bold = node.marks?.some((m) => m.type === 'bold');
  return { ...(bold ? { bold } : {}), ...(href === undefined ? {} : { href }) };
};

/** The sentence that a document of the editor is. */
export function richOf(doc: JSONContent): Rich {
  const marks: TextMark[] = [];
  let text = '';
  for (const [i, line] of linesOf(doc).entries()) {
    text += (i > 0 ? '\n' : '') + (line.isPoint ? POINT : '');
    for (const node of line.texts) {
      const look = lookOf(node);
      const start = text.length;
      text += node.text ?? '';
      if (Object.keys(look).length > 0) marks.push({ start, end: text.length, ...look });
    }
  }
  return marks.length > 0 ? { text, marks } : { text };
}
