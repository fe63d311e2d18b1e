/** What to measure next, readable from two metres; what was taken last; and the instrument. */
import { useEffect, useState } from 'react';
import { styled } from 'styled-components';
import { INSTRUMENTS, plausibleAt } from '#core/bench/registry/plausible.ts';
import { labelOf } from '#core/bench/registry/form.ts';
import { VERDICTS, type Told } from '#core/bench/registry/told.ts';
import type { Calculator } from '#core/bench/registry/types.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Field.tsx';
import { Mono, Quiet, Row } from '../../ui/parts.tsx';
import { color, phone, size, space } from '../../ui/tokens.ts';
import { playedInstrument } from './instrument.ts';
import { Verdict } from './Result.tsx';
import type { BenchForm } from './useBenchForm.ts';

const Board = styled.div`
  position: sticky;
  top: 0;
  z-index: 5;
  display: grid;
  gap: ${space.xs};
  padding: ${space.s} ${space.m};
  background: ${color.zincWash};
  border-left: 5px solid ${color.blueing};
`;
/** Read at two metres: capitals of a centimetre and more. */
const Big = styled.p`
  font-size: clamp(1.9rem, 4.2vw, 3.1rem);
  line-height: 1.05;
  font-weight: 750;
  overflow-wrap: anywhere;
`;
const Last = styled(Mono)`
  font-size: ${size.head};
  color: ${color.cure};
  ${phone} {
    font-size: ${size.line};
  }
`;

interface Props {
  calculator: Calculator;
  bench: BenchForm;
  /** Where one measures. */
  at: string | null;
  told: Told | null;
  isPlayed: boolean;
  onPlayed: (on: boolean) => void;
  onUndo: () => void;
}

export function Prompt({ calculator, bench, at, told, isPlayed, onPlayed, onUndo }: Props) {
  const instrument = INSTRUMENTS[calculator.name];
  const missing = bench.worked.refused?.code === 'missing' ? bench.worked.refused.field : null;
  const next = at ?? missing;
  usePlayed(calculator, bench, isPlayed ? at : null);
  return (
    <>
      <Board>
        <Row style={{ justifyContent: 'space-between', alignItems: 'start', flexWrap: 'nowrap' }}>
          <Big>
            {next !== null
              ? labelOf(calculator.fields, next)
              : bench.worked.result
                ? 'All measured'
                : 'Measure'}
          </Big>
          {told && <Verdict $is={told.verdict}>{VERDICTS[told.verdict]}</Verdict>}
        </Row>
        <Row>
          {bench.taken ? (
            <>
              <Last>
                ✓ {labelOf(calculator.fields, bench.taken.path)}: {bench.taken.text || 'empty'}
              </Last>
              <Button $look="quiet" onPress={onUndo}>
                Undo it
              </Button>
            </>
          ) : (
            <Quiet>Enter takes a value and goes on; a gauge that types does the same.</Quiet>
          )}
        </Row>
      </Board>
      {instrument !== undefined && (
        <Row>
          <label>
            <Quiet>Measured with </Quiet>
            <Select
              style={{ width: 'auto' }}
              value={isPlayed ? 'played' : ''}
              onChange={(e) => onPlayed(e.target.value === 'played')}
            >
              <option value="">what types, or by hand</option>
              <option value="played">a played {instrument} (stand-in)</option>
            </Select>
          </label>
          {isPlayed && (
            <Quiet>Its readings are made up, with noise. Enter takes the one that stands there.</Quiet>
          )}
        </Row>
      )}
    </>
  );
}

/** Streams the played instrument's readings into the field where one measures. */
function usePlayed(calculator: Calculator, bench: BenchForm, at: string | null): void {
  const [instrument] = useState(() => playedInstrument(INSTRUMENTS[calculator.name] ?? 'gauge'));
  const { set } = bench;
  useEffect(() => {
    if (at === null) return;
    return instrument.start(
      () => plausibleAt(calculator, at, Math.random),
      (value) => set(at, String(value)),
    );
  }, [instrument, calculator, at, set]);
}
