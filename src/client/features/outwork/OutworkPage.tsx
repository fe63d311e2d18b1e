/** Outwork of all cars: what is missing, what is out, what fills, the piles, and what is done and goes on again. */
import { lazy, Suspense, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { BatchView, OutworkView, PieceView } from '#contract/outwork.ts';
import { piles, REPLACED_BY_PART, type Treatment } from '#core/outwork/outwork.ts';
import { wordsOf } from '../../shared/api.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, Notice, Page, Panel, Quiet, Row, Stack, Summary, Title } from '../../ui/parts.tsx';
import { PrintLabels } from '../labels/index.ts';
import { BatchPanel, type BatchAct } from './BatchPanel.tsx';
import { PieceActs } from './PieceActs.tsx';
import { PieceLine } from './PieceLine.tsx';
import { outworkQuery, useDropBatch, usePutBatch } from './outwork.queries.ts';
import { pileName } from './words.ts';

const BatchDialog = lazy(() => import('./BatchDialog.tsx'));
const SendDialog = lazy(() => import('./SendDialog.tsx'));
const ReturnDialog = lazy(() => import('./ReturnDialog.tsx'));

type Open =
  | { what: 'begin'; treatment: Treatment; pieces: PieceView[] }
  | { what: Exclude<BatchAct, 'drop'>; batch: BatchView };

export default function OutworkPage() {
  const { data } = useSuspenseQuery(outworkQuery);
  const [open, setOpen] = useState<Open | null>(null);
  const drop = useDropBatch();
  useTitle('Outwork');
  const act = (batch: BatchView) => (name: BatchAct) => {
    if (name === 'drop') drop.mutate({ batchId: batch.id, body: { version: batch.version } });
    else setOpen({ what: name, batch });
  };
  const isMissing = (b: BatchView): boolean => b.pieces.some((p) => p.state === 'missing');
  const groups: [string, BatchView[]][] = [
    ['A piece is missing', data.batches.filter((b) => b.state === 'back' && isMissing(b))],
    ['Out', data.batches.filter((b) => b.state === 'out')],
    ['Filling', data.batches.filter((b) => b.state === 'filling')],
  ];
  const back = data.batches.filter((b) => b.state === 'back' && !isMissing(b)).reverse();
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Outwork</Title>
          <Link to="/">Floor</Link>
          <Link to="/find">Find by a label’s code</Link>
        </Row>
        {drop.isError && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(drop.error)}
          </Notice>
        )}
        {data.pieces.length === 0 && data.batches.length === 0 && (
          <p>
            Nothing is off a car. What comes off is written down at its car, under “What is off it”; here it
            is sorted into piles and goes to vendors in batches.
          </p>
        )}
        {groups.map(
          ([title, batches]) =>
            batches.length > 0 && (
              <section key={title} aria-label={title}>
                {batches.map((b) => (
                  <BatchPanel key={b.id} batch={b} past={data.past} onAct={act(b)} />
                ))}
              </section>
            ),
        )}
        <Piles data={data} onBegin={(treatment, pieces) => setOpen({ what: 'begin', treatment, pieces })} />
        <Ready pieces={data.pieces.filter((p) => p.state === 'ready')} />
        {back.length > 0 && (
          <details>
            <Summary>
              {back.length === 1 ? '1 batch that is' : `${back.length} batches that are`} back
            </Summary>
            {back.map((b) => (
              <BatchPanel key={b.id} batch={b} past={data.past} onAct={act(b)} />
            ))}
          </details>
        )}
      </Stack>
      {open && <Dialogs open={open} data={data} onClose={() => setOpen(null)} />}
    </Page>
  );
}

function Dialogs({ open, data, onClose }: { open: Open; data: OutworkView; onClose: () => void }) {
  const past = data.past;
  if (open.what === 'begin')
    return (
      <Suspense>
        <BatchDialog batch={null} past={past} onClose={onClose} {...open} />
      </Suspense>
    );
  const { batch } = open;
  return (
    <Suspense>
      {open.what === 'change' && (
        <BatchDialog
          batch={batch}
          treatment={batch.treatment}
          pieces={batch.pieces}
          past={past}
          onClose={onClose}
        />
      )}
      {open.what === 'send' && <SendDialog batch={batch} onClose={onClose} />}
      {open.what === 'back' && <ReturnDialog batch={batch} onClose={onClose} />}
    </Suspense>
  );
}

interface PilesProps {
  data: OutworkView;
  onBegin: (treatment: Treatment, pieces: PieceView[]) => void;
}

function Piles({ data, onBegin }: PilesProps) {
  const put = usePutBatch();
  /** Into a batch of the kind that fills already. */
  const join = (batch: BatchView, pieces: readonly PieceView[]): void => {
    const { version, vendor, treatment, note, promised, priceMinor } = batch;
    put.mutate({
      batchId: batch.id,
      body: {
        version,
        vendor,
        treatment,
        note,
        ...(promised === null ? {} : { promised }),
        ...(priceMinor === undefined ? {} : { priceMinor }),
        pieceIds: [...batch.pieces, ...pieces].map((p) => p.id),
      },
    });
  };
  return (
    <>
      {put.isError && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(put.error)}
        </Notice>
      )}
      {piles(data.pieces).map(({ treatment, pieces }) => (
        <Panel key={treatment ?? ''} aria-label={pileName(treatment)}>
          <Row>
            <Head>{pileName(treatment)}</Head>
            <Quiet>{pieces.length}</Quiet>
            {treatment !== null && !REPLACED_BY_PART.includes(treatment) && (
              <>
                {data.batches
                  .filter((b) => b.state === 'filling' && b.treatment === treatment)
                  .map((b) => (
                    <Button key={b.id} isDisabled={put.isPending} onPress={() => join(b, pieces)}>
                      All into {b.number} to {b.vendor}
                    </Button>
                  ))}
                <Button
                  aria-label={`Begin a batch: ${pileName(treatment)}`}
                  onPress={() => onBegin(treatment, pieces)}
                >
                  Begin a batch
                </Button>
              </>
            )}
            <PrintLabels ids={pieces.map((p) => p.id)} of={`the pile: ${treatment ?? 'to be sorted'}`} />
          </Row>
          <PieceList pieces={pieces} />
        </Panel>
      ))}
    </>
  );
}

function Ready({ pieces }: { pieces: readonly PieceView[] }) {
  if (pieces.length === 0) return null;
  return (
    <Panel aria-label="Done, to go on again">
      <Row>
        <Head>Done, to go on again</Head>
        <Quiet>{pieces.length}</Quiet>
      </Row>
      <PieceList pieces={pieces} />
    </Panel>
  );
}

function PieceList({ pieces }: { pieces: readonly PieceView[] }) {
  return (
    <ul>
      {pieces.map((p) => (
        <PieceLine key={p.id} piece={p} names>
          <PieceActs piece={p} />
        </PieceLine>
      ))}
    </ul>
  );
}
