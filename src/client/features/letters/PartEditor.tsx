/** One part of a draft: its sentences, each told or left out, with the photographs that go with it. */
import { Plus } from 'lucide-react';
import { v7 as uuidv7 } from 'uuid';
import { styled } from 'styled-components';
import type { PhotoView } from '#contract/photos.ts';
import type { LetterItem, LetterPart } from '#core/update/letter.ts';
import { Button } from '../../ui/Button.tsx';
import { TextArea } from '../../ui/Field.tsx';
import { HiddenVisually, Row } from '../../ui/parts.tsx';
import { color, phone, size, space, touch } from '../../ui/tokens.ts';
import { photoUrl, photoWords } from '../photos/index.ts';

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
export function PartEditor({
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
