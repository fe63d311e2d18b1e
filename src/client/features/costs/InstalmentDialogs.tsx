/** Money asked on account, and money that came in for it. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { InstalmentPaidDto, InstalmentPutDto, type InstalmentView } from '#contract/costs.ts';
import { useCarChange } from '../../shared/changing.ts';
import { moneyIn, OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { useManner } from '../../shared/shop.ts';
import { moneyAsTyped } from '../../shared/typed.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField, TickField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { MoneyField } from '../../ui/MoneyField.tsx';

interface AskProps {
  buildId: string;
  /** Null asks anew. */
  row: InstalmentView | null;
  onClose: () => void;
}

export function InstalmentDialog({ buildId, row, onClose }: AskProps) {
  const manner = useManner();
  const { currency } = manner;
  const put = useCarChange(buildId, 'instalmentPut');
  const drop = useCarChange(buildId, 'instalmentDrop');
  const [instalmentId] = useState(() => row?.id ?? uuidv7());
  const form = useContractForm<InstalmentPutDto>(InstalmentPutDto, {
    version: row?.version ?? 0,
    what: row?.what ?? '',
    askedMinor: row ? moneyAsTyped(row.askedMinor, manner) : '',
    holds: row?.holds ?? true,
    ...(row?.due === undefined ? {} : { due: row.due }),
  });
  const { errors } = form.formState;
  const submit = submitting(form, (body) =>
    put.mutateAsync({ params: { instalmentId }, body }).then(onClose),
  );
  return (
    <Dialog title={row ? 'Money on account' : 'Ask for money on account'} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="What for"
          hint="As the customer reads it: before the metalwork, the engine’s deposit."
          autoFocus
          fault={errors.what?.message}
          {...form.register('what')}
        />
        <Pair>
          <MoneyField
            label="How much"
            currency={currency}
            fault={errors.askedMinor?.message}
            {...form.register('askedMinor', moneyIn(manner))}
          />
          <TextField
            label="By when, if a day was named"
            type="date"
            fault={errors.due?.message}
            {...form.register('due', OPTIONAL)}
          />
        </Pair>
        <TickField label="Work on this car stops until it is in" {...form.register('holds')} />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          {row ? 'Keep the change' : 'Write it down'}
        </KeepOrLeave>
        {row && row.receivedMinor === 0 && (
          <Button
            $look="quiet"
            isDisabled={drop.isPending}
            onPress={() =>
              drop.mutate(
                { params: { instalmentId }, body: { version: row.version } },
                { onSuccess: onClose },
              )
            }
          >
            Ask for it no more
          </Button>
        )}
      </Form>
    </Dialog>
  );
}

interface ReceivedProps {
  buildId: string;
  row: InstalmentView;
  onClose: () => void;
}

export function ReceivedDialog({ buildId, row, onClose }: ReceivedProps) {
  const manner = useManner();
  const { currency, today } = manner;
  const pay = useCarChange(buildId, 'instalmentPaid');
  const [actId] = useState(() => uuidv7());
  const [goesBack, setGoesBack] = useState(false);
  const open = Math.max(0, row.askedMinor - row.receivedMinor);
  const form = useContractForm<InstalmentPaidDto>(InstalmentPaidDto, {
    actId,
    amountMinor: open > 0 ? moneyAsTyped(open, manner) : '',
    on: today,
  });
  const { errors } = form.formState;
  const submit = submitting(form, (body) =>
    pay
      .mutateAsync({
        params: { instalmentId: row.id },
        body: { ...body, amountMinor: goesBack ? -body.amountMinor : body.amountMinor },
      })
      .then(onClose),
  );
  return (
    <Dialog title={`Came in: ${row.what}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Pair>
          <MoneyField
            label="How much"
            currency={currency}
            autoFocus
            fault={errors.amountMinor?.message}
            {...form.register('amountMinor', moneyIn(manner))}
          />
          <TextField label="On which day" type="date" fault={errors.on?.message} {...form.register('on')} />
        </Pair>
        {row.receivedMinor > 0 && (
          <TickField
            label="It went back to the customer"
            checked={goesBack}
            onChange={(e) => setGoesBack(e.target.checked)}
          />
        )}
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={pay.isPending} onLeave={onClose}>
          {goesBack ? 'It went back' : 'It is in'}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
