/** The draft: every sentence can be changed or left out; what is left out stays to be put back. */
import { useRef, useState } from 'react';
import { Plus } from 'lucide-react';
import { useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { styled } from 'styled-components';
import type { PhotoView } from '#contract/photos.ts';
import type { LetterView } from '#contract/letters.ts';
import { allItems, type Letter, type LetterItem, type LetterPart } from '#core/update/letter.ts';
import { whyNotWith } from '#core/update/leaks.ts';
import { toldParts } from '#core/update/html.ts';
import { whyNotSend } from '#core/update/sending.ts';
import { wordsOf } from '../../shared/api.ts';
import { useKey } from '../../shared/keys.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextArea, TextAreaField, TextField } from '../../ui/Field.tsx';
import { HiddenVisually, Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, phone, size, space, touch } from '../../ui/tokens.ts';
import { photoUrl, photoWords, usePhotosByEntry } from '../photos/index.ts';
import { Leaks } from './Leaks.tsx';
import { LetterText, type LetterPicture } from './LetterText.tsx';
import { letterQuery } from './letters.queries.ts';
import { Unsaid } from './Unsaid.tsx';
import { useDraft } from './useDraft.ts';

const Part = styled.fieldset`
  border: 0;
  border-top: 2px solid ${color.ink};
  margin: 0;
  padding: ${space.s} 0 0;
  display: grid;
  gap: ${space.s};
  min-width: 0;
  legend {
    float: left;
    padding: 0;
    font-size: ${size.line};
    font-weight: 700;
  }
  legend + * {
    clear: both;
  }
`;
const Sentence = styled.div<{ $out: boolean }>`
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr);
  gap: ${space.s};
  align-items: start;
  textarea {
    min-height: ${touch};
    ${({ $out }) => ($out ? `text-decoration: line-through; color: ${color.zinc}; border-style: dashed;` : '')}
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
/** Worked out from the ledger: it is read here, not typed. */
const Worked = styled.p<{ $out: boolean }>`
  padding: 10px 12px;
  border-left: 3px solid ${color.brass};
  ${({ $out }) => ($out ? `text-decoration: line-through; color: ${color.zinc};` : '')}
`;
const Tell = styled.label`
  display: flex;
  align-items: center;
  gap: ${space.s};
  min-height: ${touch};
  font-size: ${size.small};
  cursor: pointer;
  input {
    width: 22px;
    height: 22px;
    accent-color: ${color.blueing};
  }
`;
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

const firstName = (name: string): string => name.split(/\s+/)[0] ?? name;

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

function PartEditor({
  part,
  photos,
  onItems,
}: {
  part: LetterPart;
  photos: ReadonlyMap<string, readonly PhotoView[]>;
  onItems: (change: (items: LetterItem[]) => LetterItem[]) => void;
}) {
  const set = (id: string, next: Partial<LetterItem>): void =>
    onItems((items) => items.map((i) => (i.id === id ? { ...i, ...next } : i)));
  const add = (): void => onItems((items) => [...items, { id: `own-${uuidv7()}`, text: '', leftOut: false }]);
  return (
    <Part>
      <legend>{part.title}</legend>
      {part.items.map((item, n) => (
        <Sentence key={item.id} $out={item.leftOut}>
          <Tell>
            <input
              type="checkbox"
              checked={!item.leftOut}
              onChange={(e) => set(item.id, { leftOut: !e.target.checked })}
            />
            {item.leftOut ? 'left out' : 'told'}
            <HiddenVisually>: {item.text.slice(0, 80)}</HiddenVisually>
          </Tell>
          {item.fixed ? (
            <Worked $out={item.leftOut}>{item.text}</Worked>
          ) : (
            <TextArea
              aria-label={`${part.title}, sentence ${n + 1}`}
              data-sentence={item.id}
              value={item.text}
              rows={1}
              maxLength={4000}
              onChange={(e) => set(item.id, { text: e.target.value })}
            />
          )}
          {!item.leftOut && (
            <ItemPhotos
              item={item}
              photos={photos.get(item.id) ?? []}
              onMedia={(media) => set(item.id, { media })}
            />
          )}
        </Sentence>
      ))}
      <Row>
        <Button $look="quiet" onPress={add}>
          <Plus size={18} aria-hidden /> Add a sentence
        </Button>
      </Row>
    </Part>
  );
}

const Ticks = styled.div`
  grid-column: 2;
  display: flex;
  flex-wrap: wrap;
  gap: ${space.s};
  label {
    display: grid;
    grid-template-columns: auto auto;
    align-items: center;
    gap: ${space.s};
    min-height: ${touch};
    cursor: pointer;
  }
  img {
    display: block;
    height: 72px;
    width: auto;
  }
  input {
    width: 22px;
    height: 22px;
    accent-color: ${color.blueing};
  }
  ${phone} {
    grid-column: 1;
  }
`;

/** The photographs of what is told: each goes with the letter or stays here. */
function ItemPhotos({
  item,
  photos,
  onMedia,
}: {
  item: LetterItem;
  photos: readonly PhotoView[];
  onMedia: (media: string[]) => void;
}) {
  if (photos.length === 0) return null;
  const goes = new Set(item.media);
  const toggle = (id: string): void =>
    onMedia(photos.map((p) => p.id).filter((p) => (p === id ? !goes.has(p) : goes.has(p))));
  return (
    <Ticks role="group" aria-label="Photographs that go with it">
      {photos.map((p) => (
        <label key={p.id}>
          <input type="checkbox" checked={goes.has(p.id)} onChange={() => toggle(p.id)} />
          <img
            src={photoUrl(p, 'thumb')}
            alt={photoWords(p)}
            width={Math.round((72 * p.width) / p.height)}
            height={72}
          />
        </label>
      ))}
    </Ticks>
  );
}

interface SendProps {
  letter: LetterView;
  content: Letter;
  pictures: readonly LetterPicture[];
  sending: boolean;
  onSend: () => Promise<void>;
}

const Going = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.s};
  max-height: 40vh;
  overflow-y: auto;
  img {
    display: block;
    height: 120px;
    width: auto;
  }
`;

function SendBox({ letter, content, pictures, sending, onSend }: SendProps) {
  const [asking, setAsking] = useState(false);
  const name = firstName(letter.customer.name);
  const told = toldParts(content).flatMap((p) => p.items);
  const out = allItems(content).filter((i) => i.leftOut).length;
  const refused = whyNotSend(content, letter.customer.email) ?? whyNotWith(letter.leaks);
  const going = pictures.filter((p) => told.some((i) => i.media?.includes(p.id)));
  const ask = (): void => {
    if (!sending && refused === null) setAsking(true);
  };
  useKey('s', ask);
  return (
    <Stack $gap="s">
      <p>
        {told.length} {told.length === 1 ? 'sentence' : 'sentences'} told{out > 0 ? `, ${out} left out` : ''}.
      </p>
      <Button $look="main" isDisabled={sending || refused !== null} onPress={ask}>
        Send to {name}
      </Button>
      {refused && <Quiet>{refused}</Quiet>}
      <Dialog
        title={`Send this letter to ${letter.customer.name}?`}
        isOpen={asking}
        onClose={() => setAsking(false)}
      >
        <p>
          It goes by mail to <b>{letter.customer.email}</b>, with the link to their page. A sent letter never
          changes.
        </p>
        {going.length > 0 && (
          <>
            <p>
              {going.length === 1 ? 'This picture goes' : `These ${going.length} pictures go`} with it,
              without the place where {going.length === 1 ? 'it was' : 'they were'} taken:
            </p>
            <Going>
              {going.map((p) => (
                <li key={p.id}>
                  <img
                    src={p.url}
                    alt={p.caption || 'Photograph without words'}
                    width={Math.round((120 * p.width) / p.height)}
                    height={120}
                  />
                </li>
              ))}
            </Going>
          </>
        )}
        <Row>
          <Button
            $look="main"
            autoFocus
            isDisabled={sending}
            onPress={() => {
              setAsking(false);
              void onSend();
            }}
          >
            Send it
          </Button>
          <Button $look="quiet" onPress={() => setAsking(false)}>
            Not yet
          </Button>
        </Row>
      </Dialog>
    </Stack>
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
