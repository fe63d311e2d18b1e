/** What is kept on this device and has still to reach the server. */
import { CloudOff } from 'lucide-react';
import { styled } from 'styled-components';
import { Button } from '../../ui/Button.tsx';
import { Now, Quiet, Row } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { forgetAct, useOutgoing } from './outgoing.ts';

const List = styled.ul`
  display: grid;
  gap: ${space.xs};
`;
/** So many by their words; the rest as a number. */
const SHOWN = 3;

export function OutgoingTray() {
  const acts = useOutgoing();
  const refused = acts.filter((a) => a.refused !== null);
  const lines = acts.filter((a) => a.refused === null && a.route !== 'walkSeen');
  const count = lines.reduce((sum, a) => sum + (a.lines ?? 1), 0);
  if (refused.length === 0 && lines.length === 0) return null;
  return (
    <>
      {lines.length > 0 && (
        <Row>
          <CloudOff size={20} color={color.oxide} aria-hidden />
          <span>
            Kept on this device, <b>{count}</b> still to be sent:{' '}
            <Quiet>
              {lines
                .slice(-SHOWN)
                .map((l) => l.words)
                .join('; ')}
              {lines.length > SHOWN ? ' …' : ''}
            </Quiet>
          </span>
        </Row>
      )}
      {refused.length > 0 && (
        <List>
          {refused.map((a) => (
            <li key={a.id}>
              <Now>Not kept by the server:</Now> {a.words}. {a.refused}{' '}
              <Button $look="quiet" onPress={() => void forgetAct(a.id)}>
                Forget it
              </Button>
            </li>
          ))}
        </List>
      )}
    </>
  );
}
