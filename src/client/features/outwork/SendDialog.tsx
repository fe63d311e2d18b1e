/** Into the box, piece by piece: what is ticked goes, the rest stays on its pile. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BatchView } from '#contract/outwork.ts';
import { wordsOf } from '../../shared/api.ts';
import { orAbsent } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField, TickField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { Notice, Row } from '../../ui/parts.tsx';
import { useSendBatch } from './outwork.queries.ts';
import { pieceInWords } from './words.ts';

export default function SendDialog({ batch, onClose }: { batch: BatchView; onClose: () => void }) {
  const send = useSendBatch();
  const [actId] = useState(() => uuidv7());
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [promised, setPromised] = useState(batch.promised ?? '');
  const tick = (id: string): void => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    setTicked(next);
  };
  const left = batch.pieces.length - ticked.size;
  const day = orAbsent(promised);
  const body = {
    version: batch.version,
    actId,
    pieceIds: [...ticked],
    ...(day === undefined ? {} : { promised: day }),
  };
  const submit = (): Promise<unknown> =>
    send.mutateAsync({ batchId: batch.id, body }).then(onClose, () => undefined);
  return (
    <Dialog title={`Into the box: ${batch.number} to ${batch.vendor}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <div>
          {batch.pieces.map((p) => (
            <TickField
              key={p.id}
              label={`${pieceInWords(p)} (${p.nickname})`}
              checked={ticked.has(p.id)}
              onChange={() => tick(p.id)}
            />
          ))}
        </div>
        <Row>
          <Button onPress={() => setTicked(new Set(batch.pieces.map((p) => p.id)))}>
            Everything is in it
          </Button>
        </Row>
        <TextField
          label="Promised back, if a day was named"
          type="date"
          value={promised}
          onChange={(e) => setPromised(e.target.value)}
        />
        {left > 0 && ticked.size > 0 && (
          <Notice>
            {left === 1 ? 'One piece is' : `${left} pieces are`} not ticked and will stay on the pile.
          </Notice>
        )}
        <FormFault reason={send.isError ? wordsOf(send.error) : undefined} />
        <KeepOrLeave isDisabled={ticked.size === 0 || send.isPending} onLeave={onClose}>
          It has gone, {ticked.size} of {batch.pieces.length}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
