/** A new build: the car, whose it is, and what it is to become. */
import { useDeferredValue, useState } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { BuildCreateDto, TELL_BY, type CustomerView } from '#contract/builds.ts';
import { STANDARDS } from '#core/log/standards.ts';
import { moneyIn, OPTIONAL, showProblem, useContractForm, WHOLE } from '../../shared/forms.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextAreaField, TextField, Options } from '../../ui/Field.tsx';
import { FormFault, FormPage, Pair } from '../../ui/Form.tsx';
import { MoneyField } from '../../ui/MoneyField.tsx';
import { Row, Title } from '../../ui/parts.tsx';
import { ReadBook } from '../book/index.ts';
import { customersQuery, useCreateBuild } from './builds.queries.ts';
import { STANDARD_WORDS, TELL_WORDS } from './words.ts';

/** A line for each requirement; empty ones are none. */
const linesOf = (typed: string): string[] | undefined => {
  const lines = typed
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '');
  return lines.length === 0 ? undefined : lines;
};

const start = (): BuildCreateDto => ({
  id: uuidv7(),
  customerId: uuidv7(),
  vehicleId: uuidv7(),
  vehicleName: '',
  nickname: '',
  customerName: '',
  customerEmail: '',
  standard: 'driver',
  tellBy: 'mail',
});

export default function NewBuildPage() {
  const navigate = useNavigate();
  const manner = useManner();
  const { currency } = manner;
  const { person } = useShop();
  const create = useCreateBuild();
  const [initial] = useState(start);
  const form = useContractForm(BuildCreateDto, initial);
  useTitle('New build');
  const { errors } = form.formState;
  const money = moneyIn(manner);
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const { data } = useQuery({ ...customersQuery(search), placeholderData: keepPreviousData });
  // Once there are more than a list holds, what is looked for stays open, however few it finds.
  const [hasMany, setHasMany] = useState(false);
  if (data?.more && !hasMany) setHasMany(true);
  const [owner, setOwner] = useState<CustomerView | null>(null);
  const [known, setKnown] = useState('');
  const chooseOwner = (id: string): void => {
    const chosen = data?.customers.find((c) => c.id === id) ?? null;
    setOwner(chosen);
    setKnown('');
    form.setValue('customerId', chosen?.id ?? uuidv7());
    form.setValue('vehicleId', uuidv7());
    form.setValue('customerName', chosen?.name ?? '');
    form.setValue('customerEmail', chosen?.email ?? '');
  };
  const chooseVehicle = (id: string): void => {
    const chosen = owner?.vehicles.find((v) => v.id === id);
    setKnown(id);
    form.setValue('vehicleId', chosen?.id ?? uuidv7());
    form.setValue('vehicleName', chosen?.name ?? '');
    form.setValue('vehicleYear', chosen?.year ?? undefined);
  };
  const submit = form.handleSubmit((body) =>
    create.mutateAsync(body).then(
      (build) => void navigate(`/builds/${build.id}`),
      (error: unknown) => showProblem(form, error),
    ),
  );
  return (
    <FormPage onSubmit={submit}>
      <Title>New build</Title>
      {person.role === 'owner' && <ReadBook />}
      {hasMany && (
        <TextField
          label="Look for who was here before"
          placeholder="name or email"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            chooseOwner('');
          }}
        />
      )}
      <SelectField label="Whose is it?" value={owner?.id ?? ''} onChange={(e) => chooseOwner(e.target.value)}>
        <option value="">Somebody new</option>
        <Options of={data?.customers} />
      </SelectField>
      {!owner && (
        <Pair>
          <TextField
            label="Customer"
            fault={errors.customerName?.message}
            {...form.register('customerName')}
          />
          <TextField
            label="Their email"
            type="email"
            fault={errors.customerEmail?.message}
            {...form.register('customerEmail')}
          />
        </Pair>
      )}
      {owner && owner.vehicles.length > 0 && (
        <SelectField label="Which of theirs?" value={known} onChange={(e) => chooseVehicle(e.target.value)}>
          <option value="">Another one</option>
          {owner.vehicles.map((v) => (
            <option key={v.id} value={v.id}>
              {v.year} {v.name}
            </option>
          ))}
        </SelectField>
      )}
      {known === '' && (
        <Pair>
          <TextField label="Vehicle" fault={errors.vehicleName?.message} {...form.register('vehicleName')} />
          <TextField
            label="Year, if known"
            inputMode="numeric"
            fault={errors.vehicleYear?.message}
            {...form.register('vehicleYear', WHOLE)}
          />
        </Pair>
      )}
      <TextField
        label="What you call it"
        hint="One or two words; the log line listens to them."
        fault={errors.nickname?.message}
        {...form.register('nickname')}
      />
      <TextAreaField
        label="What they came with, in their own words"
        rows={3}
        maxLength={4000}
        fault={errors.complaint?.message}
        {...form.register('complaint', OPTIONAL)}
      />
      <TextAreaField
        label="What must hold at hand-over"
        hint="One a line: keeps its bell. Each is ticked later, with what shows it."
        rows={2}
        fault={errors.requirements?.message}
        {...form.register('requirements', {
          setValueAs: (v: unknown) => (Array.isArray(v) ? v : linesOf(String(v ?? ''))),
        })}
      />
      <SelectField label="Standard of finish" fault={errors.standard?.message} {...form.register('standard')}>
        <Options of={STANDARDS} words={STANDARD_WORDS} />
      </SelectField>
      <Pair>
        <TextField
          label="Promised for, if promised"
          type="date"
          fault={errors.promised?.message}
          {...form.register('promised', OPTIONAL)}
        />
        <TextField
          label="Event it must be ready for, if any"
          type="date"
          fault={errors.eventDay?.message}
          {...form.register('eventDay', OPTIONAL)}
        />
      </Pair>
      <Pair>
        <TextField
          label={`Budget, ${currency}, if there is one`}
          inputMode="decimal"
          fault={errors.budgetMinor?.message}
          {...form.register('budgetMinor', money)}
        />
        <MoneyField
          label="May be spent without asking"
          currency={currency}
          hint="Agreed now; used only for small things, and told in the next letter."
          fault={errors.discretionMinor?.message}
          {...form.register('discretionMinor', money)}
        />
      </Pair>
      {!owner && (
        <Pair>
          <SelectField label="Tell them" fault={errors.tellBy?.message} {...form.register('tellBy')}>
            <Options of={TELL_BY} words={TELL_WORDS} />
          </SelectField>
          <TextField
            label="Tell them every … days"
            inputMode="numeric"
            hint="14 when left empty"
            fault={errors.tellEveryDays?.message}
            {...form.register('tellEveryDays', WHOLE)}
          />
        </Pair>
      )}
      <FormFault reason={errors.root?.message} />
      <Row>
        <Button $look="main" type="submit" isDisabled={create.isPending}>
          Begin the build
        </Button>
      </Row>
    </FormPage>
  );
}
