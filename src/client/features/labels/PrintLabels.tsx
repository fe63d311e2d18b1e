/** Labels to print: of what size, and out they come. */
import { useState } from 'react';
import { Tag } from 'lucide-react';
import { pathOf } from '#contract/routes.ts';
import { MOST_LABELS } from '#contract/labels.ts';
import { LABEL_SIZES, LABEL_WORDS, type LabelSize } from '#core/codes/labels.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField } from '../../ui/Field.tsx';
import { Notice, Row, Stack } from '../../ui/parts.tsx';

interface Props {
  ids: readonly string[];
  /** What they are for, for those who hear the screen. */
  of: string;
}

export function PrintLabels({ ids, of }: Props) {
  const [open, setOpen] = useState(false);
  const [size, setSize] = useState<LabelSize>('bag');
  if (ids.length === 0) return null;
  const shown = ids.slice(0, MOST_LABELS);
  const query = new URLSearchParams({ size, ids: shown.join(',') });
  return (
    <>
      <Button $look="quiet" aria-label={`Labels for ${of}`} onPress={() => setOpen(true)}>
        <Tag size={18} aria-hidden /> Labels
      </Button>
      <Dialog title={`Labels for ${of}`} isOpen={open} onClose={() => setOpen(false)}>
        <Stack>
          <SelectField label="Size" value={size} onChange={(e) => setSize(e.target.value as LabelSize)}>
            <Options of={LABEL_SIZES} words={LABEL_WORDS} />
          </SelectField>
          {ids.length > MOST_LABELS && (
            <Notice>These are the first {MOST_LABELS}; more do not go into one file.</Notice>
          )}
          <p>
            Each label has a code. A phone’s camera opens what it stands on; a scanner, or typing it under
            “Find by a label’s code”, does the same.
          </p>
          <Row>
            <a href={`${pathOf('labelsPdf')}?${query.toString()}`} download>
              {shown.length === 1 ? 'One label as PDF' : `${shown.length} labels as PDF`}
            </a>
            <Button $look="quiet" onPress={() => setOpen(false)}>
              Close
            </Button>
          </Row>
        </Stack>
      </Dialog>
    </>
  );
}
