/** One piece of what was said: its chips, which car, whether it belongs. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { CircleMinus, Scissors } from 'lucide-react';
import { styled } from 'styled-components';
import type { Unsure } from '#core/capture/narration/narration.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Now, Quiet, Row } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { CarSelect } from './CarSelect.tsx';
import { knownQuery } from './entries.queries.ts';
import { CutOrJoin } from './CutOrJoin.tsx';
import { SaidChips } from './SaidChips.tsx';
import type { useNarration, Reviewed } from './useNarration.ts';

export const Said = styled.li`
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

/** On a phone the signs alone: what was said and what is next come first. */
const OnDesk = styled.span`
  ${phone} {
    display: none;
  }
`;
const Line = styled(Row)`
  > :first-child {
    flex: 1 1 10rem;
  }
`;

const UNSURE_WORDS: Record<Unsure, string> = {
  car: 'which car?',
  kind: 'what kind is it?',
  chatter: 'does it belong in the logbook?',
};

type Narration = ReturnType<typeof useNarration>;

export function OneSaid({ reviewed, narration }: { reviewed: Reviewed; narration: Narration }) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const [isCutting, setCutting] = useState(false);
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
      <Line>
        <span>{piece.text}</span>
        {is === 'next' && <Quiet>what is next for it</Quiet>}
        {unsure.length > 0 && <Now>{unsure.map((u) => UNSURE_WORDS[u]).join(' ')}</Now>}
        <Button
          $look="quiet"
          aria-label={`Cut or join: ${piece.text}`}
          aria-expanded={isCutting}
          onPress={() => setCutting(!isCutting)}
        >
          <Scissors size={20} aria-hidden /> <OnDesk>Cut or join</OnDesk>
        </Button>
        <Button
          $look="quiet"
          aria-label={`Set aside: ${piece.text}`}
          onPress={() => narration.setIs(key, 'chatter')}
        >
          <CircleMinus size={20} aria-hidden /> <OnDesk>Set aside</OnDesk>
        </Button>
      </Line>
      {isCutting && <CutOrJoin reviewed={reviewed} narration={narration} onDone={() => setCutting(false)} />}
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
