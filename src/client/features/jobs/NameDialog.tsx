/** What a job is called. */
import { JobPutDto, type JobView } from '#contract/jobs.ts';
import { useCarChange } from '../../shared/changing.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';

interface Props {
  buildId: string;
  job: JobView;
  onClose: () => void;
}

export default function NameDialog({ buildId, job, onClose }: Props) {
  const put = useCarChange(buildId, 'jobPut');
  const form = useContractForm<JobPutDto>(JobPutDto, { version: job.version, title: job.title });
  const submit = submitting(form, (body) =>
    put.mutateAsync({ params: { jobId: job.id }, body }).then(onClose),
  );
  const { errors } = form.formState;
  return (
    <Dialog title="Rename a job" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="What the job is called"
          hint="As the customer would say it."
          autoFocus
          fault={errors.title?.message}
          {...form.register('title')}
        />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          Save
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
