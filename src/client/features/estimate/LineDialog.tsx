/** One line of an estimate: what, why, what it takes, and at once what it comes to. */
import { useState } from 'react';
import { useForm, useWatch, type FieldError, type UseFormReturn } from 'react-hook-form';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { EstimateLineView, EstimateView, FindingView } from '#contract/estimate.ts';
import { costOf, WORKS } from '#core/estimate/lines.ts';
import { CLASSES } from '#core/log/kinds.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { ApiProblem, wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { amountEcho, hoursEcho } from '../../shared/typed.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Input, SelectField, TextAreaField, TextField, Options } from '../../ui/Field.tsx';
import { FormFault, Pair } from '../../ui/Form.tsx';
import { HiddenVisually, Mono, Notice, Now, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { space, touch } from '../../ui/tokens.ts';
import { useDropLine, usePutLine } from './estimate.queries.ts';
import { differences, formOf, lineOf, newLine, POINTS, raisedTo, type LineForm } from './lineForm.ts';
import { CLASS_HELP, WORK_WORDS } from './words.ts';

const Three = styled.fieldset`
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
  legend {
    padding: 0;
    font-weight: 600;
  }
  > div {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: ${space.s};
  }
`;
const Tick = styled.label`
  display: flex;
  align-items: center;
  gap: ${space.s};
  min-height: ${touch};
  input {
    width: 22px;
    height: 22px;
  }
`;

type Form = UseFormReturn<LineForm>;

/** Three points of one thing; low and high may stay empty. */
function ThreeFields({
  form,
  field,
  legend,
}: {
  form: Form;
  field: 'minutes' | 'parts' | 'outwork';
  legend: string;
}) {
  const fault = (form.formState.errors[field] as FieldError | undefined)?.message;
  const manner = useManner();
  const typed = useWatch({ control: form.control, name: field });
  const echoes = POINTS.flatMap((p) => {
    const echo = field === 'minutes' ? hoursEcho(typed[p]) : amountEcho(typed[p], manner);
    return echo ?? [];
  });
  // A question stands by itself.
  const understood = echoes.find((e) => e.isQuestion)?.words ?? echoes.map((e) => e.words).join(' – ');
  return (
    <Three aria-describedby={fault ? `${field}-fault` : undefined}>
      <legend>{legend}</legend>
      <div>
        {POINTS.map((p) => (
          <label key={p}>
            <Quiet>{p}</Quiet>
            <HiddenVisually>, {legend}</HiddenVisually>
            <Input
              inputMode="decimal"
              data-mono
              aria-invalid={fault ? true : undefined}
              {...form.register(`${field}.${p}`)}
            />
          </label>
        ))}
      </div>
      {understood !== '' && <Quiet data-understood={field}>{understood}</Quiet>}
      {fault && (
        <Now id={`${field}-fault`} role="alert">
          {fault}
        </Now>
      )}
    </Three>
  );
}

interface Props {
  estimate: EstimateView;
  line: EstimateLineView | null;
  finding: FindingView | null;
  /** Minutes that it comes to by those who are at it. */
  comesTo?: number;
  onClose: () => void;
}

export default function LineDialog({ estimate, line, finding, comesTo, onClose }: Props) {
  const manner = useManner();
  const put = usePutLine(estimate.buildId);
  const drop = useDropLine(estimate.buildId);
  const [asking, setAsking] = useState(false);
  const [lineId] = useState(() => line?.id ?? uuidv7());
  const form = useForm<LineForm>({
    defaultValues: line
      ? formOf(comesTo === undefined ? line : raisedTo(line, comesTo), manner)
      : newLine(finding, manner),
  });
  const [base, setBase] = useState(line);
  const now = estimate.lines.find((l) => l.id === lineId);
  const theirs = base && now && now.version !== base.version ? now : null;
  const { errors } = form.formState;
  const others = estimate.lines.filter((l) => l.id !== lineId);
  const submit = form.handleSubmit(async (typed) => {
    const made = lineOf(typed, manner);
    if ('faults' in made) return made.faults.forEach((f) => form.setError(f.field, { message: f.reason }));
    const body = { ...made.line, version: base?.version ?? 0, ...(finding ? { findingId: finding.id } : {}) };
    await put.mutateAsync({ lineId, body }).then(onClose, (error: unknown) => {
      const fields = error instanceof ApiProblem ? (error.problem.fields ?? []) : [];
      for (const f of fields)
        if (f.field in typed) form.setError(f.field as keyof LineForm, { message: f.reason });
      form.setError('root', { message: wordsOf(error) });
    });
  });
  return (
    <Dialog title={line ? 'Change this line' : 'A line for the estimate'} isOpen onClose={onClose}>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          // Reasons of the last try stand at groups of fields, which the form library does not clear by itself.
          form.clearErrors();
          void submit();
        }}
      >
        <Stack>
          {finding && <Quiet>Found: {finding.text}</Quiet>}
          {line && comesTo !== undefined && (
            <Notice>
              It comes to {formatMinutes(comesTo)} by what those who are at it say; thought of were{' '}
              {formatMinutes(line.minutes.likely)}. Say why; kept and sent, it is asked as a change.
            </Notice>
          )}
          <TextField
            label="What is to be done"
            fault={errors.title?.message}
            maxLength={160}
            autoFocus
            {...form.register('title')}
          />
          <TextAreaField
            label="Why, as the customer will read it"
            rows={2}
            maxLength={1000}
            fault={errors.why?.message}
            {...form.register('why')}
          />
          <Pair>
            <SelectField label="Class" {...form.register('class')}>
              <Options of={CLASSES} words={CLASS_HELP} />
            </SelectField>
            <SelectField label="Kind of work" {...form.register('work')}>
              {WORKS.map((w) => (
                <option key={w} value={w}>
                  {WORK_WORDS[w]}, {formatMoney(estimate.terms.rates[w], manner.currency, manner.locale)} an
                  hour
                </option>
              ))}
            </SelectField>
          </Pair>
          {estimate.choices.length > 0 && (
            <SelectField
              label="Only in this way of doing it"
              fault={errors.wayId?.message}
              {...form.register('wayId')}
            >
              <option value="">in any case</option>
              {estimate.choices.map((c) => (
                <optgroup key={c.id} label={c.title}>
                  <Options of={c.ways} />
                </optgroup>
              ))}
            </SelectField>
          )}
          <ThreeFields form={form} field="minutes" legend="Hours" />
          <ThreeFields form={form} field="parts" legend={`Parts, ${manner.currency}`} />
          <details>
            <Summary>Outwork, sundries, what it needs, what has to come off</Summary>
            <Stack>
              <ThreeFields form={form} field="outwork" legend={`Outwork, ${manner.currency}`} />
              <Pair>
                <TextField
                  label={`Sundries, ${manner.currency}`}
                  inputMode="decimal"
                  fault={errors.sundries?.message}
                  {...form.register('sundries')}
                />
                <TextField
                  label={`Dearer if done later, by ${manner.currency}`}
                  inputMode="decimal"
                  hint="Taking it apart a second time, for instance"
                  fault={errors.laterExtra?.message}
                  {...form.register('laterExtra')}
                />
              </Pair>
              <TextField
                label="What has to come off to reach it"
                hint="With commas: engine out, dash out"
                fault={errors.access?.message}
                {...form.register('access')}
              />
              <SelectField label="What the customer said about it" {...form.register('wish')}>
                <option value="none">nothing in particular</option>
                <option value="wanted">wants it done</option>
                <option value="can wait">said it can wait</option>
              </SelectField>
              {others.length > 0 && (
                <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
                  <legend>Can only be done with</legend>
                  {others.map((o) => (
                    <Tick key={o.id}>
                      <input type="checkbox" value={o.id} {...form.register('needs')} /> {o.title}
                    </Tick>
                  ))}
                </fieldset>
              )}
            </Stack>
          </details>
          <ComesTo form={form} estimate={estimate} lineId={lineId} />
          <FormFault reason={errors.root?.message} />
          {base && theirs && (
            <TheirChange
              was={base}
              now={theirs}
              onTheirs={() => {
                form.reset(formOf(theirs, manner));
                setBase(theirs);
              }}
              onMine={() => {
                form.clearErrors();
                setBase(theirs);
              }}
            />
          )}
          <Row>
            <Button $look="main" type="submit" isDisabled={put.isPending}>
              {line ? 'Keep the change' : 'Put it on the estimate'}
            </Button>
            {line && !asking && (
              <Button $look="oxide" isDisabled={drop.isPending} onPress={() => setAsking(true)}>
                Take it off
              </Button>
            )}
            <Button $look="quiet" onPress={onClose}>
              Leave it
            </Button>
          </Row>
          {line && asking && (
            <Notice $tone="oxide" role="alert">
              <Stack $gap="s">
                <span>
                  Take “{line.title}” off the estimate? What was written on it goes with it, and cannot be
                  brought back.
                </span>
                <Row>
                  <Button
                    $look="oxide"
                    autoFocus
                    isDisabled={drop.isPending}
                    onPress={() =>
                      drop.mutate(
                        { lineId, version: (base ?? line).version },
                        {
                          onSuccess: onClose,
                          onError: (e) => form.setError('root', { message: wordsOf(e) }),
                        },
                      )
                    }
                  >
                    Yes, take it off
                  </Button>
                  <Button $look="quiet" onPress={() => setAsking(false)}>
                    No, it stays
                  </Button>
                </Row>
              </Stack>
            </Notice>
          )}
        </Stack>
      </form>
    </Dialog>
  );
}

interface TheirChangeProps {
  was: EstimateLineView;
  now: EstimateLineView;
  onTheirs: () => void;
  onMine: () => void;
}

/** Somebody else kept a change of this line while it stood open here: what it was, and which of the two holds. */
function TheirChange({ was, now, onTheirs, onMine }: TheirChangeProps) {
  const manner = useManner();
  return (
    <Notice $tone="oxide">
      <Stack $gap="s">
        <Now>This line was changed meanwhile:</Now>
        <ul>
          {differences(formOf(was, manner), formOf(now, manner)).map((d) => (
            <li key={d.field}>
              {d.field}: {d.was} → <b>{d.now}</b>
            </li>
          ))}
        </ul>
        <Row>
          <Button onPress={onTheirs}>Take theirs</Button>
          <Button onPress={onMine}>Go on with mine</Button>
        </Row>
      </Stack>
    </Notice>
  );
}

function ComesTo({ form, estimate, lineId }: { form: Form; estimate: EstimateView; lineId: string }) {
  const manner = useManner();
  const { currency, locale } = manner;
  const typed = useWatch({ control: form.control }) as LineForm;
  const made = lineOf({ ...typed, title: typed.title || '–' }, manner);
  if ('faults' in made) return <Quiet>What it comes to shows as soon as the figures are in.</Quiet>;
  const { cost, grossMinor } = costOf({ id: lineId, ...made.line }, estimate.terms);
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  return (
    <p role="status">
      Comes to <Mono $brass>{money(grossMinor)}</Mono> with tax
      {cost.low < cost.high && (
        <Quiet>
          ; before tax between {money(cost.low)} and {money(cost.high)}
        </Quiet>
      )}
    </p>
  );
}
