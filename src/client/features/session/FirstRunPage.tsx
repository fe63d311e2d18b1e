/** The first-run page: a shop and its owner's account. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Navigate, useNavigate } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { ShopCreateDto } from '#contract/session.ts';
import { showProblem, useContractForm } from '../../shared/forms.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { FormFault, FormPage, Pair } from '../../ui/Form.tsx';
import { Row, Title } from '../../ui/parts.tsx';
import { sessionQuery } from '../../shared/session.ts';
import { useCreateShop } from './session.queries.ts';

const start = (): ShopCreateDto => ({
  shopId: uuidv7(),
  personId: uuidv7(),
  shopName: '',
  currency: 'GBP',
  units: 'imperial',
  locale: navigator.language,
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  ownerName: '',
  email: '',
  password: '',
});

export default function FirstRunPage() {
  const { data: session } = useSuspenseQuery(sessionQuery);
  const navigate = useNavigate();
  const create = useCreateShop();
  const [initial] = useState(start);
  const form = useContractForm(ShopCreateDto, initial);
  useTitle('First run');
  if (!session.firstRun) return <Navigate to="/" replace />;
  const { errors } = form.formState;
  const submit = form.handleSubmit((body) =>
    create.mutateAsync(body).then(
      () => void navigate('/'),
      (error: unknown) => showProblem(form, error),
    ),
  );
  return (
    <FormPage onSubmit={submit}>
      <Title>Open your shop</Title>
      <p>This makes the shop and your account as its owner. It is asked once.</p>
      <TextField label="Name of the shop" fault={errors.shopName?.message} {...form.register('shopName')} />
      <Pair>
        <SelectField label="Currency" fault={errors.currency?.message} {...form.register('currency')}>
          {Intl.supportedValuesOf('currency').map((c) => (
            <option key={c}>{c}</option>
          ))}
        </SelectField>
        <SelectField label="Units" fault={errors.units?.message} {...form.register('units')}>
          <option value="imperial">inches, pounds, miles</option>
          <option value="metric">millimetres, kilograms, kilometres</option>
        </SelectField>
        <TextField
          label="Language"
          hint="as in en-GB or de-AT"
          fault={errors.locale?.message}
          {...form.register('locale')}
        />
        <SelectField label="Time zone" fault={errors.timeZone?.message} {...form.register('timeZone')}>
          {[...new Set([initial.timeZone, ...Intl.supportedValuesOf('timeZone')])].map((z) => (
            <option key={z}>{z}</option>
          ))}
        </SelectField>
      </Pair>
      <TextField
        label="Your name"
        autoComplete="name"
        fault={errors.ownerName?.message}
        {...form.register('ownerName')}
      />
      <Pair>
        <TextField
          label="Email"
          type="email"
          autoComplete="username"
          fault={errors.email?.message}
          {...form.register('email')}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="new-password"
          hint="at least 10 characters"
          fault={errors.password?.message}
          {...form.register('password')}
        />
      </Pair>
      <FormFault reason={errors.root?.message} />
      <Row>
        <Button $look="main" type="submit" isDisabled={create.isPending}>
          Open the shop
        </Button>
      </Row>
    </FormPage>
  );
}
