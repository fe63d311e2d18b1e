/** The vehicle's own numbers, and what a 17-character number says about itself while it is typed. */
import type { VehicleView } from '#contract/vehicle.ts';
import { IdentityDto, ODOMETER_UNITS } from '#contract/vehicle.ts';
import { checkNumber, modelYears } from '#core/vehicle/vin.ts';
import { submitting, useContractForm, WHOLE } from '../../shared/forms.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextAreaField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, Pair } from '../../ui/Form.tsx';
import { Head, Now, Panel, Quiet, Row } from '../../ui/parts.tsx';
import { useSaveIdentity } from './vehicle.queries.ts';

/** A car of next year's model may stand in the shop already. */
const AHEAD = 1;

function NumberWords({ number }: { number: string }) {
  const { today } = useManner();
  if (number.trim() === '') return null;
  const check = checkNumber(number);
  if (check.form === 'free') return <Quiet>Not 17 characters: kept as it is, with nothing to check.</Quiet>;
  if (!check.fits)
    return (
      <span>
        <Now>Look again.</Now> {check.why}
      </span>
    );
  const years = modelYears(number, Number(today.slice(0, 4)) + AHEAD);
  return (
    <Quiet>
      Its check digit fits.{years.length > 0 && ` The tenth place means a car of ${years.join(' or ')}.`}
    </Quiet>
  );
}

/** What is not known is an empty field. */
const typedOf = ({ year, odometer, ...rest }: VehicleView['identity']): IdentityDto => ({
  ...rest,
  ...(year === null ? {} : { year }),
  ...(odometer === null ? {} : { odometer }),
});

export function IdentityForm({ vehicle }: { vehicle: VehicleView }) {
  const { identity, buildId } = vehicle;
  const save = useSaveIdentity(buildId);
  const form = useContractForm(IdentityDto, typedOf(identity));
  const { errors, isDirty } = form.formState;
  const number = form.watch('chassisNumber');
  const submit = submitting(form, async (body) => {
    const view = await save.mutateAsync(body);
    form.reset(typedOf(view.identity));
  });
  return (
    <Panel aria-label="What it is">
      <Head>What it is</Head>
      <Form onSubmit={submit}>
        <Pair>
          <TextField label="Vehicle" fault={errors.name?.message} {...form.register('name')} />
          <TextField
            label="Year, if known"
            inputMode="numeric"
            fault={errors.year?.message}
            {...form.register('year', WHOLE)}
          />
        </Pair>
        <TextField
          label="Chassis or identification number"
          data-mono
          autoCapitalize="characters"
          spellCheck={false}
          hint={<NumberWords number={number} />}
          fault={errors.chassisNumber?.message}
          {...form.register('chassisNumber')}
        />
        <Pair>
          <TextField label="Plates" data-mono fault={errors.plate?.message} {...form.register('plate')} />
          <TextField
            label="On the clock"
            inputMode="numeric"
            data-mono
            fault={errors.odometer?.message}
            {...form.register('odometer', WHOLE)}
          />
          <SelectField
            label="It counts"
            fault={errors.odometerUnit?.message}
            {...form.register('odometerUnit')}
          >
            {ODOMETER_UNITS.map((u) => (
              <option key={u} value={u}>
                {{ mi: 'miles', km: 'kilometres', h: 'hours' }[u]}
              </option>
            ))}
          </SelectField>
        </Pair>
        <TextAreaField
          label="Where the numbers were read"
          hint="As in: stamped on the bulkhead, plate riveted beside it looks new"
          rows={2}
          fault={errors.evidence?.message}
          {...form.register('evidence')}
        />
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button $look="main" type="submit" isDisabled={!isDirty || save.isPending}>
            Keep these
          </Button>
          {save.isSuccess && !isDirty && <span role="status">Kept.</span>}
        </Row>
      </Form>
    </Panel>
  );
}
