/** The shop's own mail server: where its letters go out, and a press that tries it. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import {
  MAIL_SECURITY,
  MailServerDto,
  type MailSecurity,
  type MailServerView,
  type OpenMail,
} from '#contract/mail.ts';
import { agoInWords, dayOf } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { lastFault } from '../../shared/changing.ts';
import { OPTIONAL, submitting, useContractForm, WHOLE } from '../../shared/forms.ts';
import { useShop, useToday } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, Pair } from '../../ui/Form.tsx';
import { Head, ListLine, Notice, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import {
  mailServerQuery,
  useDecideMail,
  useDropMailServer,
  usePutMailServer,
  useTryMailServer,
} from './mail.queries.ts';

const USUAL: Record<MailServerView['usual'], string> = {
  'stand-in': 'Mail goes to the stand-in: nothing leaves this machine, and the Outbox shows it.',
  installation: 'Mail goes through the server that this installation was started with.',
  none: 'No mail is being sent: set up a mail server. What you send meanwhile is kept, and goes when there is one.',
};
/** As the server says it. */
const NO_ADDRESS = 'the address that customers would open is not set (it leads to this machine only)';
const SECURITY_WORDS: Record<MailSecurity, string> = {
  tls: 'TLS (usually port 465)',
  starttls: 'STARTTLS (usually port 587)',
  none: 'None: only inside this machine or its own network',
};

const startOf = ({ server }: MailServerView) => ({
  version: server?.version ?? 0,
  host: server?.host ?? '',
  port: server?.port ?? 587,
  secure: server?.secure ?? ('starttls' as const),
  userName: server?.userName ?? '',
  password: undefined,
  fromAddress: server?.fromAddress ?? '',
  fromName: server?.fromName ?? '',
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
        <Notice $tone={data.whyNot === null ? 'blueing' : 'oxide'}>
          {data.server
            ? `Letters go out through ${data.server.host}, from ${data.server.fromAddress}. What customers answer comes to that address.`
            : USUAL[data.usual]}{' '}
          {data.whyNot !== null && data.usual !== 'none' && `No mail is being sent: ${data.whyNot}.`}
          {data.whyNot === NO_ADDRESS && ' Start Avrik with AVRIK_URL set to the address that they can open.'}
        </Notice>
        <OpenMails mails={data.open} />
        <Try triedAt={data.triedAt} />
        <Settings key={data.server?.version ?? 0} view={data} />
      </Stack>
    </Page>
  );
}

function OpenMails({ mails }: { mails: readonly OpenMail[] }) {
  const arrived = useDecideMail('mailArrived');
  const again = useDecideMail('mailAgain');
  const fault = lastFault(arrived, again);
  const isPending = arrived.isPending || again.isPending;
  if (mails.length === 0) return null;
  return (
    <Panel aria-label="Mail that did not go">
      <Head>Mail that did not go</Head>
      <FormFault reason={fault ? wordsOf(fault) : undefined} />
      <ul>
        {mails.map((m) => (
          <ListLine key={m.id}>
            <span>
              <b>{m.subject}</b> <Quiet>to {m.to}</Quiet>
              <br />
              {m.state === 'perhaps' ? `It may have arrived, or not. ${m.note ?? ''}` : `Waiting: ${m.note}.`}
            </span>
            {m.state === 'perhaps' && (
              <Row>
                <Button
                  isDisabled={isPending}
                  aria-label={`It arrived: ${m.subject}`}
                  onPress={() => arrived.mutate(m.id)}
                >
                  It arrived
                </Button>
                {m.canAgain && (
                  <Button
                    $look="oxide"
                    isDisabled={isPending}
                    aria-label={`Send it again: ${m.subject}`}
                    onPress={() => again.mutate(m.id)}
                  >
                    Send it again
                  </Button>
                )}
              </Row>
            )}
          </ListLine>
        ))}
      </ul>
    </Panel>
  );
}

function Try({ triedAt }: { triedAt: string | null }) {
  const { timeZone } = useShop().shop;
  const today = useToday();
  const tryIt = useTryMailServer();
  const { data: tried } = tryIt;
  return (
    <Stack $gap="s">
      <Row>
        <Button isDisabled={tryIt.isPending} onPress={() => tryIt.mutate()}>
          Send a test to me
        </Button>
        {triedAt !== null && !tryIt.data && (
          <Quiet>The last test went out {agoInWords(dayOf(triedAt, timeZone), today)}.</Quiet>
        )}
        {tryIt.isPending && <Quiet role="status">It is being sent …</Quiet>}
      </Row>
      {tried?.why === null && (
        <Notice $tone="cure" role="status">
          The mail server has taken a mail to {tried.to}. Look whether it comes.{' '}
          {tried.released > 0 &&
            `What had waited goes now: ${tried.released === 1 ? '1 mail' : `${tried.released} mails`}.`}
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
  const put = usePutMailServer();
  const drop = useDropMailServer();
  const { shop } = useShop();
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
            {...form.register('port', WHOLE)}
          />
        </Pair>
        <SelectField label="Encryption" fault={errors.secure?.message} {...form.register('secure')}>
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
          label="From address"
          type="email"
          placeholder="letters@yourshop.example"
          fault={errors.fromAddress?.message}
          {...form.register('fromAddress')}
        />
        <TextField
          label="From name"
          placeholder={shop.name}
          hint="Empty: the shop’s name."
          fault={errors.fromName?.message}
          {...form.register('fromName', OPTIONAL)}
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
