import { useMutation } from '@tanstack/react-query';
import type {
  PasswordChangeDto,
  PasswordForgotDto,
  PasswordSetDto,
  SecondFactorDto,
  SecondFactorOffDto,
} from '#contract/account.ts';
import { call } from '../../shared/api.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const accountQuery = readOf('accountRead');

export const eventsQuery = readOf('accountEvents');

/** For whoever is not signed in. */
export const useForgot = () =>
  useMutation({ mutationFn: (body: PasswordForgotDto) => call('passwordForgot', { body }) });
export const useSetPassword = () =>
  useMutation({ mutationFn: (body: PasswordSetDto) => call('passwordSet', { body }) });

export const useChangePassword = () => useChange('passwordChange', (body: PasswordChangeDto) => ({ body }));
export const useEndSession = () => useChange('sessionEnd', (session: string) => ({ params: { session } }));
export const useBeginSecondFactor = () => useMutation({ mutationFn: () => call('secondFactorBegin') });
export const useConfirmSecondFactor = () =>
  useChange('secondFactorConfirm', (body: SecondFactorDto) => ({ body }));
export const useTurnOffSecondFactor = () =>
  useChange('secondFactorOff', (body: SecondFactorOffDto) => ({ body }));
