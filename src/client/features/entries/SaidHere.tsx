/** Several sentences about the car at hand, spoken or written: understood piece by piece, logged together. */
import { TextAreaField } from '../../ui/Field.tsx';
import { Notice, Stack } from '../../ui/parts.tsx';
import { loggedWords } from './loggedWords.ts';
import { ReaderState, Review } from './Review.tsx';
import { useDictation } from './useDictation.ts';

interface Props {
  buildId: string;
  name: string;
}

export default function SaidHere({ buildId, name }: Props) {
  const dictation = useDictation({ here: { id: buildId, name }, rememberedAs: `avrik.walk.${buildId}` });
  const { logged } = dictation;
  return (
    <Stack $gap="s">
      <TextAreaField
        label={`What is going on with the ${name}`}
        rows={3}
        value={dictation.text}
        onChange={(e) => dictation.write(e.target.value)}
      />
      {logged && (
        <Notice $tone="cure" role="status">
          {loggedWords(logged)}.
        </Notice>
      )}
      <ReaderState dictation={dictation} />
      <Review dictation={dictation} knowsCar />
    </Stack>
  );
}
