/** The shop: who works in it, where cars can stand, whom parts and work come from. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { PersonView, PlaceView, VendorView } from '#contract/shop.ts';
import { inSentence } from '#core/log/sentences.ts';
import { useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { color, narrow, space, touch } from '../../ui/tokens.ts';
import { PrintLabels } from '../labels/index.ts';
import { UpkeepPanel } from '../upkeep/index.ts';
import { PersonDialog } from './PersonDialog.tsx';
import { PlaceDialog } from './PlaceDialog.tsx';
import { VendorDialog } from './VendorDialog.tsx';
import { listsQuery } from './shop.queries.ts';

const Lists = styled.div`
  display: grid;
  grid-template-columns: 1.2fr 1fr 1fr;
  gap: ${space.m} ${space.xl};
  align-items: start;
  ${narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Item = styled.li`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: ${space.m};
  min-height: ${touch};
  border-top: 1px solid ${color.zincLine};
  > span {
    padding: ${space.xs} 0;
    overflow-wrap: anywhere;
  }
  > button {
    flex: none;
  }
`;
const Links = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0 ${space.l};
  a {
    min-height: ${touch};
    display: inline-flex;
    align-items: center;
    font-weight: 600;
  }
`;

type Open =
  | { list: 'person'; row?: PersonView }
  | { list: 'place'; row?: PlaceView }
  | { list: 'vendor'; row?: VendorView };

/** The kind of place, where its name does not say it already. */
const placeNote = ({ name, kind, closed }: PlaceView): string =>
  [name.toLowerCase().includes(kind) ? '' : kind, closed ? 'closed' : ''].filter(Boolean).join(', ');

interface ListProps<R> {
  title: string;
  hint: string;
  add: string;
  rows: R[];
  note: (row: R) => string;
  /** Undefined where one may only read. */
  onOpen: ((row?: R) => void) | undefined;
  /** Whether each carries a label. */
  labels?: boolean;
}

function List<R extends { id: string; name: string }>({
  title,
  hint,
  add,
  rows,
  note,
  onOpen,
  labels = false,
}: ListProps<R>) {
  return (
    <Panel aria-label={title}>
      <Row>
        <Head>{title}</Head>
        {onOpen && (
          <Button $look="quiet" onPress={() => onOpen()}>
            {add}
          </Button>
        )}
        {labels && <PrintLabels ids={rows.map((r) => r.id)} of={inSentence(title)} />}
      </Row>
      <Quiet>{hint}</Quiet>
      <ul>
        {rows.map((row) => (
          <Item key={row.id}>
            <span>
              {row.name} <Quiet>{note(row)}</Quiet>
            </span>
            {onOpen && (
              <Button $look="quiet" aria-label={`Change ${row.name}`} onPress={() => onOpen(row)}>
                Change
              </Button>
            )}
          </Item>
        ))}
      </ul>
    </Panel>
  );
}

export default function ShopPage() {
  const { data } = useSuspenseQuery(listsQuery);
  const { shop, person } = useShop();
  const [open, setOpen] = useState<Open | null>(null);
  const close = (): void => setOpen(null);
  useTitle('The shop');
  return (
    <Page>
      <Stack $gap="l">
        <Title>{shop.name}</Title>
        <Links aria-label="More of the shop">
          <Link to="/shop/people">People’s skills, absence and rates</Link>
          <Link to="/shop/terms">Rates and tax</Link>
          <Link to="/invoices">Invoices</Link>
          <Link to="/shop/rules">House rules</Link>
          {person.role === 'owner' && <Link to="/shop/mail">Mail server</Link>}
          <Link to="/shop/playbooks">Playbooks</Link>
        </Links>
        <Lists>
          <List
            title="People"
            hint={
              person.role === 'owner'
                ? 'Technicians see no prices and no customers’ addresses.'
                : 'Only the owner changes these.'
            }
            add="New person"
            rows={data.people}
            note={(p) =>
              `${p.hasLeft ? 'deactivated, was ' : ''}${p.role}, ${p.email}${p.invited && !p.hasLeft ? ', has no password yet' : ''}`
            }
            onOpen={
              person.role === 'owner' ? (row) => setOpen({ list: 'person', ...(row && { row }) }) : undefined
            }
          />
          <List
            title="Places"
            hint="Where a car can stand. The log line knows them by name."
            add="New place"
            rows={data.places}
            labels
            note={(p) => placeNote(p)}
            onOpen={(row) => setOpen({ list: 'place', ...(row && { row }) })}
          />
          <List
            title="Vendors"
            hint="A new one is added by itself when something is ordered from it."
            add="New vendor"
            rows={data.vendors}
            note={() => ''}
            onOpen={(row) => setOpen({ list: 'vendor', ...(row && { row }) })}
          />
        </Lists>
        <UpkeepPanel />
      </Stack>
      {open?.list === 'person' && <PersonDialog row={open.row} onClose={close} />}
      {open?.list === 'place' && (
        <PlaceDialog
          row={open.row}
          last={Math.max(0, ...data.places.map((p) => p.position))}
          onClose={close}
        />
      )}
      {open?.list === 'vendor' && <VendorDialog row={open.row} onClose={close} />}
    </Page>
  );
}
