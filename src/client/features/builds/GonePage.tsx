/** Builds that went home: found by number, nickname, vehicle or customer. */
import { useDeferredValue, useState } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { dayOf, formatDay } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { TextField } from '../../ui/Field.tsx';
import { ListLine, Mono, Page, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { goneQuery } from './builds.queries.ts';

export default function GonePage() {
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed);
  const { data } = useQuery({ ...goneQuery(search), placeholderData: keepPreviousData });
  const manner = useManner();
  const { timeZone } = useShop().shop;
  useTitle('Handed over and closed');
  return (
    <Page>
      <Stack>
        <Row>
          <Title>Handed over and closed</Title>
          <Link to="/">Floor</Link>
        </Row>
        <TextField
          label="Search"
          placeholder="nickname, number, vehicle or customer"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        {data?.builds.length === 0 && (
          <Quiet role="status">
            {search.trim() === '' ? 'None has gone home yet.' : `None has “${search}”.`}
          </Quiet>
        )}
        <ul>
          {data?.builds.map((b) => (
            <ListLine key={b.id}>
              <span>
                <Link to={`/builds/${b.id}`}>{b.nickname}</Link> <Mono>{b.number}</Mono>{' '}
                <Quiet>
                  {b.vehicleYear} {b.vehicle}, {b.customer}
                </Quiet>
              </span>
              <Quiet>
                {b.stage} {formatDay(dayOf(b.stageAt, timeZone), manner.locale, manner.today)}
              </Quiet>
            </ListLine>
          ))}
        </ul>
      </Stack>
    </Page>
  );
}
