/** For the owner: who signed in, whose password or role changed, what was taken out. It can be read, never changed. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { dayOf, formatDay, formatTime } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { ListLine, Now, Page, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { eventsQuery } from './account.queries.ts';

const ALARMING = new Set(['sign-in failed', 'recovery code used', 'second factor off']);

export default function EventsPage() {
  const { data } = useSuspenseQuery(eventsQuery);
  const manner = useManner();
  const { timeZone } = useShop().shop;
  useTitle('Sign-ins and changes');
  return (
    <Page>
      <Stack>
        <Row>
          <Title>Sign-ins and changes</Title>
          <Link to="/account">Your account</Link>
        </Row>
        <Quiet>The last 200. Nobody can change or remove what stands here.</Quiet>
        <ul>
          {data.events.map((e) => (
            <ListLine key={e.id}>
              <span>
                {ALARMING.has(e.kind) ? <Now>{e.kind}</Now> : <b>{e.kind}</b>} {e.person} {e.text}{' '}
                {e.by && e.by !== e.person && <Quiet>by {e.by}</Quiet>}
              </span>
              <Quiet>
                {formatDay(dayOf(e.at, timeZone), manner.locale, manner.today)}, {formatTime(e.at, timeZone)}
              </Quiet>
            </ListLine>
          ))}
        </ul>
      </Stack>
    </Page>
  );
}
