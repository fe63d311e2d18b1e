/** One playbook as a form: its decisions, its steps with their order and reasons, what is due after; and what it said before. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { useFieldArray, useForm } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import type { PastPlaybookView, PlaybookView } from '#contract/work.ts';
import { formatDay, dayOf } from '#core/time/days.ts';
import { readPlaybook } from '#core/work/playbook.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, SelectField, TextAreaField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, Pair } from '../../ui/Form.tsx';
import { Head, ListLine, Notice, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { DecisionsPart } from './PlaybookDecisions.tsx';
import { contentOf, fieldOf, fieldsOf, type PlaybookFields, type PlaybookForm } from './playbookForm.ts';
import { StepsPart } from './PlaybookSteps.tsx';
import { playbookQuery, usePutPlaybook } from './work.queries.ts';

export default function PlaybookPage() {
  const { playbook: id = '' } = useParams();
  const { data } = useSuspenseQuery(playbookQuery(id));
  const { person } = useShop();
  useTitle(data.playbook.title);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>{data.playbook.title}</Title>
          <Link to="/shop/playbooks">All playbooks</Link>
          <Quiet>
            {data.playbook.version === 0
              ? 'as it came'
              : `changed by the shop, version ${data.playbook.version}`}
          </Quiet>
        </Row>
        {person.role === 'owner' ? (
          <Editor key={data.playbook.version} data={data} />
        ) : (
          <p>Only the owner changes playbooks.</p>
        )}
      </Stack>
    </Page>
  );
}

function Editor({ data }: { data: PlaybookView }) {
  const put = usePutPlaybook();
  const navigate = useNavigate();
  const [wrong, setWrong] = useState<string[]>([]);
  const form: PlaybookForm = useForm<PlaybookFields>({ defaultValues: fieldsOf(data.playbook) });
  const { errors } = form.formState;
  /** What is refused stands at its field; what belongs to no field, and where fields are folded away, at the end too. */
  const submit = form.handleSubmit(async (fields) => {
    form.clearErrors();
    const read = readPlaybook(contentOf(fields));
    if ('faults' in read) {
      for (const f of read.faults) form.setError(fieldOf(f) as 'title', { message: f.reason });
      return setWrong(read.faults.map((f) => `${placeOf(f.path, fields)}: ${f.reason}`));
    }
    setWrong([]);
    const body = { version: data.playbook.version, content: read.playbook };
    await put
      .mutateAsync({ playbook: data.playbook.id, body })
      .then(() => navigate('/shop/playbooks'))
      .catch(() => undefined);
  });
  return (
    <Form onSubmit={submit} gap="l">
      <Panel aria-label="What it is">
        <TextField label="What it is called" fault={errors.title?.message} {...form.register('title')} />
        <TextAreaField
          label="When to use it"
          rows={2}
          fault={errors.about?.message}
          {...form.register('about')}
        />
      </Panel>
      <DecisionsPart form={form} />
      <StepsPart form={form} wrong={errors.steps !== undefined} />
      <FollowUpsPart form={form} />
      {wrong.length > 0 && (
        <Notice $tone="oxide" role="alert">
          <ul>
            {wrong.slice(0, 8).map((w) => (
              <li key={w}>{w}</li>
            ))}
          </ul>
        </Notice>
      )}
      <FormFault reason={put.isError ? wordsOf(put.error) : undefined} />
      <Row>
        <Button $look="main" type="submit" isDisabled={put.isPending}>
          Keep the playbook
        </Button>
        <Button $look="quiet" onPress={() => void navigate('/shop/playbooks')}>
          Leave it as it was
        </Button>
      </Row>
      <Past past={data.past} onTake={(content) => form.reset(fieldsOf(content))} />
    </Form>
  );
}

/** Where a fault is, as one would say it: “step 3, Blasted”. */
function placeOf(path: string, fields: PlaybookFields): string {
  const [, list = '', at = ''] = /^(steps|decisions|followUps)\.(\d+)/.exec(path) ?? [];
  const n = Number(at);
  if (list === 'steps') return `step ${n + 1}, ${fields.steps[n]?.title || 'without a title'}`;
  if (list === 'decisions') return `decision ${n + 1}`;
  if (list === 'followUps') return `after hand-over, ${n + 1}`;
  return path === 'steps' ? 'the steps' : path;
}

function FollowUpsPart({ form }: { form: PlaybookForm }) {
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'followUps' });
  const steps = form.watch('steps');
  const faults = form.formState.errors.followUps;
  return (
    <Panel aria-label="Due after hand-over">
      <Head>Due after hand-over</Head>
      {fields.length === 0 && <Quiet>Nothing.</Quiet>}
      {fields.map((f, i) => (
        <Stack key={f.id} $gap="s">
          <Pair>
            <TextField
              label={`What is due, ${i + 1}`}
              fault={faults?.[i]?.title?.message ?? faults?.[i]?.message}
              {...form.register(`followUps.${i}.title`)}
            />
            <SelectField
              label="Once this is done"
              fault={faults?.[i]?.after?.message}
              {...form.register(`followUps.${i}.after`)}
            >
              <option value="">choose …</option>
              <Options of={steps.map((s) => ({ id: s.key, title: s.title }))} by="title" />
            </SelectField>
            <TextField
              label="After days"
              inputMode="numeric"
              fault={faults?.[i]?.days?.message}
              {...form.register(`followUps.${i}.days`)}
            />
            <TextField
              label="Or at miles"
              inputMode="numeric"
              fault={faults?.[i]?.miles?.message}
              {...form.register(`followUps.${i}.miles`)}
            />
          </Pair>
          <Row>
            <Button $look="quiet" aria-label={`Take what is due out, ${i + 1}`} onPress={() => remove(i)}>
              Take it out
            </Button>
          </Row>
        </Stack>
      ))}
      <Row>
        <Button onPress={() => append({ title: '', after: '', days: '', miles: '' })}>
          Something due after hand-over
        </Button>
      </Row>
    </Panel>
  );
}

/** Older words are taken back into the form; they hold again once they are kept. */
function Past({
  past,
  onTake,
}: {
  past: readonly PastPlaybookView[];
  onTake: (content: PastPlaybookView['content']) => void;
}) {
  const { locale, today } = useManner();
  const { shop } = useShop();
  if (past.length === 0) return null;
  return (
    <Panel aria-label="What it said before">
      <Head>What it said before</Head>
      <ul>
        {past.map((p) => (
          <ListLine key={p.version}>
            <span>
              {p.version === 0 ? 'As it came' : `Version ${p.version}`}{' '}
              <Quiet>
                until {formatDay(dayOf(p.until, shop.timeZone), locale, today)}, when {p.by} changed it;{' '}
                {p.content.steps.length} steps
              </Quiet>
            </span>
            <Button
              $look="quiet"
              aria-label={`Take back what it said in version ${p.version}`}
              onPress={() => onTake(p.content)}
            >
              Take it back into the form
            </Button>
          </ListLine>
        ))}
      </ul>
    </Panel>
  );
}
