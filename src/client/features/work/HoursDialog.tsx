/** Hours typed later, by whoever worked them: how long, and what is to go. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { TaskHoursDto, type TaskView } from '#contract/work.ts';
import { useCarChange } from '../../shared/changing.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { hoursAsTyped } from '../../shared/typed.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { minutesTyped, ToGoFields } from './ToGoFields.tsx';

interface Props {
  buildId: string;
  task: TaskView;
  onClose: () => void;
}

export default function HoursDialog({ buildId, task, onClose }: Props) {
  const type = useCarChange(buildId, 'taskHours');
  const [id] = useState(() => uuidv7());
  const form = useContractForm<TaskHoursDto>(TaskHoursDto, {
    id,
    minutes: '',
    toGoMinutes: hoursAsTyped(task.toGoMinutes),
    done: false,
  });
  const { errors } = form.formState;
  const submit = submitting(form, (body) =>
    type.mutateAsync({ params: { taskId: task.id }, body }).then(onClose),
  );
  return (
    <Dialog title={`Hours: ${task.title}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="Hours worked"
          hint="Yours, without a clock: as in 1.5, 2h 30, or 45 min."
          data-mono
          autoFocus
          fault={errors.minutes?.message}
          {...form.register('minutes', { setValueAs: minutesTyped })}
        />
        <ToGoFields form={form} />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={type.isPending} onLeave={onClose}>
          Keep the hours
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
