/** A car on the plan: moved without dragging, and whether it rolls. */
import { useState } from 'react';
import { Link } from 'react-router';
import type { PlanCarView, PlanPlaceView, PlanView } from '#contract/plan.ts';
import { PinnedDto } from '#contract/plan.ts';
import { whyNotMove } from '#core/plan/floorPlan.ts';
import { OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, TextField, Options } from '../../ui/Field.tsx';
import { Form, FormFault } from '../../ui/Form.tsx';
import { Row, Stack } from '../../ui/parts.tsx';
import { useSetPinned } from './plan.queries.ts';

interface Props {
  plan: PlanView;
  car: PlanCarView;
  onMove: (place: PlanPlaceView) => void;
  onClose: () => void;
}

export default function CarDialog({ plan, car, onMove, onClose }: Props) {
  const pin = useSetPinned();
  const [fault, setFault] = useState<string>();
  const [to, setTo] = useState(car.placeId ?? '');
  const form = useContractForm(PinnedDto, {
    by: car.pinned?.by ?? '',
    freedBy: car.pinned?.freedBy ?? '',
  });
  const move = (): void => {
    const place = plan.places.find((p) => p.id === to);
    if (!place) return setFault('choose a place');
    const refused = whyNotMove(car.buildId, place, plan.places, plan.cars);
    if (refused !== null) return setFault(refused);
    onMove(place);
    onClose();
  };
  const submit = submitting(form, (body) => pin.mutateAsync({ buildId: car.buildId, body }).then(onClose));
  return (
    <Dialog title={`The ${car.nickname}`} isOpen onClose={onClose}>
      <Stack>
        <Link to={`/builds/${car.buildId}`}>To its logbook</Link>
        <SelectField
          label="Stands at"
          value={to}
          fault={fault}
          onChange={(e) => {
            setTo(e.target.value);
            setFault(undefined);
          }}
        >
          <option value="">nowhere yet</option>
          <Options of={plan.places} />
        </SelectField>
        <Row>
          <Button $look="main" isDisabled={to === '' || to === car.placeId} onPress={move}>
            Move it there
          </Button>
        </Row>
        <Form onSubmit={submit}>
          <TextField
            label="What is off it, so that it does not roll"
            hint="Empty: it rolls."
            fault={form.formState.errors.by?.message}
            {...form.register('by', OPTIONAL)}
          />
          <TextField
            label="What would free it"
            hint="As in: the dolly under the front, half an hour"
            fault={form.formState.errors.freedBy?.message}
            {...form.register('freedBy', OPTIONAL)}
          />
          <FormFault reason={form.formState.errors.root?.message} />
          <Row>
            <Button type="submit" isDisabled={pin.isPending}>
              Keep whether it rolls
            </Button>
            <Button $look="quiet" onPress={onClose}>
              Leave it
            </Button>
          </Row>
        </Form>
      </Stack>
    </Dialog>
  );
}
