/** What a voice note says: heard again, dictated or typed, or heard by the transcriber and read before it is kept. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { pathOf } from '#contract/routes.ts';
import { LONGEST_VOICE_WORDS, type VoiceView } from '#contract/voice.ts';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { Notice, Row } from '../../ui/parts.tsx';
import { useVoiceWords, voicesQuery } from './voice.queries.ts';

interface Props {
  buildId: string;
  voice: VoiceView;
  onClose: () => void;
}

export default function VoiceWordsDialog({ buildId, voice, onClose }: Props) {
  const { data } = useQuery(voicesQuery(buildId));
  const { save, hear } = useVoiceWords(voice.id);
  // As it was opened: what somebody else writes meanwhile is told at keeping.
  const [{ version }] = useState(voice);
  const [text, setText] = useState(voice.words);
  const fault = [save, hear].find((m) => m.isError)?.error;
  const listen = (): void =>
    hear.mutate(undefined, {
      onSuccess: ({ words }) => setText((t) => (t.trim() === '' ? words : `${t}\n${words}`)),
    });
  return (
    <Dialog title="What it says" isOpen onClose={onClose}>
      <Form onSubmit={() => save.mutateAsync({ version, words: text }).then(onClose, () => undefined)}>
        <audio
          controls
          preload="none"
          src={pathOf('voiceFile', { voiceId: voice.id })}
          aria-label={voice.name}
          style={{ width: '100%' }}
        />
        <TextAreaField
          label="In words"
          hint="Type it, or speak it with the telephone’s own dictation."
          rows={5}
          maxLength={LONGEST_VOICE_WORDS}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        {data?.transcriber && (
          <Row>
            <Button isDisabled={hear.isPending} onPress={listen}>
              Let it be written
            </Button>
          </Row>
        )}
        {data?.transcriber === 'stand-in' && hear.isSuccess && (
          <Notice role="status">
            A stand-in made these words up: it hears nothing. Listen, and write what was said.
          </Notice>
        )}
        <FormFault reason={fault ? wordsOf(fault) : undefined} />
        <KeepOrLeave isDisabled={save.isPending} onLeave={onClose}>
          Keep these words
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
