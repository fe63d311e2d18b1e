/** Send it now, or wait until it is full: when each would be back, and what stands until then. */
import { styled } from 'styled-components';
import type { PastBatchView, PieceView } from '#contract/outwork.ts';
import { ifSentOn, quantile, type SendChoice } from '#core/outwork/expectedBack.ts';
import type { Treatment } from '#core/outwork/outwork.ts';
import { addDays, daysBetween, formatDay } from '#core/time/days.ts';
import { useManner } from '../../shared/shop.ts';
import { Now, Quiet } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { expectedInWords, pastOf } from './words.ts';

const Side = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
  gap: ${space.m};
  > section {
    padding: ${space.s} ${space.m};
    border-left: 4px solid ${color.zinc};
    background: ${color.zincWash};
  }
`;

/** How long one would wait for a batch to fill. Common practice: a week, the vendor’s next van. */
const WAIT_DAYS = 7;

interface Props {
  vendor: string;
  treatment: Treatment;
  promised: string | null;
  pieces: readonly PieceView[];
  past: readonly PastBatchView[];
}

export function NowOrLater({ vendor, treatment, promised, pieces, past }: Props) {
  const { today } = useManner();
  const own = pastOf(past, vendor, treatment);
  const word = promised === null ? null : Math.max(0, daysBetween(today, promised));
  const wanted = pieces.map((p) => ({ nickname: p.nickname, task: p.task, promised: p.buildPromised }));
  const things = pieces.reduce((sum, p) => sum + p.count, 0);
  const usual = own.map((b) => b.things).sort((a, b) => a - b);
  return (
    <>
      <Side>
        <Choice title="Sent today" choice={ifSentOn(today, word, own, wanted)} />
        <Choice
          title="Sent in a week, fuller"
          choice={ifSentOn(addDays(today, WAIT_DAYS), word, own, wanted)}
        />
      </Side>
      {usual.length > 0 && (
        <Quiet>
          {things} {things === 1 ? 'thing' : 'things'} now; batches to {vendor.trim()} usually had{' '}
          {Math.round(quantile(usual, 0.5))}.
        </Quiet>
      )}
    </>
  );
}

function Choice({ title, choice }: { title: string; choice: SendChoice }) {
  const { locale, today } = useManner();
  return (
    <section aria-label={title}>
      <b>
        {title}, {formatDay(choice.sendOn, locale, today)}
      </b>
      <p>Back: {expectedInWords(choice.back, locale, today)}.</p>
      <ul>
        {choice.holdsUp.map((h) => (
          <li key={h.nickname}>
            {h.nickname}
            {h.tasks.length > 0 && ` waits with “${h.tasks.join('”, “')}”`}
            {h.afterPromise && (
              <>
                , <Now>later than it is promised</Now>
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
