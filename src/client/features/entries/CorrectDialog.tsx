/** Puts a kept entry right. What was first written stays in the logbook. */
import { useMemo, useRef, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import type { EntryView } from '#contract/entries.ts';
import { factsFor, type LoggedKind } from '#core/capture/understood.ts';
import { parseLine } from '#core/capture/index.ts';
import { reread } from '#core/capture/reread.ts';
import type { Facts } from '#core/log/kinds.ts';
import { dayOf } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { knownQuery, useCorrectEntry } from './entries.queries.ts';
import { SaidChips, type Said } from './SaidChips.tsx';
import { useCapture } from './useCapture.ts';
import { useReader } from './useReader.ts';

interface Props {
  buildId: string;
  entry: EntryView;
  /** With the entry as it holds now, or nothing when left. */
  onClose: (entry?: EntryView) => void;
}

export default function CorrectDialog({ buildId, entry, onClose }: Props) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const { timeZone } = useShop().shop;
  const here = useCapture();
  // “Due friday” is the Friday after the day on which it happened.
  const capture = useMemo(() => ({ ...here, today: dayOf(entry.at, timeZone) }), [here, entry.at, timeZone]);
  const correct = useCorrectEntry(buildId);
  const { reader } = useReader();
  // Without the reader its kind stays what it is.
  const read = (line: string) =>
    reader ? reader.readLine(line, capture).line : parseLine(line, capture, entry.kind);
  const [text, setText] = useState(entry.text);
  const [said, setSaid] = useState<Said>({
    kind: entry.kind as LoggedKind,
    facts: entry.facts as Facts,
    audience: entry.audience,
  });
  const id = useRef(uuidv7());
  const send = (body: { withdraw: true } | { now: Said & { text: string } }): void =>
    correct.mutate({ id: id.current, correctsId: entry.id, ...body }, { onSuccess: (now) => onClose(now) });
  const change = (next: Partial<Said>): void => {
    id.current = uuidv7();
    setSaid((s) => {
      const merged = { ...s, ...next };
      return { ...merged, facts: factsFor(merged.kind, merged.facts) };
    });
  };
  return (
    <Dialog title="Correct this entry" isOpen onClose={() => onClose()}>
      <Stack>
        <TextAreaField
          label="What was written"
          value={text}
          rows={2}
          maxLength={4000}
          onChange={(e) => {
            const { kind, facts } = reread({ text, ...said }, e.target.value, read);
            change({ kind, facts });
            setText(e.target.value);
          }}
        />
        <SaidChips
          {...{ said, manner, known }}
          onKind={(kind) => change({ kind })}
          onAudience={(audience) => change({ audience })}
          onFact={(field, value) => change({ facts: { ...said.facts, [field]: value ?? undefined } })}
        />
        <Quiet>
          The first words stay in the logbook beneath the new ones.
          {entry.acts.length > 0 &&
            ' Withdrawn, or made another kind of entry, what it did is undone as well.'}
        </Quiet>
        {correct.isError && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(correct.error)}
          </Notice>
        )}
        <Row>
          <Button
            $look="main"
            isDisabled={correct.isPending || text.trim() === ''}
            onPress={() => send({ now: { ...said, text: text.trim() } })}
          >
            Keep the correction
          </Button>
          <Button $look="oxide" isDisabled={correct.isPending} onPress={() => send({ withdraw: true })}>
            It should never have been logged
          </Button>
          <Button $look="quiet" onPress={() => onClose()}>
            Leave it
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
