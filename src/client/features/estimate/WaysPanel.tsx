/** Ways to do it, side by side: what is done, what everything then comes to, how long it takes, what stays at risk. */
import { styled } from 'styled-components';
import type { ChoiceView, EstimateLineView, EstimateView } from '#contract/estimate.ts';
import { costOf } from '#core/estimate/lines.ts';
import { compareWays, weeksInWords, type WayCompared } from '#core/estimate/ways.ts';
import { formatMoney } from '#core/money/money.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Figures, Head, Mono, Notice, Panel, Quiet, Row } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { usePutChoice, useSettleChoice } from './estimate.queries.ts';

const SideBySide = styled.div`
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: ${space.l};
  ${phone} {
    grid-auto-flow: row;
  }
`;
const WayBox = styled.section<{ $held: boolean }>`
  display: grid;
  gap: ${space.s};
  align-content: start;
  padding-top: ${space.s};
  border-top: 3px solid ${({ $held }) => ($held ? color.blueing : color.zincLine)};
`;
const Name = styled.h3`
  font-weight: 700;
`;

interface WaysPanelProps {
  estimate: EstimateView;
  onEdit: (choice: ChoiceView) => void;
}

export function WaysPanel({ estimate, onEdit }: WaysPanelProps) {
  if (estimate.choices.length === 0) return null;
  return (
    <>
      {estimate.choices.map((c) => (
        <OneChoice key={c.id} estimate={estimate} choice={c} onEdit={() => onEdit(c)} />
      ))}
    </>
  );
}

interface OneChoiceProps {
  estimate: EstimateView;
  choice: ChoiceView;
  onEdit: () => void;
}

function OneChoice({ estimate, choice, onEdit }: OneChoiceProps) {
  const put = usePutChoice(estimate.buildId);
  const settle = useSettleChoice(estimate.buildId);
  const offered = estimate.lines.filter((l) => l.proposal !== 'wait');
  const compared = compareWays(choice, estimate.choices, offered, estimate.terms);
  const held = choice.ways.find((w) => w.id === choice.heldId);
  const hold = (heldId: string): void => {
    const { id: choiceId, ...body } = choice;
    put.mutate({ choiceId, body: { ...body, heldId } });
  };
  const failed = put.error ?? settle.error;
  return (
    <Panel aria-label={`Ways to do it: ${choice.title}`}>
      <Row>
        <Head>Ways to do it: {choice.title}</Head>
        <Button $look="quiet" aria-label={`Change the ways: ${choice.title}`} onPress={onEdit}>
          Change
        </Button>
      </Row>
      <SideBySide>
        {compared.map((c) => (
          <OneWay
            key={c.way.id}
            compared={c}
            lines={estimate.lines}
            terms={estimate.terms}
            isHeld={c.way.id === choice.heldId}
            onHold={() => hold(c.way.id)}
          />
        ))}
      </SideBySide>
      <Row>
        <Button
          $look="quiet"
          isDisabled={settle.isPending}
          onPress={() => settle.mutate({ choiceId: choice.id, version: choice.version })}
        >
          Settle it: keep “{held?.name}”, take the other lines off
        </Button>
      </Row>
      {failed && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(failed)}
        </Notice>
      )}
    </Panel>
  );
}

interface OneWayProps {
  compared: WayCompared;
  lines: readonly EstimateLineView[];
  terms: EstimateView['terms'];
  isHeld: boolean;
  onHold: () => void;
}

function OneWay({ compared: { way, lines: ids, whole }, lines, terms, isHeld, onHold }: OneWayProps) {
  const { currency, locale } = useManner();
  const money = (minor: number): string => formatMoney(minor, currency, locale);
  const own = lines.filter((l) => ids.includes(l.id));
  return (
    <WayBox $held={isHeld}>
      <Name>{way.name}</Name>
      {own.length === 0 && <Quiet>No line belongs to it yet: choose this way at a line.</Quiet>}
      <Figures>
        {own.map((l) => (
          <Line key={l.id} name={l.title} figure={money(costOf(l, terms).grossMinor)} />
        ))}
        <Line name="Everything then" figure={money(whole.grossMinor)} />
        <Line name="four cases of five" figure={money(whole.p80GrossMinor)} />
        <Line name="Takes" figure={weeksInWords(way)} />
      </Figures>
      <p>
        <Quiet>Stays at risk:</Quiet> {way.risk}
      </p>
      {isHeld ? (
        <Quiet>This one is counted, and advised to the customer.</Quiet>
      ) : (
        <Button aria-label={`Count ${way.name}`} onPress={onHold}>
          Count this one
        </Button>
      )}
    </WayBox>
  );
}

function Line({ name, figure }: { name: string; figure: string }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>
        <Mono $brass>{figure}</Mono>
      </dd>
    </>
  );
}
