/** Several sentences about the car at hand, spoken or written: understood piece by piece, logged together. */
import { FormFault } from '../../ui/Form.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { Notice, Now, Row, Stack } from '../../ui/parts.tsx';
import { loggedWords } from './loggedWords.ts';
import { OneSaid } from './OneSaid.tsx';
import { useNarration } from './useNarration.ts';

interface Props {
  buildId: string;
  name: string;
}

export default function SaidHere({ buildId, name }: Props) {
  const narration = useNarration({ here: { id: buildId, name }, rememberedAs: `avrik.walk.${buildId}` });
  const { kept, aside, asks, logged } = narration;
  return (
    <Stack $gap="s">
      <TextAreaField
        label={`What is going on with the ${name}`}
        rows={3}
        value={narration.text}
        onChange={(e) => narration.write(e.target.value)}
      />
      {logged && (
        <Notice $tone="cure" role="status">
          {loggedWords(logged)}.
        </Notice>
      )}
      {(kept.length > 0 || aside.length > 0) && (
        <>
          <ul aria-label="What was understood">
            {kept.map((r) => (
              <OneSaid key={r.key} reviewed={r} narration={narration} />
            ))}
          </ul>
          <FormFault reason={narration.fault} />
          <Row>
            <Button
              $look="main"
              isDisabled={kept.length === 0 || asks > 0 || narration.isLogging}
              onPress={narration.log}
            >
              {kept.length === 1 ? 'Log this line' : `Log these ${kept.length} lines`}
            </Button>
            {aside.length > 0 && (
              <Now>
                {aside.length === 1 ? 'One piece is' : `${aside.length} pieces are`} set aside:{' '}
                {aside.map((r) => r.piece.text).join('; ')}
              </Now>
            )}
          </Row>
        </>
      )}
    </Stack>
  );
}
