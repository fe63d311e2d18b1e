/** Hours by line of the estimate, and logged hours that belong to none of them yet. */
import { useState } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { LooseEntryView, WorkLineView, WorkView } from '#contract/work.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, Options } from '../../ui/Field.tsx';
import { Head, Mono, Notice, Now, Panel, Quiet } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { useWorkChange } from './work.queries.ts';

const Item = styled.li`
  display: grid;
  gap: ${space.xs};
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  overflow-wrap: anywhere;
`;
const Bar = styled.div`
  height: 8px;
  background: ${color.zincWash};
  > div {
    height: 100%;
    background: ${color.blueing};
  }
  &[data-over] > div {
    background: ${color.oxide};
  }
`;

export function LinesOfWork({ work }: { work: WorkView }) {
  if (work.lines.length === 0) return null;
  return (
    <Panel aria-label="Hours by line">
      <Head>Hours by line</Head>
      <ul>
        {work.lines.map((l) => (
          <LineHours key={l.id} line={l} buildId={work.buildId} />
        ))}
      </ul>
    </Panel>
  );
}

const SHOWN = 4;

export function LooseHours({ work }: { work: WorkView }) {
  const [all, setAll] = useState(false);
  if (work.loose.length === 0) return null;
  return (
    <Panel aria-label="Belongs to no line yet">
      <Head>Belongs to no line yet</Head>
      <Quiet>Work that was logged without a task. Where does it go?</Quiet>
      <ul>
        {work.loose.slice(0, all ? undefined : SHOWN).map((e) => (
          <Loose key={e.entryId} work={work} entry={e} />
        ))}
      </ul>
      {work.loose.length > SHOWN && !all && (
        <Button onPress={() => setAll(true)}>All {work.loose.length}</Button>
      )}
    </Panel>
  );
}

/** The estimate with this line open, at the hours that it comes to. */
const askChange = (buildId: string, { id, spentMinutes, toGoMinutes }: WorkLineView): string =>
  `/builds/${buildId}/estimate?line=${id}&minutes=${spentMinutes + toGoMinutes}`;

/** What the line costs, for those who see prices; past what was agreed by a tenth, with the way out. */
function Costs({ line, buildId }: { line: WorkLineView; buildId: string }) {
  const { currency, locale } = useManner();
  const { costs, approvedMinor } = line;
  if (!costs || costs.expectedMinor === 0) return null;
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  return (
    <>
      <Quiet>
        spent <Mono $brass>{money(costs.spentMinor)}</Mono>
        {costs.committedMinor > 0 && `, ordered ${money(costs.committedMinor)}`}, to go{' '}
        {money(costs.toGoMinor)}: comes to <Mono $brass>{money(costs.expectedMinor)}</Mono>
        {approvedMinor ? ` of ${money(approvedMinor)} agreed` : ''}
      </Quiet>
      {costs.isOver && (
        <Notice $tone="oxide">
          <Now>More than a tenth over what was agreed.</Now>{' '}
          <Link to={askChange(buildId, line)}>Ask it as a change</Link>
        </Notice>
      )}
    </>
  );
}

function LineHours({ line, buildId }: { line: WorkLineView; buildId: string }) {
  const { estimatedMinutes: estimated, spentMinutes: spent } = line;
  const over = spent > estimated;
  return (
    <Item>
      <span>
        {line.title} {over && estimated > 0 && <Now>over its hours</Now>}
      </span>
      <Bar {...(over ? { 'data-over': true } : {})} aria-hidden>
        <div style={{ width: `${Math.min(100, estimated === 0 ? 0 : (spent / estimated) * 100)}%` }} />
      </Bar>
      <Quiet>
        <Mono>{formatMinutes(spent)}</Mono> of {formatMinutes(estimated)} estimated
      </Quiet>
      <Costs line={line} buildId={buildId} />
    </Item>
  );
}

function Loose({ work, entry }: { work: WorkView; entry: LooseEntryView }) {
  const settle = useWorkChange(work.buildId, 'entryBelongs');
  const choose = (to: string): void => {
    const body =
      to === 'warranty' || to === 'shop'
        ? ({ belongs: to } as const)
        : ({ belongs: 'line', lineId: to } as const);
    settle.mutate({ params: { entryId: entry.entryId }, body });
  };
  return (
    <Item>
      <SelectField
        label={entry.text}
        value=""
        disabled={settle.isPending}
        onChange={(e) => choose(e.target.value)}
      >
        <option value="">{formatMinutes(entry.minutes)}: to …</option>
        {work.lines.length > 0 && (
          <optgroup label="A line of the estimate">
            <Options of={work.lines} by="title" />
          </optgroup>
        )}
        <option value="warranty">warranty: we put our own work right</option>
        <option value="shop">the shop’s own cost</option>
      </SelectField>
      {settle.isError && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(settle.error)} A line of its own can be asked as a change, on the estimate.
        </Notice>
      )}
    </Item>
  );
}
