/** The draft: every sentence can be changed or left out; what is left out stays to be put back. */
import { useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { styled } from 'styled-components';
import type { LetterView } from '#contract/letters.ts';
import { allItems, type LetterItem, type LetterPart } from '#core/update/letter.ts';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField, TextField } from '../../ui/Field.tsx';
import { Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { phone, space } from '../../ui/tokens.ts';
import { photoUrl, usePhotosByEntry } from '../photos/index.ts';
import { Leaks } from './Leaks.tsx';
import { LetterText } from './LetterText.tsx';
import { letterQuery } from './letters.queries.ts';
import { PartEditor } from './PartEditor.tsx';
import { firstName, SendBox } from './SendBox.tsx';
import { Unsaid } from './Unsaid.tsx';
import { useDraft } from './useDraft.ts';

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(18rem, 1fr);
  gap: ${space.xl};
  align-items: start;
  ${phone} {
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
  conflict: 'Somebody else changed this letter.',
  failed: 'Not saved yet.',
} as const;

/** Puts the cursor into a sentence of the draft. */
const focusSentence = (root: HTMLElement | null, id: string): void =>
  root?.querySelector<HTMLElement>(`[data-sentence="${CSS.escape(id)}"]`)?.focus();

interface DraftProps {
  letter: LetterView;
  /** In the round: what follows when it is sent. */
  onSent?: () => void;
}

export function LetterDraft({ letter, onSent }: DraftProps) {
  const draft = useDraft(letter);
  const photos = usePhotosByEntry(letter.buildId);
  const pictures = [...photos.values()].flat().map((p) => ({ ...p, url: photoUrl(p, 'thumb') }));
  const client = useQueryClient();
  const root = useRef<HTMLDivElement>(null);
  const editPart = (id: LetterPart['id'], change: (items: LetterItem[]) => LetterItem[]): void =>
    draft.edit((l) => ({
      ...l,
      parts: l.parts.map((p) => (p.id === id ? { ...p, items: change(p.items) } : p)),
    }));
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
    <Columns ref={root}>
      <Stack $gap="l">
        <TextField
          label="Subject"
          value={draft.content.subject}
          maxLength={200}
          onChange={(e) => draft.edit((l) => ({ ...l, subject: e.target.value }))}
        />
        <TextAreaField
          label="Greeting"
          value={draft.content.greeting}
          rows={1}
          maxLength={500}
          onChange={(e) => draft.edit((l) => ({ ...l, greeting: e.target.value }))}
        />
        {draft.content.parts.map((part) => (
          <PartEditor
            key={part.id + part.title}
            part={part}
            photos={photos}
            onItems={(change) => editPart(part.id, change)}
          />
        ))}
        <TextAreaField
          label="Closing"
          value={draft.content.closing}
          rows={3}
          maxLength={1000}
          onChange={(e) => draft.edit((l) => ({ ...l, closing: e.target.value }))}
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
        {draft.state === 'conflict' && (
          <Notice $tone="oxide">
            Yours is still on this page. <Button onPress={() => void theirs()}>Take theirs</Button>
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
