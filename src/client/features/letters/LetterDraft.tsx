/** The draft: every sentence can be changed or left out; what is left out stays to be put back. */
import { useRef, useState, type KeyboardEvent } from 'react';
import type { Editor } from '@tiptap/core';
import { useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { styled } from 'styled-components';
import type { LetterView, LetterWriter } from '#contract/letters.ts';
import type { PhotoView } from '#contract/photos.ts';
import { allItems, type Letter, type LetterItem, type LetterPart } from '#core/update/letter.ts';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField, TextField } from '../../ui/Field.tsx';
import { Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { narrow, space } from '../../ui/tokens.ts';
import { photoUrl, usePhotosByEntry } from '../photos/index.ts';
import { Leaks } from './Leaks.tsx';
import { LetterText, type LetterPicture } from './LetterText.tsx';
import { letterQuery } from './letters.queries.ts';
import { PartEditor } from './PartEditor.tsx';
import { firstName, SendBox } from './SendBox.tsx';
import { Unsaid } from './Unsaid.tsx';
import { useDraft } from './useDraft.ts';
import { useWriters } from './useWriters.ts';
import { WritingBar } from './WritingBar.tsx';

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(18rem, 1fr);
  gap: ${space.xl};
  align-items: start;
  ${narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Side = styled.aside`
  display: grid;
  gap: ${space.m};
`;

const STATE_WORDS = {
  saved: 'Saved.',
  unsaved: 'Changed …',
  saving: 'Saving …',
  conflict: 'Not saved yet.',
  failed: 'Not saved yet.',
} as const;

/** Puts the cursor into a sentence of the draft. */
const focusSentence = (root: HTMLElement | null, id: string): void =>
  root?.querySelector<HTMLElement>(`[data-sentence="${CSS.escape(id)}"]`)?.focus();

/** Photographs as the letter shows them, each with the one before the work where there is one. */
function asShown(photos: readonly PhotoView[]): LetterPicture[] {
  const byId = new Map(photos.map((p) => [p.id, p]));
  return photos.map(({ before, ...photo }) => {
    const earlier = before === null ? undefined : byId.get(before);
    return {
      ...photo,
      url: photoUrl(photo, 'thumb'),
      ...(earlier ? { before: { url: photoUrl(earlier, 'thumb'), caption: earlier.caption } } : {}),
    };
  });
}

const alsoHere = (others: readonly LetterWriter[]): string => {
  const names = [...new Set(others.map((o) => o.name))];
  return `${names.join(' and ')} ${names.length > 1 ? 'have' : 'has'} this letter open too. What they change comes in here.`;
};

/** Where both changed the same: the heading of its part, or the field. */
function placesIn(content: Letter, where: readonly string[]): string {
  const names = where.map((w) => {
    const part = content.parts.find((p) => p.items.some((i) => i.id === w));
    return part ? `a sentence of “${part.title}”` : `the ${w}`;
  });
  return [...new Set(names)].join(' and ');
}

interface DraftProps {
  letter: LetterView;
  /** In the round: what follows when it is sent. */
  onSent?: () => void;
}

export function LetterDraft({ letter, onSent }: DraftProps) {
  const draft = useDraft(letter);
  const photos = usePhotosByEntry(letter.buildId);
  const pictures = asShown([...photos.values()].flat());
  const client = useQueryClient();
  const root = useRef<HTMLDivElement>(null);
  /** Where one writes, and the editor of the sentence that one wrote in last. */
  const [place, setPlace] = useState('');
  const [editor, setEditor] = useState<Editor | null>(null);
  const others = useWriters({
    letterId: letter.id,
    place,
    versionHere: draft.versionHere,
    onNewer: draft.join,
  });
  const editPart = (
    id: LetterPart['id'],
    change: (items: LetterItem[]) => LetterItem[],
    where: string | null = null,
  ): void =>
    draft.edit(
      (l) => ({ ...l, parts: l.parts.map((p) => (p.id === id ? { ...p, items: change(p.items) } : p)) }),
      where,
    );
  /** One way back for the whole letter, whichever field the cursor is in. */
  const onKeyDown = (e: KeyboardEvent): void => {
    if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
    const key = e.key.toLowerCase();
    if (key !== 'z' && key !== 'y') return;
    e.preventDefault();
    if (key === 'y' || e.shiftKey) draft.redo();
    else draft.undo();
  };
  const theirs = async (): Promise<void> => {
    await client.invalidateQueries({ queryKey: letterQuery(letter.id).queryKey });
    const now = client.getQueryData(letterQuery(letter.id).queryKey);
    if (now) draft.take(now);
  };
  /** A new sentence in a part, which is made where there is none, with the cursor in it. */
  const addTo = (id: 'waiting' | 'next', title: string): void => {
    const item: LetterItem = { id: `own-${uuidv7()}`, text: '', leftOut: false };
    draft.edit((l) => ({
      ...l,
      parts: l.parts.some((p) => p.id === id)
        ? l.parts.map((p) => (p.id === id ? { ...p, items: [...p.items, item] } : p))
        : [...l.parts, { id, title, items: [item] }],
    }));
    requestAnimationFrame(() => focusSentence(root.current, item.id));
  };
  const tell = (id: string): void =>
    draft.edit((l) => ({
      ...l,
      parts: l.parts.map((p) => ({
        ...p,
        items: p.items.map((i) => (i.id === id ? { ...i, leftOut: false } : i)),
      })),
    }));
  return (
    <Columns
      ref={root}
      onKeyDown={onKeyDown}
      onFocus={(e) => setPlace(e.target.closest<HTMLElement>('[data-sentence]')?.dataset.sentence ?? '')}
      onBlur={(e) => {
        if (!e.currentTarget.contains(e.relatedTarget)) setPlace('');
      }}
    >
      <Stack $gap="l">
        <WritingBar
          editor={editor}
          undo={draft.undo}
          redo={draft.redo}
          canUndo={draft.canUndo}
          canRedo={draft.canRedo}
        />
        <TextField
          label="Subject"
          data-sentence="subject"
          value={draft.content.subject}
          maxLength={200}
          onChange={(e) => draft.edit((l) => ({ ...l, subject: e.target.value }), 'subject')}
        />
        <TextAreaField
          label="Greeting"
          data-sentence="greeting"
          value={draft.content.greeting}
          rows={1}
          maxLength={500}
          onChange={(e) => draft.edit((l) => ({ ...l, greeting: e.target.value }), 'greeting')}
        />
        {draft.content.parts.map((part) => (
          <PartEditor
            key={part.id + part.title}
            part={part}
            photos={photos}
            onItems={(change, where) => editPart(part.id, change, where)}
            onFocus={setEditor}
            others={others}
          />
        ))}
        <TextAreaField
          label="Closing"
          data-sentence="closing"
          value={draft.content.closing}
          rows={3}
          maxLength={1000}
          onChange={(e) => draft.edit((l) => ({ ...l, closing: e.target.value }), 'closing')}
        />
      </Stack>
      <Side aria-label="Sending">
        <SendBox
          letter={letter}
          content={draft.content}
          pictures={pictures}
          sending={draft.sending}
          onSend={async () => {
            if (await draft.sendNow()) onSent?.();
          }}
        />
        <div role="status">
          <Quiet>{STATE_WORDS[draft.state]}</Quiet>
        </div>
        {others.length > 0 && <Notice>{alsoHere(others)}</Notice>}
        {draft.state === 'conflict' && (
          <Notice $tone="oxide" role="alert">
            {draft.clash
              ? `You both changed ${placesIn(draft.content, draft.clash.where)}. `
              : 'Somebody else changed this letter. '}
            Yours is still on this page.
            <Row>
              {draft.clash && <Button onPress={draft.keepMine}>Keep mine there</Button>}
              <Button onPress={() => void theirs()}>Take all of theirs</Button>
            </Row>
          </Notice>
        )}
        {draft.error && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(draft.error)}{' '}
            {draft.state === 'failed' && <Button onPress={() => void draft.saveNow()}>Save again</Button>}
          </Notice>
        )}
        <Leaks
          leaks={letter.leaks}
          onShow={(where) => focusSentence(root.current, where)}
          onMeant={(words) => draft.edit((l) => ({ ...l, meant: [...(l.meant ?? []), words] }))}
        />
        <Unsaid
          unsaid={letter.unsaid}
          items={allItems(draft.content)}
          onTell={tell}
          onSay={(kind) =>
            kind === 'next' ? addTo('next', 'What is next') : addTo('waiting', 'What it waits for')
          }
        />
        {letter.stale && <Notice>Something was logged after this was drafted.</Notice>}
        <Again onAgain={draft.again} />
        <Quiet>As {firstName(letter.customer.name)} will read it:</Quiet>
        <LetterText content={draft.content} pictures={pictures} leaks={letter.leaks} />
      </Side>
    </Columns>
  );
}

function Again({ onAgain }: { onAgain: () => void }) {
  const [asking, setAsking] = useState(false);
  return (
    <>
      <Button onPress={() => setAsking(true)}>Draft it again</Button>
      <Dialog title="Draft it again from the logbook?" isOpen={asking} onClose={() => setAsking(false)}>
        <p>What you changed in this draft is thrown away.</p>
        <Row>
          <Button
            $look="oxide"
            onPress={() => {
              setAsking(false);
              onAgain();
            }}
          >
            Draft it again
          </Button>
          <Button $look="quiet" onPress={() => setAsking(false)}>
            Leave it
          </Button>
        </Row>
      </Dialog>
    </>
  );
}
