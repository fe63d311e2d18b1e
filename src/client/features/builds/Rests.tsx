/** Whether a build rests, why, and what that does to its promise; and how it goes on again. */
import { lazy, Suspense, useState } from 'react';
import type { BuildView } from '#contract/builds.ts';
import { formatMoney } from '#core/money/money.ts';
import { pausedDays, storageMinor } from '#core/pauses/pauses.ts';
import { formatDay } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Mono, Notice, Now, Quiet, Row } from '../../ui/parts.tsx';
import { useEndPause } from './builds.queries.ts';

const PauseDialog = lazy(() => import('./PauseDialog.tsx'));

export function Rests({ build }: { build: BuildView }) {
  const { locale, today } = useManner();
  const { seesPrices } = useShop();
  const [open, setOpen] = useState(false);
  const pause = useEndPause(build.id);
  const now = build.pauses.find((p) => p.to === null);
  return (
    <>
      {now && (
        <Notice>
          Rests since {formatDay(now.from, locale, today)}: {now.reason}.{' '}
          {now.side === 'customer'
            ? 'The clock of its promise stands.'
            : 'For the shop’s own reasons: its promise stays as it is.'}
        </Notice>
      )}
      <Stored build={build} />
      {pause.isError && <Now role="alert">{wordsOf(pause.error)}</Now>}
      {seesPrices && (
        <Row>
          {now ? (
            <Button isDisabled={pause.isPending} onPress={() => pause.mutate(now.id)}>
              It goes on again
            </Button>
          ) : (
            <Button onPress={() => setOpen(true)}>Let it rest</Button>
          )}
        </Row>
      )}
      {open && (
        <Suspense>
          <PauseDialog buildId={build.id} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

/** What storing it for its customer's reasons comes to; shown, never charged by itself. */
function Stored({ build }: { build: BuildView }) {
  const { currency, locale, today } = useManner();
  const { pauses, storagePerDayMinor = 0 } = build;
  const days = pausedDays(pauses, null, today);
  if (days === 0 || storagePerDayMinor === 0) return null;
  return (
    <p>
      <Quiet>Stored for {build.customer}:</Quiet> {days === 1 ? '1 day' : `${days} days`},{' '}
      <Mono $brass>{formatMoney(storageMinor(pauses, storagePerDayMinor, today), currency, locale)}</Mono>
    </p>
  );
}
