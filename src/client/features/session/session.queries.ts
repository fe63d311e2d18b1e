import type { RouteName } from '#contract/routes.ts';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Role } from '#contract/access.ts';
import type { SessionView, ShopCreateDto, SignInDto } from '#contract/session.ts';
import { call } from '../../shared/api.ts';
import { forgetSeen } from '../../shared/seen.ts';
import { sessionQuery } from '../../shared/session.ts';

/** Every way in or out answers with the session that holds now; nothing of the one before is kept. */
function useSessionChange<V>(change: (value: V) => Promise<SessionView>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: (session) => {
      forgetSeen();
      client.removeQueries({ predicate: (q) => q.queryKey[0] !== ('sessionRead' satisfies RouteName) });
      client.setQueryData(sessionQuery.queryKey, session);
    },
  });
}

export const useSignIn = () => useSessionChange((body: SignInDto) => call('signIn', { body }));
export const useSignInDemo = () => useSessionChange((role: Role) => call('signInDemo', { body: { role } }));
export const useCreateShop = () => useSessionChange((body: ShopCreateDto) => call('shopCreate', { body }));
export const useSignOut = () => useSessionChange(() => call('signOut'));
