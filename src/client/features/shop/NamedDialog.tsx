/** Around the form of one row of the shop's lists: its title, its fields, the act and the way out. */
import { useState, type ReactNode } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import { submitting } from '../../shared/forms.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';

interface NamedDialogProps<T extends FieldValues> {
  title: string;
  act: string;
  /** Of the row that is changed; a new one gets its own, once, so that a second try is the same row. */
  id: string | undefined;
  form: UseFormReturn<T>;
  put: (row: { id: string; body: T }) => Promise<unknown>;
  onClose: () => void;
  children: ReactNode;
}

export function NamedDialog<T extends FieldValues>({
  title,
  act,
  id,
  form,
  put,
  onClose,
  children,
}: NamedDialogProps<T>) {
  const [rowId] = useState(() => id ?? uuidv7());
  const submit = submitting(form, (body) => put({ id: rowId, body }).then(onClose));
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        {children}
        <FormFault reason={form.formState.errors.root?.message} />
        <KeepOrLeave isDisabled={form.formState.isSubmitting} onLeave={onClose}>
          {act}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
