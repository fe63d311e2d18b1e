/** Contactors closed in order: each step signed by name, one after the other. What was refused stays in the record. It controls nothing. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { CONTACTOR_STEPS, contactorSequence, type ContactorEvent } from '#core/bench/contactorSequence.ts';
import { InputError } from '#core/bench/input.ts';
import { STEP_WORDS } from '#core/bench/registry/highVoltage.ts';
import { useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { Now, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import type { BenchForm } from './useBenchForm.ts';

const Steps = styled.ol`
  display: grid;
  gap: ${space.xs};
  padding: 0;
  list-style: none;
  li {
    display: flex;
    gap: ${space.m};
    padding: ${space.s};
    border-left: 5px solid ${color.zincLine};
  }
  li[data-done] {
    border-left-color: ${color.cure};
  }
  li[aria-current] {
    border-left-color: ${color.blueing};
    background: ${color.blueingWash};
  }
`;
const MOST = 200;
const WHY = {
  wrong_order: 'not its turn',
  not_signed: 'nobody signed',
  bus_implausible: 'bus above the pack',
  bus_too_low: 'bus too low',
};

function played(input: Record<string, unknown>): ReturnType<typeof contactorSequence> | null {
  try {
    return contactorSequence({ ...input, events: input.events ?? [] } as Parameters<
      typeof contactorSequence
    >[0]);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

export function ContactorRecord({ bench }: { bench: BenchForm }) {
  const { person } = useShop();
  const [step, setStep] = useState('');
  const [bus, setBus] = useState('');
  const [signed, setSigned] = useState('');
  const now = played(bench.read.input);
  const events = (bench.read.input.events ?? []) as ContactorEvent[];
  const count = Number(bench.form['events#'] ?? 0) || 0;
  const add = (of: { step: string; signedBy: string; bus: string }): void => {
    const at = `events[${count}]`;
    bench.set(`${at}.step`, of.step);
    bench.set(`${at}.signedBy`, of.signedBy);
    bench.set(`${at}.at`, new Date().toISOString());
    bench.set(`${at}.bus_V`, of.step === 'verifyBus' ? of.bus : '');
    bench.set('events#', String(count + 1));
    setStep('');
    setBus('');
    setSigned('');
  };
  const isSigned = signed.trim().toLowerCase() === person.name.toLowerCase();
  const lacks = !step || !isSigned || (step === 'verifyBus' && !/\d/.test(bus));
  return (
    <Stack>
      <Quiet>
        A record of what was done, not a control. Each step is signed by writing the name of who did it.
      </Quiet>
      <Steps aria-label="Steps in order">
        {CONTACTOR_STEPS.map((s) => (
          <li
            key={s}
            data-done={now?.completed.includes(s) ? '' : undefined}
            aria-current={now?.next === s ? 'step' : undefined}
          >
            <strong>{STEP_WORDS[s]}</strong>
            <Quiet>
              {now?.completed.includes(s)
                ? `done, ${signerOf(events, s)}`
                : now?.next === s
                  ? 'next'
                  : 'later'}
            </Quiet>
          </li>
        ))}
      </Steps>
      {now ? (
        <Row style={{ alignItems: 'end' }}>
          <SelectField label="Step that was done" value={step} onChange={(e) => setStep(e.target.value)}>
            <option value="">choose</option>
            {CONTACTOR_STEPS.map((s) => (
              <option key={s} value={s}>
                {STEP_WORDS[s]}
              </option>
            ))}
          </SelectField>
          {step === 'verifyBus' && (
            <TextField
              label="Bus (V)"
              inputMode="decimal"
              value={bus}
              onChange={(e) => setBus(e.target.value)}
            />
          )}
          <TextField
            label="Signed: your name"
            hint={person.name}
            autoComplete="off"
            value={signed}
            onChange={(e) => setSigned(e.target.value)}
          />
          <Button
            isDisabled={lacks || count >= MOST}
            onPress={() => add({ step, signedBy: person.name, bus })}
          >
            Record this step
          </Button>
          <Button
            $look="oxide"
            isDisabled={count >= MOST}
            onPress={() => add({ step: 'openAll', signedBy: '', bus: '' })}
          >
            All opened
          </Button>
        </Row>
      ) : (
        <Quiet>Say the voltage of the pack first.</Quiet>
      )}
      {now && now.refused.length > 0 && (
        <ul>
          {now.refused.map((r) => (
            <li key={r.index}>
              <Now>Refused:</Now> {STEP_WORDS[r.step]}, {WHY[r.why]}
            </li>
          ))}
        </ul>
      )}
    </Stack>
  );
}

/** Who signed a step last. */
const signerOf = (events: readonly ContactorEvent[], step: string): string =>
  events.filter((e) => e.step === step).at(-1)?.signedBy ?? '';
