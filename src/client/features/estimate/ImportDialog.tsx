/** Lines of an estimate from a table. */
import type { EstimateView } from '#contract/estimate.ts';
import { COLUMNS } from '#core/estimate/exchange.ts';
import { TableDialog } from '../../ui/TableDialog.tsx';
import { useImportLines } from './estimate.queries.ts';

const keepWords = (rows: number): string =>
  rows === 0
    ? 'Put them on the estimate'
    : `Put ${rows === 1 ? 'this line' : `these ${rows} lines`} on the estimate`;

export default function ImportDialog({ estimate, onClose }: { estimate: EstimateView; onClose: () => void }) {
  return (
    <TableDialog
      title="Lines from a table"
      about="A CSV file with one line of the estimate a row. What is not in it is left as it usually is; only the title is needed."
      columns={COLUMNS}
      needed="title"
      keepWords={keepWords}
      bring={useImportLines(estimate.buildId)}
      onClose={onClose}
    />
  );
}
