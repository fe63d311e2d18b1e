/** One press begins a voice note, the next ends it; it goes with the line when that is kept. */
import { useEffect, useRef, useState } from 'react';
import { Mic, Square } from 'lucide-react';
import { styled } from 'styled-components';
import { Button } from '../../ui/Button.tsx';
import { color, space } from '../../ui/tokens.ts';
import { clockOf, LONGEST_SECONDS, record, type Recording } from './record.ts';

const Wrap = styled.span`
  position: relative;
`;
const Beside = styled.span`
  position: absolute;
  right: 0;
  bottom: calc(100% + ${space.xs});
  padding: ${space.xs} ${space.s};
  white-space: nowrap;
  color: ${color.ink};
  background: ${color.sheet};
  border: 2px solid ${color.oxide};
`;
const Told = styled(Beside)`
  width: 14rem;
  white-space: normal;
`;

export function VoiceButton({ onRecorded }: { onRecorded: (file: File) => void }) {
  const [recording, setRecording] = useState<Recording | null>(null);
  const [seconds, setSeconds] = useState(0);
  const [why, setWhy] = useState('');
  const taken = useRef(onRecorded);
  useEffect(() => {
    taken.current = onRecorded;
  });
  const stop = async (r: Recording): Promise<void> => {
    setRecording(null);
    taken.current(await r.stop());
  };
  useEffect(() => {
    if (!recording) return;
    const began = performance.now();
    const timer = setInterval(() => {
      const now = (performance.now() - began) / 1000;
      setSeconds(now);
      if (now < LONGEST_SECONDS) return;
      clearInterval(timer);
      void stop(recording);
    }, 250);
    return () => clearInterval(timer);
  }, [recording]);
  const begin = async (): Promise<void> => {
    setWhy('');
    setSeconds(0);
    try {
      setRecording(await record());
    } catch (error) {
      setWhy(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Wrap>
      <Button
        $look={recording ? 'oxide' : 'plain'}
        aria-label={recording ? 'End the voice note' : 'Record a voice note'}
        onPress={() => void (recording ? stop(recording) : begin())}
      >
        {recording ? <Square size={20} aria-hidden /> : <Mic size={20} aria-hidden />}
      </Button>
      {recording && (
        <Beside role="timer" aria-label="Recording">
          Recording {clockOf(seconds)}
        </Beside>
      )}
      {why !== '' && <Told role="alert">{why}</Told>}
    </Wrap>
  );
}
