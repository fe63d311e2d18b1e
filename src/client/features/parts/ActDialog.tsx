/** What is done with a part: only what that act needs is asked. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { PartActDto, type PartView } from '#contract/parts.ts';
import { CHECKS, FATES, SETTLED_FATES, type PartAct } from '#core/parts/parts.ts';
import { moneyIn, OPTIONAL, submitting, useContractForm, WHOLE } from '../../shared/forms.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { moneyAsTyped } from '../../shared/typed.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField, TickField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { MoneyField } from '../../ui/MoneyField.tsx';
import { Notice, Now } from '../../ui/parts.tsx';
import { useActOnPart } from './parts.queries.ts';
import { ACT_WORDS } from './words.ts';

interface Props {
  part: PartView;
  act: PartAct;
  onClose: () => void;
}

export default function ActDialog({ part, act, onClose }: Props) {
  const manner = useManner();
  const { currency } = manner;
  const { seesPrices } = useShop();
  const done = useActOnPart(part.buildId);
  const [entryId] = useState(() => uuidv7());
  const form = useContractForm<PartActDto>(PartActDto, {
    version: part.version,
    entryId,
    act,
    vendor: part.vendor,
    ...(part.priceMinor === undefined || act !== 'order'
      ? {}
      : { priceMinor: moneyAsTyped(part.priceMinor, manner) }),
    ...(part.costMinor === undefined || act !== 'order'
      ? {}
      : { costMinor: moneyAsTyped(part.costMinor, manner) }),
  });
  const { errors } = form.formState;
  const check = form.watch('check');
  const isFaulty = act === 'failed' || (act === 'arrive' && check !== undefined && check !== 'right');
  const submit = submitting(form, (body) => done.mutateAsync({ partId: part.id, body }).then(onClose));
  return (
    <Dialog title={`${ACT_WORDS[act]}: ${part.what}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        {act === 'order' && part.whyMayNotFit && (
          <Notice $tone="oxide" role="status">
            <Now>May not fit:</Now> {part.whyMayNotFit}.
          </Notice>
        )}
        {act === 'order' && (
          <TextField
            label="From whom"
            fault={errors.vendor?.message}
            {...form.register('vendor', OPTIONAL)}
          />
        )}
        {(act === 'order' || act === 'new date') && (
          <TextField
            label={act === 'order' ? 'Expected, if a day was named' : 'Expected now'}
            type="date"
            fault={errors.due?.message}
            {...form.register('due', OPTIONAL)}
          />
        )}
        {act === 'order' && seesPrices && (
          <MoneyField
            label="Price of all of it"
            currency={currency}
            fault={errors.priceMinor?.message}
            {...form.register('priceMinor', moneyIn(manner))}
          />
        )}
        {act === 'order' && seesPrices && (
          <MoneyField
            label="Costs the shop"
            currency={currency}
            hint="Empty: the same."
            fault={errors.costMinor?.message}
            {...form.register('costMinor', moneyIn(manner))}
          />
        )}
        {act === 'arrive' && (
          <SelectField
            label="Looked at, it is"
            fault={errors.check?.message}
            {...form.register('check', OPTIONAL)}
          >
            <option value="">choose …</option>
            <Options of={CHECKS} />
          </SelectField>
        )}
        {(act === 'fit' || act === 'old one settled') && (
          <>
            <SelectField
              label={act === 'fit' ? 'What becomes of the old one' : 'What became of the old one'}
              fault={errors.fate?.message}
              {...form.register('fate', OPTIONAL)}
            >
              <option value="">choose …</option>
              <Options of={act === 'fit' ? FATES : SETTLED_FATES} />
            </SelectField>
            <TextField
              label="Bag, if bagged"
              fault={errors.bag?.message}
              {...form.register('bag', OPTIONAL)}
            />
          </>
        )}
        {act === 'credited' && (
          <MoneyField
            label="What came back"
            currency={currency}
            fault={errors.creditMinor?.message}
            {...form.register('creditMinor', moneyIn(manner))}
          />
        )}
        <TextField
          label={isFaulty ? 'What is wrong with it' : 'A word about it, or its tracking number'}
          fault={errors.note?.message}
          {...form.register('note', OPTIONAL)}
        />
        {isFaulty && (
          <>
            <TextField
              label="What it broke, if it broke something"
              hint="Becomes a finding of its own."
              fault={errors.broke?.message}
              {...form.register('broke', OPTIONAL)}
            />
            <TextField
              label="Minutes lost to it"
              hint="Kept for the claim, on no line."
              inputMode="numeric"
              fault={errors.lostMinutes?.message}
              {...form.register('lostMinutes', WHOLE)}
            />
            <TickField label="The old one is in again" {...form.register('oldIsBack')} />
          </>
        )}
        <FormFault reason={errors.root?.message ?? errors.act?.message} />
        <KeepOrLeave isDisabled={done.isPending} onLeave={onClose}>
          {ACT_WORDS[act]}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
