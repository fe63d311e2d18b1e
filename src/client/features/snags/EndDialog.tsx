/** The end of a snag: put right, with its time, or left as it is, with the reason. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { SnagEndDto, type SnagView } from '#contract/snags.ts';
import { useCarChange } from '../../shared/changing.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { hoursTyped } from '../../shared/typed.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';

interface Props {
  buildId: string;
  snag: SnagView;
  state: 'right' | 'left';
  onClose: () => void;
}

const HOURS = {
  setValueAs: (v: unknown) => {
    const typed = String(v ?? '').trim();
    return typed === '' ? undefined : (hoursTyped(typed) ?? NaN);
  },
};

export function EndDialog({ buildId, snag, state, onClose }: Props) {
  const end = useCarChange(buildId, 'snagEnd');
  const [entryId] = useState(() => uuidv7());
  const form = useContractForm<SnagEndDto>(SnagEndDto, { entryId, state, said: '' });
  const { errors } = form.formState;
  const submit = submitting(form, (body) =>
    end.mutateAsync({ params: { snagId: snag.id }, body }).then(onClose),
  );
  const isRight = state === 'right';
  return (
    <Dialog title={`${isRight ? 'Put right' : 'Left as it is'}: ${snag.what}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label={isRight ? 'A word about it' : 'Why it stays as it is'}
          autoFocus
          fault={errors.said?.message}
          {...form.register('said')}
        />
        {isRight && (
          <TextField
            label="Hours, if it took any to speak of"
            inputMode="decimal"
            data-mono
            fault={errors.minutes?.message}
            {...form.register('minutes', HOURS)}
          />
        )}
        <FormFault reason={errors.root?.message ?? errors.state?.message} />
        <KeepOrLeave isDisabled={end.isPending} onLeave={onClose}>
          {isRight ? 'It is put right' : 'It stays as it is'}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
