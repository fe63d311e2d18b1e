/** What one act today would free: each car that stands still, what holds it last, and whose act it is. */
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { BuildWaitView } from '#contract/waits.ts';
import { holdInWords, type Hold } from '#core/waits/binding.ts';
import { useManner } from '../../shared/shop.ts';
import { Head, Now, Panel, Quiet } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { waitsQuery } from './waits.queries.ts';

const Line = styled.p`
  display: grid;
  grid-template-columns: 11rem minmax(0, 1fr) minmax(0, 20rem);
  gap: ${space.xs} ${space.l};
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

type Held = BuildWaitView & { binding: Hold };

/** Overdue first, then what nobody knows the end of, then by its day. */
function mostUseful(today: string): (a: Held, b: Held) => number {
  const rank = ({ binding: { until } }: Held): string =>
    until === null ? '1' : until < today ? `0${until}` : `2${until}`;
  return (a, b) => (rank(a) < rank(b) ? -1 : rank(a) > rank(b) ? 1 : a.nickname < b.nickname ? -1 : 1);
}

export default function FreesToday() {
  const { locale, today } = useManner();
  const { data } = useQuery(waitsQuery);
  const held = (data?.waits ?? []).filter((w): w is Held => w.binding !== null).sort(mostUseful(today));
  if (held.length === 0) return null;
  return (
    <Panel aria-label="What an act today would free">
      <Head>What an act today would free</Head>
      {held.map(({ buildId, nickname, binding }) => (
        <Line key={buildId}>
          <Link to={`/builds/${buildId}`}>{nickname}</Link>
          <span>
            {binding.until !== null && binding.until < today && <Now>Late. </Now>}
            Waits for {holdInWords(binding, today, locale)}
          </span>
          <Quiet>{binding.act}</Quiet>
        </Line>
      ))}
    </Panel>
  );
}
