import { AbsencePutDto, type AbsenceView, type PersonView } from '#contract/shop.ts';
import { OPTIONAL, useContractForm } from '../../shared/forms.ts';
import { useManner } from '../../shared/shop.ts';
import { TextField, TickField } from '../../ui/Field.tsx';
import { Pair } from '../../ui/Form.tsx';
import { NamedDialog } from './NamedDialog.tsx';
import { usePutAbsence } from './shop.queries.ts';

interface Props {
  person: PersonView;
  row: AbsenceView | undefined;
  onClose: () => void;
}

export function AbsenceDialog({ person, row, onClose }: Props) {
  const { today } = useManner();
  const put = usePutAbsence();
  const form = useContractForm<AbsencePutDto>(AbsencePutDto, {
    version: row?.version ?? 0,
    personId: person.id,
    from: row?.from ?? today,
    reason: row?.reason ?? '',
    isOff: false,
    ...(row?.to === undefined ? {} : { to: row.to }),
  });
  const { errors } = form.formState;
  return (
    <NamedDialog
      title={`${person.name} is away`}
      act="Keep"
      id={row?.id}
      form={form}
      put={put.mutateAsync}
      onClose={onClose}
    >
      <Pair>
        <TextField label="First day" type="date" fault={errors.from?.message} {...form.register('from')} />
        <TextField
          label="Last day"
          hint="Empty while nobody knows."
          type="date"
          fault={errors.to?.message}
          {...form.register('to', OPTIONAL)}
        />
      </Pair>
      <TextField label="A word about it" fault={errors.reason?.message} {...form.register('reason')} />
      {row && <TickField label="They are here after all" {...form.register('isOff')} />}
    </NamedDialog>
  );
}
