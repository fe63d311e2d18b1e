/** Rows from a table: its columns matched on screen, what does not read named row by row, kept whole or not at all. */
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { TableBody, TableView } from '#contract/table.ts';
import { wordsOf } from '../shared/api.ts';
import { Button } from './Button.tsx';
import { Dialog } from './Dialog.tsx';
import { Select, Options } from './Field.tsx';
import { Notice, Now, Quiet, Row, Stack } from './parts.tsx';
import { color, size, space } from './tokens.ts';
import type { UseMutationResult } from '@tanstack/react-query';

const Scroll = styled.div`
  overflow-x: auto;
`;
const Sample = styled.table`
  border-collapse: collapse;
  font-size: ${size.small};
  th,
  td {
    padding: ${space.xs} ${space.s};
    border: 1px solid ${color.zincLine};
    text-align: left;
    vertical-align: top;
    max-width: 14rem;
  }
  select {
    min-width: 9rem;
  }
`;

interface Props<C extends string> {
  title: string;
  /** What one row is, and which columns it needs. */
  about: string;
  columns: readonly C[];
  /** The column without which nothing reads. */
  needed: C;
  /** “Put these 3 lines on the estimate”. */
  keepWords: (rows: number) => string;
  bring: UseMutationResult<TableView<C>, Error, TableBody<C>>;
  onClose: () => void;
}

export function TableDialog<C extends string>(props: Props<C>) {
  const { title, about, columns: known, needed, keepWords, bring, onClose } = props;
  const [id] = useState(() => uuidv7());
  const [text, setText] = useState('');
  const [seen, setSeen] = useState<TableView<C> | null>(null);
  // Said on screen, whatever the server has answered meanwhile.
  const [columns, setColumns] = useState<(C | null)[]>([]);
  const look = (next: string, said: (C | null)[] | null): void => {
    setText(next);
    const body = { id, text: next, keep: false, ...(said ? { columns: said } : {}) };
    bring.mutate(body, {
      onSuccess: (view) => {
        setSeen(view);
        if (!said) setColumns(view.columns);
      },
    });
  };
  /** The same file put right has the same columns. */
  const take = (next: string): void => {
    const header = (of: string): string => of.split(/\r?\n/, 1)[0] ?? '';
    look(next, seen !== null && header(next) === header(text) ? columns : null);
  };
  const match = (to: (C | null)[]): void => {
    setColumns(to);
    look(text, to);
  };
  const keep = (): void => bring.mutate({ id, text, columns, keep: true }, { onSuccess: onClose });
  const ready = seen !== null && seen.faults.length === 0 && seen.lines > 0;
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      <Stack>
        <p>{about}</p>
        <Row>
          <FileTrigger
            acceptedFileTypes={['text/csv', '.csv', '.txt']}
            onSelect={(files) => void files?.[0]?.text().then(take)}
          >
            <Button $look={seen ? 'plain' : 'main'}>{seen ? 'Another file' : 'Choose the file'}</Button>
          </FileTrigger>
        </Row>
        {bring.isError && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(bring.error)}
          </Notice>
        )}
        {seen && <Matching seen={seen} known={known} columns={columns} onColumns={match} />}
        {seen && <Verdict seen={seen} needed={needed} />}
        <Row>
          <Button $look={ready ? 'main' : 'plain'} isDisabled={!ready || bring.isPending} onPress={keep}>
            {keepWords(ready ? seen.lines : 0)}
          </Button>
          <Button $look="quiet" onPress={onClose}>
            Leave it
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}

interface MatchingProps<C extends string> {
  seen: TableView<C>;
  known: readonly C[];
  columns: readonly (C | null)[];
  onColumns: (columns: (C | null)[]) => void;
}

function Matching<C extends string>({ seen, known, columns, onColumns }: MatchingProps<C>) {
  const set = (at: number, column: C | null): void =>
    // A column is given once: whoever had it before loses it.
    onColumns(
      seen.header
        .map((_, i) => columns[i] ?? null)
        .map((c, i) => (i === at ? column : c === column ? null : c)),
    );
  return (
    <Scroll tabIndex={0} role="group" aria-label="Columns of the file">
      <Sample>
        <thead>
          <tr>
            {seen.header.map((h, i) => (
              <th key={i} scope="col">
                {h || <Quiet>no name</Quiet>}
                <Select
                  aria-label={`Column “${h}” is`}
                  value={columns[i] ?? ''}
                  onChange={(e) => set(i, (e.target.value || null) as C | null)}
                >
                  <option value="">left out</option>
                  <Options of={known} />
                </Select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {seen.sample.map((row, r) => (
            <tr key={r}>
              {seen.header.map((_, i) => (
                <td key={i}>{row[i]}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Sample>
    </Scroll>
  );
}

function Verdict<C extends string>({ seen, needed }: { seen: TableView<C>; needed: C }) {
  const bad = seen.faults.length + seen.moreFaults;
  if (!seen.columns.includes(needed)) return <Now role="status">Say which column is “{needed}”.</Now>;
  if (seen.lines === 0) return <Now role="status">There is no row in it.</Now>;
  if (seen.faults.length === 0)
    return (
      <span role="status">
        {seen.lines === 1 ? 'One row, and it reads.' : `${seen.lines} rows, and all of them read.`}
      </span>
    );
  return (
    <div role="status">
      <Now>
        {bad === 1 ? 'One cell does not read' : `${bad} cells do not read`}, so nothing can be kept yet. Put
        it right in the file and choose it again.
      </Now>
      <ul>
        {seen.faults.map((f) => (
          <li key={`${f.row}-${f.column}`}>
            Row {f.row}, {f.column}: {f.reason}.
          </li>
        ))}
        {seen.moreFaults > 0 && <li>and {seen.moreFaults} more</li>}
      </ul>
    </div>
  );
}
