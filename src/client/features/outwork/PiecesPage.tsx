/** What came off one car, and where it is. */
import { lazy, Suspense, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import type { PieceView } from '#contract/outwork.ts';
import { PIECE_STATES, type PieceState } from '#core/outwork/outwork.ts';
import { useKey } from '../../shared/keys.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { CarTitle, Head, Page, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { PrintLabels } from '../labels/index.ts';
import { StandDialog } from '../plan/index.ts';
import { PieceActs } from './PieceActs.tsx';
import { PieceLine } from './PieceLine.tsx';
import { piecesQuery } from './outwork.queries.ts';

const PieceDialog = lazy(() => import('./PieceDialog.tsx'));

const HEADS: Record<PieceState, string> = {
  missing: 'Missing',
  off: 'Here, off the car',
  out: 'Out',
  ready: 'Done, to go on again',
  replaced: 'Replaced by a part',
  on: 'On the car again',
};
/** What needs a person first. */
const ORDER = (['missing', 'off', 'out', 'ready', 'replaced', 'on'] as const satisfies PieceState[]).filter(
  (s) => PIECE_STATES.includes(s),
);

export default function PiecesPage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data } = useSuspenseQuery(piecesQuery(buildId));
  const [open, setOpen] = useState<{ piece: PieceView | null } | null>(null);
  const [standing, setStanding] = useState<PieceView | null>(null);
  useThisCar(build.id, build.nickname);
  useTitle(`Off the car, ${build.nickname}`);
  useKey('n', () => setOpen({ piece: null }));
  const labelled = data.pieces.filter((p) => p.state !== 'on' && p.state !== 'replaced');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{build.nickname}: what is off it</CarTitle>
          <Link to={`/builds/${build.id}`}>To its logbook</Link>
          <Link to="/outwork">Piles and batches of all cars</Link>
          <Button onPress={() => setOpen({ piece: null })}>What came off</Button>
          <PrintLabels ids={labelled.map((p) => p.id)} of="the pieces" />
        </Row>
        {data.pieces.length === 0 && (
          <p>
            Nothing is written down as off this car. What comes off and goes to a vendor, into a bag or onto a
            pile is written down here, with a photograph; then none of it gets lost.
          </p>
        )}
        {ORDER.map((state) => {
          const of = data.pieces.filter((p) => p.state === state);
          if (of.length === 0) return null;
          return (
            <Panel key={state} aria-label={HEADS[state]}>
              <Row>
                <Head>{HEADS[state]}</Head>
                <Quiet>{of.length}</Quiet>
              </Row>
              <ul>
                {of.map((piece) => (
                  <PieceLine key={piece.id} piece={piece}>
                    <PieceActs
                      piece={piece}
                      onEdit={() => setOpen({ piece })}
                      onStand={() => setStanding(piece)}
                    />
                  </PieceLine>
                ))}
              </ul>
            </Panel>
          );
        })}
      </Stack>
      {standing && (
        <Suspense>
          <StandDialog piece={standing} onClose={() => setStanding(null)} />
        </Suspense>
      )}
      {open && (
        <Suspense>
          <PieceDialog buildId={buildId} piece={open.piece} onClose={() => setOpen(null)} />
        </Suspense>
      )}
    </Page>
  );
}
