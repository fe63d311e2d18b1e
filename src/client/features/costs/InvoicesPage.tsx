/** What suppliers ask for against what was ordered, and what was ordered and is on no invoice yet. */
import { groupBy } from '#core/lists/groupBy.ts';
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { InvoicesView, InvoiceView } from '#contract/costs.ts';
import type { Difference } from '#core/costs/invoices.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatDay } from '#core/time/days.ts';
import { useManner } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import {
  Aside,
  Head,
  ListLine,
  Mono,
  Notice,
  Now,
  Page,
  Panel,
  Quiet,
  Row,
  Stack,
  Title,
} from '../../ui/parts.tsx';
import { invoicesQuery } from './costs.queries.ts';
import InvoiceDialog from './InvoiceDialog.tsx';

type Open = { row: InvoiceView } | { vendor: string };

export default function InvoicesPage() {
  const { data } = useSuspenseQuery(invoicesQuery);
  const [open, setOpen] = useState<Open | null>(null);
  useTitle('Invoices');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Suppliers’ invoices</Title>
          <Link to="/parts">Parts of all cars</Link>
          <Link to="/outwork">Outwork</Link>
          <Button $look="main" onPress={() => setOpen({ vendor: '' })}>
            Take an invoice down
          </Button>
        </Row>
        <Aside>
          <Panel aria-label="Taken down">
            <Head>Taken down</Head>
            {data.invoices.length === 0 && <p>None yet.</p>}
            <ul>
              {data.invoices.map((i) => (
                <Taken key={i.id} invoice={i} onOpen={() => setOpen({ row: i })} />
              ))}
            </ul>
            {data.more && <Notice>Older ones are not shown.</Notice>}
          </Panel>
          <NotInvoiced data={data} onOpen={(vendor) => setOpen({ vendor })} />
        </Aside>
      </Stack>
      {open && (
        <InvoiceDialog
          invoice={'row' in open ? open.row : null}
          vendor={'vendor' in open ? open.vendor : ''}
          data={data}
          onClose={() => setOpen(null)}
        />
      )}
    </Page>
  );
}

function Taken({ invoice, onOpen }: { invoice: InvoiceView; onOpen: () => void }) {
  const { currency, locale, today } = useManner();
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  const { differences, openMinor } = invoice.figures;
  return (
    <ListLine>
      <Stack $gap="xs">
        <span>
          <b>{invoice.vendor}</b> <Mono>{invoice.number}</Mono>{' '}
          <Quiet>
            {formatDay(invoice.day, locale, today)}, {invoice.items.length}{' '}
            {invoice.items.length === 1 ? 'row' : 'rows'}
          </Quiet>
        </span>
        {openMinor !== 0 && (
          <Now>
            {money(Math.abs(openMinor))}{' '}
            {openMinor > 0 ? 'is asked for that no row explains' : 'more in its rows than it asks for'}
          </Now>
        )}
        {differences.map((d) => (
          <span key={d.what + d.reason}>
            {d.what}: <Differs difference={d} />
          </span>
        ))}
        {openMinor === 0 && differences.length === 0 && <Quiet>As ordered.</Quiet>}
      </Stack>
      <Row>
        <Mono $brass>{money(invoice.totalMinor)}</Mono>
        <Button $look="quiet" aria-label={`Open ${invoice.vendor} ${invoice.number}`} onPress={onOpen}>
          Open
        </Button>
      </Row>
    </ListLine>
  );
}

function Differs({ difference: { reason, byMinor } }: { difference: Difference }) {
  const { currency, locale } = useManner();
  const by = formatMoney(Math.abs(byMinor), currency, locale);
  if (reason === 'dearer than ordered') return <Now>{by} dearer than ordered</Now>;
  if (reason === 'cheaper than ordered') return <span>{by} cheaper than ordered</span>;
  return (
    <span>
      {reason}, {by}
    </span>
  );
}

/** By supplier, what is here first: its invoice should have come. */
function NotInvoiced({ data, onOpen }: { data: InvoicesView; onOpen: (vendor: string) => void }) {
  const { currency, locale } = useManner();
  const byVendor = groupBy(data.open, (o) => o.vendor);
  return (
    <Panel aria-label="On no invoice yet">
      <Head>On no invoice yet</Head>
      {byVendor.size === 0 && <Quiet>Nothing: all that was ordered is on one.</Quiet>}
      {[...byVendor].map(([vendor, orders]) => (
        <Stack key={vendor} $gap="xs">
          <Row>
            <b>{vendor}</b>
            <Button
              $look="quiet"
              aria-label={`Its invoice is here: ${vendor}`}
              onPress={() => onOpen(vendor)}
            >
              Its invoice is here
            </Button>
          </Row>
          <ul>
            {orders.map((o) => (
              <li key={o.partId ?? o.batchId}>
                {o.what} <Quiet>{o.nickname}</Quiet>{' '}
                {o.orderedMinor !== null && <Mono>{formatMoney(o.orderedMinor, currency, locale)}</Mono>}{' '}
                {o.isHere && <Quiet>is here</Quiet>}
              </li>
            ))}
          </ul>
        </Stack>
      ))}
    </Panel>
  );
}
