/** What came off: written one after the other, with its photographs, and sorted if one knows already. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { PiecePutDto, type PieceView } from '#contract/outwork.ts';
import { thingsInWords, TREATMENTS } from '#core/outwork/outwork.ts';
import { OPTIONAL, submitting, useContractForm, WHOLE } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, Pair } from '../../ui/Form.tsx';
import { Quiet, Row } from '../../ui/parts.tsx';
import { ChoosePhotos, ChosenPhotos, sendFiles } from '../photos/index.ts';
import { piecesQuery, usePutPiece } from './outwork.queries.ts';
import { bodyOf } from './words.ts';

interface Props {
  buildId: string;
  piece: PieceView | null;
  onClose: () => void;
}

const EMPTY = { version: 0, what: '', count: 1, bag: '', note: '' };

export default function PieceDialog({ buildId, piece, onClose }: Props) {
  const put = usePutPiece();
  const { data } = useQuery(piecesQuery(buildId));
  const [pieceId, setPieceId] = useState(() => piece?.id ?? uuidv7());
  const [start] = useState<Partial<PiecePutDto>>(() =>
    piece ? bodyOf(piece) : { ...EMPTY, entryId: uuidv7() },
  );
  const [photos, setPhotos] = useState<File[]>([]);
  const [kept, setKept] = useState<string[]>([]);
  const form = useContractForm<PiecePutDto>(PiecePutDto, start);
  const { errors } = form.formState;
  /** Keeps it; a new one leaves the dialog open for the next, with what both will share. */
  const submit = submitting(form, async (body) => {
    await put.mutateAsync({ buildId, pieceId, body });
    sendFiles(buildId, body.entryId, photos);
    if (piece) return onClose();
    setKept([...kept, thingsInWords(body)]);
    setPhotos([]);
    setPieceId(uuidv7());
    form.reset({ ...body, ...EMPTY, entryId: uuidv7() });
    form.setFocus('what');
  });
  return (
    <Dialog title={piece ? 'Change this piece' : 'What came off'} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        {kept.length > 0 && <Quiet role="status">Written down: {kept.join('; ')}.</Quiet>}
        <Pair>
          <TextField label="What it is" autoFocus fault={errors.what?.message} {...form.register('what')} />
          <TextField
            label="How many"
            inputMode="numeric"
            fault={errors.count?.message}
            {...form.register('count', WHOLE)}
          />
          <TextField label="Number of its bag" fault={errors.bag?.message} {...form.register('bag')} />
          <SelectField
            label="What is done to it"
            fault={errors.treatment?.message}
            {...form.register('treatment', OPTIONAL)}
          >
            <option value="">not sorted yet</option>
            <Options of={TREATMENTS} />
          </SelectField>
        </Pair>
        <SelectField
          label="Wanted for"
          hint="The task that cannot begin without it."
          fault={errors.taskId?.message}
          {...form.register('taskId', OPTIONAL)}
        >
          <option value="">no task in particular</option>
          <Options of={data?.tasks} by="title" />
        </SelectField>
        <TextField label="A word about it" fault={errors.note?.message} {...form.register('note')} />
        {!piece && (
          <>
            <Row>
              <ChoosePhotos onChoose={(files) => setPhotos([...photos, ...files])} about="what came off" />
            </Row>
            <ChosenPhotos files={photos} onDrop={(f) => setPhotos(photos.filter((p) => p !== f))} />
          </>
        )}
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button $look="main" type="submit" isDisabled={put.isPending}>
            {piece ? 'Keep the change' : 'Write it down, next one'}
          </Button>
          <Button $look="quiet" onPress={onClose}>
            {kept.length > 0 ? 'Done' : 'Leave it'}
          </Button>
        </Row>
      </Form>
    </Dialog>
  );
}
