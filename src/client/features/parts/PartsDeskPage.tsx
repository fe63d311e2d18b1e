/** Parts over all cars: overdue, here and not fitted, to find, to order by supplier so that one call serves several cars. */
import { useDeferredValue, useState } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { pathOf } from '#contract/routes.ts';
import type { PartsDeskView, PartView } from '#contract/parts.ts';
import { ASKED, bySupplier, isOverdue, owedFor } from '#core/parts/parts.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Head, Notice, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { PartDialogs, type OpenPart } from './PartDialogs.tsx';
import { PartRow } from './PartRow.tsx';
import { deskQuery } from './parts.queries.ts';

type Open = (open: OpenPart) => void;

export default function PartsDeskPage() {
  const [q, setQ] = useState('');
  const { data, error, refetch } = useQuery({
    ...deskQuery(useDeferredValue(q.trim())),
    placeholderData: keepPreviousData,
  });
  const [open, setOpen] = useState<OpenPart | null>(null);
  const { seesPrices } = useShop();
  useTitle('Parts');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Parts of all cars</Title>
          <Link to="/">Floor</Link>
          <Link to="/parts/donors">Donor vehicles</Link>
          {seesPrices && <Link to="/invoices">Invoices</Link>}
          {seesPrices && (
            <a href={pathOf('partsCsv')} download>
              As CSV
            </a>
          )}
          <Link to="/find">Find by a label’s code</Link>
        </Row>
        <TextField
          label="Search all parts, fitted ones too"
          type="search"
          value={q}
          maxLength={100}
          onChange={(e) => setQ(e.target.value)}
        />
        {error && (
          <Notice $tone="oxide" role="alert">
            The parts could not be read: {wordsOf(error)}{' '}
            <Button onPress={() => void refetch()}>Try again</Button>
          </Notice>
        )}
        {data &&
          (q.trim() === '' ? <Desk data={data} onOpen={setOpen} /> : <Found data={data} onOpen={setOpen} />)}
      </Stack>
      <PartDialogs open={open} onClose={() => setOpen(null)} />
    </Page>
  );
}

function Desk({ data, onOpen }: { data: PartsDeskView; onOpen: Open }) {
  const { today } = useManner();
  const { seesPrices } = useShop();
  const of = (state: PartView['state']): PartView[] => data.parts.filter((p) => p.state === state);
  const owed = (what: ReturnType<typeof owedFor>): PartView[] =>
    data.parts.filter((p) => seesPrices && owedFor({ ...p, creditMinor: p.creditMinor ?? 0 }) === what);
  const asked = data.parts.filter((p) => p.state === 'fitted' && p.oldFate === ASKED);
  const overdue = data.parts.filter((p) => isOverdue(p, today));
  const coming = of('ordered').filter((p) => !isOverdue(p, today));
  if (data.parts.length === 0) return <p>Nothing is needed, on order, or waits to be fitted.</p>;
  return (
    <>
      <Group title="Overdue" parts={overdue} onOpen={onOpen} />
      <Group title="Wrong, to be dealt with" parts={of('wrong')} onOpen={onOpen} />
      {bySupplier(of('to order')).map((g) => (
        <Group
          key={g.vendor}
          title={g.vendor === '' ? 'To order, from nobody yet' : `To order from ${g.vendor}`}
          parts={g.parts}
          onOpen={onOpen}
        />
      ))}
      <Group title="To find" parts={of('to find')} onOpen={onOpen} />
      <Group title="Here, not fitted" parts={of('arrived')} onOpen={onOpen} />
      <Group title="Old ones to send back for their deposit" parts={owed('core to send')} onOpen={onOpen} />
      <Group title="Deposits owed to us" parts={owed('core')} onOpen={onOpen} />
      <Group title="Credits owed to us" parts={owed('credit')} onOpen={onOpen} />
      <Group title="Old ones that wait for the customer’s word" parts={asked} onOpen={onOpen} />
      <Group title="On its way" parts={coming} onOpen={onOpen} />
    </>
  );
}

function Found({ data, onOpen }: { data: PartsDeskView; onOpen: Open }) {
  if (data.parts.length === 0) return <Quiet role="status">No part of that name or number.</Quiet>;
  return (
    <>
      <Group title="Found" parts={data.parts} onOpen={onOpen} />
      {data.more && <Notice>There are more. Say more of it.</Notice>}
    </>
  );
}

function Group({ title, parts, onOpen }: { title: string; parts: readonly PartView[]; onOpen: Open }) {
  if (parts.length === 0) return null;
  return (
    <Panel aria-label={title}>
      <Row>
        <Head>{title}</Head>
        <Quiet>{parts.length}</Quiet>
      </Row>
      <ul>
        {parts.map((part) => (
          <PartRow
            key={part.id}
            part={part}
            names
            onAct={(act) => onOpen({ buildId: part.buildId, part, act })}
            onEdit={() => onOpen({ buildId: part.buildId, part })}
          />
        ))}
      </ul>
    </Panel>
  );
}
