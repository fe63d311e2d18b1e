/** Part of a job that is a job of its own. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import { JobSplitDto, type JobThingDto, type JobView } from '#contract/jobs.ts';
import { useCarChange } from '../../shared/changing.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { space, touch } from '../../ui/tokens.ts';

const Choices = styled.fieldset`
  margin: 0;
  padding: 0;
  border: 0;
  legend {
    padding: 0;
    font-weight: 600;
  }
  label {
    display: flex;
    align-items: center;
    gap: ${space.s};
    min-height: ${touch};
  }
  input {
    flex: none;
    width: 22px;
    height: 22px;
  }
`;

/** What can go: its findings, its lines with all that hangs on them, and its tasks without a line. */
const choicesOf = ({ findings, lines, tasks }: JobView): (JobThingDto & { words: string })[] => [
  ...findings.map((f) => ({ type: 'finding' as const, id: f.id, words: f.text })),
  ...lines.map((l) => ({ type: 'line' as const, id: l.id, words: l.title })),
  ...tasks.flatMap((t) => (t.lineId === null ? [{ type: 'task' as const, id: t.id, words: t.title }] : [])),
];

interface Props {
  buildId: string;
  job: JobView;
  onClose: () => void;
}

export default function SplitDialog({ buildId, job, onClose }: Props) {
  const split = useCarChange(buildId, 'jobSplit');
  const [ids] = useState(() => ({ entryId: uuidv7(), newId: uuidv7() }));
  const form = useContractForm<JobSplitDto>(JobSplitDto, { ...ids, title: '', things: [] });
  const choices = choicesOf(job);
  const things = form.watch('things');
  const turn = ({ type, id }: JobThingDto, isOn: boolean): void =>
    form.setValue('things', [...things.filter((t) => t.id !== id), ...(isOn ? [{ type, id }] : [])]);
  const submit = submitting(form, (body) =>
    split.mutateAsync({ params: { jobId: job.id }, body }).then(onClose),
  );
  const { errors } = form.formState;
  return (
    <Dialog title={`Split: ${job.title}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="What the new job is called"
          autoFocus
          fault={errors.title?.message}
          {...form.register('title')}
        />
        <Choices>
          <legend>What goes with it</legend>
          {choices.map((c) => (
            <label key={c.id}>
              <input
                type="checkbox"
                checked={things.some((t) => t.id === c.id)}
                onChange={(e) => turn(c, e.target.checked)}
              />
              <span>{c.words}</span>
            </label>
          ))}
        </Choices>
        <FormFault reason={errors.root?.message ?? errors.things?.message} />
        <KeepOrLeave isDisabled={split.isPending} onLeave={onClose}>
          Split
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
