import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type {
  AccountEvent,
  AccountView,
  PasswordChangeDto,
  PasswordForgotDto,
  PasswordSetDto,
  RecoveryCodes,
  SecondFactorBegun,
  SecondFactorDto,
  SecondFactorOffDto,
} from '#contract/account.ts';
import { call } from '../../shared/api.ts';

export const accountQuery = queryOptions({
  queryKey: ['account'],
  queryFn: ({ signal }) => call<AccountView>('accountRead', { signal }),
});

export const eventsQuery = queryOptions({
  queryKey: ['account-events'],
  queryFn: ({ signal }) => call<{ events: AccountEvent[] }>('accountEvents', { signal }),
});

/** For whoever is not signed in. */
export const useForgot = () =>
  useMutation({ mutationFn: (body: PasswordForgotDto) => call('passwordForgot', { body }) });
export const useSetPassword = () =>
  useMutation({ mutationFn: (body: PasswordSetDto) => call<{ email: string }>('passwordSet', { body }) });

export function useAccount() {
  const client = useQueryClient();
  const onSuccess = (view: AccountView): void => void client.setQueryData(accountQuery.queryKey, view);
  const again = () => client.invalidateQueries({ queryKey: accountQuery.queryKey });
  return {
    change: useMutation({
      mutationFn: (body: PasswordChangeDto) => call<AccountView>('passwordChange', { body }),
      onSuccess,
    }),
    endSession: useMutation({
      mutationFn: (session: string) => call<AccountView>('sessionEnd', { params: { session } }),
      onSuccess,
    }),
    begin: useMutation({ mutationFn: () => call<SecondFactorBegun>('secondFactorBegin') }),
    confirm: useMutation({
      mutationFn: (body: SecondFactorDto) => call<RecoveryCodes>('secondFactorConfirm', { body }),
      onSuccess: again,
    }),
    turnOff: useMutation({
      mutationFn: (body: SecondFactorOffDto) => call<AccountView>('secondFactorOff', { body }),
      onSuccess,
    }),
  };
}
