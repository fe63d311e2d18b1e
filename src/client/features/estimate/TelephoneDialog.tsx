/** An answer that came by telephone: who, what was said, and what it means line by line. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { EstimateView, RevisionView } from '#contract/estimate.ts';
import {
  ANSWERS,
  answersOfPick,
  choiceOf,
  takenWay,
  whyNotAnswers,
  type Answer,
  type LineAnswer,
} from '#core/approval/answers.ts';
import { formatMoney } from '#core/money/money.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Select, TextAreaField, TextField, Options } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Mono, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { space, touch } from '../../ui/tokens.ts';
import { useTakeAnswer } from './estimate.queries.ts';

const Line = styled.label`
  display: grid;
  grid-template-columns: 1fr auto 11rem;
  gap: ${space.s} ${space.m};
  align-items: center;
  min-height: ${touch};
`;
const Tick = styled.label`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: ${space.m};
  align-items: center;
  min-height: ${touch};
  input {
    width: 22px;
    height: 22px;
  }
`;
const WORDS: Record<Answer, string> = {
  approve: 'do it',
  wait: 'let it wait',
  decline: 'leave it out',
  ask: 'has a question',
};

/** What was agreed or put off before still holds, unless they say otherwise. */
function alreadySaid({ lines }: EstimateView): Record<string, Answer> {
  const said = lines.flatMap(({ id, standing: { state } }): [string, Answer][] =>
    state === 'approved' ? [[id, 'approve']] : state === 'waits' ? [[id, 'wait']] : [],
  );
  return Object.fromEntries(said);
}

/** The ways that were taken before, by choice. */
function alreadyPicked({ lines }: EstimateView, { content }: RevisionView): Record<string, string> {
  const said = lines.flatMap(({ id, standing: { state } }): LineAnswer[] =>
    state === 'approved'
      ? [{ lineId: id, answer: 'approve' }]
      : state === 'other way'
        ? [{ lineId: id, answer: 'other way' }]
        : [],
  );
  return Object.fromEntries(
    (content.choices ?? []).flatMap((c): [string, string][] => {
      const wayId = takenWay(content, c, said);
      return wayId === undefined ? [] : [[c.id, wayId]];
    }),
  );
}

interface Props {
  estimate: EstimateView;
  revision: RevisionView;
  onClose: () => void;
}

export default function TelephoneDialog({ estimate, revision, onClose }: Props) {
  const { currency, locale } = useManner();
  const take = useTakeAnswer(estimate.buildId);
  const [id] = useState(() => uuidv7());
  const [name, setName] = useState(estimate.customer);
  const [said, setSaid] = useState('');
  const [understood, setUnderstood] = useState(false);
  const [given, setGiven] = useState(() => alreadySaid(estimate));
  const [fault, setFault] = useState<string | undefined>();
  const { content } = revision;
  const choices = content.choices ?? [];
  const lines = content.lines.filter((l) => !choiceOf(content, l));
  const [picks, setPicks] = useState(() => alreadyPicked(estimate, revision));
  const answers = [
    ...choices.flatMap((c) => answersOfPick(content, c, { pick: picks[c.id] ?? '', question: said })),
    ...lines.flatMap((l): LineAnswer[] => {
      const answer = given[l.id];
      if (!answer) return [];
      return [{ lineId: l.id, answer, ...(answer === 'ask' ? { question: said } : {}) }];
    }),
  ];
  const press = (): void => {
    const [first] = whyNotAnswers(content, answers, understood);
    const missing = said.trim() === '' ? 'write down what was said' : first?.reason;
    setFault(missing);
    if (missing !== undefined) return;
    const body = { id, name, said, understood, answers };
    take.mutate(
      { revisionId: revision.id, body },
      { onSuccess: onClose, onError: (e) => setFault(wordsOf(e)) },
    );
  };
  return (
    <Dialog title={`An answer to estimate ${revision.number}, by telephone`} isOpen onClose={onClose}>
      <Stack>
        <TextField
          label="Who said it"
          value={name}
          maxLength={120}
          onChange={(e) => setName(e.target.value)}
        />
        <TextAreaField
          label="What was said"
          value={said}
          rows={2}
          maxLength={2000}
          onChange={(e) => setSaid(e.target.value)}
        />
        <Row>
          <Button
            $look="plain"
            onPress={() => {
              setGiven(Object.fromEntries(lines.map((l) => [l.id, 'approve' as const])));
              setPicks(Object.fromEntries(choices.map((c) => [c.id, c.heldId])));
            }}
          >
            They agreed to everything
          </Button>
        </Row>
        {choices.map((c) => (
          <Line key={c.id}>
            <span>{c.title}</span>
            <span />
            <Select
              value={picks[c.id] ?? ''}
              onChange={(e) => setPicks({ ...picks, [c.id]: e.target.value })}
            >
              <option value="" disabled>
                said …
              </option>
              <Options of={c.ways} />
              {ANSWERS.filter((a) => a !== 'approve').map((a) => (
                <option key={a} value={a}>
                  {WORDS[a]}
                </option>
              ))}
            </Select>
          </Line>
        ))}
        {lines.map((l) => (
          <Line key={l.id}>
            <span>
              {l.title} {l.class === 'safety' && <Quiet>safety</Quiet>}
            </span>
            <Mono>{formatMoney(l.grossMinor, currency, locale)}</Mono>
            <Select
              value={given[l.id] ?? ''}
              onChange={(e) => setGiven({ ...given, [l.id]: e.target.value as Answer })}
            >
              <option value="" disabled>
                said …
              </option>
              <Options of={ANSWERS} words={WORDS} />
            </Select>
          </Line>
        ))}
        {content.lines.some((l) => l.class === 'safety') && (
          <Tick>
            <input type="checkbox" checked={understood} onChange={(e) => setUnderstood(e.target.checked)} />
            They said that they understand: without a safety line the car cannot be handed over as roadworthy
          </Tick>
        )}
        <FormFault reason={fault} />
        <Row>
          <Button $look="main" isDisabled={take.isPending} onPress={press}>
            Keep this answer
          </Button>
          <Button $look="quiet" onPress={onClose}>
            Leave it
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
