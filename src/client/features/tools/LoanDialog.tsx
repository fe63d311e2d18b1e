/** A tool that somebody takes with them: what, who, since when, and the day on which it is to be back. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { LoanPutDto, type LoanView } from '#contract/tools.ts';
import { OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { useManner } from '../../shared/shop.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { usePutLoan } from './tools.queries.ts';

/** What is sent of a loan that stands. */
export const asKept = ({ version, what, lentTo, lentOn, due, backOn }: Omit<LoanView, 'id'>): LoanPutDto => ({
  ...{ version, what, lentTo, lentOn },
  ...(due === null ? {} : { due }),
  ...(backOn === null ? {} : { backOn }),
});

export function LoanDialog({ loan, onClose }: { loan?: LoanView | undefined; onClose: () => void }) {
  const { today } = useManner();
  const put = usePutLoan();
  const [loanId] = useState(() => loan?.id ?? uuidv7());
  const form = useContractForm<LoanPutDto>(
    LoanPutDto,
    loan ? asKept(loan) : { version: 0, what: '', lentTo: '', lentOn: today },
  );
  const { errors } = form.formState;
  const submit = submitting(form, (body) => put.mutateAsync({ loanId, body }).then(onClose));
  return (
    <Dialog title={loan ? `Change: ${loan.what}` : 'Lend a tool'} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="What is lent"
          hint="The torque wrench, the valve spring compressor."
          autoFocus
          fault={errors.what?.message}
          {...form.register('what')}
        />
        <TextField label="To whom" fault={errors.lentTo?.message} {...form.register('lentTo')} />
        <Pair>
          <TextField label="Since" type="date" fault={errors.lentOn?.message} {...form.register('lentOn')} />
          <TextField
            label="Back by, if a day was said"
            type="date"
            fault={errors.due?.message}
            {...form.register('due', OPTIONAL)}
          />
        </Pair>
        <FormFault reason={errors.root?.message ?? errors.backOn?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          Keep it
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
