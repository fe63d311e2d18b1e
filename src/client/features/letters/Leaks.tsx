/** Words in a letter that are not for its customer: it cannot go while they stand. */
import { styled } from 'styled-components';
import type { Leak } from '#core/update/leaks.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice, Now, Row } from '../../ui/parts.tsx';
import { space } from '../../ui/tokens.ts';

const List = styled.ul`
  display: grid;
  gap: ${space.s};
`;

interface Props {
  leaks: readonly Leak[];
  onShow: (where: string) => void;
  onMeant: (words: string) => void;
}

export function Leaks({ leaks, onShow, onMeant }: Props) {
  if (leaks.length === 0) return null;
  return (
    <Notice $tone="oxide" role="alert">
      <Now>Not for this customer</Now>
      <List>
        {leaks.map((l) => (
          <li key={`${l.where} ${l.start}`}>
            “{l.words}”: {l.why}.
            <Row>
              <Button onPress={() => onShow(l.where)}>Go to it</Button>
              {!l.isSure && (
                <Button $look="quiet" onPress={() => onMeant(l.words)}>
                  It is meant as it stands
                </Button>
              )}
            </Row>
          </li>
        ))}
      </List>
    </Notice>
  );
}
