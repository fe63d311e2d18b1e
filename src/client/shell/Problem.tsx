/** What is shown where a page could not be. */
import { Link, useNavigate, useRouteError } from 'react-router';
import { ApiProblem, wordsOf } from '../shared/api.ts';
import { Button } from '../ui/Button.tsx';
import { Page, Row, Stack, Title } from '../ui/parts.tsx';

export function RouteProblem() {
  const error = useRouteError();
  const navigate = useNavigate();
  const status = error instanceof ApiProblem ? error.problem.status : 0;
  if (status === 401)
    return (
      <Said title="You were signed out" words={wordsOf(error)}>
        <a href="/sign-in">Sign in again</a>
      </Said>
    );
  return (
    <Said title={status === 404 ? 'Not here' : 'That did not work'} words={wordsOf(error)}>
      <Button onPress={() => void navigate(0)}>Try again</Button>
      <Link to="/">To the Floor</Link>
    </Said>
  );
}

export function NoSuchPage() {
  return (
    <Said title="Not here" words="There is no page under this address.">
      <Link to="/">To the Floor</Link>
    </Said>
  );
}

function Said({ title, words, children }: { title: string; words: string; children: React.ReactNode }) {
  return (
    <Page>
      <Stack>
        <Title>{title}</Title>
        <p>{words}</p>
        <Row>{children}</Row>
      </Stack>
    </Page>
  );
}
