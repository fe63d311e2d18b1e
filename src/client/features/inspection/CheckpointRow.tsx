/** One checkpoint: three large answers, and what was found there, written as into the log line. */
import { useRef, useState, type KeyboardEvent } from 'react';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { InspectionView } from '#contract/inspection.ts';
import { factsOf, parseLine } from '#core/capture/index.ts';
import { factsFor } from '#core/capture/understood.ts';
import { findingLine, MARKS, type Mark } from '#core/inspection/checkpoints.ts';
import { type Checkpoint, type Zone } from '#core/inspection/zones.ts';
import { KIND_SPECS, type Facts } from '#core/log/kinds.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { Now, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { ChoosePhotos, ChosenPhotos, PhotoStrip, sendFiles, usePhotosByEntry } from '../photos/index.ts';
import { factText, FIELD_ORDER, fieldWord, useCapture } from '../entries/index.ts';
import { useMarkCheckpoint } from './inspection.queries.ts';

const Line = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: ${space.s} ${space.l};
  align-items: center;
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  > :nth-child(n + 3) {
    grid-column: 1 / -1;
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Choices = styled(Row)`
  button[aria-pressed='true'] {
    color: ${color.paper};
    border-color: transparent;
    background: ${color.zinc};
    &[data-mark='fine'] {
      background: ${color.cure};
    }
    &[data-mark='finding'] {
      background: ${color.oxide};
    }
  }
`;

const MARK_WORDS: Record<Mark, string> = {
  fine: 'Fine',
  finding: 'Finding',
  'not seen': 'Could not see',
};

interface Props {
  inspection: InspectionView;
  zone: Zone;
  checkpoint: Checkpoint;
  /** The checkpoint is at hand now: the log line then knows the zone. */
  onAtHand: () => void;
}

export function CheckpointRow({ inspection, zone, checkpoint, onAtHand }: Props) {
  const mark = useMarkCheckpoint(inspection.buildId);
  const photos = usePhotosByEntry(inspection.buildId);
  const [writing, setWriting] = useState(false);
  const stands = inspection.marks.find((m) => m.checkpoint === checkpoint.id)?.mark;
  const findings = inspection.findings.filter((f) => f.checkpoint === checkpoint.id);
  const press = (to: Mark): void => {
    onAtHand();
    if (to === 'finding') return setWriting(true);
    mark.mutate({ checkpoint: checkpoint.id, mark: to === stands ? 'none' : to });
  };
  return (
    <Line data-checkpoint={checkpoint.id} onFocus={onAtHand}>
      <span>{checkpoint.look}</span>
      <Choices role="group" aria-label={checkpoint.look}>
        {MARKS.map((m) => (
          <Button key={m} aria-pressed={stands === m} data-mark={m} onPress={() => press(m)}>
            {MARK_WORDS[m]}
          </Button>
        ))}
      </Choices>
      {findings.map((f) => (
        <Row key={f.entryId}>
          <span>{f.text}</span>
          <PhotoStrip buildId={inspection.buildId} photos={photos.get(f.entryId) ?? []} tall={56} />
          <ChoosePhotos
            bare
            quiet
            about={f.text.slice(0, 60)}
            onChoose={(files) => sendFiles(inspection.buildId, f.entryId, files)}
          />
        </Row>
      ))}
      {mark.isError && <Now role="alert">{wordsOf(mark.error)}</Now>}
      {writing && <FindingField {...{ inspection, zone, checkpoint }} onDone={() => setWriting(false)} />}
    </Line>
  );
}

function FindingField({
  inspection,
  zone,
  checkpoint,
  onDone,
}: Omit<Props, 'onAtHand'> & { onDone: () => void }) {
  const capture = useCapture();
  const manner = useManner();
  const mark = useMarkCheckpoint(inspection.buildId);
  const [text, setText] = useState('');
  const [files, setFiles] = useState<readonly File[]>([]);
  const id = useRef(uuidv7());
  const line = findingLine(checkpoint, text);
  const parsed = parseLine(line, capture, 'found');
  const facts: Facts = factsFor('found', { ...factsOf(parsed), zone: parsed.zone ?? zone.zone });
  const keep = (): void => {
    if (text.trim() === '' || mark.isPending) return;
    const finding = {
      id: id.current,
      kind: 'found' as const,
      text: line,
      facts,
      audience: KIND_SPECS.found.audience,
    };
    const onSuccess = (): void => {
      sendFiles(inspection.buildId, finding.id, files);
      onDone();
    };
    mark.mutate({ checkpoint: checkpoint.id, mark: 'finding', finding }, { onSuccess });
  };
  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Escape') onDone();
    if (e.key !== 'Enter' || e.shiftKey || e.nativeEvent.isComposing) return;
    e.preventDefault();
    keep();
  };
  return (
    <Stack $gap="s">
      <TextAreaField
        label={`What is it? ${checkpoint.look}`}
        hint={
          text.trim() === ''
            ? 'As you would say it: cracked at the union, 40 and two hours, safety'
            : FIELD_ORDER.filter((f) => facts[f] !== undefined)
                .map((f) => `${fieldWord(f, 'found')} ${factText(f, facts, manner)}`)
                .join(' · ')
        }
        fault={mark.isError ? wordsOf(mark.error) : undefined}
        rows={2}
        maxLength={3900}
        autoFocus
        value={text}
        onChange={(e) => {
          id.current = uuidv7();
          setText(e.target.value);
        }}
        onKeyDown={onKey}
      />
      <ChosenPhotos files={files} onDrop={(file) => setFiles((fs) => fs.filter((f) => f !== file))} />
      <Row>
        <ChoosePhotos onChoose={(more) => setFiles((fs) => [...fs, ...more])} />
        <Button $look="main" isDisabled={text.trim() === '' || mark.isPending} onPress={keep}>
          Keep the finding
        </Button>
        <Button $look="quiet" onPress={onDone}>
          Leave it
        </Button>
        <Quiet>Enter keeps it.</Quiet>
      </Row>
    </Stack>
  );
}
