/** Several things about several cars, said or written in one go: understood piece by piece, put right, logged together. */
import { Link } from 'react-router';
import { useTitle } from '../../shared/title.ts';
import { TextAreaField } from '../../ui/Field.tsx';
import { Notice, Page, Row, Stack, Title } from '../../ui/parts.tsx';
import { loggedWords } from './loggedWords.ts';
import { ReaderState, Review } from './Review.tsx';
import { useDictation } from './useDictation.ts';

export default function DictationPage() {
  const dictation = useDictation();
  const { logged } = dictation;
  useTitle('Dictate for several cars');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Dictate for several cars</Title>
          <Link to="/">Floor</Link>
        </Row>
        <TextAreaField
          label="What is going on, car after car"
          hint="Speak it with the phone’s own dictation, or write it. Talk as you do: name a car, say what was done, found, ordered or is to come, and name the next. Nothing is kept before you press."
          rows={6}
          value={dictation.text}
          onChange={(e) => dictation.write(e.target.value)}
        />
        {logged && (
          <Notice $tone="cure" role="status">
            {loggedWords(logged)}: {logged.cars.join(', ')}.
          </Notice>
        )}
        <ReaderState dictation={dictation} />
        <Review dictation={dictation} />
      </Stack>
    </Page>
  );
}
