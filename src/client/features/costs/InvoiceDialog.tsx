/** An invoice taken down: from whom, its number, its sum; which orders it asks for, at how much, and what else. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { useFieldArray, type UseFormReturn } from 'react-hook-form';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import {
  InvoicePutDto,
  type InvoiceItemDto,
  type InvoicesView,
  type InvoiceView,
  type OpenOrderView,
} from '#contract/costs.ts';
import { formatMoney, toMinor } from '#core/money/money.ts';
import { submitting, useContractForm, type AsTyped } from '../../shared/forms.ts';
import { useManner } from '../../shared/shop.ts';
import { moneyAsTyped, numberTyped, type MoneyManner } from '../../shared/typed.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { MoneyField } from '../../ui/MoneyField.tsx';
import { Head, Mono, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { knownQuery } from '../entries/index.ts';
import { costsQuery, usePutInvoice } from './costs.queries.ts';

const Item = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 9rem auto;
  gap: ${space.s};
  align-items: end;
  padding: ${space.xs} 0;
  border-top: 1px solid ${color.zincLine};
  ${phone} {
    grid-template-columns: minmax(0, 1fr) auto;
    > :first-child {
      grid-column: 1 / -1;
    }
  }
`;

interface Props {
  /** Null takes one down. */
  invoice: InvoiceView | null;
  /** From whom, where that is known. */
  vendor: string;
  data: InvoicesView;
  onClose: () => void;
}

/** A credit note has amounts below nothing. */
const signedIn = (currency: string) => ({
  setValueAs: (v: string | number | undefined) => {
    if (typeof v === 'number' || v === undefined) return v;
    const typed = numberTyped(v);
    return typed === null ? NaN : (toMinor(typed, currency) ?? NaN);
  },
});

const itemOf = (o: OpenOrderView, manner: MoneyManner): AsTyped<InvoiceItemDto> => ({
  what: o.what,
  amountMinor: o.orderedMinor === null ? '' : moneyAsTyped(o.orderedMinor, manner),
  ...(o.partId === null ? {} : { partId: o.partId }),
  ...(o.batchId === null ? {} : { batchId: o.batchId }),
});

function startOf(
  { invoice, vendor, data }: Omit<Props, 'onClose'>,
  manner: MoneyManner,
): AsTyped<InvoicePutDto> {
  if (!invoice)
    return {
      version: 0,
      vendor,
      number: '',
      day: data.today,
      totalMinor: '',
      items: data.open
        .filter((o) => vendor !== '' && o.vendor === vendor && o.isHere)
        .map((o) => itemOf(o, manner)),
    };
  const { version, number, day, totalMinor, items } = invoice;
  const typed = (minor: number): string => moneyAsTyped(minor, manner);
  return {
    version,
    vendor: invoice.vendor,
    number,
    day,
    totalMinor: typed(totalMinor),
    items: items.map(({ what, amountMinor, partId, batchId, buildId, lineId }) => ({
      what,
      amountMinor: typed(amountMinor),
      ...(partId === undefined ? {} : { partId }),
      ...(batchId === undefined ? {} : { batchId }),
      ...(buildId === undefined ? {} : { buildId }),
      ...(lineId === undefined ? {} : { lineId }),
    })),
  };
}

export default function InvoiceDialog({ invoice, vendor, data, onClose }: Props) {
  const manner = useManner();
  const { currency } = manner;
  const put = usePutInvoice();
  const [invoiceId] = useState(() => invoice?.id ?? uuidv7());
  const [start] = useState(() => startOf({ invoice, vendor, data }, manner));
  const form = useContractForm<InvoicePutDto>(InvoicePutDto, start);
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'items', keyName: 'row' });
  // Its fields hold what is typed until it is sent.
  const add = (item: AsTyped<InvoiceItemDto>): void => append(item as InvoiceItemDto);
  const { errors } = form.formState;
  const [from] = form.watch(['vendor']);
  const onIt = new Set(fields.map((f) => f.partId ?? f.batchId));
  const orders = data.open.filter(
    (o) => o.vendor.toLowerCase() === from.trim().toLowerCase() && !onIt.has((o.partId ?? o.batchId)!),
  );
  const submit = submitting(form, (body) => put.mutateAsync({ invoiceId, body }).then(onClose));
  return (
    <Dialog title={invoice ? `${invoice.vendor}, ${invoice.number}` : 'An invoice'} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Pair>
          <TextField
            label="From whom"
            list="invoice-vendors"
            autoComplete="off"
            autoFocus={from === ''}
            fault={errors.vendor?.message}
            {...form.register('vendor')}
          />
          <TextField
            label="Its number"
            data-mono
            autoFocus={from !== '' && !invoice}
            fault={errors.number?.message}
            {...form.register('number')}
          />
          <TextField label="Its day" type="date" fault={errors.day?.message} {...form.register('day')} />
          <MoneyField
            label="What it asks for"
            currency={currency}
            hint="As you write your prices: with or without tax. A credit note is below nothing."
            fault={errors.totalMinor?.message}
            {...form.register('totalMinor', signedIn(currency))}
          />
        </Pair>
        <datalist id="invoice-vendors">
          {[...new Set(data.open.map((o) => o.vendor))].map((v) => (
            <option key={v} value={v} />
          ))}
        </datalist>
        <Stack $gap="xs">
          <Head as="h3">Its rows</Head>
          {fields.map((f, i) => (
            <ItemFields key={f.row} form={form} at={i} onDrop={() => remove(i)} />
          ))}
          {fields.length === 0 && <Quiet>None yet: choose what was ordered, or write a row.</Quiet>}
          <Row>
            {orders.map((o) => (
              <Button key={o.partId ?? o.batchId} onPress={() => add(itemOf(o, manner))}>
                {o.what}
                {o.nickname && `, ${o.nickname}`}
              </Button>
            ))}
            <Button $look="quiet" onPress={() => add({ what: '', amountMinor: '' })}>
              Something else
            </Button>
          </Row>
          {typeof errors.items?.message === 'string' && <FormFault reason={errors.items.message} />}
        </Stack>
        <Difference form={form} />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          Keep the invoice
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}

interface ItemProps {
  form: UseFormReturn<InvoicePutDto>;
  at: number;
  onDrop: () => void;
}

/** A row: an order has its name already; anything else says what it is, and which car and line bear it. */
function ItemFields({ form, at, onDrop }: ItemProps) {
  const manner = useManner();
  const { currency } = manner;
  const { data: known } = useQuery(knownQuery);
  const item = form.watch(`items.${at}`);
  const isOrder = item.partId !== undefined || item.batchId !== undefined;
  const fault = form.formState.errors.items?.[at];
  const { data: costs } = useQuery({
    ...costsQuery(item.buildId ?? ''),
    enabled: item.buildId !== undefined,
  });
  const name = item.what || `row ${at + 1}`;
  return (
    <Item>
      {isOrder ? (
        <span>
          {item.what}
          {fault?.what?.message && <FormFault reason={fault.what.message} />}
        </span>
      ) : (
        <Pair>
          <TextField
            label="What it is"
            aria-label={`What row ${at + 1} is`}
            fault={fault?.what?.message}
            {...form.register(`items.${at}.what`)}
          />
          <SelectField
            label="Who bears it"
            aria-label={`Who bears ${name}`}
            value={item.buildId ?? ''}
            onChange={(e) => {
              form.setValue(`items.${at}.buildId`, e.target.value === '' ? undefined : e.target.value);
              form.setValue(`items.${at}.lineId`, undefined);
            }}
          >
            <option value="">the shop</option>
            <Options of={known?.builds} />
          </SelectField>
          {item.buildId !== undefined && (
            <SelectField
              label="On which line"
              aria-label={`On which line ${name} goes`}
              value={item.lineId ?? ''}
              onChange={(e) =>
                form.setValue(`items.${at}.lineId`, e.target.value === '' ? undefined : e.target.value)
              }
            >
              <option value="">none: the shop bears it</option>
              <Options of={costs?.lines} by="title" />
            </SelectField>
          )}
        </Pair>
      )}
      <MoneyField
        label="Asked"
        currency={currency}
        aria-label={`Asked for ${name}, ${currency}`}
        fault={fault?.amountMinor?.message}
        {...form.register(`items.${at}.amountMinor`, signedIn(currency))}
      />
      <Button $look="quiet" aria-label={`Take ${name} off it`} onPress={onDrop}>
        Off
      </Button>
    </Item>
  );
}

/** What the rows come to against what is asked for, while it is typed. */
function Difference({ form }: { form: UseFormReturn<InvoicePutDto> }) {
  const { currency, locale } = useManner();
  const [total, items] = form.watch(['totalMinor', 'items']);
  const minor = (v: unknown): number => {
    if (typeof v === 'number') return Number.isNaN(v) ? 0 : v;
    const typed = numberTyped(String(v ?? ''));
    return typed === null ? 0 : (toMinor(typed, currency) ?? 0);
  };
  const sum = items.reduce((s, i) => s + minor(i.amountMinor), 0);
  const open = minor(total) - sum;
  const money = (m: number): string => formatMoney(m, currency, locale);
  return (
    <p role="status">
      Rows: <Mono $brass>{money(sum)}</Mono>
      {open === 0
        ? ', which is what it asks for.'
        : open > 0
          ? `; ${money(open)} is not explained yet.`
          : `; ${money(-open)} more than it asks for.`}
    </p>
  );
}
