/** The steps of a playbook, folded to one line each until they are opened. */
import { useState } from 'react';
import { useFieldArray } from 'react-hook-form';
import { styled } from 'styled-components';
import { WORKS } from '#core/estimate/lines.ts';
import { PLACE_KINDS } from '#core/shop/places.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, SelectField, TextField, TickField, Ticks } from '../../ui/Field.tsx';
import { Pair } from '../../ui/Form.tsx';
import { Head, Now, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { CAUTION_KEYS, EMPTY_STEP, keyFor, type PlaybookForm, type StepFields } from './playbookForm.ts';

const Steps = styled.ol`
  > li {
    padding: ${space.s} 0;
    border-top: 1px solid ${color.zincLine};
  }
`;
const Inside = styled(Stack)`
  padding: ${space.s} 0 ${space.m} ${space.m};
  border-left: 3px solid ${color.zincLine};
`;

/** `wrong`: something in a step was refused, so that folded steps say which. */
export function StepsPart({ form, wrong }: { form: PlaybookForm; wrong: boolean }) {
  const { fields, insert, remove, swap } = useFieldArray({
    control: form.control,
    name: 'steps',
    keyName: 'row',
  });
  const [open, setOpen] = useState<string | null>(null);
  const steps = form.watch('steps');
  const faults = form.formState.errors.steps;
  const add = (at: number): void => {
    const key = keyFor(
      'step',
      steps.map((s) => s.key),
    );
    insert(at, { ...EMPTY_STEP, key });
    setOpen(key);
  };
  return (
    <Panel aria-label="Steps">
      <Row>
        <Head>Steps</Head>
        <Quiet>{steps.length}</Quiet>
      </Row>
      <Steps>
        {fields.map((f, i) => {
          const step = steps[i]!;
          const name = step.title || `step ${i + 1}`;
          const isOpen = open === step.key;
          return (
            <li key={f.row}>
              <Row>
                <Button
                  $look="quiet"
                  aria-expanded={isOpen}
                  onPress={() => setOpen(isOpen ? null : step.key)}
                >
                  {i + 1}. {step.title || 'without a title'}
                </Button>
                <Quiet>{[`${step.hours || 0} h`, step.work, step.place].filter(Boolean).join(', ')}</Quiet>
                {wrong && faults?.[i] && <Now>something is wrong in it</Now>}
              </Row>
              {isOpen && (
                <Inside $gap="m">
                  <OneStep form={form} at={i} steps={steps} />
                  <Row>
                    <Button
                      $look="quiet"
                      isDisabled={i === 0}
                      aria-label={`Up: ${name}`}
                      onPress={() => swap(i, i - 1)}
                    >
                      Up
                    </Button>
                    <Button
                      $look="quiet"
                      isDisabled={i === fields.length - 1}
                      aria-label={`Down: ${name}`}
                      onPress={() => swap(i, i + 1)}
                    >
                      Down
                    </Button>
                    <Button $look="quiet" aria-label={`A step after ${name}`} onPress={() => add(i + 1)}>
                      A step after it
                    </Button>
                    <Button $look="quiet" aria-label={`Take out ${name}`} onPress={() => remove(i)}>
                      Take it out
                    </Button>
                  </Row>
                </Inside>
              )}
            </li>
          );
        })}
      </Steps>
      <Row>
        <Button onPress={() => add(fields.length)}>A step at the end</Button>
      </Row>
    </Panel>
  );
}

interface OneStepProps {
  form: PlaybookForm;
  at: number;
  steps: readonly StepFields[];
}

function OneStep({ form, at, steps }: OneStepProps) {
  const faults = form.formState.errors.steps?.[at];
  const decisions = form.watch('decisions');
  const field = <K extends keyof StepFields>(key: K) => `steps.${at}.${key}` as const;
  return (
    <>
      <Pair>
        <TextField label="What is done" fault={faults?.title?.message} {...form.register(field('title'))} />
        <TextField
          label="Usual hours"
          inputMode="decimal"
          data-mono
          fault={faults?.hours?.message}
          {...form.register(field('hours'))}
        />
        <SelectField label="Kind of work" {...form.register(field('work'))}>
          <Options of={WORKS} />
        </SelectField>
        <SelectField label="Where" {...form.register(field('place'))}>
          <option value="">does not matter</option>
          <Options of={PLACE_KINDS} />
        </SelectField>
      </Pair>
      <TextField
        label="What must be seen before it is begun"
        hint="Somebody signs it: the pistons are in hand and measured."
        fault={faults?.gate?.message}
        {...form.register(field('gate'))}
      />
      <Pair>
        <TextField
          label="Counted off"
          hint="Rivets drilled, cell taps measured."
          fault={faults?.countOf?.message}
          {...form.register(field('countOf'))}
        />
        <TextField
          label="How many of them"
          inputMode="numeric"
          fault={faults?.countTotal?.message}
          {...form.register(field('countTotal'))}
        />
        {decisions.length > 0 && (
          <SelectField label="Only if" fault={faults?.when?.message} {...form.register(field('when'))}>
            <option value="">always</option>
            {decisions.flatMap((d) =>
              d.options.map((o) => (
                <option key={d.key + o.key} value={`${d.key} ${o.key}`}>
                  {d.question} {o.label}
                </option>
              )),
            )}
          </SelectField>
        )}
      </Pair>
      <NeedsPart form={form} at={at} steps={steps} />
      <Ticks>
        <legend>Cautions that are shown with it</legend>
        {CAUTION_KEYS.map((c) => (
          <TickField key={c} label={c} value={c} {...form.register(field('cautions'))} />
        ))}
      </Ticks>
    </>
  );
}

/** What comes first, and why: no order without its reason. */
function NeedsPart({ form, at, steps }: OneStepProps) {
  const name = `steps.${at}.needs` as const;
  const { fields, append, remove } = useFieldArray({ control: form.control, name, keyName: 'row' });
  const faults = form.formState.errors.steps?.[at]?.needs;
  const others = steps.filter((_, i) => i !== at).map((s) => ({ id: s.key, title: s.title || s.key }));
  return (
    <Stack $gap="s">
      <Head as="h3">Comes after</Head>
      {fields.map((f, i) => (
        <Stack key={f.row} $gap="xs">
          <Pair>
            <SelectField
              label={`After which step, ${i + 1}`}
              fault={faults?.[i]?.step?.message}
              {...form.register(`steps.${at}.needs.${i}.step`)}
            >
              <option value="">choose …</option>
              <Options of={others} by="title" />
            </SelectField>
            <TextField
              label="Why"
              fault={faults?.[i]?.reason?.message}
              {...form.register(`steps.${at}.needs.${i}.reason`)}
            />
            <TextField
              label="Not before hours"
              hint="Cure, flash-off, cooling."
              inputMode="decimal"
              fault={faults?.[i]?.atLeast?.message}
              {...form.register(`steps.${at}.needs.${i}.atLeast`)}
            />
            <TextField
              label="Not later than hours"
              hint="Bare steel to primer."
              inputMode="decimal"
              fault={faults?.[i]?.atMost?.message}
              {...form.register(`steps.${at}.needs.${i}.atMost`)}
            />
          </Pair>
          <Row>
            <Button $look="quiet" aria-label={`It does not wait for ${i + 1}`} onPress={() => remove(i)}>
              It does not wait for that
            </Button>
          </Row>
        </Stack>
      ))}
      <Row>
        <Button onPress={() => append({ step: '', reason: '', atLeast: '', atMost: '' })}>
          Something comes first
        </Button>
      </Row>
    </Stack>
  );
}
