/** While it is apart: what optional lines cost now and later, and where they make another job of it. */
import { useState } from 'react';
import { styled } from 'styled-components';
import type { EstimateView } from '#contract/estimate.ts';
import { apart, type Apart, type Step } from '#core/estimate/apart.ts';
import { WORKS, type Work } from '#core/estimate/lines.ts';
import { formatMoney } from '#core/money/money.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { hoursAsTyped, hoursTyped } from '../../shared/typed.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField, Options } from '../../ui/Field.tsx';
import { Head, Mono, Notice, Now, Panel, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { color, size, space } from '../../ui/tokens.ts';
import { useSetOpening } from './estimate.queries.ts';
import { WORK_WORDS } from './words.ts';

const Prices = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${size.small};
  th,
  td {
    padding: ${space.xs} 0 ${space.xs} ${space.s};
    border-bottom: 1px solid ${color.zincLine};
    text-align: right;
    vertical-align: top;
  }
  th:first-child {
    padding-left: 0;
    text-align: left;
    font-weight: 400;
  }
`;
const Name = styled.h3`
  font-size: ${size.body};
  &::first-letter {
    text-transform: uppercase;
  }
`;

type Money = (minor: number) => string;

export function ApartPanel({ estimate }: { estimate: EstimateView }) {
  const { currency, locale } = useManner();
  const money: Money = (minor) => formatMoney(minor, currency, locale);
  const openings = apart(
    estimate.lines.filter((l) => l.proposal !== 'other way'),
    estimate.openings,
    estimate.terms,
  );
  if (openings.length === 0) return null;
  return (
    <Panel aria-label="While it is apart">
      <Head>While it is apart</Head>
      {openings.map((o) => (
        <One key={o.name} {...{ estimate, money }} opened={o} />
      ))}
    </Panel>
  );
}

function One({ estimate, opened, money }: { estimate: EstimateView; opened: Apart; money: Money }) {
  const title = new Map(estimate.lines.map((l) => [l.id, l.title]));
  const { name, againMinor, must, options, step } = opened;
  return (
    <Stack $gap="s">
      <Name>{name}</Name>
      <Quiet>
        {must.length > 0 ? `Must be done: ${must.map((id) => title.get(id)).join(', ')}. ` : ''}
        {againMinor === null
          ? 'Say what taking it apart again would take, to see what waiting costs.'
          : `Taking it apart again would cost ${money(againMinor)}.`}
      </Quiet>
      {step && <StepWarning step={step} money={money} />}
      {options.length > 0 && (
        <Prices>
          <thead>
            <tr>
              <th scope="col">
                <Quiet>could be done</Quiet>
              </th>
              <th scope="col">now</th>
              <th scope="col">later</th>
            </tr>
          </thead>
          <tbody>
            {options.map((o) => (
              <tr key={o.id}>
                <th scope="row">{title.get(o.id)}</th>
                <td>
                  <Mono $brass>{money(o.nowMinor)}</Mono>
                </td>
                <td>
                  <Mono $brass>{money(o.laterMinor)}</Mono>
                </td>
              </tr>
            ))}
          </tbody>
        </Prices>
      )}
      <OpeningHours estimate={estimate} name={name} />
    </Stack>
  );
}

function StepWarning({ step, money }: { step: Step; money: Money }) {
  const times = Math.round((step.allMinor / step.mustMinor) * 10) / 10;
  return (
    <Notice $tone="oxide">
      <Now>Another job.</Now> What must be done behind it is {money(step.mustMinor)}; with all that could be
      done while it is open it is {money(step.allMinor)}, {times} times as much. Ask before the first step.
    </Notice>
  );
}

function OpeningHours({ estimate, name }: { estimate: EstimateView; name: string }) {
  const known = estimate.openings.find((o) => o.name === name.toLowerCase());
  const set = useSetOpening(estimate.buildId);
  const [hours, setHours] = useState(known ? hoursAsTyped(known.minutes) : '');
  const [work, setWork] = useState<Work>(known?.work ?? 'mechanical');
  const [fault, setFault] = useState<string | undefined>();
  const keep = (): void => {
    const minutes = hours.trim() === '' ? 0 : hoursTyped(hours);
    setFault(minutes === null ? 'hours, as in 12 or 1.5' : undefined);
    if (minutes !== null) set.mutate({ name, work, minutes });
  };
  return (
    <details>
      <Summary>Hours to take it apart and together again</Summary>
      <Stack $gap="s">
        <Quiet>For this comparison only: on the estimate these hours stand in the lines.</Quiet>
        <TextField
          label={`${name}: hours`}
          inputMode="decimal"
          data-mono
          value={hours}
          fault={fault ?? (set.isError ? wordsOf(set.error) : undefined)}
          onChange={(e) => setHours(e.target.value)}
        />
        <SelectField
          label={`${name}: charged as`}
          value={work}
          onChange={(e) => setWork(e.target.value as Work)}
        >
          <Options of={WORKS} words={WORK_WORDS} />
        </SelectField>
        <Row>
          <Button isDisabled={set.isPending} onPress={keep}>
            Keep the hours
          </Button>
        </Row>
      </Stack>
    </details>
  );
}
