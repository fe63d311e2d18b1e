/** One row of a register: written, changed, taken off. */
import { useState } from 'react';
import type { Path } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import { ROW_SHAPES, type RowDtoOf, type RowViewOf } from '#contract/vehicle.ts';
import type { Register } from '#core/vehicle/registers.ts';
import { orAbsent, showProblem, submitting, useContractForm, type AsTyped } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, TextAreaField, TextField, TickField, Options } from '../../ui/Field.tsx';
import { Form, FormFault } from '../../ui/Form.tsx';
import { Row } from '../../ui/parts.tsx';
import { FORMS, type Field } from './fields.ts';
import { useDropRow, usePutRow } from './vehicle.queries.ts';

interface Props<R extends Register> {
  buildId: string;
  register: R;
  /** Null writes a new one. */
  row: RowViewOf<R> | null;
  onClose: () => void;
}

export default function RowDialog<R extends Register>({ buildId, register, row, onClose }: Props<R>) {
  const form_ = FORMS[register];
  const put = usePutRow(buildId, register);
  const drop = useDropRow(buildId, register);
  const [id] = useState(() => row?.id ?? uuidv7());
  const was: { id?: string } = { ...row };
  delete was.id;
  const shape = ROW_SHAPES[register] as new () => RowDtoOf<R>;
  const form = useContractForm<RowDtoOf<R>>(shape, {
    version: 0,
    ...form_.start,
    ...was,
  } as AsTyped<RowDtoOf<R>>);
  const errors = form.formState.errors as Record<string, { message?: string } | undefined>;
  const submit = submitting(form, (body) => put.mutateAsync({ id, body }).then(onClose));
  const take = (): void =>
    drop.mutate(id, { onSuccess: onClose, onError: (error) => showProblem(form, error) });
  return (
    <Dialog title={row ? form_.title : form_.add} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        {(form_.fields as readonly Field<R>[]).map((f) => {
          const setValueAs = f.as === 'year' ? (v: unknown) => orAbsent(String(v ?? '')) : undefined;
          const field = form.register(f.name as unknown as Path<RowDtoOf<R>>, setValueAs && { setValueAs });
          return <FieldOf key={f.name} spec={f as FieldSpec} field={field} fault={errors[f.name]?.message} />;
        })}
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button $look="main" type="submit" isDisabled={put.isPending}>
            Keep it
          </Button>
          <Button $look="quiet" onPress={onClose}>
            Leave it
          </Button>
          {row && (
            <Button $look="oxide" isDisabled={drop.isPending} onPress={take}>
              Take it off the list
            </Button>
          )}
        </Row>
      </Form>
    </Dialog>
  );
}

/** A field whatever register it is of. */
type FieldSpec = Field<'unit'>;

interface FieldProps {
  spec: FieldSpec;
  field: object;
  fault: string | undefined;
}

function FieldOf({ spec, field, fault }: FieldProps) {
  const { label, hint } = spec;
  if (spec.as === 'tick') return <TickField label={label} {...field} />;
  if (spec.as === 'choice')
    return (
      <SelectField label={label} fault={fault} {...field}>
        <Options of={spec.options} />
      </SelectField>
    );
  if (spec.as === 'long')
    return <TextAreaField label={label} hint={hint} fault={fault} rows={2} maxLength={1000} {...field} />;
  return (
    <TextField
      label={label}
      hint={hint}
      fault={fault}
      inputMode={spec.as === 'year' ? 'numeric' : 'text'}
      {...field}
    />
  );
}
