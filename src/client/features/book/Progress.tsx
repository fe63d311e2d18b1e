/** How far a book is that is being made. */
import { styled } from 'styled-components';
import type { BookView } from '#contract/book.ts';
import { Quiet, Row } from '../../ui/parts.tsx';
import { color } from '../../ui/tokens.ts';

const Bar = styled.progress`
  flex: 1;
  min-width: 8rem;
  height: 12px;
  accent-color: ${color.blueing};
`;

export function Progress({ book, words }: { book: BookView; words: string }) {
  const { state, done, of } = book;
  const steps = state === 'waiting' || of === 0 ? {} : { value: done, max: of };
  return (
    <Row role="status">
      <span>{words}</span>
      <Bar aria-label={words} {...steps} />
      {of > 0 && (
        <Quiet>
          {done} of {of} pictures
        </Quiet>
      )}
    </Row>
  );
}
