/** Why a build rests, for whose reasons, and until about when. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { PauseDto } from '#contract/builds.ts';
import { PAUSE_SIDES } from '#core/pauses/pauses.ts';
import { OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { usePause } from './builds.queries.ts';

const SIDE_WORDS = {
  customer: 'the customer’s: the promise waits as long',
  shop: 'the shop’s own: the promise stays',
};

export default function PauseDialog({ buildId, onClose }: { buildId: string; onClose: () => void }) {
  const pause = usePause(buildId);
  const [pauseId] = useState(() => uuidv7());
  const form = useContractForm<PauseDto>(PauseDto, { reason: '', side: 'customer' });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => pause.mutateAsync({ pauseId, body }).then(onClose));
  return (
    <Dialog title="Let it rest" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="Why it rests"
          hint="As in: owner at sea until March. The customer is told."
          autoFocus
          fault={errors.reason?.message}
          {...form.register('reason')}
        />
        <SelectField label="For whose reasons" fault={errors.side?.message} {...form.register('side')}>
          <Options of={PAUSE_SIDES} words={SIDE_WORDS} />
        </SelectField>
        <TextField
          label="Until about, if one knows"
          type="date"
          fault={errors.until?.message}
          {...form.register('until', OPTIONAL)}
        />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={pause.isPending} onLeave={onClose}>
          Let it rest
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
