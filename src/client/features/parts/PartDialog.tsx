/** A part that is needed: what, for which unit, which number out of which catalogue, where from. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { PartPutDto, type PartView } from '#contract/parts.ts';
import { SOURCES } from '#core/parts/parts.ts';
import { moneyIn, OPTIONAL, submitting, useContractForm, type AsTyped, WHOLE } from '../../shared/forms.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { moneyAsTyped, type MoneyManner } from '../../shared/typed.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, TextField, Options } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { MoneyField } from '../../ui/MoneyField.tsx';
import { donorsQuery, partsQuery, usePutPart } from './parts.queries.ts';

const EMPTY: Partial<PartPutDto> = {
  version: 0,
  what: '',
  quantity: 1,
  number: '',
  catalogue: '',
  instead: '',
  source: 'supplier',
  sourceNote: '',
  vendor: '',
};

function startOf(part: PartView | null, manner: MoneyManner): AsTyped<PartPutDto> {
  if (!part) return EMPTY;
  const { version, what, quantity, unitId, lineId, taskId, number, catalogue, fitsFrom, fitsTo } = part;
  const { instead, source, sourceNote, vendor, supersededBy, donorId } = part;
  const typed = (minor: number | undefined): string | undefined =>
    minor === undefined ? undefined : moneyAsTyped(minor, manner);
  return present({
    version,
    what,
    quantity,
    number,
    catalogue,
    instead,
    source,
    sourceNote,
    vendor,
    unitId,
    lineId,
    taskId,
    fitsFrom,
    fitsTo,
    supersededBy,
    serialFrom: part.serialFrom,
    serialTo: part.serialTo,
    insteadTriedBy: part.insteadTriedBy,
    donorId,
    priceMinor: typed(part.priceMinor),
    costMinor: typed(part.costMinor),
    depositMinor: typed(part.depositMinor),
  });
}

/** Without what is not there: an absent field is not an empty one. */
const present = <T extends object>(of: T): Partial<T> =>
  Object.fromEntries(Object.entries(of).filter(([, v]) => v !== undefined)) as Partial<T>;

interface Props {
  buildId: string;
  part: PartView | null;
  onClose: () => void;
}

export default function PartDialog({ buildId, part, onClose }: Props) {
  const manner = useManner();
  const { currency } = manner;
  const { seesPrices } = useShop();
  const put = usePutPart(buildId);
  const { data } = useQuery(partsQuery(buildId));
  const [partId] = useState(() => part?.id ?? uuidv7());
  const [start] = useState(() => startOf(part, manner));
  const form = useContractForm<PartPutDto>(PartPutDto, start);
  const { errors } = form.formState;
  const source = form.watch('source');
  const { data: donors } = useQuery({ ...donorsQuery, enabled: source === 'donor vehicle' });
  const submit = submitting(form, (body) => put.mutateAsync({ partId, body }).then(onClose));
  return (
    <Dialog title={part ? 'Change this part' : 'A part that is needed'} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Pair>
          <TextField
            label="What is needed"
            autoFocus
            fault={errors.what?.message}
            {...form.register('what')}
          />
          <TextField
            label="How many"
            inputMode="numeric"
            fault={errors.quantity?.message}
            {...form.register('quantity', WHOLE)}
          />
        </Pair>
        <SelectField
          label="For which unit"
          hint="A unit that is not the car’s own has a year of its own."
          fault={errors.unitId?.message}
          {...form.register('unitId', OPTIONAL)}
        >
          <option value="">the car itself</option>
          <Options of={data?.units} />
        </SelectField>
        <SelectField
          label="On which line of the estimate"
          hint="Its price and its cost stand on that line."
          fault={errors.lineId?.message}
          {...form.register('lineId', OPTIONAL)}
        >
          <option value="">on none: the shop bears it</option>
          <Options of={data?.lines} by="title" />
        </SelectField>
        <SelectField
          label="Needed for which task"
          hint="That task cannot be started before it is here."
          fault={errors.taskId?.message}
          {...form.register('taskId', OPTIONAL)}
        >
          <option value="">none in particular</option>
          <Options of={data?.tasks} by="title" />
        </SelectField>
        <Pair>
          <TextField label="Number" data-mono fault={errors.number?.message} {...form.register('number')} />
          <TextField
            label="Read from which catalogue"
            fault={errors.catalogue?.message}
            {...form.register('catalogue')}
          />
          <TextField
            label="Fits from year"
            inputMode="numeric"
            fault={errors.fitsFrom?.message}
            {...form.register('fitsFrom', WHOLE)}
          />
          <TextField
            label="Fits to year"
            inputMode="numeric"
            fault={errors.fitsTo?.message}
            {...form.register('fitsTo', WHOLE)}
          />
          <TextField
            label="Fits from number"
            hint="As it stands on the unit, or on the chassis."
            data-mono
            fault={errors.serialFrom?.message}
            {...form.register('serialFrom', OPTIONAL)}
          />
          <TextField
            label="Fits to number"
            data-mono
            fault={errors.serialTo?.message}
            {...form.register('serialTo', OPTIONAL)}
          />
        </Pair>
        <TextField
          label="Superseded by, if its maker says so"
          data-mono
          fault={errors.supersededBy?.message}
          {...form.register('supersededBy', OPTIONAL)}
        />
        <Pair>
          <TextField
            label="What serves instead, and why"
            fault={errors.instead?.message}
            {...form.register('instead')}
          />
          <TextField
            label="Who tried it, and on what"
            fault={errors.insteadTriedBy?.message}
            {...form.register('insteadTriedBy', OPTIONAL)}
          />
        </Pair>
        <Pair>
          <SelectField label="Where from" fault={errors.source?.message} {...form.register('source')}>
            <Options of={SOURCES} />
          </SelectField>
          {source === 'donor vehicle' ? (
            <SelectField
              label="From which vehicle"
              hint={<Link to="/parts/donors">Donors and what is left of them</Link>}
              fault={errors.donorId?.message}
              {...form.register('donorId', OPTIONAL)}
            >
              <option value="">none on the list</option>
              <Options of={donors?.donors.filter((d) => !d.isGone || d.id === part?.donorId)} />
            </SelectField>
          ) : (
            <TextField label="Supplier" fault={errors.vendor?.message} {...form.register('vendor')} />
          )}
          {seesPrices && (
            <MoneyField
              label="Price of all of it"
              currency={currency}
              hint="What the customer pays. Empty: what it costs, with the shop’s addition."
              fault={errors.priceMinor?.message}
              {...form.register('priceMinor', moneyIn(manner))}
            />
          )}
          {seesPrices && (
            <MoneyField
              label="Costs the shop"
              currency={currency}
              hint="Empty: the same."
              fault={errors.costMinor?.message}
              {...form.register('costMinor', moneyIn(manner))}
            />
          )}
          {seesPrices && (
            <MoneyField
              label="Deposit for the old one"
              currency={currency}
              fault={errors.depositMinor?.message}
              {...form.register('depositMinor', moneyIn(manner))}
            />
          )}
        </Pair>
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          {part ? 'Keep the change' : 'Write it down'}
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
