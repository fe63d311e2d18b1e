/** Who the customer is and where they are reached, and what the shop calls their build: put right. */
import { v7 as uuidv7 } from 'uuid';
import { CustomerPutDto, LANGUAGES, type BuildView, type Language } from '#contract/builds.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextAreaField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { usePutCustomer } from './builds.queries.ts';

const LANGUAGE_WORDS: Record<Language, string> = {
  'en-GB': 'English (Britain)',
  'en-US': 'English (United States)',
  de: 'German',
};

export default function CustomerDialog({ build, onClose }: { build: BuildView; onClose: () => void }) {
  const put = usePutCustomer(build.id);
  const record = build.customerRecord!;
  const form = useContractForm(CustomerPutDto, {
    id: uuidv7(),
    version: record.version,
    nickname: build.nickname,
    name: build.customer,
    email: build.customerEmail ?? '',
    phone: record.phone,
    address: record.address,
    language: record.language,
  });
  const { errors } = form.formState;
  const submit = submitting(form, async (body) => {
    await put.mutateAsync(body);
    onClose();
  });
  return (
    <Dialog title="Customer and nickname" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextField label="Shop nickname" fault={errors.nickname?.message} {...form.register('nickname')} />
        <Pair>
          <TextField label="Customer" fault={errors.name?.message} {...form.register('name')} />
          <TextField label="Email" type="email" fault={errors.email?.message} {...form.register('email')} />
        </Pair>
        <Pair>
          <TextField label="Telephone" type="tel" fault={errors.phone?.message} {...form.register('phone')} />
          <SelectField
            label="Language"
            hint="Kept with the customer. Letters are in English so far."
            fault={errors.language?.message}
            {...form.register('language')}
          >
            <Options of={LANGUAGES} words={LANGUAGE_WORDS} />
          </SelectField>
        </Pair>
        <TextAreaField
          label="Address"
          rows={3}
          fault={errors.address?.message}
          {...form.register('address')}
        />
        <FormFault reason={errors.root?.message ?? errors.version?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          Save
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
