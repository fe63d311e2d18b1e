/** What the line is understood to say, above the line: which car, and one chip a part. */
import { useQuery } from '@tanstack/react-query';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Now, Row } from '../../ui/parts.tsx';
import { ActChips } from './ActChips.tsx';
import { CarSelect } from './CarSelect.tsx';
import { knownQuery } from './entries.queries.ts';
import { SaidChips } from './SaidChips.tsx';
import type { LogLineState } from './useLogLine.ts';

export default function Preview({ line }: { line: LogLineState }) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const { understood, putRight, build, ahead, match, acts, putActs } = line;
  return (
    <>
      {ahead && (
        <Row>
          <Now>This reads like work to come: kept as a note, it counts nothing.</Now>
          <Button onPress={() => putRight((r) => ({ ...r, kind: ahead.kind }))}>It was done</Button>
        </Row>
      )}
      <SaidChips
        before={<CarSelect build={build} onBuild={(to) => putRight((r) => ({ ...r, build: to }))} />}
        said={understood}
        {...{ manner, known }}
        onKind={(kind) => putRight((r) => ({ ...r, kind }))}
        onAudience={(audience) => putRight((r) => ({ ...r, audience }))}
        onFact={(field, value) => putRight((r) => ({ ...r, facts: { ...r.facts, [field]: value } }))}
      />
      <ActChips {...{ match, chosen: acts, onChoose: putActs }} subject={line.newThing} />
    </>
  );
}
