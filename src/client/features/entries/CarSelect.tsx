/** Which car it is for; asks in red while nobody has said. */
import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { Named } from '#core/capture/index.ts';
import { Options, Select } from '../../ui/Field.tsx';
import { HiddenVisually } from '../../ui/parts.tsx';
import { color, touch } from '../../ui/tokens.ts';
import { knownQuery } from './entries.queries.ts';

const Which = styled(Select)<{ $asks: boolean }>`
  width: auto;
  max-width: 16rem;
  min-height: ${touch};
  font-weight: 600;
  border-color: ${({ $asks }) => ($asks ? color.oxide : color.zincLine)};
  color: ${({ $asks }) => ($asks ? color.oxide : color.ink)};
`;

interface Props {
  build: Named | null | undefined;
  /** Of which of several, for those who hear it. */
  about?: string;
  /** It goes without one too. */
  isOptional?: boolean;
  onBuild: (build: Named & { id: string }) => void;
}

export function CarSelect({ build, about, isOptional = false, onBuild }: Props) {
  const { data: known } = useQuery(knownQuery);
  return (
    <label>
      <HiddenVisually>{about === undefined ? 'Which car' : `Which car: ${about}`}</HiddenVisually>
      <Which
        $asks={!build?.id && !isOptional}
        value={build?.id ?? ''}
        onChange={(e) => {
          const chosen = known?.builds.find((b) => b.id === e.target.value);
          if (chosen) onBuild({ id: chosen.id, name: chosen.name });
        }}
      >
        {!build?.id && <option value="">Which car?</option>}
        <Options of={known?.builds} />
      </Which>
    </label>
  );
}
