/** The plan of the shop with the cars standing in it: moved by drag, by keyboard, or by the log line. */
import { lazy, Suspense, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { PlanCarView, PlanView, WantedPlaceView } from '#contract/plan.ts';
import { arrange, freeOf } from '#core/plan/floorPlan.ts';
import { agoInWords, dayOf } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, Notice, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { PlacesWithCars } from './PlacesWithCars.tsx';
import { planQuery, useMoveCar } from './plan.queries.ts';

const CarDialog = lazy(() => import('./CarDialog.tsx'));
const DrawPlan = lazy(() => import('./DrawPlan.tsx'));

export default function PlanPage() {
  const { data: plan } = useSuspenseQuery(planQuery);
  const { seesPrices } = useShop();
  const [drawing, setDrawing] = useState(false);
  const [open, setOpen] = useState<PlanCarView | null>(null);
  const move = useMoveCar();
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
        {move.isError && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(move.error)}
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
            onMove={(car, place) => move.mutate({ car, place })}
            onOpen={setOpen}
          />
        )}
        <Nowhere plan={plan} onOpen={setOpen} />
        <Wanted plan={plan} />
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
    </Page>
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

function Wanted({ plan }: { plan: PlanView }) {
  if (plan.wanted.length === 0) return null;
  return (
    <Panel aria-label="Waits for a place">
      <Head>Waits for a place</Head>
      <ul>
        {plan.wanted.map((w) => (
          <li key={w.buildId + w.task}>
            <Link to={`/builds/${w.buildId}/work`}>{w.nickname}</Link>: {w.task}, {w.kind}.{' '}
            <WhoHolds plan={plan} wanted={w} />
          </li>
        ))}
      </ul>
    </Panel>
  );
}

function WhoHolds({ plan, wanted }: { plan: PlanView; wanted: WantedPlaceView }) {
  const { today } = useManner();
  const { timeZone } = useShop().shop;
  const { free, heldBy } = freeOf(wanted.kind, plan.places, plan.cars);
  if (free) return <Quiet>{free.name} is free.</Quiet>;
  if (heldBy.length === 0) return <Quiet>The shop has none.</Quiet>;
  const words = heldBy.map((c) => {
    const since = c.placedAt ? `, there since ${agoInWords(dayOf(c.placedAt, timeZone), today)}` : '';
    return `${c.nickname}${since}${c.pinned ? `, does not roll: ${c.pinned.by}` : ''}`;
  });
  return <Quiet>Taken by {words.join('; ')}.</Quiet>;
}
