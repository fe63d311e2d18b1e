/** Readings of one thing that were kept: when, by whom, with what, and what came of each. */
import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView, ReadingView } from '#contract/bench.ts';
import { formOf, type Form } from '#core/bench/registry/form.ts';
import { readingInWords, VERDICTS } from '#core/bench/registry/told.ts';
import type { Calculator } from '#core/bench/registry/types.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { useCarChange } from '../../shared/changing.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, ListLine, Now, Panel, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { useCorrectEntry } from '../entries/index.ts';
import { ToldParts } from './Result.tsx';

const LONGEST_FINDING = 500;

/** What is said of a reading beside its verdict. */
const aside = (r: ReadingView): string =>
  [r.what, r.moment && `${r.moment} the work`, r.loaded, r.instrument && `with ${r.instrument}`, r.person]
    .filter(Boolean)
    .join(', ');

export function Readings({
  calculator,
  car,
  onAgain,
}: {
  calculator: Calculator;
  car: BenchView;
  /** Null where a record is signed step by step. */
  onAgain: ((form: Form) => void) | null;
}) {
  const own = car.readings.filter((r) => r.calculator === calculator.name);
  if (own.length === 0) return null;
  return (
    <Panel aria-label="Readings so far">
      <Head>Readings so far</Head>
      <ul style={{ padding: 0, listStyle: 'none' }}>
        {own.map((r) => (
          <OneReading
            key={r.id}
            reading={r}
            buildId={car.buildId}
            onAgain={onAgain && (() => onAgain(formOf(calculator.fields, r.input)))}
          />
        ))}
      </ul>
    </Panel>
  );
}

function OneReading({
  reading,
  buildId,
  onAgain,
}: {
  reading: ReadingView;
  buildId: string;
  onAgain: (() => void) | null;
}) {
  const { locale, today } = useManner();
  const { timeZone } = useShop().shop;
  return (
    <ListLine id={reading.id}>
      <Stack $gap="xs">
        <span>
          {reading.isWithdrawn ? (
            <s>{VERDICTS[reading.verdict]}</s>
          ) : reading.verdict === 'fail' ? (
            <Now>Not good</Now>
          ) : (
            <strong>{VERDICTS[reading.verdict]}</strong>
          )}
          , {formatDay(dayOf(reading.takenAt, timeZone), locale, today)} <Quiet>{aside(reading)}</Quiet>
        </span>
        <details>
          <Summary>As it was</Summary>
          <Stack>
            <ToldParts told={reading.told} />
            {onAgain && (
              <Row>
                <Button $look="quiet" onPress={onAgain}>
                  Put its readings in the fields
                </Button>
              </Row>
            )}
          </Stack>
        </details>
        {reading.isWithdrawn ? (
          <Quiet>Withdrawn: it no longer counts.</Quiet>
        ) : (
          <>
            <Finding reading={reading} buildId={buildId} />
            <Withdraw reading={reading} buildId={buildId} />
          </>
        )}
      </Stack>
    </ListLine>
  );
}

/** A reading that was wrong: its line of the logbook is withdrawn, and with it the reading. What was found of it stays what it is. */
function Withdraw({ reading, buildId }: { reading: ReadingView; buildId: string }) {
  const correct = useCorrectEntry(buildId);
  const [isAsked, setAsked] = useState(false);
  const [id] = useState(() => uuidv7());
  const withdraw = (): void => correct.mutate({ id, correctsId: reading.entryId, withdraw: true });
  return (
    <Row>
      {isAsked ? (
        <>
          <span>It stays in the logbook, struck out, and counts no more.</span>
          <Button $look="oxide" onPress={withdraw} isDisabled={correct.isPending}>
            Withdraw it
          </Button>
          <Button $look="quiet" onPress={() => setAsked(false)}>
            Let it stand
          </Button>
        </>
      ) : (
        <Button $look="quiet" onPress={() => setAsked(true)}>
          It was wrong
        </Button>
      )}
      {correct.isError && <Now role="alert">{wordsOf(correct.error)}</Now>}
    </Row>
  );
}

function Finding({ reading, buildId }: { reading: ReadingView; buildId: string }) {
  const { seesPrices } = useShop();
  const find = useCarChange(buildId, 'readingFinding');
  const [entryId] = useState(() => uuidv7());
  if (reading.closedBy) return <Quiet>Its finding is closed: a later reading is in order.</Quiet>;
  if (reading.findingEntryId)
    return (
      <span>
        It is a finding now. {seesPrices && <Link to={`/builds/${buildId}/estimate`}>Put a price on it</Link>}
      </span>
    );
  if (reading.verdict === 'ok') return null;
  const text = readingInWords(reading.told, { moment: '', what: reading.what }).slice(0, LONGEST_FINDING);
  return (
    <Row>
      <Button
        onPress={() => find.mutate({ params: { readingId: reading.id }, body: { entryId, text } })}
        isDisabled={find.isPending}
      >
        Make a finding of it
      </Button>
      {find.isError && <Now role="alert">{wordsOf(find.error)}</Now>}
    </Row>
  );
}
