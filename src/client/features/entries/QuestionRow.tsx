/** A question about what was said, with its likely answers, one press each. */
import { styled } from 'styled-components';
import { Button } from '../../ui/Button.tsx';
import { Now, Row } from '../../ui/parts.tsx';
import { space } from '../../ui/tokens.ts';
import type { Question } from './questions.ts';

const Asks = styled(Row)`
  gap: ${space.xs} ${space.s};
  button {
    padding: 0 ${space.s};
  }
`;

interface Props {
  question: Question;
  /** The words that it is asked of, for those who hear it. */
  about: string;
}

export function QuestionRow({ question: { asks, answers }, about }: Props) {
  return (
    <Asks role="group" aria-label={`${asks} ${about}`} data-question>
      <Now>{asks}</Now>
      {answers.map(({ words, take }) => (
        <Button key={words} onPress={take}>
          {words}
        </Button>
      ))}
    </Asks>
  );
}
