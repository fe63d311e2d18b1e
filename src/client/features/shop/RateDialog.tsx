/** What an hour costs and is charged at, from a day on. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { RatePutDto } from '#contract/rates.ts';
import type { PersonView } from '#contract/shop.ts';
import { WORKS } from '#core/estimate/lines.ts';
import { moneyIn, OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { useManner } from '../../shared/shop.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { MoneyField } from '../../ui/MoneyField.tsx';
import { usePutRate } from './rates.queries.ts';

interface Props {
  people: readonly PersonView[];
  /** Whose to begin with; absent: everybody's. */
  personId: string | undefined;
  onClose: () => void;
}

export function RateDialog({ people, personId, onClose }: Props) {
  const manner = useManner();
  const { currency, today } = manner;
  const put = usePutRate();
  const [rateId] = useState(() => uuidv7());
  const form = useContractForm<RatePutDto>(RatePutDto, {
    from: today,
    ...(personId === undefined ? {} : { personId }),
  });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => put.mutateAsync({ rateId, body }).then(onClose));
  return (
    <Dialog title="A rate from a day on" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Pair>
          <SelectField
            label="Whose"
            fault={errors.personId?.message}
            {...form.register('personId', OPTIONAL)}
          >
            <option value="">everybody’s</option>
            <Options of={people.filter((p) => !p.hasLeft)} />
          </SelectField>
          <SelectField
            label="For which work"
            fault={errors.work?.message}
            {...form.register('work', OPTIONAL)}
          >
            <option value="">every kind</option>
            <Options of={WORKS} />
          </SelectField>
        </Pair>
        <TextField
          label="From which day"
          type="date"
          hint="From today or later: what was worked before keeps its rate. Only somebody’s first rate may begin earlier."
          fault={errors.from?.message}
          {...form.register('from')}
        />
        <Pair>
          <MoneyField
            label="An hour costs the shop"
            currency={currency}
            hint="Empty: as it was."
            fault={errors.costMinor?.message}
            {...form.register('costMinor', moneyIn(manner))}
          />
          <MoneyField
            label="It is charged at"
            currency={currency}
            hint="Empty: as it was, or as the shop charges for the kind of work."
            fault={errors.chargeMinor?.message}
            {...form.register('chargeMinor', moneyIn(manner))}
          />
        </Pair>
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          Keep the rate
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
