/** A week of somebody's hours, on cars and for the shop; and hours typed for the shop itself. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { ShopHoursPutDto, type HoursRow, type HoursView } from '#contract/work.ts';
import { addDays, formatDay } from '#core/time/days.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { hoursTyped } from '../../shared/typed.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault } from '../../ui/Form.tsx';
import { Aside, Head, ListLine, Mono, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { hoursQuery, usePutShopHours } from './work.queries.ts';

export default function HoursPage() {
  const [asked, setAsked] = useSearchParams();
  const personId = asked.get('person') ?? undefined;
  const from = asked.get('from') ?? undefined;
  const { data } = useSuspenseQuery(hoursQuery(personId, from));
  const { person } = useShop();
  useTitle('Hours');
  const show = (more: { person?: string; from?: string }): void =>
    setAsked({ person: data.personId, from: data.from, ...more });
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Hours</Title>
          <Link to="/">Floor</Link>
        </Row>
        <Row>
          {data.people.length > 1 && (
            <SelectField
              label="Whose"
              value={data.personId}
              onChange={(e) => show({ person: e.target.value })}
            >
              <Options of={data.people} />
            </SelectField>
          )}
          <Button onPress={() => show({ from: addDays(data.from, -7) })}>The week before</Button>
          <Button isDisabled={data.to >= data.today} onPress={() => show({ from: addDays(data.from, 7) })}>
            The week after
          </Button>
        </Row>
        <Aside>
          <Week data={data} isOwn={data.personId === person.id} />
          {data.personId === person.id && <ForTheShop data={data} />}
        </Aside>
      </Stack>
    </Page>
  );
}

function Week({ data, isOwn }: { data: HoursView; isOwn: boolean }) {
  const { locale, today } = useManner();
  const total = data.rows.reduce((s, r) => s + r.minutes, 0);
  const shop = data.rows.filter((r) => r.buildId === null).reduce((s, r) => s + r.minutes, 0);
  const days = [...new Set(data.rows.map((r) => r.day))];
  return (
    <Panel aria-label="The week">
      <Row>
        <Head>
          {formatDay(data.from, locale, today)} to {formatDay(data.to, locale, today)}
        </Head>
        <Mono $brass>{formatMinutes(total)}</Mono>
        {shop > 0 && <Quiet>of them {formatMinutes(shop)} for the shop</Quiet>}
      </Row>
      {days.length === 0 && <p>No hours in this week.</p>}
      {days.map((day) => (
        <div key={day}>
          <Row>
            <b>{formatDay(day, locale, today)}</b>
            <Quiet>
              {formatMinutes(data.rows.filter((r) => r.day === day).reduce((s, r) => s + r.minutes, 0))}
            </Quiet>
          </Row>
          <ul>
            {data.rows
              .filter((r) => r.day === day)
              .map((r) => (
                <OneRow key={r.id} row={r} isOwn={isOwn} />
              ))}
          </ul>
        </div>
      ))}
    </Panel>
  );
}

function OneRow({ row, isOwn }: { row: HoursRow; isOwn: boolean }) {
  const put = usePutShopHours();
  const { id, day, minutes, what } = row;
  return (
    <ListLine>
      <span>
        {row.buildId === null ? (
          <Quiet>the shop: </Quiet>
        ) : (
          <>
            <Link to={`/builds/${row.buildId}`}>{row.nickname}</Link>:{' '}
          </>
        )}
        {what}
      </span>
      <Row>
        <Mono>{formatMinutes(minutes)}</Mono>
        {row.buildId === null && isOwn && (
          <Button
            $look="quiet"
            aria-label={`It was not so: ${what}`}
            isDisabled={put.isPending}
            onPress={() => put.mutate({ hoursId: id, body: { day, minutes, what, isOff: true } })}
          >
            It was not so
          </Button>
        )}
      </Row>
    </ListLine>
  );
}

/** What is done for the shop goes on no car: cleaning, a machine mended, teaching. */
function ForTheShop({ data }: { data: HoursView }) {
  const put = usePutShopHours();
  const [hoursId, setHoursId] = useState(() => uuidv7());
  const start = { day: data.today, minutes: '', what: '', isOff: false };
  const form = useContractForm<ShopHoursPutDto>(ShopHoursPutDto, start);
  const { errors } = form.formState;
  const submit = submitting(form, (body) =>
    put.mutateAsync({ hoursId, body }).then(() => {
      setHoursId(uuidv7());
      form.reset();
    }),
  );
  return (
    <Panel aria-label="For the shop">
      <Head>For the shop, on no car</Head>
      <Form onSubmit={submit}>
        <TextField label="What was done" fault={errors.what?.message} {...form.register('what')} />
        <TextField
          label="Hours"
          hint="As in 1.5."
          inputMode="decimal"
          data-mono
          fault={errors.minutes?.message}
          {...form.register('minutes', {
            setValueAs: (v: unknown) => (typeof v === 'number' ? v : (hoursTyped(String(v ?? '')) ?? NaN)),
          })}
        />
        <TextField label="On which day" type="date" fault={errors.day?.message} {...form.register('day')} />
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button $look="main" type="submit" isDisabled={put.isPending}>
            Keep the hours
          </Button>
        </Row>
      </Form>
    </Panel>
  );
}
