/** What the line is understood to say, above the line: which car, and one chip a part. */
import { useQuery } from '@tanstack/react-query';
import { useManner } from '../../shared/shop.ts';
import { Now, Quiet } from '../../ui/parts.tsx';
import { ActChips } from './ActChips.tsx';
import { CarSelect } from './CarSelect.tsx';
import { knownQuery } from './entries.queries.ts';
import { kindQuestion } from './questions.ts';
import { QuestionRow } from './QuestionRow.tsx';
import { SaidChips } from './SaidChips.tsx';
import type { LogLineState } from './useLogLine.ts';

interface Props {
  line: LogLineState;
  onAnswered: () => void;
}

export default function Preview({ line, onAnswered }: Props) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const { understood, putRight, build, read, asks, answer, reading, match, acts, putActs } = line;
  const question =
    read && asks.length > 0
      ? kindQuestion(read.asks, { ...read, kind: understood.kind }, (_, put) => {
          answer(put);
          onAnswered();
        })
      : null;
  return (
    <>
      {reading === 'on its way' && <Quiet>Reading …</Quiet>}
      {reading === 'missing' && (
        <Now role="alert">What reads the line did not load: it is kept as a note, or choose its kind.</Now>
      )}
      {question && <QuestionRow question={question} about={line.text} isWanted={line.isAsking} />}
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
