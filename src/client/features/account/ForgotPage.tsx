/** Asks for a link to set a new password. The answer is the same whether anybody has the address or not. */
import { Link } from 'react-router';
import { PasswordForgotDto } from '#contract/account.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault } from '../../ui/Form.tsx';
import { Mono, Notice, Page, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { useForgot } from './account.queries.ts';

export default function ForgotPage() {
  const forgot = useForgot();
  const form = useContractForm(PasswordForgotDto, { email: '' });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => forgot.mutateAsync(body));
  useTitle('Forgotten password');
  return (
    <Page>
      <Stack>
        <Title>Forgotten password</Title>
        {forgot.isSuccess ? (
          <Notice $tone="blueing" role="status">
            If somebody signs in with that address, a mail with a link is on its way to it. The link holds for
            an hour.
          </Notice>
        ) : (
          <Form onSubmit={submit}>
            <TextField
              label="Email"
              type="email"
              autoComplete="username"
              fault={errors.email?.message}
              {...form.register('email')}
            />
            <FormFault reason={errors.root?.message} />
            <Row>
              <Button type="submit" $look="main" isDisabled={forgot.isPending}>
                Send me a link
              </Button>
              <Link to="/sign-in">Back to sign in</Link>
            </Row>
          </Form>
        )}
        <Quiet>
          No mail? The owner can make you a link, under Shop. And whoever is at the machine that Avrik runs on
          can: <Mono>npm run account</Mono>
        </Quiet>
      </Stack>
    </Page>
  );
}
