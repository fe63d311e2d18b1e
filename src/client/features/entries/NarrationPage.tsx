/** Several things about several cars, said or written in one go: understood piece by piece, put right, logged together. */
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { Unsure } from '#core/capture/narration/narration.ts';
import { useManner } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Head, Notice, Now, Page, Panel, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { CarSelect } from './CarSelect.tsx';
import { knownQuery } from './entries.queries.ts';
import { SaidChips } from './SaidChips.tsx';
import { useNarration, type Reviewed } from './useNarration.ts';

const Said = styled.li`
  display: grid;
  gap: ${space.xs};
  padding: ${space.s} 0 ${space.m} ${space.m};
  border-left: 4px solid ${color.blueing};
  border-bottom: 1px solid ${color.zincLine};
  overflow-wrap: anywhere;
  &[data-unsure] {
    border-left-color: ${color.oxide};
  }
  &[data-aside] {
    border-left-color: ${color.zincLine};
  }
`;

const UNSURE_WORDS: Record<Unsure, string> = {
  car: 'which car?',
  kind: 'what kind is it?',
  chatter: 'does it belong in the logbook?',
};

type Narration = ReturnType<typeof useNarration>;

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
            {logged.lines === 1 ? 'One line' : `${logged.lines} lines`} logged: {logged.cars.join(', ')}.
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

function OneSaid({ reviewed, narration }: { reviewed: Reviewed; narration: Narration }) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const { key, piece, understood, is } = reviewed;
  const unsure = piece.unsure.filter(
    (u) => u !== 'car' || !understood.build?.id || understood.build === piece.car,
  );
  const car = (
    <CarSelect
      build={understood.build}
      about={piece.text}
      onBuild={(build) => narration.putRight(key, (r) => ({ ...r, build }))}
    />
  );
  return (
    <Said {...(unsure.length > 0 ? { 'data-unsure': true } : {})}>
      <Row>
        <span>{piece.text}</span>
        {is === 'next' && <Quiet>what is next for it</Quiet>}
        {unsure.length > 0 && <Now>{unsure.map((u) => UNSURE_WORDS[u]).join(' ')}</Now>}
        <Button
          $look="quiet"
          aria-label={`Set aside: ${piece.text}`}
          onPress={() => narration.setIs(key, 'chatter')}
        >
          Set aside
        </Button>
      </Row>
      {is === 'next' ? (
        <Row>
          {car}
          <Button
            $look="quiet"
            aria-label={`A line of the logbook: ${piece.text}`}
            onPress={() => narration.setIs(key, 'entry')}
          >
            A line of the logbook instead
          </Button>
        </Row>
      ) : (
        <SaidChips
          before={car}
          said={understood}
          {...{ manner, known }}
          onKind={(kind) => narration.putRight(key, (r) => ({ ...r, kind }))}
          onAudience={(audience) => narration.putRight(key, (r) => ({ ...r, audience }))}
          onFact={(field, value) =>
            narration.putRight(key, (r) => ({ ...r, facts: { ...r.facts, [field]: value } }))
          }
        />
      )}
    </Said>
  );
}
