/** One part of a draft: its sentences, each told or left out, with the photographs that go with it. */
import { Plus } from 'lucide-react';
import type { Editor } from '@tiptap/core';
import { v7 as uuidv7 } from 'uuid';
import { styled } from 'styled-components';
import type { LetterWriter } from '#contract/letters.ts';
import type { PhotoView } from '#contract/photos.ts';
import type { LetterItem, LetterPart } from '#core/update/letter.ts';
import { Button } from '../../ui/Button.tsx';
import { HiddenVisually, Row } from '../../ui/parts.tsx';
import { color, phone, size, space, touch } from '../../ui/tokens.ts';
import { CaptionField, photoUrl, photoWords } from '../photos/index.ts';
import { SentenceEditor } from './SentenceEditor.tsx';

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
const Sentence = styled.div`
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr);
  gap: ${space.s};
  align-items: start;
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
/** Who else writes in a sentence now. */
const Writer = styled.p`
  grid-column: 2;
  font-size: ${size.small};
  font-weight: 600;
  color: ${color.brass};
  ${phone} {
    grid-column: 1;
  }
`;

interface Props {
  part: LetterPart;
  photos: ReadonlyMap<string, readonly PhotoView[]>;
  /** `place`: what is typed there in one go is undone in one go. */
  onItems: (change: (items: LetterItem[]) => LetterItem[], place?: string) => void;
  onFocus: (editor: Editor) => void;
  others: readonly LetterWriter[];
}

export function PartEditor({ part, photos, onItems, onFocus, others }: Props) {
  const set = (id: string, next: Partial<LetterItem>): void =>
    onItems((items) => items.map((i) => (i.id === id ? { ...i, ...next } : i)));
  /** What is no longer bold, and leads nowhere any more, is no longer said to. */
  const write = (id: string, { text, marks }: Pick<LetterItem, 'text' | 'marks'>): void =>
    onItems(
      (items) =>
        items.map((i) => {
          if (i.id !== id) return i;
          const next: LetterItem = { ...i, text };
          delete next.marks;
          return marks ? { ...next, marks } : next;
        }),
      id,
    );
  const add = (): void => onItems((items) => [...items, { id: `own-${uuidv7()}`, text: '', leftOut: false }]);
  return (
    <Part>
      <legend>{part.title}</legend>
      {part.items.map((item, n) => (
        <Sentence key={item.id}>
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
            <SentenceEditor
              id={item.id}
              label={`${part.title}, sentence ${n + 1}`}
              value={item}
              isOut={item.leftOut}
              onChange={(rich) => write(item.id, rich)}
              onFocus={onFocus}
            />
          )}
          {others
            .filter((o) => o.place === item.id)
            .map((o, i) => (
              <Writer key={i}>{o.name} writes here</Writer>
            ))}
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
  label:has(img) {
    display: grid;
    grid-template-columns: auto auto;
    justify-content: start;
    align-items: center;
    gap: ${space.s};
    min-height: ${touch};
    cursor: pointer;
  }
  > div {
    display: grid;
    gap: ${space.xs};
    align-content: start;
    flex: 0 1 20rem;
  }
  img {
    display: block;
    height: 72px;
    width: auto;
  }
  input[type='checkbox'] {
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
        <div key={p.id}>
          <label>
            <input type="checkbox" checked={goes.has(p.id)} onChange={() => toggle(p.id)} />
            <img
              src={photoUrl(p, 'thumb')}
              alt={photoWords(p)}
              width={Math.round((72 * p.width) / p.height)}
              height={72}
            />
          </label>
          {goes.has(p.id) && <CaptionField photo={p} />}
        </div>
      ))}
    </Ticks>
  );
}
