/** What a playbook lets be decided by a reading, and how it can fall. */
import { useFieldArray } from 'react-hook-form';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Pair } from '../../ui/Form.tsx';
import { Head, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { keyFor, type PlaybookForm } from './playbookForm.ts';

export function DecisionsPart({ form }: { form: PlaybookForm }) {
  const { fields, append, remove } = useFieldArray({
    control: form.control,
    name: 'decisions',
    keyName: 'row',
  });
  const add = (): void => {
    const key = keyFor(
      'decision',
      form.getValues('decisions').map((d) => d.key),
    );
    append({
      key,
      question: '',
      by: '',
      options: [
        { key: 'one', label: '' },
        { key: 'other', label: '' },
      ],
    });
  };
  return (
    <Panel aria-label="Decided by a reading">
      <Head>Decided by a reading</Head>
      {fields.length === 0 && <Quiet>Nothing: every step is always done.</Quiet>}
      {fields.map((f, i) => (
        <OneDecision key={f.row} form={form} at={i} onDrop={() => remove(i)} />
      ))}
      <Row>
        <Button onPress={add}>Something to decide</Button>
      </Row>
    </Panel>
  );
}

function OneDecision({ form, at, onDrop }: { form: PlaybookForm; at: number; onDrop: () => void }) {
  const name = `decisions.${at}.options` as const;
  const { fields, append, remove } = useFieldArray({ control: form.control, name, keyName: 'row' });
  const faults = form.formState.errors.decisions?.[at];
  const another = (): void => {
    const key = keyFor(
      'option',
      form.getValues(name).map((o) => o.key),
    );
    append({ key, label: '' });
  };
  return (
    <Stack $gap="s">
      <Pair>
        <TextField
          label={`Question ${at + 1}`}
          fault={faults?.question?.message}
          {...form.register(`decisions.${at}.question`)}
        />
        <TextField
          label="What decides it"
          hint="The reading and its limit."
          fault={faults?.by?.message}
          {...form.register(`decisions.${at}.by`)}
        />
      </Pair>
      <Pair>
        {fields.map((o, i) => (
          <Row key={o.row}>
            <TextField
              label={`It can fall, ${i + 1}`}
              fault={faults?.options?.[i]?.label?.message}
              {...form.register(`decisions.${at}.options.${i}.label`)}
            />
            {fields.length > 2 && (
              <Button $look="quiet" aria-label={`Take way ${i + 1} out`} onPress={() => remove(i)}>
                Out
              </Button>
            )}
          </Row>
        ))}
      </Pair>
      <Row>
        <Button $look="quiet" onPress={another}>
          Another way
        </Button>
        <Button $look="quiet" aria-label={`Take question ${at + 1} out`} onPress={onDrop}>
          Take the question out
        </Button>
      </Row>
    </Stack>
  );
}
