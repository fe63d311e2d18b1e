/** What was agreed for a build, agreed anew. */
import { useState } from 'react';
import { AgreedPutDto, TELL_BY, type BuildView } from '#contract/builds.ts';
import { STANDARDS } from '#core/log/standards.ts';
import { moneyIn, OPTIONAL, submitting, useContractForm, WHOLE } from '../../shared/forms.ts';
import { useManner } from '../../shared/shop.ts';
import { minorOrAbsent, moneyAsTyped, type MoneyManner } from '../../shared/typed.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, TextAreaField, TextField, Options } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { MoneyField } from '../../ui/MoneyField.tsx';
import { Quiet } from '../../ui/parts.tsx';
import { usePutAgreed } from './builds.queries.ts';
import { STANDARD_WORDS, TELL_WORDS } from './words.ts';

/** Amounts stand in the form as they are typed; the fields read them as minor units. */
function startOf(b: BuildView, manner: MoneyManner) {
  const typed = (minor: number | null | undefined): string =>
    minor === null || minor === undefined ? '' : moneyAsTyped(minor, manner);
  return {
    version: b.version,
    complaint: b.complaint,
    standard: b.standard,
    promised: b.promised ?? undefined,
    eventDay: b.eventDay ?? undefined,
    budgetMinor: typed(b.budgetMinor),
    discretionMinor: typed(b.discretionMinor),
    customerEmail: b.customerEmail ?? '',
    tellBy: b.tellBy,
    tellEveryDays: b.tellEveryDays,
  };
}

interface Props {
  build: BuildView;
  onClose: () => void;
}

export default function AgreedDialog({ build, onClose }: Props) {
  const manner = useManner();
  const { currency } = manner;
  const put = usePutAgreed(build.id);
  const [start] = useState(() => startOf(build, manner));
  const form = useContractForm(AgreedPutDto, start);
  const { errors } = form.formState;
  const money = moneyIn(manner);
  const submit = submitting(form, (body) => put.mutateAsync(body).then(onClose));
  return (
    <Dialog title={`What is agreed with ${build.customer}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Pair>
          <TextField
            label={`Budget, ${currency}, if there is one`}
            inputMode="decimal"
            fault={errors.budgetMinor?.message}
            {...form.register('budgetMinor', money)}
          />
          <MoneyField
            label="May be spent without asking"
            currency={currency}
            fault={errors.discretionMinor?.message}
            {...form.register('discretionMinor', {
              setValueAs: (v: string | number | undefined) => minorOrAbsent(v, manner) ?? 0,
            })}
          />
        </Pair>
        <Pair>
          <TextField
            label="Promised for"
            type="date"
            fault={errors.promised?.message}
            {...form.register('promised', OPTIONAL)}
          />
          <TextField
            label="Event it must be ready for"
            type="date"
            fault={errors.eventDay?.message}
            {...form.register('eventDay', OPTIONAL)}
          />
        </Pair>
        <SelectField
          label="Standard of finish"
          fault={errors.standard?.message}
          {...form.register('standard')}
        >
          <Options of={STANDARDS} words={STANDARD_WORDS} />
        </SelectField>
        <TextAreaField
          label="What they came with, in their own words"
          rows={3}
          maxLength={4000}
          fault={errors.complaint?.message}
          {...form.register('complaint')}
        />
        <TextField
          label="Their email"
          type="email"
          hint="Codes to approve an estimate go here too: change it only when they say so themselves."
          fault={errors.customerEmail?.message}
          {...form.register('customerEmail')}
        />
        <Pair>
          <SelectField label="Tell them" fault={errors.tellBy?.message} {...form.register('tellBy')}>
            <Options of={TELL_BY} words={TELL_WORDS} />
          </SelectField>
          <TextField
            label="Every … days"
            inputMode="numeric"
            fault={errors.tellEveryDays?.message}
            {...form.register('tellEveryDays', WHOLE)}
          />
        </Pair>
        <Quiet>
          What changes is written in the logbook, with what it was. Money, days and finish are told in the
          next letter.
        </Quiet>
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          Keep what is agreed
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
