/** A piece in one row: its picture, what it is, whose; and what can be done with it. */
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { PieceView } from '#contract/outwork.ts';
import { thingsInWords } from '#core/outwork/outwork.ts';
import { ListLine, Mono, Quiet, Row } from '../../ui/parts.tsx';
import { color, size } from '../../ui/tokens.ts';
import { photoUrl } from '../photos/index.ts';

const Small = styled.img`
  width: 64px;
  height: 48px;
  object-fit: cover;
  border: 1px solid ${color.zincLine};
  border-radius: 3px;
`;
const Code = styled(Mono)`
  font-size: ${size.small};
  color: ${color.zinc};
`;

const IN_BATCH: Partial<Record<PieceView['state'], string>> = { out: 'out with', missing: 'missing from' };

interface Props {
  piece: PieceView;
  /** On the desk, whose it is. */
  names?: boolean;
  /** What else is to be said of it here. */
  more?: ReactNode;
  children?: ReactNode;
}

export function PieceLine({ piece, names = false, more, children }: Props) {
  const about = [
    piece.bag && `bag ${piece.bag}`,
    piece.place && (piece.state === 'off' || piece.state === 'ready') && `stands at ${piece.place}`,
    piece.task && `wanted for “${piece.task}”`,
    piece.note,
    piece.batch && `${IN_BATCH[piece.state] ?? 'in'} ${piece.batch}`,
    ...piece.been.map((b) => `been: ${b}`),
  ].filter(Boolean);
  return (
    <ListLine id={piece.id}>
      <Row>
        {piece.photo && <Small src={photoUrl(piece.photo, 'thumb')} alt="" loading="lazy" />}
        <div>
          {names && (
            <>
              <Link to={`/builds/${piece.buildId}/pieces`}>{piece.nickname}</Link>:{' '}
            </>
          )}
          <b>{thingsInWords(piece)}</b> <Code>{piece.code}</Code>
          <div>
            <Quiet>{about.join('; ')}</Quiet>
          </div>
          {more}
        </div>
      </Row>
      <Row>{children}</Row>
    </ListLine>
  );
}
