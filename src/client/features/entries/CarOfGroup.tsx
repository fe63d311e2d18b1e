/** Which car the next lines are of; asked where the talk only seems to turn to it. Chosen, it holds until the talk turns again. */
import { styled } from 'styled-components';
import { Row } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { CarSelect } from './CarSelect.tsx';
import { QuestionRow } from './QuestionRow.tsx';
import type { Question } from './questions.ts';
import type { Dictation, Group } from './useDictation.ts';

const Head = styled(Row)`
  margin-top: ${space.m};
  padding-bottom: ${space.xs};
  border-bottom: 2px solid ${color.ink};
`;

interface Props {
  group: Group;
  dictation: Dictation;
  question: Question | null;
}

export function CarOfGroup({ group: { car, pieces }, dictation, question }: Props) {
  const first = pieces[0]!;
  return (
    <Head {...(car ? {} : { 'data-question': true })}>
      <CarSelect
        build={car ?? undefined}
        about={first.piece.text}
        onBuild={(build) => dictation.setCar(first.key, build)}
      />
      {question && <QuestionRow question={question} about={first.piece.text} />}
    </Head>
  );
}
