/** Where one thing said ends and the next begins, put right by touch: a word begins another, or all of it joins what stands before. */
import { styled } from 'styled-components';
import { Button } from '../../ui/Button.tsx';
import { Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, space, touch } from '../../ui/tokens.ts';
import type { Dictation, Reviewed } from './useDictation.ts';

const Words = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.xs};
`;
const Word = styled.button`
  min-height: ${touch};
  min-width: ${touch};
  padding: 0 ${space.s};
  font: inherit;
  color: ${color.ink};
  background: ${color.sheet};
  border: 1px solid ${color.zincLine};
  cursor: pointer;
`;

interface Props {
  reviewed: Reviewed;
  dictation: Dictation;
  onDone: () => void;
}

export function CutOrJoin({ reviewed, dictation, onDone }: Props) {
  const { start, end } = reviewed.piece;
  const [, ...words] = dictation.text.slice(start, end).matchAll(/\S+/g);
  return (
    <Stack $gap="s" role="group" aria-label={`Cut or join: ${reviewed.piece.text}`}>
      {words.length > 0 && (
        <>
          <Quiet>Press the word with which another thing begins.</Quiet>
          <Words>
            {words.map((w) => (
              <Word
                key={w.index}
                type="button"
                aria-label={`Another begins with “${w[0]}”`}
                onClick={() => {
                  dictation.cutAt(start + w.index);
                  onDone();
                }}
              >
                {w[0]}
              </Word>
            ))}
          </Words>
        </>
      )}
      {!dictation.isFirst(reviewed) && (
        <Row>
          <Button
            onPress={() => {
              dictation.joinToBefore(reviewed);
              onDone();
            }}
          >
            Join it to what stands before
          </Button>
        </Row>
      )}
    </Stack>
  );
}
