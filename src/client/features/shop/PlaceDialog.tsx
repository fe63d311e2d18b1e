import { PlacePutDto, type PlaceView } from '#contract/shop.ts';
import { PLACE_KINDS } from '#core/shop/places.ts';
import { useContractForm } from '../../shared/forms.ts';
import { SelectField, TextField, TickField, Options } from '../../ui/Field.tsx';
import { NamedDialog } from './NamedDialog.tsx';
import { usePutPlace } from './shop.queries.ts';

interface PlaceDialogProps {
  row: PlaceView | undefined;
  /** Position of the last place: a new one comes after it. */
  last: number;
  onClose: () => void;
}

function startOf(row: PlaceView | undefined, last: number): PlacePutDto {
  if (!row) return { version: 0, name: '', kind: 'bay', position: last + 1, closed: false };
  const { version, name, kind, position, closed } = row;
  return { version, name, kind, position, closed };
}

export function PlaceDialog({ row, last, onClose }: PlaceDialogProps) {
  const put = usePutPlace();
  const form = useContractForm(PlacePutDto, startOf(row, last));
  const { errors } = form.formState;
  return (
    <NamedDialog
      title={row ? row.name : 'New place'}
      act={row ? 'Keep' : 'Add this place'}
      id={row?.id}
      form={form}
      put={put.mutateAsync}
      onClose={onClose}
    >
      <TextField label="Name" fault={errors.name?.message} {...form.register('name')} />
      <SelectField label="Kind" fault={errors.kind?.message} {...form.register('kind')}>
        <Options of={PLACE_KINDS} />
      </SelectField>
      {row && (
        <TickField
          label="Closed: no car is put there any more"
          fault={errors.closed?.message}
          {...form.register('closed')}
        />
      )}
    </NamedDialog>
  );
}
