import { ROLES } from '#contract/access.ts';
import { PersonPutDto, type PersonView } from '#contract/shop.ts';
import { WORKS } from '#core/estimate/lines.ts';
import { OPTIONAL, useContractForm } from '../../shared/forms.ts';
import { SelectField, TextField, TickField, Ticks, Options } from '../../ui/Field.tsx';
import { NamedDialog } from './NamedDialog.tsx';
import { Button } from '../../ui/Button.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Mono, Notice, Row, Stack } from '../../ui/parts.tsx';
import { wordsOf } from '../../shared/api.ts';
import { useInvite, usePutPerson } from './shop.queries.ts';

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

/** A link by which they set their own password: new here, or locked out. */
function Invite({ personId, name }: { personId: string; name: string }) {
  const invite = useInvite(personId);
  return (
    <Stack $gap="s">
      <Row>
        <Button isDisabled={invite.isPending} onPress={() => invite.mutate()}>
          Make a link to set a password
        </Button>
      </Row>
      {invite.data && (
        <Notice $tone="blueing" role="status">
          {invite.data.mailed
            ? `It goes to ${name} by mail too. `
            : 'No mail is being sent: hand it over yourself. '}
          It holds for a week, and for one use:
          <br />
          <Mono style={{ overflowWrap: 'anywhere' }}>{invite.data.url}</Mono>
        </Notice>
      )}
      <FormFault reason={invite.isError ? wordsOf(invite.error) : undefined} />
    </Stack>
  );
}

export function PersonDialog({ row, onClose }: { row: PersonView | undefined; onClose: () => void }) {
  const put = usePutPerson();
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
        label={row ? 'New password' : 'First password'}
        hint={
          row
            ? 'Empty: it stays as it is. A new one signs them out everywhere.'
            : 'Empty: they set their own, by a link that you get when they are added.'
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
      {row && !row.hasLeft && <Invite personId={row.id} name={row.name} />}
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
