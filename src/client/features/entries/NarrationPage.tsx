/** Several things about several cars, said or written in one go: understood piece by piece, put right, logged together. */
import { Link } from 'react-router';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Head, Notice, Now, Page, Panel, Row, Stack, Title } from '../../ui/parts.tsx';
import { loggedWords } from './loggedWords.ts';
import { OneSaid, Said } from './OneSaid.tsx';
import { useNarration } from './useNarration.ts';

export default function NarrationPage() {
  const narration = useNarration();
  const { kept, aside, asks, logged } = narration;
  useTitle('Say it all at once');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Say it all at once</Title>
          <Link to="/">Floor</Link>
        </Row>
        <TextAreaField
          label="What is going on, car after car"
          hint="Speak it with the telephone’s own dictation, or write it. Name the car, then what was found, done, ordered; name the next. Nothing is kept before you press."
          rows={6}
          value={narration.text}
          onChange={(e) => narration.write(e.target.value)}
        />
        {logged && (
          <Notice $tone="cure" role="status">
            {loggedWords(logged)}: {logged.cars.join(', ')}.
          </Notice>
        )}
        {kept.length > 0 && (
          <Panel aria-label="What was understood">
            <Head>What was understood</Head>
            <ul>
              {kept.map((r) => (
                <OneSaid key={r.key} reviewed={r} narration={narration} />
              ))}
            </ul>
            <FormFault reason={narration.fault} />
            <Row>
              <Button $look="main" isDisabled={asks > 0 || narration.isLogging} onPress={narration.log}>
                {kept.length === 1 ? 'Log this line' : `Log these ${kept.length} lines`}
              </Button>
              {asks > 0 && <Now>{asks === 1 ? 'One has no car yet.' : `${asks} have no car yet.`}</Now>}
            </Row>
          </Panel>
        )}
        {aside.length > 0 && (
          <Panel aria-label="Set aside">
            <Head>Set aside</Head>
            <ul>
              {aside.map((r) => (
                <Said key={r.key} data-aside>
                  <Row>
                    <span>{r.piece.text}</span>
                    <Button
                      $look="quiet"
                      aria-label={`It belongs in the logbook: ${r.piece.text}`}
                      onPress={() => narration.setIs(r.key, 'entry')}
                    >
                      It belongs in the logbook
                    </Button>
                  </Row>
                </Said>
              ))}
            </ul>
          </Panel>
        )}
      </Stack>
    </Page>
  );
}
