/** The Floor: every build, where it stands, what goes on, what it waits for, when its customer last heard. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { BuildRow } from '#contract/builds.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import type { Manner } from '#core/log/sentences.ts';
import { promiseNow } from '#core/pauses/pauses.ts';
import { agoInWords, dayOf, formatDay } from '#core/time/days.ts';
import type { Hold } from '#core/waits/binding.ts';
import { freeingActs, rankByFreeing } from '#core/waits/frees.ts';
import { reasonsNow } from '#core/waits/attention.ts';
import { waitInWords } from '#core/waits/waits.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Head, Mono, Now, Page, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { color, narrow, size, space, touch } from '../../ui/tokens.ts';
import { OverdueLoans } from '../tools/index.ts';
import { FreesToday, holdsOf, waitsQuery } from '../waits/index.ts';
import { floorQuery } from './floor.queries.ts';

const COLUMNS =
  'minmax(13rem, 1.1fr) minmax(7rem, 0.5fr) minmax(14rem, 1.6fr) minmax(14rem, 1.4fr) minmax(8rem, 0.7fr)';

const Headings = styled.div`
  border-left: 5px solid transparent;
  display: grid;
  grid-template-columns: ${COLUMNS};
  gap: ${space.l};
  padding: ${space.s} ${space.m};
  font-size: ${size.small};
  font-weight: 600;
  color: ${color.zinc};
  ${narrow} {
    display: none;
  }
`;
const Car = styled.li<{ $now: boolean }>`
  position: relative;
  display: grid;
  grid-template-columns: ${COLUMNS};
  gap: ${space.xs} ${space.l};
  padding: ${space.m};
  border-top: 1px solid ${color.zincLine};
  border-left: 5px solid ${({ $now }) => ($now ? color.oxide : 'transparent')};
  &:hover {
    background: ${color.zincWash};
  }
  ${narrow} {
    grid-template-columns: 1fr auto;
    > :nth-child(n + 3) {
      grid-column: 1 / -1;
    }
  }
`;
const Name = styled(Link)`
  font-size: ${size.line};
  font-weight: 700;
  color: ${color.ink};
  text-decoration: none;
  display: inline-block;
  &::after {
    content: '';
    position: absolute;
    inset: 0;
  }
  &::first-letter {
    text-transform: uppercase;
  }
`;
const Inline = styled.span`
  display: inline;
`;

export default function FloorPage() {
  const { data } = useSuspenseQuery(floorQuery);
  const manner = useManner();
  const { seesPrices, shop } = useShop();
  useTitle('Floor');
  const { waits } = useSuspenseQuery(waitsQuery).data;
  const held = new Map(waits.map((w) => [w.buildId, w]));
  const acts = freeingActs(waits, manner.today);
  const rank = rankByFreeing(acts);
  const cars = data.builds.map((build): FloorCar => {
    const holds = holdsOf(held.get(build.id));
    return {
      build,
      holds,
      isHeld: (held.get(build.id)?.binding ?? null) !== null,
      reasons: reasonsFor(build, holds, manner, shop.timeZone),
    };
  });
  const at = ({ build }: FloorCar): number => rank.get(build.id) ?? acts.length;
  cars.sort((a, b) => at(a) - at(b));
  const now = cars.filter((c) => c.reasons.length > 0);
  const rest = cars.filter((c) => c.reasons.length === 0);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Floor</Title>
          <Quiet>{summary(cars.length, now.length)}</Quiet>
          <Link to="/walk">Walk round</Link>
          <Link to="/say">Dictate for several cars</Link>
          <Link to="/plan">As a plan</Link>
          <Link to="/parts">Parts of all cars</Link>
          <Link to="/bench">The bench</Link>
          <Link to="/outwork">Outwork</Link>
          <Link to="/hours">Hours</Link>
          <Link to="/tools">Tools lent</Link>
          <Link to="/gone">Handed over</Link>
          {seesPrices && <Link to="/costs">Costs</Link>}
          {seesPrices && <Link to="/round">Letters</Link>}
          {seesPrices && <NewLink to="/builds/new">New build</NewLink>}
        </Row>
        {cars.length === 0 && (
          <p>
            No car stands here yet. Begin with “New build”; then write what happens to it in the log line
            below.
          </p>
        )}
        <FreesToday acts={acts} />
        <OverdueLoans />
        <Cars title="Needs a person now" cars={now} manner={manner} />
        <Cars title={now.length > 0 ? 'Going on' : 'All cars'} cars={rest} manner={manner} />
      </Stack>
    </Page>
  );
}

const NewLink = styled(Link)`
  margin-left: auto;
  min-height: ${touch};
  display: inline-flex;
  align-items: center;
  font-weight: 600;
`;

const summary = (all: number, now: number): string =>
  `${all} ${all === 1 ? 'car' : 'cars'}${now > 0 ? `, ${now} ${now === 1 ? 'needs' : 'need'} a person` : ''}`;

const toldOn = (b: BuildRow, timeZone: string): string => dayOf(b.toldAt ?? b.arrivedAt, timeZone);

function reasonsFor(b: BuildRow, holds: readonly Hold[], manner: Manner, timeZone: string): string[] {
  const { tellEveryDays, question } = b;
  const promised = promisedFor(b, manner.today);
  return reasonsNow(
    { holds, promised, tellEveryDays, question, toldOn: toldOn(b, timeZone) },
    manner.today,
    manner.locale,
  );
}

/** As it holds now: pauses for the customer’s reasons are off its clock. */
const promisedFor = (b: BuildRow, today: string): string | null =>
  promiseNow(b.promised, b.promisedOn, b.pauses, today);

/** So much of what holds a car up stands in its row; the rest is counted. */
const HOLDS_SHOWN = 2;

interface FloorCar {
  build: BuildRow;
  holds: Hold[];
  /** Nothing of it can be worked on. */
  isHeld: boolean;
  reasons: string[];
}

function Cars({ title, cars, manner }: { title: string; cars: FloorCar[]; manner: Manner }) {
  if (cars.length === 0) return null;
  return (
    <section aria-label={title}>
      <Head>{title}</Head>
      <Headings aria-hidden>
        <span>Car and customer</span>
        <span>Stands</span>
        <span>Going on</span>
        <span>Waits for</span>
        <span>Customer</span>
      </Headings>
      <ul>
        {cars.map((car) => (
          <CarRow key={car.build.id} {...car} manner={manner} />
        ))}
      </ul>
    </section>
  );
}

function CarRow({ build: b, holds, isHeld, reasons, manner }: FloorCar & { manner: Manner }) {
  const { timeZone } = useShop().shop;
  const promised = promisedFor(b, manner.today);
  const rests = b.pauses.find((p) => p.to === null);
  // What it rests for is said by itself.
  const others = holds.filter((h) => h.entryId === undefined || h.entryId !== rests?.entryId);
  return (
    <Car $now={reasons.length > 0}>
      <div>
        <Name to={`/builds/${b.id}`}>{b.nickname}</Name>
        <div>
          <Mono>{b.number}</Mono> <Quiet>{b.customer}</Quiet>
        </div>
      </div>
      <div>{b.place ?? <Quiet>not placed</Quiet>}</div>
      <div>
        {b.doing ? (
          <>
            <b>{KIND_SPECS[b.doing.kind].word}</b> <Inline>{withoutKind(b.doing.text)}</Inline>{' '}
            <Quiet>{agoInWords(dayOf(b.doing.at, timeZone), manner.today)}</Quiet>
          </>
        ) : (
          <Quiet>nothing logged yet</Quiet>
        )}
        {reasons.map((r) => (
          <div key={r}>
            <Now>{r.charAt(0).toUpperCase() + r.slice(1)}</Now>
          </div>
        ))}
      </div>
      <div>
        {!isHeld && (
          <Quiet>{others.length === 0 ? 'Can be worked on.' : 'Can be worked on, meanwhile:'}</Quiet>
        )}
        {rests && (
          <div>
            Rests since {formatDay(rests.from, manner.locale, manner.today)}: {rests.reason}
          </div>
        )}
        {others.slice(0, HOLDS_SHOWN).map((h) => (
          <div key={`${h.kind} ${h.what}`}>{waitInWords(h, manner.today, manner.locale)}</div>
        ))}
        {others.length > HOLDS_SHOWN && <Quiet>and {others.length - HOLDS_SHOWN} more</Quiet>}
      </div>
      <div>
        {b.toldAt ? `told ${agoInWords(dayOf(b.toldAt, timeZone), manner.today)}` : 'not told yet'}
        {promised && (
          <div>
            <Quiet>promised {formatDay(promised, manner.locale, manner.today)}</Quiet>
          </div>
        )}
      </div>
    </Car>
  );
}

/** The kind stands in front already. */
const withoutKind = (text: string): string => text.replace(/^(?:did|found|fitted) /i, '');
