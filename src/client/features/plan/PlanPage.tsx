/** The plan of the shop with the cars standing in it: moved by drag, by keyboard, or by the log line. */
import { lazy, Suspense, useState } from 'react';
import { useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { PlanCarView, PlanPieceView, PlanView } from '#contract/plan.ts';
import type { BuildWaitView } from '#contract/waits.ts';
import { arrange } from '#core/plan/floorPlan.ts';
import { formatDay } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, Notice, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { color, size, space } from '../../ui/tokens.ts';
import { PlacesWithCars } from './PlacesWithCars.tsx';
import { waitsQuery } from '../waits/index.ts';
import { planQuery, useMoveCar, useStandPiece } from './plan.queries.ts';

const Vendors = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(16rem, 1fr));
  gap: ${space.m};
  section {
    padding: ${space.s} ${space.m};
    border: 1.5px dashed ${color.zinc};
    border-radius: 3px;
  }
  h3 {
    font-size: ${size.small};
    font-weight: 600;
    color: ${color.zinc};
  }
`;

const CarDialog = lazy(() => import('./CarDialog.tsx'));
const StandDialog = lazy(() => import('./StandDialog.tsx'));
const DrawPlan = lazy(() => import('./DrawPlan.tsx'));

export default function PlanPage() {
  const { data: plan } = useSuspenseQuery(planQuery);
  // Cars stand where they stand before it is known what holds them.
  const waits = useQuery(waitsQuery).data?.waits ?? [];
  const { seesPrices } = useShop();
  const [drawing, setDrawing] = useState(false);
  const [open, setOpen] = useState<PlanCarView | null>(null);
  const [piece, setPiece] = useState<PlanPieceView | null>(null);
  const move = useMoveCar();
  const stand = useStandPiece();
  const places = arrange(plan.places);
  useTitle('Plan of the shop');
  return (
    <Page>
      <Stack $gap="m">
        <Row>
          <Title>Plan of the shop</Title>
          <Link to="/">As a list</Link>
          {seesPrices && places.length > 0 && (
            <Button $look="quiet" onPress={() => setDrawing(!drawing)}>
              {drawing ? 'Done drawing' : 'Draw the plan'}
            </Button>
          )}
        </Row>
        {(move.error ?? stand.error) && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(move.error ?? stand.error)}
          </Notice>
        )}
        {places.length === 0 && (
          <p>
            No place yet. Name the lifts and bays on <Link to="/shop">the shop’s page</Link>; then they are
            drawn here.
          </p>
        )}
        {drawing ? (
          <Suspense>
            <DrawPlan places={places} />
          </Suspense>
        ) : (
          <PlacesWithCars
            places={places}
            cars={plan.cars}
            waits={waits}
            onMove={(car, place) => move.mutate({ car, place })}
            onOpen={setOpen}
            pieces={plan.pieces}
            onMovePiece={(piece, place) =>
              stand.mutate({ piece, body: { placeId: place.id, isLarge: piece.isLarge } })
            }
            onOpenPiece={setPiece}
          />
        )}
        <Away plan={plan} />
        <Nowhere plan={plan} onOpen={setOpen} />
        <Wanted waits={waits} />
      </Stack>
      {open && (
        <Suspense>
          <CarDialog
            plan={plan}
            car={plan.cars.find((c) => c.buildId === open.buildId) ?? open}
            onMove={(place) => move.mutate({ car: open, place })}
            onClose={() => setOpen(null)}
          />
        </Suspense>
      )}
      {piece && (
        <Suspense>
          <StandDialog piece={piece} onClose={() => setPiece(null)} />
        </Suspense>
      )}
    </Page>
  );
}

/** What is beyond the edge of the plan: at vendors, batch by batch, and whose it is. */
function Away({ plan }: { plan: PlanView }) {
  const { locale, today } = useManner();
  const vendors = [...new Set(plan.away.map((b) => b.vendor))];
  if (vendors.length === 0) return null;
  return (
    <Panel aria-label="Out of the house">
      <Head>Out of the house</Head>
      <Vendors>
        {vendors.map((vendor) => (
          <section key={vendor} aria-label={vendor}>
            <h3>{vendor}</h3>
            {plan.away
              .filter((b) => b.vendor === vendor)
              .map((b) => (
                <p key={b.id}>
                  <Link to="/outwork">{b.number}</Link>, {b.treatment}:{' '}
                  {b.cars.map((c) => `${c.nickname} (${c.pieces})`).join(', ')}{' '}
                  <Quiet>
                    {b.promised === null
                      ? 'no day promised'
                      : `promised ${formatDay(b.promised, locale, today)}`}
                  </Quiet>
                </p>
              ))}
          </section>
        ))}
      </Vendors>
    </Panel>
  );
}

function Nowhere({ plan, onOpen }: { plan: PlanView; onOpen: (car: PlanCarView) => void }) {
  const known = new Set(plan.places.map((p) => p.id));
  const cars = plan.cars.filter((c) => c.placeId === null || !known.has(c.placeId));
  if (cars.length === 0) return null;
  return (
    <Panel aria-label="Stands nowhere yet">
      <Head>Stands nowhere yet</Head>
      <Row>
        {cars.map((c) => (
          <Button key={c.buildId} onPress={() => onOpen(c)}>
            {c.nickname}
          </Button>
        ))}
      </Row>
    </Panel>
  );
}

/** What could be begun, were its car elsewhere. */
function Wanted({ waits }: { waits: readonly BuildWaitView[] }) {
  const wanted = waits.flatMap(({ buildId, nickname, places }) =>
    places.map((p) => ({ ...p, buildId, nickname })),
  );
  if (wanted.length === 0) return null;
  return (
    <Panel aria-label="Waits for a place">
      <Head>Waits for a place</Head>
      <ul>
        {wanted.map((w) => (
          <li key={w.buildId + w.task}>
            <Link to={`/builds/${w.buildId}/work`}>{w.nickname}</Link>: {w.task}, {w.words}.
          </li>
        ))}
      </ul>
    </Panel>
  );
}
