/** Where a piece stands that is off its car, and whether it takes the place up. */
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { PieceStandDto } from '#contract/outwork.ts';
import type { PlanPieceView } from '#contract/plan.ts';
import { OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TickField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { planQuery, useStandPiece } from './plan.queries.ts';

interface Props {
  piece: Pick<PlanPieceView, 'id' | 'version' | 'buildId' | 'nickname' | 'what' | 'isLarge'> & {
    placeId: string | null;
  };
  onClose: () => void;
}

export default function StandDialog({ piece, onClose }: Props) {
  const { data: plan } = useQuery(planQuery);
  const stand = useStandPiece();
  const form = useContractForm<PieceStandDto>(PieceStandDto, {
    version: piece.version,
    isLarge: piece.isLarge,
    ...(piece.placeId === null ? {} : { placeId: piece.placeId }),
  });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => stand.mutateAsync({ piece, body }).then(onClose));
  return (
    <Dialog title={`${piece.what}, off the ${piece.nickname}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Link to={`/builds/${piece.buildId}/pieces`}>What is off the {piece.nickname}</Link>
        <SelectField
          label="Stands at"
          fault={errors.placeId?.message}
          {...form.register('placeId', OPTIONAL)}
        >
          <option value="">a shelf, in its bag</option>
          <Options of={plan?.places} />
        </SelectField>
        <TickField
          label="It takes the place up as a car does: an engine on its stand, a body off its frame"
          {...form.register('isLarge')}
        />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={stand.isPending} onLeave={onClose}>
          Keep where it stands
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
