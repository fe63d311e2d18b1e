/** A task written or changed: what, where, how long, what must come first and why. */
import { useState } from 'react';
import { useFieldArray } from 'react-hook-form';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import { TaskPutDto, type TaskView, type WorkView } from '#contract/work.ts';
import { WORKS } from '#core/estimate/lines.ts';
import { PLACE_KINDS } from '#core/shop/places.ts';
import { CAUTIONS } from '#core/work/cautions.ts';
import { useCarChange } from '../../shared/changing.ts';
import { OPTIONAL, showProblem, submitting, useContractForm, type AsTyped } from '../../shared/forms.ts';
import { hoursAsTyped, hoursTyped } from '../../shared/typed.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, TextField, Options } from '../../ui/Field.tsx';
import { Form, FormFault, Pair } from '../../ui/Form.tsx';
import { Head, Row, Stack, Summary } from '../../ui/parts.tsx';
import { color, space, touch } from '../../ui/tokens.ts';

const NeedFields = styled.div`
  display: grid;
  gap: ${space.s};
  padding-top: ${space.s};
  border-top: 1px solid ${color.zincLine};
`;
const Ticks = styled.fieldset`
  display: flex;
  flex-wrap: wrap;
  gap: 0 ${space.l};
  margin: 0;
  padding: 0;
  border: 0;
  label {
    display: inline-flex;
    align-items: center;
    gap: ${space.s};
    min-height: ${touch};
  }
  input {
    width: 22px;
    height: 22px;
  }
`;

const minutes = (v: unknown): number | undefined => {
  if (typeof v === 'number' || v === undefined) return v;
  return String(v).trim() === '' ? undefined : (hoursTyped(String(v)) ?? NaN);
};
function startOf(task: TaskView | null): AsTyped<TaskPutDto> {
  if (!task) return { version: 0, title: '', work: 'mechanical', cautions: [], needs: [] };
  return {
    version: task.version,
    title: task.title,
    work: task.work,
    minutes: hoursAsTyped(task.minutes),
    cautions: task.cautions,
    needs: task.needs.map((n) => ({
      taskId: n.taskId,
      reason: n.reason,
      ...(n.waitAtLeast === undefined ? {} : { waitAtLeast: hoursAsTyped(n.waitAtLeast) }),
      ...(n.waitAtMost === undefined ? {} : { waitAtMost: hoursAsTyped(n.waitAtMost) }),
    })),
    ...(task.place === null ? {} : { place: task.place }),
    ...(task.gate === null ? {} : { gate: task.gate }),
    ...(task.lineId === null ? {} : { lineId: task.lineId }),
    ...(task.count === null ? {} : { count: { of: task.count.of, total: task.count.total } }),
  };
}

interface Props {
  work: WorkView;
  task: TaskView | null;
  onClose: () => void;
}

export default function TaskDialog({ work, task, onClose }: Props) {
  const put = useCarChange(work.buildId, 'taskPut');
  const act = useCarChange(work.buildId, 'taskAct');
  const [taskId] = useState(() => task?.id ?? uuidv7());
  const [start] = useState(() => startOf(task));
  const form = useContractForm<TaskPutDto>(TaskPutDto, start);
  const needs = useFieldArray({ control: form.control, name: 'needs', keyName: 'key' });
  const { errors } = form.formState;
  const others = work.tasks.filter((t) => t.id !== taskId);
  const submit = submitting(form, (body) => put.mutateAsync({ params: { taskId }, body }).then(onClose));
  const drop = (): void =>
    act.mutate(
      { params: { taskId }, body: { act: 'drop', version: task!.version } },
      { onSuccess: onClose, onError: (e) => showProblem(form, e) },
    );
  return (
    <Dialog title={task ? 'Change this task' : 'New task'} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="What is to be done"
          autoFocus
          fault={errors.title?.message}
          {...form.register('title')}
        />
        <Pair>
          <SelectField
            label="For which line"
            fault={errors.lineId?.message}
            {...form.register('lineId', OPTIONAL)}
          >
            <option value="">no line</option>
            <Options of={work.lines} by="title" />
          </SelectField>
          <SelectField label="Kind of work" fault={errors.work?.message} {...form.register('work')}>
            <Options of={WORKS} />
          </SelectField>
          <TextField
            label="Hours, about"
            inputMode="decimal"
            data-mono
            fault={errors.minutes?.message}
            {...form.register('minutes', { setValueAs: (v: unknown) => minutes(v) ?? 0 })}
          />
          <SelectField label="Where" fault={errors.place?.message} {...form.register('place', OPTIONAL)}>
            <option value="">anywhere</option>
            <Options of={PLACE_KINDS} />
          </SelectField>
        </Pair>
        <Head as="h3">What must come first</Head>
        {needs.fields.map((field, i) => (
          <NeedFields key={field.key}>
            <Pair>
              <SelectField label="Task" {...form.register(`needs.${i}.taskId`)}>
                <Options of={others} by="title" />
              </SelectField>
              <TextField
                label="Because"
                fault={errors.needs?.[i]?.reason?.message}
                {...form.register(`needs.${i}.reason`)}
              />
            </Pair>
            <Pair>
              <TextField
                label="Hours to wait, at least"
                inputMode="decimal"
                fault={errors.needs?.[i]?.waitAtLeast?.message}
                {...form.register(`needs.${i}.waitAtLeast`, { setValueAs: minutes })}
              />
              <TextField
                label="Hours to wait, at most"
                inputMode="decimal"
                fault={errors.needs?.[i]?.waitAtMost?.message}
                {...form.register(`needs.${i}.waitAtMost`, { setValueAs: minutes })}
              />
            </Pair>
            <Row>
              <Button $look="quiet" onPress={() => needs.remove(i)}>
                It need not
              </Button>
            </Row>
          </NeedFields>
        ))}
        {others.length > 0 && (
          <Row>
            <Button onPress={() => needs.append({ taskId: others[0]!.id, reason: '' })}>
              Something comes first
            </Button>
          </Row>
        )}
        <details>
          <Summary>What must be seen first, what can hurt</Summary>
          <Stack>
            <TextField
              label="What must be seen before it is begun"
              hint="As in: pistons in hand and measured"
              fault={errors.gate?.message}
              {...form.register('gate', OPTIONAL)}
            />
            <Ticks>
              <legend>What can hurt</legend>
              {Object.keys(CAUTIONS).map((c) => (
                <label key={c}>
                  <input type="checkbox" value={c} {...form.register('cautions')} /> {c}
                </label>
              ))}
            </Ticks>
          </Stack>
        </details>
        <FormFault reason={errors.needs?.root?.message ?? errors.needs?.message ?? errors.root?.message} />
        <Row>
          <Button $look="main" type="submit" isDisabled={put.isPending}>
            {task ? 'Keep the change' : 'Add this task'}
          </Button>
          {task && (
            <Button $look="oxide" isDisabled={act.isPending} onPress={drop}>
              Drop it
            </Button>
          )}
          <Button $look="quiet" onPress={onClose}>
            Leave it
          </Button>
        </Row>
      </Form>
    </Dialog>
  );
}
