/** The stand-in mail server's outbox: what a customer would find in their mail. */
import { queryOptions, useSuspenseQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { OutboxView } from '#contract/letters.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { call } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Notice, Page, Quiet, Stack, Title } from '../../ui/parts.tsx';
import { color, space, touch } from '../../ui/tokens.ts';

const outboxQuery = queryOptions({
  queryKey: ['outbox'],
  queryFn: ({ signal }) => call<OutboxView>('outboxList', { signal }),
  refetchInterval: 5000,
});

const Open = styled.a`
  display: inline-flex;
  align-items: center;
  min-height: ${touch};
`;
const Mail = styled.details`
  border-top: 1px solid ${color.zincLine};
  summary {
    min-height: ${touch};
    padding: ${space.s} 0;
    cursor: pointer;
  }
  pre {
    font-family: inherit;
    white-space: pre-wrap;
    margin: 0 0 ${space.m};
    padding: ${space.m};
    background: ${color.sheet};
    max-width: 46rem;
  }
`;

export default function OutboxPage() {
  const { data } = useSuspenseQuery(outboxQuery);
  const manner = useManner();
  const { timeZone } = useShop().shop;
  useTitle('Outbox');
  return (
    <Page>
      <Stack>
        <Title>Outbox</Title>
        <Notice>
          A stand-in mail server takes these by SMTP, as a real one would. Nothing leaves this machine; the
          customers are made up.
        </Notice>
        {data.mails.length === 0 && (
          <p>No mail yet. Open a car, press “Draft update”, and send the letter.</p>
        )}
        <div>
          {data.mails.map((m, i) => (
            <Mail key={m.id} open={i === 0}>
              <summary>
                <b>{m.subject}</b>{' '}
                <Quiet>
                  to {m.to}, {formatDay(dayOf(m.at, timeZone), manner.locale, manner.today)}
                </Quiet>
              </summary>
              {m.link && (
                <p>
                  <Open href={m.link}>Open the link as the customer does</Open>
                </p>
              )}
              <pre>{m.text}</pre>
            </Mail>
          ))}
        </div>
      </Stack>
    </Page>
  );
}
