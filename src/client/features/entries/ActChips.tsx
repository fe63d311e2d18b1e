/** What a line will do to things of its car: each can be taken off; what is in doubt is chosen. */
import { Fragment } from 'react';
import { Check, CircleHelp, X } from 'lucide-react';
import { styled } from 'styled-components';
import { whyRefused, type Match, type Meant } from '#core/match/match.ts';
import { Button } from '../../ui/Button.tsx';
import { Now, Quiet, Row } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { actWords, keyOf, thingWords, type ChosenActs } from './acting.ts';

const Does = styled.span`
  display: inline-flex;
  align-items: center;
  gap: ${space.xs};
  font-weight: 600;
  overflow-wrap: anywhere;
`;

interface Props {
  match: Match;
  chosen: ChosenActs;
  /** What the line is about, for what has no name yet. */
  subject: string;
  onChoose: (change: (before: ChosenActs) => ChosenActs) => void;
}

export function ActChips({ match, chosen, subject, onChoose }: Props) {
  const does = match.does.filter((m) => !chosen.off.includes(keyOf(m)));
  const taken = match.asks.find((m) => keyOf(m) === chosen.chosen);
  if (does.length === 0 && match.asks.length === 0) return null;
  return (
    <Row role="group" aria-label="What this line will do">
      {does.map((m) => (
        <Done
          key={keyOf(m)}
          {...{ m, subject, chosen, onChoose }}
          onOff={() => onChoose((c) => ({ ...c, off: [...c.off, keyOf(m)] }))}
        />
      ))}
      {taken ? (
        <Done
          m={taken}
          {...{ subject, chosen, onChoose }}
          onOff={() => onChoose((c) => ({ ...c, chosen: null }))}
        />
      ) : (
        match.asks.length > 0 && <Asked {...{ asks: match.asks, subject, onChoose }} />
      )}
    </Row>
  );
}

interface DoneProps extends Omit<Props, 'match'> {
  m: Meant;
  onOff: () => void;
}

/** One act that goes with the line; of hours on a task, whether it is finished. */
function Done({ m, subject, chosen, onChoose, onOff }: DoneProps) {
  const words = actWords(m, subject);
  const { more } = thingWords(m, subject);
  const key = keyOf(m);
  const isDone = chosen.isDone[key] ?? m.isDone ?? false;
  return (
    <>
      <Does>
        <Check size={18} color={color.cure} aria-hidden />
        {words}
      </Does>
      {more !== '' && <Quiet>{more}</Quiet>}
      {m.isDone !== undefined && (
        <Button
          $look="quiet"
          aria-pressed={isDone}
          onPress={() => onChoose((c) => ({ ...c, isDone: { ...c.isDone, [key]: !isDone } }))}
        >
          {isDone ? 'finished with it' : 'more to do'}
        </Button>
      )}
      <Button $look="quiet" aria-label={`Not that: ${words}`} onPress={onOff}>
        <X size={18} aria-hidden />
      </Button>
    </>
  );
}

function Asked({
  asks,
  subject,
  onChoose,
}: Pick<Props, 'subject' | 'onChoose'> & { asks: readonly Meant[] }) {
  return (
    <>
      <Does>
        <CircleHelp size={18} color={color.oxide} aria-hidden /> Not sure:
      </Does>
      {asks.map((m) => (
        <Button
          key={keyOf(m)}
          onPress={() => onChoose((c) => ({ ...c, chosen: keyOf(m) }))}
          isDisabled={whyRefused(m) !== null}
        >
          {actWords(m, subject)}?
        </Button>
      ))}
      {asks.map((m) => (
        <Fragment key={keyOf(m)}>{whyRefused(m) && <Now>Held up: {whyRefused(m)}</Now>}</Fragment>
      ))}
    </>
  );
}
