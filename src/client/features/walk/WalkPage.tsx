/** The walk round: one car at a time in the order one meets them; what is new, what it waits for, and a line to speak into. */
import { Suspense, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { ArrowLeft, ArrowRight } from 'lucide-react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { WalkCarView, WalkView } from '#contract/walk.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { agoInWords, dayOf, formatDay } from '#core/time/days.ts';
import { holdInWords } from '#core/waits/binding.ts';
import { wordsOf } from '../../shared/api.ts';
import { useKey } from '../../shared/keys.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { CarTitle, Head, Mono, Notice, Now, Page, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, size, space } from '../../ui/tokens.ts';
import { SaidHere, useThisCar } from '../entries/index.ts';
import { useEndWalk, useSeen, walkQuery } from './walk.queries.ts';

/** Read at arm's length, in the sun: larger than elsewhere, ink on paper. */
const Car = styled.article`
  font-size: ${size.line};
  display: grid;
  gap: ${space.m};
  max-width: 44rem;
  h1 {
    font-size: 2.2rem;
  }
`;
const Bar = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(6px, 1fr));
  gap: 2px;
  span {
    height: 8px;
    background: ${color.zincLine};
  }
  span[data-seen] {
    background: ${color.cure};
  }
  span[data-here] {
    background: ${color.blueing};
  }
`;
const Steps = styled.div`
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: ${space.m};
  button {
    min-height: 64px;
    font-size: ${size.line};
    justify-content: center;
  }
`;
const Since = styled.ul`
  display: grid;
  gap: ${space.s};
  li {
    border-left: 4px solid ${color.zincLine};
    padding-left: ${space.m};
  }
`;

/** Where the walk goes on: the first car that was not looked at. */
const firstUnseen = (cars: readonly WalkCarView[]): number => {
  const at = cars.findIndex((c) => c.seenAt === null);
  return at < 0 ? cars.length : at;
};

export default function WalkPage() {
  const { data: walk } = useSuspenseQuery(walkQuery);
  const [at, setAt] = useState(() => firstUnseen(walk.cars));
  useTitle('Walk round');
  const car = walk.cars[at];
  return (
    <Page>
      {car ? (
        <OneCar key={car.buildId} walk={walk} car={car} at={at} onGo={setAt} />
      ) : (
        <WholeWalk walk={walk} onGo={setAt} />
      )}
    </Page>
  );
}

interface OneProps {
  walk: WalkView;
  car: WalkCarView;
  at: number;
  onGo: (at: number) => void;
}

function OneCar({ walk, car, at, onGo }: OneProps) {
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const seen = useSeen();
  useThisCar(car.buildId, car.nickname);
  const next = (): void => {
    seen(walk, car);
    onGo(at + 1);
    window.scrollTo({ top: 0 });
  };
  const back = (): void => onGo(Math.max(0, at - 1));
  useKey('n', next);
  useKey('b', back);
  const day = (instant: string): string => formatDay(dayOf(instant, timeZone), manner.locale, manner.today);
  return (
    <Car>
      <Bar aria-hidden>
        {walk.cars.map((c, i) => (
          <span
            key={c.buildId}
            {...(i === at ? { 'data-here': true } : c.seenAt ? { 'data-seen': true } : {})}
          />
        ))}
      </Bar>
      <div>
        <Row>
          <Quiet>
            {at + 1} of {walk.cars.length}
          </Quiet>
          <Quiet>{car.place ?? 'not placed yet'}</Quiet>
          <Mono>{car.number}</Mono>
        </Row>
        <CarTitle>{car.nickname}</CarTitle>
        <Quiet>
          {car.vehicle}, for {car.customer}
        </Quiet>
      </div>
      {car.binding && (
        <p>
          <Now>Waits for</Now> {holdInWords(car.binding, manner.today, manner.locale)}.{' '}
          <Quiet>What would help: {car.binding.act}.</Quiet>
        </p>
      )}
      {car.promised && (
        <p>
          {car.promised < manner.today ? <Now>Was promised for</Now> : 'Promised for'}{' '}
          {formatDay(car.promised, manner.locale, manner.today)}
        </p>
      )}
      {car.next && (
        <p>
          <Quiet>Next:</Quiet> {car.next}
        </p>
      )}
      <Suspense>
        <SaidHere buildId={car.buildId} name={car.nickname} />
      </Suspense>
      <Steps>
        <Button isDisabled={at === 0} onPress={back}>
          <ArrowLeft size={20} aria-hidden /> Back
        </Button>
        <Button $look="main" onPress={next}>
          {at + 1 < walk.cars.length ? 'Next car' : 'That was the last'} <ArrowRight size={20} aria-hidden />
        </Button>
      </Steps>
      <section aria-label="Since the last walk">
        <Head>
          {car.before === null
            ? 'Newest in its logbook'
            : `Since ${agoInWords(dayOf(car.before, timeZone), manner.today)}`}
        </Head>
        {car.since.length === 0 && <Quiet>Nothing has been logged since.</Quiet>}
        <Since>
          {car.since.map((e) => (
            <li key={e.id}>
              <Quiet>
                {day(e.at)}, {KIND_SPECS[e.kind].word}:
              </Quiet>{' '}
              {e.text}
            </li>
          ))}
        </Since>
        {car.more > 0 && <Link to={`/builds/${car.buildId}`}>{car.more} more in its logbook</Link>}
      </section>
    </Car>
  );
}

function WholeWalk({ walk, onGo }: { walk: WalkView; onGo: (at: number) => void }) {
  const end = useEndWalk();
  const { seesPrices } = useShop();
  const unseen = walk.cars.filter((c) => c.seenAt === null).length;
  return (
    <Stack>
      <CarTitle>Walked round</CarTitle>
      <p>
        {walk.cars.length - unseen} of {walk.cars.length} cars looked at.
      </p>
      {end.isSuccess ? (
        <Notice $tone="cure" role="status">
          This walk is over. {seesPrices && <Link to="/round">Now the letters</Link>}
        </Notice>
      ) : (
        <Row>
          <Button $look="main" isDisabled={end.isPending} onPress={() => end.mutate(walk.walkId)}>
            End this walk
          </Button>
          <Button onPress={() => onGo(0)}>Round again</Button>
        </Row>
      )}
      {end.error && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(end.error)}
        </Notice>
      )}
    </Stack>
  );
}
