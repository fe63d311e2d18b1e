/** Fields of a calculator, in the order in which one measures. */
import { memo, type ReactNode } from 'react';
import { styled } from 'styled-components';
import { isAsked, isOpen, type Form, type Said } from '#core/bench/registry/form.ts';
import type { Field } from '#core/bench/registry/types.ts';
import { Button } from '../../ui/Button.tsx';
import { Input, Options, SelectField, TextField, TickField, Ticks } from '../../ui/Field.tsx';
import { Quiet, Row } from '../../ui/parts.tsx';
import { color, phone, size, space } from '../../ui/tokens.ts';

/** Labels, fields and hints of a row stand on common lines, however many words each has. */
const Grid = styled.div<{ $wide?: boolean }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(${({ $wide }) => ($wide ? '10.5rem' : '5.4rem')}, 1fr));
  gap: 0 ${space.m};
  > div {
    display: grid;
    grid-row: span 4;
    grid-template-rows: subgrid;
    row-gap: ${space.xs};
    padding-bottom: ${space.m};
    > label:first-child {
      align-self: end;
    }
    > label:has(> input[type='checkbox']) {
      grid-row: 2;
    }
    &:has(> select[data-wide]) {
      grid-column: span 2;
    }
    ${phone} {
      &:has(> select) {
        grid-column: 1 / -1;
      }
    }
  }
`;
const Group = styled.fieldset`
  min-width: 0;
  margin: 0;
  padding: ${space.s} 0 0;
  border: 0;
  border-top: 1px solid ${color.zincLine};
  legend {
    padding: 0 ${space.s} 0 0;
    font-weight: 650;
  }
`;
const Wide = styled.section`
  grid-column: 1 / -1;
  padding-bottom: ${space.m};
`;
const Asked = styled.span`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: ${space.xs};
  font-size: ${size.small};
`;

export interface FieldsProps {
  fields: readonly Field[];
  form: Form;
  said: Record<string, Said>;
  /** What the calculator refuses, by path; words without the path. */
  faults: Record<string, string>;
  set: (path: string, text: string) => void;
  before?: string;
  /** Drawn in place of the usual look, by name of the field. */
  instead?: Record<string, ReactNode>;
}

const unitBehind = (label: string, unit: string): string => (unit === '' ? label : `${label} (${unit})`);

interface OneProps {
  field: Field;
  path: string;
  label: string;
  text: string;
  said: Said | undefined;
  fault: string | undefined;
  set: (path: string, text: string) => void;
}

/** Of a limit: what is taken where nothing is typed, and how sure that is. */
function hintOf(field: Field, said: Said | undefined): string | undefined {
  if (said?.understood) return said.understood;
  if (field.hint) return field.hint;
  if (field.type === 'number' && field.otherwise !== undefined)
    return `usually ${field.otherwise}${field.mark ? `, ${field.mark}` : ''}`;
  return undefined;
}

/** One thing that is typed; drawn again only when it changes. */
const One = memo(function One({ field, path, label, text, said, fault, set }: OneProps) {
  const onText = (e: { target: { value: string } }): void => set(path, e.target.value);
  const common = { label, fault: said?.fault ?? fault, value: text, onChange: onText, 'data-path': path };
  if (field.type === 'choice')
    return (
      <SelectField
        {...common}
        data-wide={Object.values(field.choices).some((word) => word.length > LONG_WORD) || undefined}
      >
        <option value="">
          {field.otherwise
            ? `usually ${field.choices[field.otherwise]}`
            : field.optional
              ? 'may stay open'
              : 'choose'}
        </option>
        <Options of={Object.keys(field.choices)} words={field.choices} />
      </SelectField>
    );
  if (field.type === 'tick')
    return <TickField label={label} data-path={path} checked={text !== ''} onChange={(e) => set(path, e.target.checked ? 'yes' : '')} />; // prettier-ignore
  const isNumber = field.type === 'number' || field.type === 'numbers' || field.type === 'cells';
  const choices = said?.choices && (
    <Asked role="group" aria-label={`${label}: which is meant?`}>
      {said.understood ? 'or' : 'Which?'}
      {said.choices.map((c) => (
        <Button key={c.text} onPress={() => set(path, c.text)}>
          {c.label}
        </Button>
      ))}
    </Asked>
  );
  const hint = hintOf(field, said);
  return (
    <TextField
      {...common}
      hint={
        choices ? (
          <>
            {hint} {choices}
          </>
        ) : (
          hint
        )
      }
      {...(field.optional ? { placeholder: 'may stay empty' } : {})}
      type={field.type === 'day' ? 'date' : 'text'}
      autoComplete="off"
      {...(isNumber ? { 'data-mono': true, enterKeyHint: 'next' } : {})}
    />
  );
});

function Several({
  field,
  path,
  form,
  set,
}: { field: Field & { type: 'several' }; path: string } & Pick<FieldsProps, 'form' | 'set'>) {
  const chosen = (form[path] ?? '').split(' ').filter(Boolean);
  return (
    <Wide>
      <Ticks>
        <legend>{field.label}</legend>
        {Object.entries(field.choices).map(([id, word]) => (
          <TickField
            key={id}
            label={word}
            checked={chosen.includes(id)}
            onChange={(e) =>
              set(path, (e.target.checked ? [...chosen, id] : chosen.filter((c) => c !== id)).join(' '))
            }
          />
        ))}
      </Ticks>
    </Wide>
  );
}

/** How many there are, and one more. */
function Count({
  field,
  path,
  form,
  set,
}: { field: Field & { type: 'rows' | 'cells' }; path: string } & Pick<FieldsProps, 'form' | 'set'>) {
  const count = Number(form[`${path}#`] ?? 0) || 0;
  const to = (n: number): void => set(`${path}#`, String(Math.min(field.most, Math.max(0, n))));
  return (
    <Row>
      {field.type === 'cells' && (
        <label>
          <Quiet>How many </Quiet>
          <Input
            style={{ width: '5rem' }}
            inputMode="numeric"
            aria-label={`${field.label}: how many`}
            value={count === 0 ? '' : count}
            onChange={(e) => to(Number(e.target.value.replace(/\D/g, '')) || 0)}
          />
        </label>
      )}
      <Button onPress={() => to(count + 1)} isDisabled={count >= field.most}>
        {count === 0 ? `Add ${field.each.toLowerCase()} 1` : 'One more'}
      </Button>
      {count > 0 && (
        <Button $look="quiet" onPress={() => to(count - 1)}>
          One less
        </Button>
      )}
    </Row>
  );
}

function Listed({
  field,
  path,
  ...props
}: FieldsProps & { field: Field & { type: 'rows' | 'cells' }; path: string }) {
  const count = Number(props.form[`${path}#`] ?? 0) || 0;
  const all = Array.from({ length: count }, (_, i) => `${path}[${i}]`);
  const fault = props.faults[path];
  return (
    <Wide>
      <Group>
        <legend>{field.type === 'cells' ? unitBehind(field.label, field.of.unit) : field.label}</legend>
        {fault && (
          <p role="alert" style={{ color: color.oxide, fontWeight: 600 }}>
            {fault}
          </p>
        )}
        {field.hint && <Quiet>{field.hint}</Quiet>}
        {field.type === 'cells' ? (
          <Grid>
            {all.map((at, i) => (
              <One
                key={at}
                field={field.of}
                path={at}
                label={`${field.each} ${i + 1}`}
                text={props.form[at] ?? ''}
                said={props.said[at]}
                fault={props.faults[at]}
                set={props.set}
              />
            ))}
          </Grid>
        ) : (
          all.map((at, i) => (
            <Group key={at}>
              <legend>
                {field.each} {i + 1}
              </legend>
              <FormFields {...props} fields={field.fields} before={`${at}.`} />
            </Group>
          ))
        )}
        <Count field={field} path={path} form={props.form} set={props.set} />
      </Group>
    </Wide>
  );
}
/** More characters than a narrow field shows. */
const LONG_WORD = 16;

function Part({ field, path, ...props }: FieldsProps & { field: Field & { type: 'part' }; path: string }) {
  const open = isOpen(field, path, props.form);
  return (
    <Wide>
      <Group>
        {field.optional ? (
          <TickField
            label={field.label}
            data-path={path}
            checked={open}
            onChange={(e) => props.set(`${path}?`, e.target.checked ? 'open' : '')}
          />
        ) : (
          <legend>{field.label}</legend>
        )}
        {open && <FormFields {...props} fields={field.fields} before={`${path}.`} />}
      </Group>
    </Wide>
  );
}

export function FormFields({ fields, before = '', instead = {}, ...props }: FieldsProps) {
  return (
    <Grid $wide>
      {fields.map((field) => {
        const path = before + field.name;
        if (field.type === 'fixed' || !isAsked(field, before, props.form)) return null;
        const given = { ...props, fields: [], path };
        if (instead[path]) return <Wide key={path}>{instead[path]}</Wide>;
        if (field.type === 'rows' || field.type === 'cells')
          return <Listed key={path} {...given} field={field} />;
        if (field.type === 'part') return <Part key={path} {...given} field={field} />;
        if (field.type === 'several')
          return <Several key={path} field={field} path={path} form={props.form} set={props.set} />;
        const label =
          field.type === 'number'
            ? unitBehind(field.label, field.unit)
            : field.type === 'numbers'
              ? unitBehind(field.label, field.of.unit)
              : field.label;
        return (
          <One
            key={path}
            field={field}
            path={path}
            label={label}
            text={props.form[path] ?? ''}
            said={props.said[path]}
            fault={props.faults[path]}
            set={props.set}
          />
        );
      })}
    </Grid>
  );
}
