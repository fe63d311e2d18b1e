/** What can be done with a piece as it stands: sorted, put on the car, replaced by a part. */
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { PieceAct, PieceView } from '#contract/outwork.ts';
import { REPLACED_BY_PART, TREATMENTS, type Treatment } from '#core/outwork/outwork.ts';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, Select } from '../../ui/Field.tsx';
import { Now } from '../../ui/parts.tsx';
import { useActOnPiece, usePutPiece, useReplacePiece } from './outwork.queries.ts';
import { bodyOf, pieceInWords } from './words.ts';

const Sort = styled(Select)`
  width: auto;
`;

interface Props {
  piece: PieceView;
  onEdit?: () => void;
  onStand?: () => void;
}

export function PieceActs({ piece, onEdit, onStand }: Props) {
  const put = usePutPiece();
  const act = useActOnPiece();
  const replace = useReplacePiece();
  const { buildId, id: pieceId, version, state, treatment } = piece;
  const words = pieceInWords(piece);
  const sortInto = (to: Treatment | ''): void => {
    const body = bodyOf({ ...piece, treatment: to === '' ? null : to });
    put.mutate({ buildId, pieceId, body });
  };
  const doIt = (name: PieceAct): void => act.mutate({ buildId, pieceId, body: { version, act: name } });
  const isFree = (state === 'off' && piece.batchId === null) || state === 'ready';
  const canBecomePart =
    state === 'missing' || (state === 'off' && treatment !== null && REPLACED_BY_PART.includes(treatment));
  const error = put.error ?? act.error ?? replace.error;
  return (
    <>
      {error && <Now role="alert">{wordsOf(error)}</Now>}
      {isFree && (
        <Sort
          aria-label={`What is done to: ${words}`}
          value={state === 'ready' ? '' : (treatment ?? '')}
          onChange={(e) => sortInto(e.target.value as Treatment | '')}
        >
          <option value="">{state === 'ready' ? 'next treatment …' : 'not sorted yet'}</option>
          <Options of={TREATMENTS.filter((t) => state !== 'ready' || t !== treatment)} />
        </Sort>
      )}
      {canBecomePart && (
        <Button
          aria-label={`Write down as a part: ${words}`}
          isDisabled={replace.isPending}
          onPress={() => replace.mutate({ buildId, pieceId, body: { version, partId: uuidv7() } })}
        >
          A part instead
        </Button>
      )}
      {isFree && (
        <Button
          $look={state === 'ready' ? 'plain' : 'quiet'}
          aria-label={`On the car again: ${words}`}
          onPress={() => doIt('on the car')}
        >
          On the car
        </Button>
      )}
      {state === 'on' && (
        <Button $look="quiet" aria-label={`Off again: ${words}`} onPress={() => doIt('off again')}>
          Off again
        </Button>
      )}
      {onStand && (state === 'off' || state === 'ready') && (
        <Button $look="quiet" aria-label={`Where it stands: ${words}`} onPress={onStand}>
          Where it stands
        </Button>
      )}
      {onEdit && (
        <Button $look="quiet" aria-label={`Change: ${words}`} onPress={onEdit}>
          Change
        </Button>
      )}
    </>
  );
}
