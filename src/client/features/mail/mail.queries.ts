import { queryOptions } from '@tanstack/react-query';
import type { MailServerDto } from '#contract/mail.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf, reading } from '../../shared/reading.ts';

const LOOK_AGAIN_MS = 5000;

export const outboxQuery = queryOptions({
  ...reading('outboxList'),
  refetchInterval: LOOK_AGAIN_MS,
});

/** What the stand-in does in a customer’s place. */
export const useAnswerInTheirPlace = (mail: string) =>
  useChange('outboxAnswer', (text: string) => ({ params: { mail }, body: { text } }));
export const useReturnInTheirPlace = (mail: string) =>
  useChange('outboxReturn', () => ({ params: { mail } }));

export const mailServerQuery = readOf('mailServerRead');

export const usePutMailServer = () => useChange('mailServerPut', (body: MailServerDto) => ({ body }));
export const useDropMailServer = () => useChange('mailServerDrop', () => ({}));
export const useTryMailServer = () => useChange('mailServerTry', () => ({}));
/** Of a mail of which nobody knows whether it went. */
export const useDecideMail = (what: 'mailAgain' | 'mailArrived') =>
  useChange(what, (mail: string) => ({ params: { mail } }));
