/** Something tried in place, and everything that was in the way of it. */
import { useState } from 'react';
import { useFieldArray } from 'react-hook-form';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import { TrialPutDto } from '#contract/snags.ts';
import { STATIONS } from '#core/snags/snags.ts';
import { useCarChange } from '../../shared/changing.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { Row } from '../../ui/parts.tsx';
import { phone, space } from '../../ui/tokens.ts';

const Thing = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 12rem auto;
  gap: ${space.s};
  align-items: end;
  ${phone} {
    grid-template-columns: minmax(0, 1fr) auto;
    > :first-child {
      grid-column: 1 / -1;
    }
  }
`;

export function TrialDialog({ buildId, onClose }: { buildId: string; onClose: () => void }) {
  const put = useCarChange(buildId, 'trialPut');
  const [entryId] = useState(() => uuidv7());
  const form = useContractForm<TrialPutDto>(TrialPutDto, { what: '', inTheWay: [] });
  const { fields, append, remove } = useFieldArray({
    control: form.control,
    name: 'inTheWay',
    keyName: 'row',
  });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => put.mutateAsync({ params: { entryId }, body }).then(onClose));
  return (
    <Dialog title="Tried in place" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="What was tried"
          hint="The bonnet, the trial cover of the driver’s seat, the exhaust."
          autoFocus
          fault={errors.what?.message}
          {...form.register('what')}
        />
        {fields.map((f, i) => (
          <Thing key={f.row}>
            <TextField
              label={`In the way, ${i + 1}`}
              fault={errors.inTheWay?.[i]?.what?.message}
              {...form.register(`inTheWay.${i}.what`)}
            />
            <SelectField label={`Where, ${i + 1}`} {...form.register(`inTheWay.${i}.station`)}>
              <Options of={STATIONS} />
            </SelectField>
            <Button $look="quiet" aria-label={`Take ${i + 1} off the list`} onPress={() => remove(i)}>
              Off
            </Button>
          </Thing>
        ))}
        <Row>
          <Button onPress={() => append({ id: uuidv7(), what: '', station: STATIONS[0] })}>
            {fields.length === 0 ? 'Something was in the way' : 'One more thing'}
          </Button>
        </Row>
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          {fields.length === 0 ? 'It fits' : 'Keep the trial'}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
