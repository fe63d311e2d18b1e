/** The log line: docked at the bottom of every screen, one key away. */
import { lazy, Suspense, useEffect, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import { Check, CornerDownLeft, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { v7 as uuidv7 } from 'uuid';
import { wordsOf } from '../../shared/api.ts';
import { useKey } from '../../shared/keys.ts';
import { Button } from '../../ui/Button.tsx';
import { Key, Now, Row, Stack } from '../../ui/parts.tsx';
import { color, phone, size, space, touch } from '../../ui/tokens.ts';
import { OutgoingTray } from '../outgoing/index.ts';
import { ChoosePhotos, ChosenPhotos, UploadsTray } from '../photos/index.ts';
import { VoiceButton } from '../voice/index.ts';
import { useCorrectEntry } from './entries.queries.ts';
import { CorrectDialog } from './CorrectLazy.tsx';
import { useLogLine, type LogLineState } from './useLogLine.ts';

/** The chips are not needed to begin writing: they load as soon as the page has nothing else to do. */
const loadPreview = () => import('./Preview.tsx');
const Preview = lazy(loadPreview);
const WHEN_QUIET_MS = 300;

const Dock = styled.section`
  position: fixed;
  inset: auto 0 0;
  z-index: 20;
  padding: ${space.s} ${space.l} calc(${space.s} + env(safe-area-inset-bottom));
  background: ${color.paper};
  border-top: 3px solid ${color.blueing};
  max-height: 60dvh;
  overflow: auto;
  > * {
    max-width: 80rem;
    margin: 0 auto;
  }
  ${phone} {
    padding-inline: ${space.s};
  }
`;
const Line = styled.div`
  display: grid;
  grid-template-columns: auto 1fr auto auto auto;
  align-items: center;
  gap: ${space.s};
  label {
    font-weight: 700;
    color: ${color.blueing};
  }
  ${phone} {
    grid-template-columns: 1fr auto auto auto;
    gap: ${space.xs};
    label,
    [data-word] {
      position: absolute;
      clip-path: inset(50%);
    }
  }
`;
const Text = styled.textarea`
  display: block;
  width: 100%;
  max-height: 30dvh;
  resize: none;
  field-sizing: content;
  line-height: 1.45;
  min-height: 48px;
  padding: ${space.s} ${space.m};
  font-size: ${size.line};
  border: 2px solid ${color.blueing};
  border-radius: 3px;
  background: ${color.sheet};
  &::placeholder {
    color: ${color.zinc};
    opacity: 1;
  }
`;
export function LogLine() {
  const line = useLogLine();
  const input = useRef<HTMLTextAreaElement>(null);
  useKey('l', () => input.current?.focus());
  useEffect(() => {
    const timer = setTimeout(() => void loadPreview(), WHEN_QUIET_MS);
    return () => clearTimeout(timer);
  }, []);
  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Enter' && !e.shiftKey && !e.nativeEvent.isComposing) {
      e.preventDefault();
      void line.keep().then((asks) => asks || input.current?.focus());
    }
    if (e.key === 'Escape') input.current?.blur();
  };
  const writing = line.text.trim() !== '';
  const onPaste = (e: ClipboardEvent): void => {
    const files = [...e.clipboardData.files];
    if (files.length === 0) return;
    e.preventDefault();
    line.chooseFiles(files);
  };
  return (
    <Dock aria-label="Log line" data-testid="log-line">
      <Stack $gap="s">
        {writing && (
          <Suspense fallback={<Row style={{ minHeight: touch }} />}>
            <Preview line={line} onAnswered={() => input.current?.focus()} />
          </Suspense>
        )}
        <div role="status">
          {!writing && line.kept && <KeptNews key={line.kept.entry.id} line={line} />}
          <OutgoingTray />
          <UploadsTray />
        </div>
        <ChosenPhotos files={line.files} onDrop={line.dropFile} />
        {line.fault && <Now role="alert">{line.fault}</Now>}
        <Line>
          <label htmlFor="log-line">
            Log <Key aria-hidden>L</Key>
          </label>
          <Text
            id="log-line"
            ref={input}
            value={line.text}
            maxLength={4000}
            rows={1}
            enterKeyHint="done"
            placeholder={line.here ? `What about the ${line.here.name}?` : 'microcar: hood frame is back'}
            onFocus={line.comeNear}
            onChange={(e) => line.write(e.target.value)}
            onKeyDown={onKey}
            onPaste={onPaste}
          />
          <ChoosePhotos bare onChoose={line.chooseFiles} />
          <VoiceButton onRecorded={(file) => line.chooseFiles([file])} />
          <Button
            $look="main"
            aria-label="Keep this line"
            isDisabled={!writing && line.files.length === 0}
            onPress={() => void line.keep()}
          >
            <CornerDownLeft size={20} aria-hidden /> <span data-word>Keep</span>
          </Button>
        </Line>
      </Stack>
    </Dock>
  );
}

/** So long what was kept last can be undone with one press; afterwards from the logbook. */
const UNDO_MS = 10_000;

function UndoLine({ line }: { line: LogLineState }) {
  const kept = line.kept!;
  const { mutate, isPending, error } = useCorrectEntry(kept.build.id);
  const [isOver, setOver] = useState(false);
  const [id] = useState<string>(() => uuidv7());
  useEffect(() => {
    const timer = setTimeout(() => setOver(true), UNDO_MS);
    return () => clearTimeout(timer);
  }, []);
  if (error) return <Now role="alert">{wordsOf(error)}</Now>;
  if (isOver) return null;
  const undo = { id, correctsId: kept.entry.id, withdraw: true };
  return (
    <Button isDisabled={isPending} onPress={() => mutate(undo, { onSuccess: () => line.setKept(null) })}>
      <Undo2 size={18} aria-hidden /> Undo
    </Button>
  );
}

/** What was kept last, with the way to put it right. */
function KeptNews({ line }: { line: LogLineState }) {
  const [correcting, setCorrecting] = useState(false);
  const kept = line.kept!;
  return (
    <Row>
      <Check size={20} color={color.cure} aria-hidden />
      <span>
        Kept for the <Link to={`/builds/${kept.build.id}`}>{kept.build.name}</Link>:{' '}
        <b>{KIND_SPECS[kept.entry.kind].word}</b> {kept.entry.text}
        {kept.did.map((words) => (
          <b key={words}> · {words}</b>
        ))}
      </span>
      <UndoLine line={line} />
      <Button $look="quiet" onPress={() => setCorrecting(true)}>
        Correct it
      </Button>
      {correcting && (
        <CorrectDialog
          buildId={kept.build.id}
          entry={kept.entry}
          onClose={(entry) => {
            setCorrecting(false);
            if (entry) line.setKept({ ...kept, entry });
          }}
        />
      )}
    </Row>
  );
}
