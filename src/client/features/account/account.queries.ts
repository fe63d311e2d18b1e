import { useMutation, useQueryClient } from '@tanstack/react-query';
import type {
  AccountView,
  PasswordChangeDto,
  PasswordForgotDto,
  PasswordSetDto,
  SecondFactorDto,
  SecondFactorOffDto,
} from '#contract/account.ts';
import { call } from '../../shared/api.ts';
import { readOf } from '../../shared/reading.ts';

export const accountQuery = readOf('accountRead');

export const eventsQuery = readOf('accountEvents');

/** For whoever is not signed in. */
export const useForgot = () =>
  useMutation({ mutationFn: (body: PasswordForgotDto) => call('passwordForgot', { body }) });
export const useSetPassword = () =>
  useMutation({ mutationFn: (body: PasswordSetDto) => call('passwordSet', { body }) });

export function useAccount() {
  const client = useQueryClient();
  const onSuccess = (view: AccountView): void => void client.setQueryData(accountQuery.queryKey, view);
  const again = () => client.invalidateQueries({ queryKey: accountQuery.queryKey });
  return {
    change: useMutation({
      mutationFn: (body: PasswordChangeDto) => call('passwordChange', { body }),
      onSuccess,
    }),
    endSession: useMutation({
      mutationFn: (session: string) => call('sessionEnd', { params: { session } }),
      onSuccess,
    }),
    begin: useMutation({ mutationFn: () => call('secondFactorBegin') }),
    confirm: useMutation({
      mutationFn: (body: SecondFactorDto) => call('secondFactorConfirm', { body }),
      onSuccess: again,
    }),
    turnOff: useMutation({
      mutationFn: (body: SecondFactorOffDto) => call('secondFactorOff', { body }),
      onSuccess,
    }),
  };
}
