import { VendorPutDto, type VendorView } from '#contract/shop.ts';
import { useContractForm } from '../../shared/forms.ts';
import { TextField } from '../../ui/Field.tsx';
import { NamedDialog } from './NamedDialog.tsx';
import { usePutVendor } from './shop.queries.ts';

export function VendorDialog({ row, onClose }: { row: VendorView | undefined; onClose: () => void }) {
  const put = usePutVendor();
  const form = useContractForm(
    VendorPutDto,
    row ? { version: row.version, name: row.name } : { version: 0, name: '' },
  );
  return (
    <NamedDialog
      title={row ? row.name : 'New vendor'}
      act={row ? 'Keep' : 'Add this vendor'}
      id={row?.id}
      form={form}
      put={put.mutateAsync}
      onClose={onClose}
    >
      <TextField label="Name" fault={form.formState.errors.name?.message} {...form.register('name')} />
    </NamedDialog>
  );
}
