/** The press that sends a letter, what is in its way, and what goes with it. */
import { useState } from 'react';
import { styled } from 'styled-components';
import type { LetterView } from '#contract/letters.ts';
import { allItems, type Letter } from '#core/update/letter.ts';
import { toldParts } from '#core/update/html.ts';
import { whyNotWith } from '#core/update/leaks.ts';
import { whyNotSend } from '#core/update/sending.ts';
import { useKey } from '../../shared/keys.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Quiet, Row, Stack } from '../../ui/parts.tsx';
import { space } from '../../ui/tokens.ts';
import type { LetterPicture } from './LetterText.tsx';

export const firstName = (name: string): string => name.split(/\s+/)[0] ?? name;

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

export function SendBox({ letter, content, pictures, sending, onSend }: SendProps) {
  const [asking, setAsking] = useState(false);
  const name = firstName(letter.customer.name);
  const told = toldParts(content).flatMap((p) => p.items);
  const out = allItems(content).filter((i) => i.leftOut).length;
  const refused = whyNotSend(content, letter.customer.email) ?? whyNotWith(letter.leaks);
  const going = pictures
    .filter((p) => told.some((i) => i.media?.includes(p.id)))
    .flatMap((p) => [
      ...(p.before ? [{ key: `${p.id} before`, ...p.before }] : []),
      { key: p.id, url: p.url, caption: p.caption },
    ]);
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
                <li key={p.key}>
                  <img src={p.url} alt={p.caption || 'Photograph without words'} height={120} />
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
