/** What the line is understood to say, above the line: which car, and one chip a part. */
import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { useManner } from '../../shared/shop.ts';
import { Select, Options } from '../../ui/Field.tsx';
import { HiddenVisually } from '../../ui/parts.tsx';
import { color, touch } from '../../ui/tokens.ts';
import { knownQuery } from './entries.queries.ts';
import { SaidChips } from './SaidChips.tsx';
import type { LogLineState } from './useLogLine.ts';

const CarSelect = styled(Select)<{ $asks: boolean }>`
  width: auto;
  max-width: 16rem;
  min-height: ${touch};
  font-weight: 600;
  border-color: ${({ $asks }) => ($asks ? color.oxide : color.zincLine)};
  color: ${({ $asks }) => ($asks ? color.oxide : color.ink)};
`;

export default function Preview({ line }: { line: LogLineState }) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const { understood, putRight, build } = line;
  const car = (
    <label>
      <HiddenVisually>Which car</HiddenVisually>
      <CarSelect
        $asks={!build?.id}
        value={build?.id ?? ''}
        onChange={(e) => {
          const chosen = known?.builds.find((b) => b.id === e.target.value);
          if (chosen) putRight((r) => ({ ...r, build: { id: chosen.id, name: chosen.name } }));
        }}
      >
        {!build?.id && <option value="">Which car?</option>}
        <Options of={known?.builds} />
      </CarSelect>
    </label>
  );
  return (
    <SaidChips
      before={car}
      said={understood}
      {...{ manner, known }}
      onKind={(kind) => putRight((r) => ({ ...r, kind }))}
      onAudience={(audience) => putRight((r) => ({ ...r, audience }))}
      onFact={(field, value) => putRight((r) => ({ ...r, facts: { ...r.facts, [field]: value } }))}
    />
  );
}
