/** Sign in; in the demo shop with one press. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, Navigate, useNavigate } from 'react-router';
import { styled } from 'styled-components';
import { SignInDto } from '#contract/session.ts';
import { wordsOf } from '../../shared/api.ts';
import { OPTIONAL, showProblem, useContractForm } from '../../shared/forms.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Head, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { color, phone, size, space } from '../../ui/tokens.ts';
import { sessionQuery } from '../../shared/session.ts';
import { useSignIn, useSignInDemo } from './session.queries.ts';

const Door = styled.main`
  border-top: 8px solid ${color.oxide};
  padding: ${space.xl} ${space.l};
  > * {
    max-width: 60rem;
    margin: 0 auto ${space.xl};
  }
`;
const Sample = styled.figure`
  display: grid;
  gap: ${space.s};
  padding: ${space.l};
  background: ${color.sheet};
  border-left: 5px solid ${color.blueing};
  blockquote {
    margin: 0;
    font-size: ${size.line};
  }
  b {
    color: ${color.brass};
  }
`;
const Two = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
  gap: ${space.xl};
  ${phone} {
    gap: ${space.l};
  }
`;

export default function SignInPage() {
  const { data: session } = useSuspenseQuery(sessionQuery);
  useTitle('Sign in');
  if (session.person) return <Navigate to="/" replace />;
  if (session.firstRun) return <Navigate to="/first-run" replace />;
  return (
    <Door>
      <Stack $gap="s">
        <Title>Avrik</Title>
        <p>
          Write down what happens to each car, as you would say it. Avrik keeps it, adds it up, and drafts the
          letter to its owner.
        </p>
      </Stack>
      <Two>
        {session.demo && <DemoDoor />}
        <OwnDoor />
      </Two>
      <Sample>
        <Quiet>You write</Quiet>
        <blockquote>
          found tailgate post rotten left side, let in new metal, 60 and four hours, must
        </blockquote>
        <Quiet>and the letter says</Quiet>
        <blockquote>
          Tailgate post rotten left side, let in new metal. To put right: about <b>£60.00</b> and <b>4 h</b>.
        </blockquote>
      </Sample>
    </Door>
  );
}

function DemoDoor() {
  const demo = useSignInDemo();
  const navigate = useNavigate();
  const enter = (role: 'owner' | 'office' | 'technician'): void =>
    demo.mutate(role, { onSuccess: () => void navigate('/') });
  return (
    <Stack>
      <Head>The demo shop</Head>
      <p>Saltmarsh Coachworks, sixteen cars, six months of work. All of it is made up.</p>
      <Row>
        <Button $look="main" onPress={() => enter('owner')} isDisabled={demo.isPending}>
          Go in as the owner
        </Button>
      </Row>
      <Row>
        <Button onPress={() => enter('technician')}>as a technician</Button>
        <Button onPress={() => enter('office')}>as the office</Button>
      </Row>
      <Quiet>A technician sees no prices and no customers’ addresses.</Quiet>
      <FormFault reason={demo.isError ? wordsOf(demo.error) : undefined} />
    </Stack>
  );
}

function OwnDoor() {
  const signIn = useSignIn();
  const navigate = useNavigate();
  const form = useContractForm<SignInDto>(SignInDto, { email: '', password: '', code: '' });
  const { errors } = form.formState;
  // Asked for only where the account has a second factor; it stays once it was.
  const [wantsCode, setWantsCode] = useState(false);
  if (errors.code && !wantsCode) setWantsCode(true);
  const submit = form.handleSubmit((body) =>
    signIn.mutateAsync(body).then(
      () => void navigate('/'),
      (error: unknown) => showProblem(form, error),
    ),
  );
  return (
    <form onSubmit={(e) => void submit(e)} noValidate>
      <Stack>
        <Head>Sign in</Head>
        <TextField
          label="Email"
          type="email"
          autoComplete="username"
          fault={errors.email?.message}
          {...form.register('email')}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          fault={errors.password?.message}
          {...form.register('password')}
        />
        {wantsCode && (
          <TextField
            label="Code from your app"
            autoComplete="one-time-code"
            autoFocus
            fault={errors.code?.message}
            {...form.register('code', OPTIONAL)}
          />
        )}
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button type="submit" isDisabled={signIn.isPending}>
            Sign in
          </Button>
          <Link to="/forgot">Forgotten password</Link>
        </Row>
      </Stack>
    </form>
  );
}
