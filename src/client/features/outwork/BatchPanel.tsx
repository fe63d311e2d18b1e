/** A batch: what is in it, when it is expected back and what that rests on, and what it holds up. */
import { Link } from 'react-router';
import type { BatchView, PastBatchView } from '#contract/outwork.ts';
import { pathOf } from '#contract/routes.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatDay } from '#core/time/days.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, Mono, Now, Panel, Quiet, Row, Summary } from '../../ui/parts.tsx';
import { PieceLine } from './PieceLine.tsx';
import { expectedInWords, expectedOf, heldUpBy } from './words.ts';

export type BatchAct = 'send' | 'back' | 'change' | 'drop';

interface Props {
  batch: BatchView;
  past: readonly PastBatchView[];
  onAct: (act: BatchAct) => void;
}

export function BatchPanel({ batch, past, onAct }: Props) {
  const { locale, currency, today } = useManner();
  const missing = batch.pieces.filter((p) => p.state === 'missing');
  const title = `${batch.number} to ${batch.vendor}, ${batch.treatment}`;
  return (
    <Panel aria-label={title} id={batch.id}>
      <Row>
        <Head>{title}</Head>
        {batch.priceMinor !== undefined && (
          <Mono $brass>{formatMoney(batch.priceMinor, currency, locale)}</Mono>
        )}
        <Acts batch={batch} onAct={onAct} />
      </Row>
      <Days batch={batch} past={past} />
      {missing.length > 0 && (
        <p>
          <Now>Missing</Now> since {formatDay(batch.backOn ?? today, locale, today)}:{' '}
          {missing.map((p) => `${p.sent - p.back} of ${p.sent} ${p.what} (${p.nickname})`).join(', ')}.
        </p>
      )}
      {batch.state !== 'back' && <HoldsUp batch={batch} />}
      <details>
        <Summary>{batch.pieces.length === 1 ? '1 piece' : `${batch.pieces.length} pieces`} in it</Summary>
        <ul>
          {batch.pieces.map((p) => (
            <PieceLine
              key={p.id}
              piece={p}
              names
              more={
                batch.state !== 'filling' && (
                  <Quiet>
                    {p.sent} went, {p.back} back{p.words && `; ${p.words}`}
                  </Quiet>
                )
              }
            />
          ))}
        </ul>
      </details>
    </Panel>
  );
}

function Acts({ batch, onAct }: Pick<Props, 'batch' | 'onAct'>) {
  const isMissing = batch.pieces.some((p) => p.state === 'missing');
  const of = (words: string): string => `${words}: ${batch.number}`;
  return (
    <>
      {batch.state === 'filling' && batch.pieces.length > 0 && (
        <Button aria-label={of('Send it')} onPress={() => onAct('send')}>
          Send it
        </Button>
      )}
      {batch.state === 'out' && (
        <Button aria-label={of('It is back')} onPress={() => onAct('back')}>
          It is back
        </Button>
      )}
      {batch.state === 'back' && isMissing && (
        <Button aria-label={of('It turned up')} onPress={() => onAct('back')}>
          It turned up
        </Button>
      )}
      {batch.state !== 'back' && (
        <Button
          $look="quiet"
          aria-label={of(batch.state === 'out' ? 'New date' : 'Change')}
          onPress={() => onAct('change')}
        >
          {batch.state === 'out' ? 'New date' : 'Change'}
        </Button>
      )}
      {batch.state === 'filling' && (
        <Button $look="quiet" aria-label={of('Take it apart')} onPress={() => onAct('drop')}>
          Take it apart
        </Button>
      )}
      {batch.pieces.length > 0 && (
        <a href={pathOf('batchPdf', { batchId: batch.id })} aria-label={of('Manifest to print')} download>
          Manifest
        </a>
      )}
    </>
  );
}

function Days({ batch, past }: Pick<Props, 'batch' | 'past'>) {
  const { locale, today } = useManner();
  const day = (d: string): string => formatDay(d, locale, today);
  const expected = expectedOf(batch, past);
  const likely = expected?.likely ?? null;
  const late = batch.state === 'out' && likely !== null && likely < today;
  const moves = batch.promisedBefore.length;
  if (batch.state === 'filling') return <Quiet>Not sent yet.</Quiet>;
  if (batch.state === 'back')
    return (
      <Quiet>
        Sent {day(batch.sentOn!)}, back {day(batch.backOn!)}.
      </Quiet>
    );
  return (
    <p>
      Sent {day(batch.sentOn!)}.{' '}
      {batch.promised && (
        <>
          Promised {day(batch.promised)}
          {moves > 0 &&
            ` (moved ${moves === 1 ? 'once' : `${moves} times`}, first ${day(batch.promisedBefore[0]!.was)})`}
          .{' '}
        </>
      )}
      Expected back: {expected ? expectedInWords(expected, locale, today) : 'some day'}.{' '}
      {late && <Now>Late: ring {batch.vendor}.</Now>}
    </p>
  );
}

function HoldsUp({ batch }: { batch: BatchView }) {
  const cars = heldUpBy(batch.pieces.filter((p) => p.sent > p.back));
  if (cars.length === 0) return null;
  return (
    <p>
      <Quiet>Holds up:</Quiet>{' '}
      {cars.map((c, i) => (
        <span key={c.buildId}>
          {i > 0 && '; '}
          <Link to={`/builds/${c.buildId}/work`}>{c.nickname}</Link>
          {c.tasks.length > 0 && `, “${c.tasks.join('”, “')}”`}
        </span>
      ))}
    </p>
  );
}
