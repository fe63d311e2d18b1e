/** Parts of a car from a table. */
import { PART_COLUMNS } from '#core/parts/exchange.ts';
import { TableDialog } from '../../ui/TableDialog.tsx';
import { useImportParts } from './parts.queries.ts';

const keepWords = (rows: number): string =>
  rows === 0 ? 'Write them down' : rows === 1 ? 'Write this part down' : `Write these ${rows} parts down`;

export default function PartsTableDialog({ buildId, onClose }: { buildId: string; onClose: () => void }) {
  return (
    <TableDialog
      title="Parts from a table"
      about="A CSV file with one part a row, as a supplier sends it or as “CSV” gives it out. Only what is needed must be in it."
      columns={PART_COLUMNS}
      needed="what"
      keepWords={keepWords}
      bring={useImportParts(buildId)}
      onClose={onClose}
    />
  );
}
