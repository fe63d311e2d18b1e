/** What the line is understood to say, above the line: which car, and one chip a part. */
import { useQuery } from '@tanstack/react-query';
import { useManner } from '../../shared/shop.ts';
import { CarSelect } from './CarSelect.tsx';
import { knownQuery } from './entries.queries.ts';
import { SaidChips } from './SaidChips.tsx';
import type { LogLineState } from './useLogLine.ts';

export default function Preview({ line }: { line: LogLineState }) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const { understood, putRight, build } = line;
  return (
    <SaidChips
      before={<CarSelect build={build} onBuild={(to) => putRight((r) => ({ ...r, build: to }))} />}
      said={understood}
      {...{ manner, known }}
      onKind={(kind) => putRight((r) => ({ ...r, kind }))}
      onAudience={(audience) => putRight((r) => ({ ...r, audience }))}
      onFact={(field, value) => putRight((r) => ({ ...r, facts: { ...r.facts, [field]: value } }))}
    />
  );
}
