/** Somebody else who is told of a car. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { ReaderDto } from '#contract/readers.ts';
import { SCOPE_WORDS, SCOPES } from '#core/update/scope.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { Quiet } from '../../ui/parts.tsx';
import { usePutReader } from './readers.queries.ts';

export default function ReaderDialog({ buildId, onClose }: { buildId: string; onClose: () => void }) {
  const add = usePutReader(buildId);
  // Made once, so that a second press is the same.
  const [readerId] = useState(() => uuidv7());
  const form = useContractForm(ReaderDto, { name: '', email: '', scope: 'letters' as const });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => add.mutateAsync({ readerId, body }).then(onClose));
  return (
    <Dialog title="Tell somebody else too" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField label="Name" fault={errors.name?.message} {...form.register('name')} />
        <TextField label="Email" type="email" fault={errors.email?.message} {...form.register('email')} />
        <SelectField label="They see" fault={errors.scope?.message} {...form.register('scope')}>
          <Options of={SCOPES} words={SCOPE_WORDS} />
        </SelectField>
        <Quiet>
          They get each letter from now on, and a page of their own with all of them. Whoever may answer
          estimates gets the code for it by mail, as the customer does.
        </Quiet>
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={add.isPending} onLeave={onClose}>
          Tell them
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
