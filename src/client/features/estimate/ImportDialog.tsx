/** Lines from a table: its columns matched on screen, what does not read named row by row, kept whole or not at all. */
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { EstimateView, ImportView } from '#contract/estimate.ts';
import { COLUMNS, type Column } from '#core/estimate/exchange.ts';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Select, Options } from '../../ui/Field.tsx';
import { Notice, Now, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, size, space } from '../../ui/tokens.ts';
import { useImportLines } from './estimate.queries.ts';

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

export default function ImportDialog({ estimate, onClose }: { estimate: EstimateView; onClose: () => void }) {
  const bring = useImportLines(estimate.buildId);
  const [id] = useState(() => uuidv7());
  const [text, setText] = useState('');
  const [seen, setSeen] = useState<ImportView | null>(null);
  // Said on screen, whatever the server has answered meanwhile.
  const [columns, setColumns] = useState<(Column | null)[]>([]);
  const look = (next: string, said: (Column | null)[] | null): void => {
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
  const match = (to: (Column | null)[]): void => {
    setColumns(to);
    look(text, to);
  };
  const keep = (): void => bring.mutate({ id, text, columns, keep: true }, { onSuccess: onClose });
  const ready = seen !== null && seen.faults.length === 0 && seen.lines > 0;
  return (
    <Dialog title="Lines from a table" isOpen onClose={onClose}>
      <Stack>
        <p>
          A CSV file with one line of the estimate a row. What is not in it is left as it usually is; only the
          title is needed.
        </p>
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
        {seen && <Matching seen={seen} columns={columns} onColumns={match} />}
        {seen && <Verdict seen={seen} />}
        <Row>
          <Button $look={ready ? 'main' : 'plain'} isDisabled={!ready || bring.isPending} onPress={keep}>
            {ready
              ? `Put ${seen.lines === 1 ? 'this line' : `these ${seen.lines} lines`} on the estimate`
              : 'Put them on the estimate'}
          </Button>
          <Button $look="quiet" onPress={onClose}>
            Leave it
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}

interface MatchingProps {
  seen: ImportView;
  columns: readonly (Column | null)[];
  onColumns: (columns: (Column | null)[]) => void;
}

function Matching({ seen, columns, onColumns }: MatchingProps) {
  const set = (at: number, column: Column | null): void =>
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
                  onChange={(e) => set(i, (e.target.value || null) as Column | null)}
                >
                  <option value="">left out</option>
                  <Options of={COLUMNS} />
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

function Verdict({ seen }: { seen: ImportView }) {
  const bad = seen.faults.length + seen.moreFaults;
  if (!seen.columns.includes('title')) return <Now role="status">Say which column is the title.</Now>;
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
