import { ROLES } from '#contract/access.ts';
import { PersonPutDto, type PersonView } from '#contract/shop.ts';
import { WORKS } from '#core/estimate/lines.ts';
import { OPTIONAL, useContractForm } from '../../shared/forms.ts';
import { SelectField, TextField, TickField, Ticks, Options } from '../../ui/Field.tsx';
import { NamedDialog } from './NamedDialog.tsx';
import { usePut } from './shop.queries.ts';

const NEW: PersonPutDto = {
  version: 0,
  name: '',
  email: '',
  role: 'technician',
  hasLeft: false,
  skills: [],
};

function startOf(row: PersonView | undefined): PersonPutDto {
  if (!row) return NEW;
  const { version, name, email, role, hasLeft, skills } = row;
  return { version, name, email, role, hasLeft, skills };
}

export function PersonDialog({ row, onClose }: { row: PersonView | undefined; onClose: () => void }) {
  const put = usePut('person');
  const form = useContractForm(PersonPutDto, startOf(row));
  const { errors } = form.formState;
  return (
    <NamedDialog
      title={row ? row.name : 'New person'}
      act={row ? 'Keep' : 'Add this person'}
      id={row?.id}
      form={form}
      put={put.mutateAsync}
      onClose={onClose}
    >
      <TextField label="Name" autoComplete="off" fault={errors.name?.message} {...form.register('name')} />
      <TextField
        label="Email, to sign in with"
        type="email"
        autoComplete="off"
        fault={errors.email?.message}
        {...form.register('email')}
      />
      <SelectField label="Role" fault={errors.role?.message} {...form.register('role')}>
        <Options of={ROLES} />
      </SelectField>
      <TextField
        label={row ? 'New password' : 'Password to begin with'}
        hint={
          row ? 'Empty: it stays as it is. A new one signs them out everywhere.' : 'At least 10 characters.'
        }
        type="password"
        autoComplete="new-password"
        fault={errors.password?.message}
        {...form.register('password', OPTIONAL)}
      />
      <Ticks>
        <legend>Work that they do</legend>
        {WORKS.map((w) => (
          <TickField key={w} label={w} value={w} {...form.register('skills')} />
        ))}
      </Ticks>
      {row && (
        <TickField
          label="Has left: signs in no more; what they wrote stays"
          fault={errors.hasLeft?.message}
          {...form.register('hasLeft')}
        />
      )}
    </NamedDialog>
  );
}
