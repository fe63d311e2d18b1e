/** The stand-in's outbox: what a customer would find in their mail and on their telephone, and what they might answer. */
import { useId, useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { OutboxView } from '#contract/mail.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { lastFault } from '../../shared/changing.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Notice, Page, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { color, space, touch } from '../../ui/tokens.ts';
import { outboxQuery, useAnswerInTheirPlace, useReturnInTheirPlace } from './mail.queries.ts';

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
  pre,
  [role='group'] {
    max-width: 46rem;
  }
  [role='group'] {
    padding-bottom: ${space.m};
  }
  pre {
    font-family: inherit;
    white-space: pre-wrap;
    margin: 0 0 ${space.m};
    padding: ${space.m};
    background: ${color.sheet};
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
          A stand-in takes mail by SMTP, as a real server would, and text messages. Nothing leaves this
          machine; the customers are made up, and you can answer in their place.
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
              {m.canAnswer && <InTheirPlace mail={m} />}
            </Mail>
          ))}
        </div>
      </Stack>
    </Page>
  );
}

/** Goes by mail to the address that the mail gave for answers, as a customer's own would. */
function InTheirPlace({ mail }: { mail: OutboxView['mails'][number] }) {
  const answer = useAnswerInTheirPlace(mail.id);
  const bringBack = useReturnInTheirPlace(mail.id);
  const fault = lastFault(answer, bringBack);
  const isPending = answer.isPending || bringBack.isPending;
  const [text, setText] = useState('');
  const [done, setDone] = useState('');
  const id = useId();
  const onceSent = (words: string) => ({
    onSuccess: () => {
      setText('');
      setDone(words);
    },
  });
  return (
    <Stack $gap="s" role="group" aria-labelledby={id}>
      <b id={id}>In their place</b>
      <TextAreaField
        label="Answer by mail"
        rows={2}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setDone('');
        }}
      />
      <FormFault reason={fault ? wordsOf(fault) : undefined} />
      <Row>
        <Button
          isDisabled={text.trim() === '' || isPending}
          onPress={() => answer.mutate(text, onceSent('Answered. The Floor has it.'))}
        >
          Answer as they would
        </Button>
        <Button
          $look="quiet"
          isDisabled={isPending}
          onPress={() =>
            bringBack.mutate(
              undefined,
              onceSent('Brought back, as from a mailbox that is not there. The letter says so.'),
            )
          }
        >
          Let it come back
        </Button>
        <Quiet role="status">{done}</Quiet>
      </Row>
    </Stack>
  );
}
