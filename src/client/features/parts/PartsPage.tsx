/** The parts of one build, by how they stand. */
import { lazy, Suspense, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { inSentence } from '#core/log/sentences.ts';
import { PART_STATES, type PartState } from '#core/parts/parts.ts';
import { useShop } from '../../shared/shop.ts';
import { useKey } from '../../shared/keys.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { CarTitle, Head, Page, Panel, Row, Stack } from '../../ui/parts.tsx';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { PrintLabels } from '../labels/index.ts';
import { usePhotosByEntry } from '../photos/index.ts';
import { PartDialogs, type OpenPart } from './PartDialogs.tsx';
import { PartRow } from './PartRow.tsx';
import { partsQuery } from './parts.queries.ts';
import { STATE_HEADS } from './words.ts';

const PartsTableDialog = lazy(() => import('./PartsTableDialog.tsx'));

/** What lies here in a bag or on a shelf: new parts, and old ones that were taken out. */
const HAS_LABEL: readonly PartState[] = ['arrived', 'wrong', 'fitted'];

export default function PartsPage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data } = useSuspenseQuery(partsQuery(buildId));
  const [open, setOpen] = useState<OpenPart | null>(null);
  const [bringing, setBringing] = useState(false);
  const { seesPrices } = useShop();
  const photos = usePhotosByEntry(buildId);
  const add = (): void => setOpen({ buildId, part: null });
  useThisCar(build.id, build.nickname);
  useTitle(`Parts, ${build.nickname}`);
  useKey('n', add);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{build.nickname}: parts</CarTitle>
          <Link to={`/builds/${build.id}`}>To its logbook</Link>
          <Link to="/parts">All cars’ parts</Link>
          <Button onPress={add}>New part</Button>
          {seesPrices && (
            <Button $look="quiet" onPress={() => setBringing(true)}>
              From a table
            </Button>
          )}
        </Row>
        {data.parts.length === 0 && <p>No part is written down yet. Begin with what is needed.</p>}
        {PART_STATES.map((state) => {
          const of = data.parts.filter((p) => p.state === state);
          if (of.length === 0) return null;
          return (
            <Panel key={state} aria-label={STATE_HEADS[state]}>
              <Row>
                <Head>{STATE_HEADS[state]}</Head>
                {HAS_LABEL.includes(state) && (
                  <PrintLabels ids={of.map((p) => p.id)} of={inSentence(STATE_HEADS[state])} />
                )}
              </Row>
              <ul>
                {of.map((part) => (
                  <PartRow
                    key={part.id}
                    part={part}
                    photos={part.history.flatMap((h) => photos.get(h.entryId) ?? [])}
                    onAct={(act) => setOpen({ buildId, part, act })}
                    onEdit={() => setOpen({ buildId, part })}
                  />
                ))}
              </ul>
            </Panel>
          );
        })}
      </Stack>
      {bringing && (
        <Suspense>
          <PartsTableDialog buildId={buildId} onClose={() => setBringing(false)} />
        </Suspense>
      )}
      <PartDialogs open={open} onClose={() => setOpen(null)} />
    </Page>
  );
}
