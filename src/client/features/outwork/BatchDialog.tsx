/** A batch begun or changed: to whom, for when, for how much; and what it holds up to send it now or to wait. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { BatchPutDto, type BatchView, type PastBatchView, type PieceView } from '#contract/outwork.ts';
import type { Treatment } from '#core/outwork/outwork.ts';
import { moneyIn, OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { moneyAsTyped, type MoneyManner } from '../../shared/typed.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { MoneyField } from '../../ui/MoneyField.tsx';
import { knownQuery } from '../entries/index.ts';
import { NowOrLater } from './NowOrLater.tsx';
import { usePutBatch } from './outwork.queries.ts';
import { pileName } from './words.ts';

interface Props {
  treatment: Treatment;
  /** Null begins one. */
  batch: BatchView | null;
  pieces: readonly PieceView[];
  past: readonly PastBatchView[];
  onClose: () => void;
}

function startOf(batch: BatchView | null, treatment: Treatment, pieceIds: string[], manner: MoneyManner) {
  const { version = 0, vendor = '', note = '', promised = null, priceMinor } = batch ?? {};
  return {
    version,
    vendor,
    note,
    treatment,
    pieceIds,
    ...(promised === null ? {} : { promised }),
    ...(priceMinor === undefined ? {} : { priceMinor: moneyAsTyped(priceMinor, manner) }),
  };
}

export default function BatchDialog({ treatment, batch, pieces, past, onClose }: Props) {
  const manner = useManner();
  const { currency } = manner;
  const { seesPrices } = useShop();
  const put = usePutBatch();
  const { data: known } = useQuery(knownQuery);
  const [batchId] = useState(() => batch?.id ?? uuidv7());
  const [start] = useState(() =>
    startOf(
      batch,
      treatment,
      pieces.map((p) => p.id),
      manner,
    ),
  );
  const form = useContractForm<BatchPutDto>(BatchPutDto, start);
  const { errors } = form.formState;
  const [vendor, promised] = form.watch(['vendor', 'promised']);
  const isOut = batch !== null && batch.state !== 'filling';
  const submit = submitting(form, (body) => put.mutateAsync({ batchId, body }).then(onClose));
  return (
    <Dialog
      title={batch ? `${batch.number}, ${treatment}` : `${pileName(treatment)}: a batch of ${pieces.length}`}
      isOpen
      onClose={onClose}
    >
      <Form onSubmit={submit}>
        <Pair>
          <TextField
            label="To whom"
            autoFocus={!isOut}
            readOnly={isOut}
            list="outwork-vendors"
            autoComplete="off"
            fault={errors.vendor?.message}
            {...form.register('vendor')}
          />
          <TextField
            label="Promised back, if a day was named"
            type="date"
            fault={errors.promised?.message}
            {...form.register('promised', OPTIONAL)}
          />
          {seesPrices && (
            <MoneyField
              label="Price of all of it"
              currency={currency}
              hint="Shared out by the number of things."
              fault={errors.priceMinor?.message}
              {...form.register('priceMinor', moneyIn(manner))}
            />
          )}
        </Pair>
        <datalist id="outwork-vendors">
          {known?.vendors.map((v) => (
            <option key={v.id} value={v.name} />
          ))}
        </datalist>
        <TextField label="A word to them" fault={errors.note?.message} {...form.register('note')} />
        {!isOut && vendor?.trim() && (
          <NowOrLater
            vendor={vendor}
            treatment={treatment}
            promised={promised ?? null}
            pieces={pieces}
            past={past}
          />
        )}
        <FormFault reason={errors.root?.message ?? errors.pieceIds?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          {batch ? 'Keep the change' : 'Begin the batch'}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
