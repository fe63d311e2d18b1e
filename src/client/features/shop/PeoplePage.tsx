/** People: which work they do, when they are away, and for the owner what an hour of theirs costs and is charged at. */
import { useState } from 'react';
import { useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { RateView } from '#contract/rates.ts';
import type { AbsenceView, PersonView } from '#contract/shop.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatDay } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, ListLine, Mono, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { AbsenceDialog } from './AbsenceDialog.tsx';
import { PersonDialog } from './PersonDialog.tsx';
import { RateDialog } from './RateDialog.tsx';
import { ratesQuery, useDropRate } from './rates.queries.ts';
import { listsQuery } from './shop.queries.ts';

type Open =
  | { what: 'person'; row: PersonView }
  | { what: 'absence'; person: PersonView; row?: AbsenceView }
  | { what: 'rate'; personId?: string };

export default function PeoplePage() {
  const { data } = useSuspenseQuery(listsQuery);
  const { person } = useShop();
  const isOwner = person.role === 'owner';
  const { data: rates } = useQuery({ ...ratesQuery, enabled: isOwner });
  const [open, setOpen] = useState<Open | null>(null);
  const close = (): void => setOpen(null);
  useTitle('People');
  const here = data.people.filter((p) => !p.hasLeft);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>People</Title>
          <Link to="/shop">The shop</Link>
          <Link to="/hours">Hours by week</Link>
          {isOwner && <Link to="/shop/terms">Rates and tax</Link>}
        </Row>
        {here.map((p) => (
          <OnePerson
            key={p.id}
            person={p}
            absences={data.absences.filter((a) => a.personId === p.id)}
            rates={rates?.rates.filter((r) => r.personId === p.id)}
            onOpen={setOpen}
          />
        ))}
        {rates && (
          <Panel aria-label="Everybody’s rates">
            <Row>
              <Head>Everybody’s rates</Head>
              <Button $look="quiet" onPress={() => setOpen({ what: 'rate' })}>
                New rate for everybody
              </Button>
            </Row>
            <Quiet>Where somebody has none of their own. The newest that has begun holds.</Quiet>
            <Rates rates={rates.rates.filter((r) => r.personId === null)} />
          </Panel>
        )}
      </Stack>
      {open?.what === 'person' && <PersonDialog row={open.row} onClose={close} />}
      {open?.what === 'absence' && <AbsenceDialog person={open.person} row={open.row} onClose={close} />}
      {open?.what === 'rate' && <RateDialog people={here} personId={open.personId} onClose={close} />}
    </Page>
  );
}

interface PersonProps {
  person: PersonView;
  absences: readonly AbsenceView[];
  /** Undefined for those who are not shown them. */
  rates: readonly RateView[] | undefined;
  onOpen: (open: Open) => void;
}

function OnePerson({ person, absences, rates, onOpen }: PersonProps) {
  const { locale, today } = useManner();
  const until = (a: AbsenceView): string =>
    a.to === undefined
      ? `from ${formatDay(a.from, locale, today)}, nobody knows for how long`
      : `${formatDay(a.from, locale, today)} to ${formatDay(a.to, locale, today)}`;
  return (
    <Panel aria-label={person.name}>
      <Row>
        <Head>{person.name}</Head>
        <Quiet>{person.role}</Quiet>
        {rates && (
          <Button
            $look="quiet"
            aria-label={`Skills of ${person.name}`}
            onPress={() => onOpen({ what: 'person', row: person })}
          >
            {person.skills.length === 0 ? 'Say what they do' : 'Change'}
          </Button>
        )}
        <Button
          $look="quiet"
          aria-label={`Away: ${person.name}`}
          onPress={() => onOpen({ what: 'absence', person })}
        >
          Away
        </Button>
        {rates && (
          <Button
            $look="quiet"
            aria-label={`New rate for ${person.name}`}
            onPress={() => onOpen({ what: 'rate', personId: person.id })}
          >
            New rate
          </Button>
        )}
      </Row>
      <span>
        <Quiet>does:</Quiet>{' '}
        {person.skills.length === 0 ? 'nobody has said, so any work' : person.skills.join(', ')}
      </span>
      {absences.map((a) => (
        <span key={a.id}>
          <Quiet>away:</Quiet> {until(a)}
          {a.reason && <Quiet>, {a.reason}</Quiet>}{' '}
          <Button
            $look="quiet"
            aria-label={`Change when ${person.name} is away`}
            onPress={() => onOpen({ what: 'absence', person, row: a })}
          >
            Change
          </Button>
        </span>
      ))}
      {rates && rates.length > 0 && <Rates rates={rates} />}
    </Panel>
  );
}

/** The newest first; what ended when a newer one began is kept, for what was worked by it. */
function Rates({ rates }: { rates: readonly RateView[] }) {
  const { currency, locale, today } = useManner();
  const drop = useDropRate();
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  const newestFirst = [...rates].sort(
    (a, b) => (a.work ?? '').localeCompare(b.work ?? '') || (a.from < b.from ? 1 : -1),
  );
  return (
    <ul>
      {newestFirst.map((r) => (
        <ListLine key={r.id}>
          <span>
            {r.work ?? 'every kind of work'}:{' '}
            {r.costMinor !== null && (
              <>
                costs <Mono>{money(r.costMinor)}</Mono>
              </>
            )}
            {r.costMinor !== null && r.chargeMinor !== null && ', '}
            {r.chargeMinor !== null && (
              <>
                charged at <Mono $brass>{money(r.chargeMinor)}</Mono>
              </>
            )}{' '}
            <Quiet>
              {r.from <= '2000-01-01' ? 'from the beginning' : `from ${formatDay(r.from, locale, today)}`}
              {r.from > today && ', not yet'}
            </Quiet>
          </span>
          {r.from > today && (
            <Button
              $look="quiet"
              isDisabled={drop.isPending}
              aria-label={`Take back the rate from ${r.from}`}
              onPress={() => drop.mutate(r.id)}
            >
              Take it back
            </Button>
          )}
        </ListLine>
      ))}
    </ul>
  );
}
