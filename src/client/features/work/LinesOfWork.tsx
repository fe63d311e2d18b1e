/** Hours by line of the estimate, and logged hours that belong to none of them yet. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { LooseEntryView, WorkLineView, WorkView } from '#contract/work.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { useCarChange } from '../../shared/changing.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, Options } from '../../ui/Field.tsx';
import { Head, Mono, Notice, Now, Panel, Quiet, Row } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { costsQuery } from '../costs/index.ts';

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
  const { seesPrices } = useShop();
  if (work.lines.length === 0) return null;
  return (
    <Panel aria-label="Hours by line">
      <Row>
        <Head>Hours by line</Head>
        {seesPrices && <Link to={`/builds/${work.buildId}/costs`}>Costs</Link>}
      </Row>
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
      <Quiet>Work, or a thing bought, that was logged without a task. Where does it go?</Quiet>
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

/** What the line costs, for those who see prices; past what was agreed by the shop's threshold, with the way out. */
function Costs({ line, buildId }: { line: WorkLineView; buildId: string }) {
  const { currency, locale } = useManner();
  const { seesPrices } = useShop();
  const { data } = useQuery({ ...costsQuery(buildId), enabled: seesPrices });
  const found = data?.lines.find((l) => l.id === line.id);
  if (!data || !found || found.costs.expectedMinor === 0) return null;
  const { costs, approvedMinor } = found;
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
          <Now>{data.overBp === 0 ? 'Over' : `More than ${data.overBp / 100} % over`} what was agreed.</Now>{' '}
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
  const settle = useCarChange(work.buildId, 'entryBelongs');
  const { currency, locale } = useManner();
  // Made once, so that the same choice pressed twice makes one line.
  const [newLineId] = useState(() => uuidv7());
  const choose = (to: string): void => {
    const body =
      to === 'warranty' || to === 'shop'
        ? { belongs: to as 'warranty' | 'shop' }
        : to === 'change' || to === 'discretion'
          ? { belongs: to as 'change' | 'discretion', lineId: newLineId }
          : { belongs: 'line' as const, lineId: to };
    settle.mutate({ params: { entryId: entry.entryId }, body });
  };
  const much = [
    entry.minutes !== null && formatMinutes(entry.minutes),
    entry.moneyMinor !== undefined && formatMoney(entry.moneyMinor, currency, locale),
  ].filter(Boolean);
  return (
    <Item>
      <SelectField
        label={entry.text}
        value=""
        disabled={settle.isPending}
        onChange={(e) => choose(e.target.value)}
      >
        <option value="">{much.join(', ')}: to …</option>
        {work.lines.length > 0 && (
          <optgroup label="A line of the estimate">
            <Options of={work.lines} by="title" />
          </optgroup>
        )}
        <option value="change">a change: a new line, to be asked</option>
        <option value="discretion">what may be spent without asking</option>
        <option value="warranty">warranty: we put our own work right</option>
        <option value="shop">the shop’s own cost</option>
      </SelectField>
      {settle.isError && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(settle.error)}
        </Notice>
      )}
    </Item>
  );
}
