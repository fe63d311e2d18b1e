/** Sets a password by the link of an invitation or a reset. */
import { Link, useParams } from 'react-router';
import { PasswordSetDto } from '#contract/account.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault } from '../../ui/Form.tsx';
import { Notice, Page, Row, Stack, Title } from '../../ui/parts.tsx';
import { useSetPassword } from './account.queries.ts';

export default function SetPasswordPage() {
  const { token = '' } = useParams();
  const set = useSetPassword();
  const form = useContractForm(PasswordSetDto, { token, password: '' });
  const { errors } = form.formState;
  const submit = submitting(form, (body) => set.mutateAsync(body));
  useTitle('Set your password');
  return (
    <Page>
      <Stack>
        <Title>Set your password</Title>
        {set.data ? (
          <>
            <Notice $tone="cure" role="status">
              Your password is set. Sign in with {set.data.email}.
            </Notice>
            <Row>
              <Link to="/sign-in">Sign in</Link>
            </Row>
          </>
        ) : (
          <Form onSubmit={submit}>
            <TextField
              label="New password"
              type="password"
              autoComplete="new-password"
              hint="At least 10 characters."
              fault={errors.password?.message}
              {...form.register('password')}
            />
            <FormFault reason={errors.root?.message ?? errors.token?.message} />
            <Row>
              <Button type="submit" $look="main" isDisabled={set.isPending}>
                Set password
              </Button>
              <Link to="/forgot">Ask for a new link</Link>
            </Row>
          </Form>
        )}
      </Stack>
    </Page>
  );
}
