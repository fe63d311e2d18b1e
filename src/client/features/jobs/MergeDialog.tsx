/** Two jobs that are one: everything of the first goes to the second. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { JobJoinDto, type JobView } from '#contract/jobs.ts';
import { useCarChange } from '../../shared/changing.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { Quiet } from '../../ui/parts.tsx';

interface Props {
  buildId: string;
  job: JobView;
  jobs: readonly JobView[];
  onClose: () => void;
}

export default function MergeDialog({ buildId, job, jobs, onClose }: Props) {
  const join = useCarChange(buildId, 'jobJoin');
  const [entryId] = useState(() => uuidv7());
  const form = useContractForm<JobJoinDto>(JobJoinDto, { entryId, toId: '' });
  const submit = submitting(form, (body) =>
    join.mutateAsync({ params: { jobId: job.id }, body }).then(onClose),
  );
  const { errors } = form.formState;
  return (
    <Dialog title={`Merge: ${job.title}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <SelectField
          label="The job that it belongs to"
          autoFocus
          fault={errors.toId && 'choose a job'}
          {...form.register('toId')}
        >
          <option value="">Choose</option>
          <Options of={jobs.filter((j) => j.id !== job.id)} by="title" />
        </SelectField>
        <Quiet>
          Its findings, lines, tasks and hours go there. To take it back, correct the entry that the logbook
          has of it.
        </Quiet>
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={join.isPending} onLeave={onClose}>
          Merge
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
