/** What is said of each alarm, in a line. */
import type { UpkeepView } from '#contract/upkeep.ts';
import type { UpkeepAlarm } from '#core/upkeep/alarms.ts';

const mails = (n: number): string => (n === 1 ? '1 mail' : `${n} mails`);

export const ALARM_WORDS: Record<UpkeepAlarm, (v: UpkeepView) => string> = {
  'disk-full': () =>
    'The server’s disk is full. Make room now: what is logged stays on each device until there is some.',
  'disk-low': () => 'The server’s disk is nearly full.',
  'copy-old': (v) =>
    v.copies.lastGood === null
      ? 'No backup has been made yet.'
      : 'The last good backup is more than two days old.',
  'copy-fault': () => 'The last backup failed.',
  'copies-off': () => 'Daily backups are switched off.',
  'mail-off': (v) =>
    `No mail is being sent: ${v.mail.whyNot}.${v.mail.waiting > 0 ? ` ${mails(v.mail.waiting)} waiting.` : ''}`,
  'mail-untried': () => 'No test mail has gone out yet: send one before you rely on letters.',
  'mail-perhaps': (v) => `${mails(v.mail.perhaps)} may or may not have been sent: decide.`,
};

export const isOfMail = (alarm: UpkeepAlarm): boolean => alarm.startsWith('mail-');
