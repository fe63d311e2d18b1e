/** Out of the box, piece by piece: what is here and how it is; what is not, is missing from today. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { BatchPieceView, BatchView, CameBackDto } from '#contract/outwork.ts';
import { RETURN_CHECKS, type ReturnCheck } from '#core/outwork/outwork.ts';
import { ApiProblem, wordsOf } from '../../shared/api.ts';
import { wholeTyped } from '../../shared/typed.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField, TickField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { Notice, Now } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { useReturnBatch } from './outwork.queries.ts';
import { pieceInWords } from './words.ts';

const Box = styled.div`
  border-top: 1px solid ${color.zincLine};
  padding-bottom: ${space.s};
`;

interface Here {
  count: string;
  check: ReturnCheck;
  note: string;
}

const toCome = (p: BatchPieceView): number => p.sent - p.back;

export default function ReturnDialog({ batch, onClose }: { batch: BatchView; onClose: () => void }) {
  const giveBack = useReturnBatch();
  const [actId] = useState(() => uuidv7());
  const open = batch.pieces.filter((p) => toCome(p) > 0);
  const [here, setHere] = useState<ReadonlyMap<string, Here>>(new Map());
  const [isAll, setIsAll] = useState(batch.state === 'back');
  const set = (id: string, now: Here | undefined): void => {
    const next = new Map(here);
    if (now) next.set(id, now);
    else next.delete(id);
    setHere(next);
    // What was refused was refused of what stood there before.
    giveBack.reset();
  };
  const came = [...here].map(([pieceId, { count, check, note }]): CameBackDto => ({
    pieceId,
    count: wholeTyped(count) ?? NaN,
    check,
    ...(note.trim() === '' ? {} : { note }),
  }));
  const lackingOf = (p: BatchPieceView): number => toCome(p) - (wholeTyped(here.get(p.id)?.count ?? '') ?? 0);
  const lacking = open.filter((p) => lackingOf(p) > 0);
  const submit = (): Promise<unknown> =>
    giveBack
      .mutateAsync({ batchId: batch.id, body: { version: batch.version, actId, came, isAll } })
      .then(onClose, () => undefined);
  const problem = giveBack.error instanceof ApiProblem ? giveBack.error : undefined;
  const faultAt = (p: BatchPieceView): string | undefined => {
    const at = came.findIndex((c) => c.pieceId === p.id);
    return problem?.at(`came.${p.id}`) ?? problem?.at(`came.${at}.count`);
  };
  return (
    <Dialog title={`Out of the box: ${batch.number} from ${batch.vendor}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <div>
          {open.map((p) => (
            <Box key={p.id}>
              <TickField
                label={`${pieceInWords({ ...p, count: toCome(p) })} (${p.nickname})`}
                checked={here.has(p.id)}
                fault={faultAt(p)}
                onChange={(e) =>
                  set(
                    p.id,
                    e.target.checked ? { count: String(toCome(p)), check: 'right', note: '' } : undefined,
                  )
                }
              />
              {here.has(p.id) && (
                <HowItIs piece={p} now={here.get(p.id)!} onChange={(now) => set(p.id, now)} />
              )}
            </Box>
          ))}
        </div>
        {batch.state === 'out' && (
          <TickField
            label="Nothing more comes with it"
            checked={isAll}
            onChange={(e) => setIsAll(e.target.checked)}
          />
        )}
        {isAll && lacking.length > 0 && (
          <Notice $tone="oxide">
            <Now>Missing from today:</Now>{' '}
            {lacking.map((p) => `${lackingOf(p)} of ${p.sent} ${p.what} (${p.nickname})`).join(', ')}. It is
            written in {lacking.length === 1 ? 'its car’s logbook' : 'their cars’ logbooks'}.
          </Notice>
        )}
        <FormFault reason={giveBack.isError ? wordsOf(giveBack.error) : undefined} />
        <KeepOrLeave isDisabled={(came.length === 0 && !isAll) || giveBack.isPending} onLeave={onClose}>
          Check in {came.length} of {open.length}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}

interface HowProps {
  piece: BatchPieceView;
  now: Here;
  onChange: (now: Here) => void;
}

function HowItIs({ piece, now, onChange }: HowProps) {
  return (
    <Pair>
      {toCome(piece) > 1 && (
        <TextField
          label={`How many of ${piece.what}`}
          inputMode="numeric"
          value={now.count}
          onChange={(e) => onChange({ ...now, count: e.target.value })}
        />
      )}
      <SelectField
        label={`${piece.what}: looked at, it is`}
        value={now.check}
        onChange={(e) => onChange({ ...now, check: e.target.value as ReturnCheck })}
      >
        <Options of={RETURN_CHECKS} />
      </SelectField>
      {now.check !== 'right' && (
        <TextField
          label={`What is ${now.check}`}
          value={now.note}
          onChange={(e) => onChange({ ...now, note: e.target.value })}
        />
      )}
    </Pair>
  );
}
