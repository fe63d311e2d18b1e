import { LogOut } from 'lucide-react';
import { useNavigate } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { useSignOut } from './session.queries.ts';

export function SignOutButton() {
  const signOut = useSignOut();
  const navigate = useNavigate();
  return (
    <Button
      $look="quiet"
      onPress={() => signOut.mutate(undefined, { onSuccess: () => void navigate('/sign-in') })}
    >
      <LogOut size={20} aria-hidden />
      Sign out
    </Button>
  );
}
