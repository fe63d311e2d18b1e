/** The shop's own mail server: where its letters go out, and a press that tries it. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { MAIL_SECURITY, MailServerDto, type MailSecurity, type MailServerView } from '#contract/mail.ts';
import { wordsOf } from '../../shared/api.ts';
import { OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, Pair } from '../../ui/Form.tsx';
import { Notice, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { mailServerQuery, useMailServer } from './mail.queries.ts';

const USUAL: Record<MailServerView['usual'], string> = {
  'stand-in': 'Mail goes to the stand-in: nothing leaves this machine, and the Outbox shows it.',
  installation: 'Mail goes through the server that this installation was started with.',
};
const SECURITY_WORDS: Record<MailSecurity, string> = {
  tls: 'Hidden from the first word (TLS, usually port 465)',
  starttls: 'Hidden once it is agreed (STARTTLS, usually port 587)',
  none: 'Open: only inside this machine or its own network',
};

const startOf = ({ server }: MailServerView) => ({
  version: server?.version ?? 0,
  host: server?.host ?? '',
  port: server?.port ?? 587,
  secure: server?.secure ?? ('starttls' as const),
  userName: server?.userName ?? '',
  password: undefined,
  fromAddress: server?.fromAddress ?? '',
});

export default function MailServerPage() {
  const { data } = useSuspenseQuery(mailServerQuery);
  useTitle('Mail server');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Mail server</Title>
          <Link to="/shop">Shop</Link>
        </Row>
        <Notice $tone="blueing">
          {data.server
            ? `Letters go out through ${data.server.host}, from ${data.server.fromAddress}. What customers answer comes to that address.`
            : USUAL[data.usual]}
        </Notice>
        <Try />
        <Settings key={data.server?.version ?? 0} view={data} />
      </Stack>
    </Page>
  );
}

function Try() {
  const { tryIt } = useMailServer();
  const { data: tried } = tryIt;
  return (
    <Stack $gap="s">
      <Row>
        <Button isDisabled={tryIt.isPending} onPress={() => tryIt.mutate()}>
          Send me a mail to try it
        </Button>
        {tryIt.isPending && <Quiet role="status">It is being sent …</Quiet>}
      </Row>
      {tried?.why === null && (
        <Notice $tone="cure" role="status">
          The mail server has taken a mail to {tried.to}. Look whether it comes.
        </Notice>
      )}
      <FormFault
        reason={
          tryIt.isError ? wordsOf(tryIt.error) : tried?.why ? `It was not taken: ${tried.why}` : undefined
        }
      />
    </Stack>
  );
}

function Settings({ view }: { view: MailServerView }) {
  const { put, drop } = useMailServer();
  const form = useContractForm(MailServerDto, startOf(view));
  const { errors } = form.formState;
  const submit = submitting(form, (body) => put.mutateAsync(body));
  return (
    <Panel aria-label="A server of the shop’s own">
      <Form onSubmit={submit}>
        <Pair>
          <TextField
            label="Server"
            placeholder="mail.example.org"
            fault={errors.host?.message}
            {...form.register('host')}
          />
          <TextField
            label="Port"
            inputMode="numeric"
            fault={errors.port?.message}
            {...form.register('port', { valueAsNumber: true })}
          />
        </Pair>
        <SelectField
          label="What is said on the way"
          fault={errors.secure?.message}
          {...form.register('secure')}
        >
          <Options of={MAIL_SECURITY} words={SECURITY_WORDS} />
        </SelectField>
        <Pair>
          <TextField
            label="Name to sign in with, if it wants one"
            autoComplete="off"
            fault={errors.userName?.message}
            {...form.register('userName')}
          />
          <TextField
            label="Password"
            type="password"
            autoComplete="new-password"
            {...(view.server?.hasPassword ? { hint: 'One is kept. Empty leaves it as it is.' } : {})}
            fault={errors.password?.message}
            {...form.register('password', OPTIONAL)}
          />
        </Pair>
        <TextField
          label="Letters come from"
          type="email"
          placeholder="letters@yourshop.example"
          fault={errors.fromAddress?.message}
          {...form.register('fromAddress')}
        />
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button type="submit" $look="main" isDisabled={put.isPending}>
            Use this server
          </Button>
          {view.server && (
            <Button $look="oxide" isDisabled={drop.isPending} onPress={() => drop.mutate()}>
              Stop using it
            </Button>
          )}
        </Row>
      </Form>
    </Panel>
  );
}
