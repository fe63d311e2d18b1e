/** What can be done to the words that are written just now, and how to take back what was done. */
import { useState } from 'react';
import type { Editor } from '@tiptap/core';
import { useEditorState } from '@tiptap/react';
import { Bold, Link as LinkIcon, List, Redo2, Undo2 } from 'lucide-react';
import { Button as BarButton, ToggleButton, Toolbar } from 'react-aria-components';
import { styled } from 'styled-components';
import { safeHref } from '#core/update/rich.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Row, Stack } from '../../ui/parts.tsx';
import { color, space, touch } from '../../ui/tokens.ts';

const Bar = styled(Toolbar)`
  position: sticky;
  top: 0;
  z-index: 5;
  display: flex;
  flex-wrap: wrap;
  gap: ${space.xs};
  padding: ${space.xs} 0;
  background: ${color.paper};
  border-bottom: 1px solid ${color.zincLine};
  button {
    min-width: ${touch};
    min-height: ${touch};
    display: inline-flex;
    align-items: center;
    justify-content: center;
    border: 1.5px solid transparent;
    border-radius: 3px;
    background: transparent;
    color: ${color.blueing};
    cursor: pointer;
  }
  button[data-selected] {
    background: ${color.zincWash};
    border-color: ${color.blueing};
  }
  button[data-disabled] {
    color: ${color.zinc};
    cursor: default;
  }
`;

interface Props {
  /** Where somebody wrote last. */
  editor: Editor | null;
  undo: () => void;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
}

const NOTHING = { bold: false, list: false, href: null as string | null };

export function WritingBar({ editor, undo, redo, canUndo, canRedo }: Props) {
  const [asking, setAsking] = useState(false);
  const on =
    useEditorState({
      editor,
      selector: ({ editor: now }) =>
        now === null || now.isDestroyed
          ? NOTHING
          : {
              bold: now.isActive('bold'),
              list: now.isActive('bulletList'),
              href: (now.getAttributes('link').href as string | undefined) ?? null,
            },
    }) ?? NOTHING;
  const isDisabled = editor === null;
  return (
    // A press must not take the cursor out of the words it is about.
    <div onMouseDown={(e) => e.preventDefault()} role="presentation" style={{ display: 'contents' }}>
      <Bar aria-label="How the words look">
        <ToggleButton
          aria-label="Bold"
          isSelected={on.bold}
          isDisabled={isDisabled}
          onChange={() => editor?.chain().focus().toggleBold().run()}
        >
          <Bold size={20} aria-hidden />
        </ToggleButton>
        <ToggleButton
          aria-label="An address to lead to"
          isSelected={on.href !== null}
          isDisabled={isDisabled}
          onChange={() => setAsking(true)}
        >
          <LinkIcon size={20} aria-hidden />
        </ToggleButton>
        <ToggleButton
          aria-label="A list"
          isSelected={on.list}
          isDisabled={isDisabled}
          onChange={() => editor?.chain().focus().toggleBulletList().run()}
        >
          <List size={20} aria-hidden />
        </ToggleButton>
        <BarButton aria-label="Undo" isDisabled={!canUndo} onPress={undo}>
          <Undo2 size={20} aria-hidden />
        </BarButton>
        <BarButton aria-label="Do it again" isDisabled={!canRedo} onPress={redo}>
          <Redo2 size={20} aria-hidden />
        </BarButton>
      </Bar>
      {editor && asking && (
        <AddressDialog editor={editor} was={on.href ?? ''} onClose={() => setAsking(false)} />
      )}
    </div>
  );
}

/** Where the chosen words lead to; without any, the address itself is written. */
function AddressDialog({ editor, was, onClose }: { editor: Editor; was: string; onClose: () => void }) {
  const [typed, setTyped] = useState(was);
  const [fault, setFault] = useState<string>();
  const put = (): void => {
    const href = safeHref(typed);
    if (href === null) return setFault('An address of the web, a mailbox or a telephone, as in example.org');
    onClose();
    const chain = editor.chain().focus().extendMarkRange('link');
    if (editor.state.selection.empty && was === '')
      chain
        .insertContent({ type: 'text', text: typed.trim(), marks: [{ type: 'link', attrs: { href } }] })
        .run();
    else chain.setLink({ href }).run();
  };
  const takeOff = (): void => {
    onClose();
    editor.chain().focus().extendMarkRange('link').unsetLink().run();
  };
  return (
    <Dialog title="Where it leads" isOpen onClose={onClose}>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          put();
        }}
      >
        <Stack>
          <TextField
            label="Address"
            placeholder="example.org"
            autoFocus
            value={typed}
            maxLength={500}
            fault={fault}
            onChange={(e) => setTyped(e.target.value)}
          />
          <Row>
            <Button type="submit" $look="main">
              Lead there
            </Button>
            {was !== '' && <Button onPress={takeOff}>Lead nowhere</Button>}
            <Button $look="quiet" onPress={onClose}>
              Leave it
            </Button>
          </Row>
        </Stack>
      </form>
    </Dialog>
  );
}
