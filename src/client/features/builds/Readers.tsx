/** Others who are told of a car, each with a page of their own: a couple, a club. */
import { lazy, Suspense, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { SCOPE_WORDS, SCOPES, type Scope } from '#core/update/scope.ts';
import { wordsOf } from '../../shared/api.ts';
import { lastFault } from '../../shared/changing.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, Select } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { ListLine, Quiet, Row } from '../../ui/parts.tsx';
import { readersQuery, useDropReader, usePutReader } from './readers.queries.ts';

const ReaderDialog = lazy(() => import('./ReaderDialog.tsx'));

export function Readers({ buildId }: { buildId: string }) {
  const { data: readers = [] } = useQuery(readersQuery(buildId));
  const put = usePutReader(buildId);
  const drop = useDropReader(buildId);
  const fault = lastFault(put, drop);
  const [adding, setAdding] = useState(false);
  return (
    <>
      {readers.length > 0 && (
        <ul aria-label="Told too">
          {readers.map((r) => (
            <ListLine key={r.id}>
              <Row>
                <span>
                  {r.name} <Quiet>{r.email}</Quiet>
                </span>
                <Select
                  aria-label={`${r.name} sees`}
                  value={r.scope}
                  disabled={put.isPending}
                  onChange={(e) =>
                    put.mutate({
                      readerId: r.id,
                      body: { name: r.name, email: r.email, scope: e.target.value as Scope },
                    })
                  }
                >
                  <Options of={SCOPES} words={SCOPE_WORDS} />
                </Select>
                <a href={r.url} target="_blank" rel="noreferrer" aria-label={`Page of ${r.name}`}>
                  {r.lastOpenedAt === null ? 'page, not opened yet' : 'page'}
                </a>
                <Button
                  $look="quiet"
                  aria-label={`Tell ${r.name} no longer`}
                  isDisabled={drop.isPending}
                  onPress={() => drop.mutate(r.id)}
                >
                  Tell no longer
                </Button>
              </Row>
            </ListLine>
          ))}
        </ul>
      )}
      <FormFault reason={fault ? wordsOf(fault) : undefined} />
      <Row>
        <Button $look="quiet" onPress={() => setAdding(true)}>
          Tell somebody else too
        </Button>
      </Row>
      {adding && (
        <Suspense>
          <ReaderDialog buildId={buildId} onClose={() => setAdding(false)} />
        </Suspense>
      )}
    </>
  );
}
