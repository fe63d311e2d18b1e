/** Two or three ways to do the same: their names, weeks and what stays at risk. Lines choose their way afterwards. */
import { useState } from 'react';
import { useFieldArray, type FieldErrors } from 'react-hook-form';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import { ChoicePutDto, type ChoiceView, type EstimateView } from '#contract/estimate.ts';
import { MOST_WAYS } from '#core/estimate/ways.ts';
import { submitting, useContractForm, WHOLE } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, Pair } from '../../ui/Form.tsx';
import { Row, Stack } from '../../ui/parts.tsx';
import { color, space, touch } from '../../ui/tokens.ts';
import { usePutChoice } from './estimate.queries.ts';

const WayFields = styled.fieldset`
  display: grid;
  gap: ${space.s};
  min-width: 0;
  margin: 0;
  padding: ${space.s} 0 0;
  border: 0;
  border-top: 1px solid ${color.zincLine};
`;
const Advise = styled.label`
  display: flex;
  gap: ${space.s};
  align-items: center;
  min-height: ${touch};
  input {
    width: 22px;
    height: 22px;
  }
`;

const newWay = () => ({ id: uuidv7(), name: '', risk: '', weeksLow: 1, weeksHigh: 1 });

function newChoice(): ChoicePutDto {
  const ways = [newWay(), newWay()];
  return { version: 0, title: '', ways, heldId: ways[0]!.id };
}

function startOf({ version, title, ways, heldId }: ChoiceView): ChoicePutDto {
  return { version, title, ways, heldId };
}

interface Props {
  estimate: EstimateView;
  choice: ChoiceView | null;
  onClose: () => void;
}

export default function ChoiceDialog({ estimate, choice, onClose }: Props) {
  const put = usePutChoice(estimate.buildId);
  const [choiceId] = useState(() => choice?.id ?? uuidv7());
  const [start] = useState(() => (choice ? startOf(choice) : newChoice()));
  const form = useContractForm(ChoicePutDto, start);
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'ways', keyName: 'key' });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => put.mutateAsync({ choiceId, body }).then(onClose));
  return (
    <Dialog title="Ways to do it" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField
          label="What can be done in more than one way"
          hint="As the customer will read it: cleaning the axle housing"
          fault={errors.title?.message}
          {...form.register('title')}
        />
        {fields.map((field, i) => (
          <WayFields key={field.key} aria-label={`Way ${i + 1} as a whole`}>
            <TextField
              label={`Way ${i + 1}`}
              fault={errorOf(errors, i, 'name')}
              {...form.register(`ways.${i}.name`)}
            />
            <Pair>
              <TextField
                label="Weeks, at least"
                inputMode="numeric"
                fault={errorOf(errors, i, 'weeksLow')}
                {...form.register(`ways.${i}.weeksLow`, WHOLE)}
              />
              <TextField
                label="Weeks, at most"
                inputMode="numeric"
                fault={errorOf(errors, i, 'weeksHigh')}
                {...form.register(`ways.${i}.weeksHigh`, WHOLE)}
              />
            </Pair>
            <TextAreaField
              label="What stays at risk"
              rows={2}
              fault={errorOf(errors, i, 'risk')}
              {...form.register(`ways.${i}.risk`)}
            />
            <Row>
              <Advise>
                <input type="radio" value={field.id} {...form.register('heldId')} /> I advise this one
              </Advise>
              {fields.length > 2 && (
                <Button $look="quiet" onPress={() => remove(i)}>
                  Take this way away
                </Button>
              )}
            </Row>
          </WayFields>
        ))}
        <Stack $gap="s">
          {errors.heldId && <FormFault reason={errors.heldId.message} />}
          <FormFault reason={errors.ways?.root?.message ?? errors.ways?.message ?? errors.root?.message} />
          <Row>
            <Button $look="main" type="submit" isDisabled={put.isPending}>
              {choice ? 'Keep the ways' : 'Offer these ways'}
            </Button>
            {fields.length < MOST_WAYS && <Button onPress={() => append(newWay())}>A third way</Button>}
            <Button $look="quiet" onPress={onClose}>
              Leave it
            </Button>
          </Row>
        </Stack>
      </Form>
    </Dialog>
  );
}

const errorOf = (
  errors: FieldErrors<ChoicePutDto>,
  i: number,
  field: 'name' | 'risk' | 'weeksLow' | 'weeksHigh',
): string | undefined => errors.ways?.[i]?.[field]?.message;
