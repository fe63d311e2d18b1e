import { LogOut } from 'lucide-react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import { Button } from '../../ui/Button.tsx';
import { narrow } from '../../ui/tokens.ts';
import { useSignOut } from './session.queries.ts';

/** On a tablet the bar has room for the sign only. */
const Words = styled.span`
  ${narrow} {
    display: none;
  }
`;

export function SignOutButton() {
  const signOut = useSignOut();
  const navigate = useNavigate();
  return (
    <Button
      $look="quiet"
      aria-label="Sign out"
      onPress={() => signOut.mutate(undefined, { onSuccess: () => void navigate('/sign-in') })}
    >
      <LogOut size={20} aria-hidden />
      <Words>Sign out</Words>
    </Button>
  );
}
