/** A register of the vehicle: its rows as one would read them out, each to be changed. */
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { styled } from 'styled-components';
import type { RowViewOf } from '#contract/vehicle.ts';
import type { Register } from '#core/vehicle/registers.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, Panel, Quiet, Row } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { FORMS } from './fields.ts';

const RowDialog = lazy(() => import('./RowDialog.tsx'));

const Item = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: ${space.s} ${space.m};
  align-items: start;
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
`;

interface Props<R extends Register> {
  buildId: string;
  register: R;
  rows: readonly RowViewOf<R>[];
  /** A row in words; its first line is what it is called. */
  children: (row: RowViewOf<R>) => { name: string; more: ReactNode };
}

export function RegisterPanel<R extends Register>({ buildId, register, rows, children }: Props<R>) {
  const [open, setOpen] = useState<RowViewOf<R> | 'new' | null>(null);
  const { title, empty, add, quick } = FORMS[register];
  return (
    <Panel aria-label={title}>
      <Row>
        <Head>{title}</Head>
        <Button onPress={() => setOpen('new')}>{add}</Button>
      </Row>
      {rows.length === 0 && <Quiet>{empty}</Quiet>}
      <ul>
        {rows.map((row) => {
          const { name, more } = children(row);
          return (
            <Item key={row.id}>
              <div>
                <b>{name}</b> {more}
              </div>
              <Row>
                {quick && !row[quick.field as keyof typeof row] && (
                  <Button
                    aria-label={`${quick.label}: ${name}`}
                    onPress={() => setOpen({ ...row, [quick.field]: true })}
                  >
                    {quick.label}
                  </Button>
                )}
                <Button $look="quiet" aria-label={`Change: ${name}`} onPress={() => setOpen(row)}>
                  Change
                </Button>
              </Row>
            </Item>
          );
        })}
      </ul>
      {open && (
        <Suspense>
          <RowDialog
            buildId={buildId}
            register={register}
            row={open === 'new' ? null : open}
            onClose={() => setOpen(null)}
          />
        </Suspense>
      )}
    </Panel>
  );
}
