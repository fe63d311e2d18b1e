/** Said while the shop's server does not answer: from when what is shown is, and that nothing is lost. */
import { agoInWords, dayOf, formatTime } from '#core/time/days.ts';
import { useReach } from '../shared/reach.ts';
import { useShop, useToday } from '../shared/shop.ts';
import { Notice, Now } from '../ui/parts.tsx';

export function ReachBar() {
  const { answers, seenAt } = useReach();
  const { timeZone } = useShop().shop;
  const today = useToday();
  if (answers) return null;
  const day = seenAt === null ? null : dayOf(seenAt, timeZone);
  const seen =
    seenAt === null
      ? ''
      : ` What you see is as it was ${day === today ? `at ${formatTime(seenAt, timeZone)}` : agoInWords(day!, today)}.`;
  return (
    <Notice $tone="oxide" role="status">
      <Now>The shop’s server does not answer.</Now>
      {seen} What you log is kept on this device and goes by itself.
    </Notice>
  );
}
