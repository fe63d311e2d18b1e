/** One’s own account: password, second factor, where one is signed in. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import {
  PasswordChangeDto,
  SecondFactorDto,
  SecondFactorOffDto,
  type AccountView,
  type OpenSession,
} from '#contract/account.ts';
import { dayOf, formatDay, formatTime } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault } from '../../ui/Form.tsx';
import { Head, ListLine, Mono, Notice, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { space } from '../../ui/tokens.ts';
import { SignOutButton } from '../session/index.ts';
import {
  accountQuery,
  useBeginSecondFactor,
  useChangePassword,
  useConfirmSecondFactor,
  useEndSession,
  useTurnOffSecondFactor,
} from './account.queries.ts';

const Two = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 24rem), 1fr));
  gap: ${space.m} ${space.xl};
  align-items: start;
`;
const Code = styled.img`
  width: 13rem;
  height: 13rem;
  background: #fff;
  padding: ${space.s};
`;
const Codes = styled.ul`
  columns: 2;
  max-width: 22rem;
  list-style: none;
  padding: 0;
`;

export default function AccountPage() {
  const { data } = useSuspenseQuery(accountQuery);
  const { person } = useShop();
  useTitle('Your account');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Your account</Title>
          <Quiet>
            {person.name}, {data.email}
          </Quiet>
          {person.role === 'owner' && <Link to="/account/events">Sign-ins and changes</Link>}
          <SignOutButton />
        </Row>
        <Two>
          <Password />
          <SecondFactor view={data} />
        </Two>
        <Sessions sessions={data.sessions} />
      </Stack>
    </Page>
  );
}

function Password() {
  const change = useChangePassword();
  const form = useContractForm(PasswordChangeDto, { old: '', password: '' });
  const { errors } = form.formState;
  const submit = submitting(form, async (body) => {
    await change.mutateAsync(body);
    form.reset();
  });
  return (
    <Panel aria-label="Password">
      <Head>Password</Head>
      <Form onSubmit={submit}>
        <TextField
          label="Password now"
          type="password"
          autoComplete="current-password"
          fault={errors.old?.message}
          {...form.register('old')}
        />
        <TextField
          label="New password"
          type="password"
          autoComplete="new-password"
          hint="At least 10 characters. You are signed out everywhere else."
          fault={errors.password?.message}
          {...form.register('password')}
        />
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button type="submit" isDisabled={change.isPending}>
            Change password
          </Button>
          {change.isSuccess && <Quiet role="status">Changed.</Quiet>}
        </Row>
      </Form>
    </Panel>
  );
}

function SecondFactor({ view }: { view: AccountView }) {
  const begin = useBeginSecondFactor();
  const confirm = useConfirmSecondFactor();
  const { person } = useShop();
  const codes = confirm.data?.codes;
  return (
    <Panel aria-label="Second factor">
      <Head>Second factor</Head>
      {codes ? (
        <>
          <Notice $tone="oxide">
            Write these recovery codes down now; they are not shown again. Each lets you in once when your
            telephone is lost.
          </Notice>
          <Codes>
            {codes.map((c) => (
              <li key={c}>
                <Mono>{c}</Mono>
              </li>
            ))}
          </Codes>
        </>
      ) : view.secondFactor ? (
        <TurnOff left={view.recoveryLeft} />
      ) : begin.data ? (
        <Confirm {...begin.data} confirm={confirm} />
      ) : (
        <>
          <Quiet>
            After the password, a code from an app on your telephone.
            {person.role === 'technician' ? '' : ' Whoever sees prices and customers should have one.'}
          </Quiet>
          <FormFault reason={begin.isError ? wordsOf(begin.error) : undefined} />
          <Row>
            <Button isDisabled={begin.isPending} onPress={() => begin.mutate()}>
              Turn on
            </Button>
          </Row>
        </>
      )}
    </Panel>
  );
}

function Confirm({
  svg,
  secret,
  confirm,
}: {
  svg: string;
  secret: string;
  confirm: ReturnType<typeof useConfirmSecondFactor>;
}) {
  const form = useContractForm(SecondFactorDto, { code: '' });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => confirm.mutateAsync(body));
  return (
    <Form onSubmit={submit}>
      <p>Scan this with an authenticator app, then type the code that it shows.</p>
      <Code src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`} alt="Code to scan" />
      <p>
        Or type it into the app: <Mono>{secret}</Mono>
      </p>
      <TextField
        label="Code from the app"
        inputMode="numeric"
        autoComplete="one-time-code"
        fault={errors.code?.message}
        {...form.register('code')}
      />
      <FormFault reason={errors.root?.message} />
      <Row>
        <Button type="submit" $look="main" isDisabled={confirm.isPending}>
          Confirm
        </Button>
      </Row>
    </Form>
  );
}

function TurnOff({ left }: { left: number }) {
  const turnOff = useTurnOffSecondFactor();
  const [asking, setAsking] = useState(false);
  const form = useContractForm(SecondFactorOffDto, { password: '' });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => turnOff.mutateAsync(body));
  return (
    <>
      <p>On. {left === 1 ? '1 recovery code is' : `${left} recovery codes are`} left.</p>
      {asking ? (
        <Form onSubmit={submit}>
          <TextField
            label="Password"
            type="password"
            autoComplete="current-password"
            fault={errors.password?.message}
            {...form.register('password')}
          />
          <FormFault reason={errors.root?.message} />
          <Row>
            <Button type="submit" $look="oxide" isDisabled={turnOff.isPending}>
              Turn off
            </Button>
            <Button $look="quiet" onPress={() => setAsking(false)}>
              Cancel
            </Button>
          </Row>
        </Form>
      ) : (
        <Row>
          <Button $look="quiet" onPress={() => setAsking(true)}>
            Turn off
          </Button>
        </Row>
      )}
    </>
  );
}

/** What the browser said of itself, in few words. */
const deviceWords = (device: string): string => {
  const system = /Android|iPhone|iPad|Windows|Macintosh|Linux/.exec(device)?.[0] ?? '';
  return system === '' ? 'A device' : system === 'Macintosh' ? 'Mac' : system;
};

function Sessions({ sessions }: { sessions: readonly OpenSession[] }) {
  const endSession = useEndSession();
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const when = (at: string): string =>
    `${formatDay(dayOf(at, timeZone), manner.locale, manner.today)}, ${formatTime(at, timeZone)}`;
  return (
    <Panel aria-label="Where you are signed in">
      <Head>Where you are signed in</Head>
      <FormFault reason={endSession.isError ? wordsOf(endSession.error) : undefined} />
      <ul>
        {sessions.map((s) => (
          <ListLine key={s.id}>
            <span>
              {deviceWords(s.device)} <Quiet>{s.since === null ? '' : `since ${when(s.since)}`}</Quiet>
            </span>
            {s.isThis ? (
              <Quiet>this one</Quiet>
            ) : (
              <Button
                $look="quiet"
                isDisabled={endSession.isPending}
                aria-label={`Sign out there: ${deviceWords(s.device)}`}
                onPress={() => endSession.mutate(s.id)}
              >
                Sign out there
              </Button>
            )}
          </ListLine>
        ))}
      </ul>
    </Panel>
  );
}
