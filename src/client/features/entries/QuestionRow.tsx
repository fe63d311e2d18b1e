/** A question about what was said, with its likely answers, one press each. */
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { styled } from 'styled-components';
import { Button } from '../../ui/Button.tsx';
import { Key, Now, Row } from '../../ui/parts.tsx';
import { phone, space } from '../../ui/tokens.ts';
import type { Question } from './questions.ts';

const Asks = styled(Row)`
  gap: ${space.xs} ${space.s};
  button {
    padding: 0 ${space.s};
  }
  ${phone} {
    kbd {
      display: none;
    }
  }
`;

interface Props {
  question: Question;
  /** The words that it is asked of, for those who hear it. */
  about: string;
  /** Whether somebody waits for the answer: then one stands in it, and 1 or 2 answers it. */
  isWanted?: boolean;
}

export function QuestionRow({ question: { asks, answers }, about, isWanted = false }: Props) {
  const row = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (isWanted) row.current?.querySelector('button')?.focus();
  }, [isWanted]);
  const onKeyDown = (e: KeyboardEvent): void => {
    const answer = isWanted ? answers[Number(e.key) - 1] : undefined;
    if (!answer) return;
    e.preventDefault();
    answer.take();
  };
  return (
    <Asks ref={row} role="group" aria-label={`${asks} ${about}`} data-question onKeyDown={onKeyDown}>
      <Now>{asks}</Now>
      {answers.map(({ words, take }, i) => (
        <Button key={words} onPress={take}>
          {isWanted && <Key aria-hidden>{i + 1}</Key>} {words}
        </Button>
      ))}
    </Asks>
  );
}
