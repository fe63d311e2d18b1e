/** One sentence of a letter to write in: bold, addresses, lists. What is undone is undone in the whole letter, not here. */
import { useEffect, useRef } from 'react';
import type { Editor } from '@tiptap/core';
import { EditorContent, useEditor } from '@tiptap/react';
import { Bold } from '@tiptap/extension-bold';
import { Document } from '@tiptap/extension-document';
import { Link } from '@tiptap/extension-link';
import { BulletList, ListItem, ListKeymap } from '@tiptap/extension-list';
import { Paragraph } from '@tiptap/extension-paragraph';
import { Text } from '@tiptap/extension-text';
import { styled } from 'styled-components';
import { safeHref, type Rich } from '#core/update/rich.ts';
import { fieldLook } from '../../ui/Field.tsx';
import { color } from '../../ui/tokens.ts';
import { docOf, richOf } from './rich.ts';

const EXTENSIONS = [
  Document,
  // A list is as deep as a letter needs it.
  ListItem.extend({ content: 'paragraph' }),
  Paragraph,
  Text,
  Bold,
  BulletList,
  ListKeymap,
  Link.configure({
    openOnClick: false,
    autolink: true,
    defaultProtocol: 'https',
    protocols: ['mailto', 'tel'],
    // As it is kept, so that nothing is taken here and refused there.
    isAllowedUri: (href) => href !== undefined && safeHref(href) === href,
    shouldAutoLink: (href) => safeHref(href) === href,
    HTMLAttributes: { target: null, rel: null },
  }),
];

const Box = styled.div<{ $out: boolean }>`
  .tiptap {
    ${fieldLook}
    white-space: pre-wrap;
    overflow-wrap: break-word;
    font-variant-ligatures: none;
    line-height: 1.5;
    ${({ $out }) => ($out ? `text-decoration: line-through; color: ${color.zinc}; border-style: dashed;` : '')}
  }
  ul {
    list-style: disc;
    padding-left: 1.2rem;
  }
  a {
    color: ${color.blueing};
    text-decoration: underline;
  }
`;

interface Props {
  id: string;
  label: string;
  value: Rich;
  isOut: boolean;
  onChange: (value: Rich) => void;
  /** Somebody writes here now. */
  onFocus: (editor: Editor) => void;
}

const same = (a: Rich, b: Rich): boolean =>
  a.text === b.text && JSON.stringify(a.marks ?? []) === JSON.stringify(b.marks ?? []);

export function SentenceEditor({ id, label, value, isOut, onChange, onFocus }: Props) {
  /** What the editor holds, as it last said or was given it. */
  const held = useRef(value);
  const said = useRef({ onChange, onFocus });
  useEffect(() => {
    said.current = { onChange, onFocus };
  });
  const attributes = {
    role: 'textbox',
    'aria-multiline': 'true',
    'aria-label': label,
    'data-sentence': id,
  };
  const editor = useEditor({
    extensions: EXTENSIONS,
    content: docOf(value),
    shouldRerenderOnTransaction: false,
    // What it would put into the page is said below: the page takes styles from nobody else.
    injectCSS: false,
    editorProps: { attributes },
    onUpdate: ({ editor: now }) => {
      held.current = richOf(now.getJSON());
      said.current.onChange(held.current);
    },
    onFocus: ({ editor: now }) => said.current.onFocus(now),
  });
  useEffect(() => {
    if (same(held.current, value)) return;
    // Changed from outside: undone, put together with somebody else's, drafted again.
    held.current = value;
    // What was chosen stays chosen, in the words or with a question about them open.
    const { from, to } = editor.state.selection;
    editor.commands.setContent(docOf(value), { emitUpdate: false });
    const { size } = editor.state.doc.content;
    editor.commands.setTextSelection({ from: Math.min(from, size), to: Math.min(to, size) });
  }, [editor, value]);
  return (
    <Box $out={isOut}>
      <EditorContent editor={editor} />
    </Box>
  );
}
