/** A voice note in the logbook: played, and what it says, once somebody has written it down. */
import { lazy, Suspense, useState } from 'react';
import { styled } from 'styled-components';
import { pathOf } from '#contract/routes.ts';
import type { VoiceView } from '#contract/voice.ts';
import { Button } from '../../ui/Button.tsx';
import { Row, Stack } from '../../ui/parts.tsx';
import { space } from '../../ui/tokens.ts';

const VoiceWordsDialog = lazy(() => import('./VoiceWordsDialog.tsx'));

const Sound = styled.audio`
  width: min(20rem, 100%);
  height: 44px;
`;
const Words = styled.p`
  white-space: pre-line;
  padding-left: ${space.m};
`;

export function VoiceNote({ buildId, voice }: { buildId: string; voice: VoiceView }) {
  const [isWriting, setWriting] = useState(false);
  return (
    <Stack $gap="s">
      <Row>
        <Sound
          controls
          preload="none"
          src={pathOf('voiceFile', { voiceId: voice.id })}
          aria-label={voice.name}
        />
        <Button $look="quiet" onPress={() => setWriting(true)}>
          {voice.words === '' ? 'Write down what it says' : 'Change what it says'}
        </Button>
      </Row>
      {voice.words !== '' && <Words>“{voice.words}”</Words>}
      {isWriting && (
        <Suspense>
          <VoiceWordsDialog buildId={buildId} voice={voice} onClose={() => setWriting(false)} />
        </Suspense>
      )}
    </Stack>
  );
}
