/** Over the budget: which lines could wait to pay for it, losing least. Pins are tried at once. */
import { useMemo, useState } from 'react';
import { styled } from 'styled-components';
import type { EstimateLineView, EstimateView } from '#contract/estimate.ts';
import { balance, type Alternative, type Waiting } from '#core/estimate/balance.ts';
import { laterExtraOf } from '#core/estimate/apart.ts';
import { costOf } from '#core/estimate/lines.ts';
import { lossOf } from '#core/estimate/loss.ts';
import { formatMoney } from '#core/money/money.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Field.tsx';
import { Head, Notice, Now, Panel, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { usePropose } from './estimate.queries.ts';

const Choice = styled.li`
  display: grid;
  gap: ${space.s};
  justify-items: start;
  padding: ${space.m} 0;
  border-top: 1px solid ${color.zincLine};
`;
const Pin = styled.label`
  display: grid;
  grid-template-columns: 1fr 9rem;
  gap: ${space.s};
  align-items: center;
`;

type PinOf = 'free' | 'off' | 'kept';

function waitingOf(line: EstimateLineView, { lines, openings, terms }: EstimateView): Waiting {
  const savesMinor = costOf(line, terms).grossMinor;
  const whyNot =
    line.class === 'safety'
      ? 'a safety line is never put off'
      : line.discretionMinor !== null
        ? 'work on it has begun'
        : savesMinor === 0
          ? 'it costs nothing'
          : null;
  const { id, needs, wish } = line;
  const laterExtraMinor = laterExtraOf(line, lines, openings, terms);
  const loss = lossOf({ class: line.class, savesMinor, wish, laterExtraMinor });
  return { id, needs, savesMinor, loss: whyNot === null ? loss : 0, whyNot };
}

/** What is to be done or could be: lines of ways that are not held are neither. */
const inHand = ({ lines }: EstimateView): EstimateLineView[] =>
  lines.filter((l) => l.proposal !== 'other way');

export function BalancePanel({ estimate: all }: { estimate: EstimateView }) {
  const { currency, locale } = useManner();
  const [pins, setPins] = useState<Record<string, PinOf>>({});
  const propose = usePropose(all.buildId);
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  const estimate = useMemo(() => ({ ...all, lines: inHand(all) }), [all]);
  const lines = useMemo(() => estimate.lines.map((l) => waitingOf(l, estimate)), [estimate]);
  const budget = estimate.budgetMinor;
  const over = lines.reduce((s, l) => s + l.savesMinor, 0) - (budget ?? 0);
  const pinned = (as: PinOf): string[] => Object.keys(pins).filter((id) => pins[id] === as);
  if (budget === null || over <= 0) return null;
  const result = balance(lines, over, { pins: { off: pinned('off'), kept: pinned('kept') } });
  const title = new Map(estimate.lines.map((l) => [l.id, l.title]));
  const waits = estimate.lines.filter((l) => l.proposal === 'wait').map((l) => l.id);
  const isNow = (a: Alternative): boolean =>
    a.putOff.length === waits.length && a.putOff.every((id) => waits.includes(id));
  return (
    <Panel>
      <Head>What could wait</Head>
      <p>
        All lines together are <Now>{money(over)} over the budget</Now> of {money(budget)}.
      </p>
      {result.refused.map(({ id, reason }) => (
        <Notice key={id} $tone="oxide" role="status">
          “{title.get(id)}” cannot wait: {reason}.
        </Notice>
      ))}
      {result.alternatives.length === 0 && result.refused.length === 0 && (
        <p>Nothing that may wait covers it: everything together would save {money(result.mostMinor)}.</p>
      )}
      <ol>
        {result.alternatives.map((a) => (
          <Choice key={a.putOff.join()}>
            <span>
              {a.putOff.map((id) => title.get(id)).join(', ')} <Quiet>saves {money(a.savesMinor)}</Quiet>
            </span>
            {isNow(a) ? (
              <Quiet>This is what the estimate proposes.</Quiet>
            ) : (
              <Button isDisabled={propose.isPending} onPress={() => propose.mutate(a.putOff)}>
                Propose to let {a.putOff.length === 1 ? 'this' : `these ${a.putOff.length}`} wait
              </Button>
            )}
          </Choice>
        ))}
      </ol>
      {waits.length > 0 && (
        <Row>
          <Button $look="quiet" isDisabled={propose.isPending} onPress={() => propose.mutate([])}>
            Propose to do everything
          </Button>
        </Row>
      )}
      {propose.isError && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(propose.error)}
        </Notice>
      )}
      <details>
        <Summary>Say what must stay and what must wait</Summary>
        <Stack $gap="s">
          {estimate.lines.map((l, i) =>
            lines[i]!.whyNot === null ? (
              <Pin key={l.id}>
                {l.title}
                <Select
                  value={pins[l.id] ?? 'free'}
                  onChange={(e) => setPins({ ...pins, [l.id]: e.target.value as PinOf })}
                >
                  <option value="free">either</option>
                  <option value="kept">must stay</option>
                  <option value="off">must wait</option>
                </Select>
              </Pin>
            ) : (
              <Quiet key={l.id}>
                {l.title}: stays, {lines[i]!.whyNot}
              </Quiet>
            ),
          )}
        </Stack>
      </details>
    </Panel>
  );
}
