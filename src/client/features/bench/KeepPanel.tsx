/** Keeps a reading with its car: of what, before or after the work, loaded or not, with what; and whether the customer hears of it. */
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Load, Moment } from '#contract/bench.ts';
import { isOfCar } from '#core/bench/registry/index.ts';
import { INSTRUMENTS } from '#core/bench/registry/plausible.ts';
import type { Told } from '#core/bench/registry/told.ts';
import type { Calculator } from '#core/bench/registry/types.ts';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, SelectField, TextField, TickField } from '../../ui/Field.tsx';
import { Head, Now, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { useKeepReading } from './bench.queries.ts';
import type { BenchForm } from './useBenchForm.ts';

const MOMENT_WORDS = { before: 'before the work', after: 'after the work' };
const LOAD_WORDS = { loaded: 'loaded', unloaded: 'unloaded' };

interface Props {
  calculator: Calculator;
  buildId: string;
  told: Told;
  bench: BenchForm;
  isPlayed: boolean;
}

export function KeepPanel({ calculator, buildId, told, bench, isPlayed }: Props) {
  const keep = useKeepReading(buildId);
  const [of, setOf] = useState({
    what: '',
    moment: '' as Moment,
    loaded: '' as Load,
    instrument: '',
    forCustomer: false,
  });
  const [ids, setIds] = useState(() => ({ id: uuidv7(), entryId: uuidv7() }));
  if (!isOfCar(calculator)) return null;
  const played = isPlayed ? `played ${INSTRUMENTS[calculator.name] ?? 'instrument'}` : '';
  const press = (): void =>
    keep.mutate(
      {
        id: ids.id,
        body: {
          ...of,
          instrument: of.instrument || played,
          entryId: ids.entryId,
          calculator: calculator.name,
          input: bench.read.input,
        },
        words: `${told.title}: reading`,
      },
      { onSuccess: () => setIds({ id: uuidv7(), entryId: uuidv7() }) },
    );
  return (
    <Panel aria-label="Keep it">
      <Head>Keep it with the car</Head>
      <Stack>
        <TextField
          label="Of what"
          hint="where it has several: rear shaft, left bank"
          maxLength={120}
          value={of.what}
          onChange={(e) => setOf({ ...of, what: e.target.value })}
        />
        <SelectField
          label="When"
          value={of.moment}
          onChange={(e) => setOf({ ...of, moment: e.target.value as Moment })}
        >
          <option value="">neither before nor after work</option>
          <Options of={['before', 'after']} words={MOMENT_WORDS} />
        </SelectField>
        <SelectField
          label="The car stood"
          value={of.loaded}
          onChange={(e) => setOf({ ...of, loaded: e.target.value as Load })}
        >
          <option value="">as it was</option>
          <Options of={['loaded', 'unloaded']} words={LOAD_WORDS} />
        </SelectField>
        <TextField
          label="Measured with"
          maxLength={120}
          placeholder={played}
          value={of.instrument}
          onChange={(e) => setOf({ ...of, instrument: e.target.value })}
        />
        <TickField
          label="Tell the customer in the next letter"
          checked={of.forCustomer}
          onChange={(e) => setOf({ ...of, forCustomer: e.target.checked })}
        />
        <Row>
          <Button $look="main" onPress={press} isDisabled={keep.isPending}>
            Keep this reading
          </Button>
          <span role="status">
            {keep.isSuccess &&
              !keep.isPending &&
              (keep.data === 'later' ? (
                <Quiet>Kept on this device; it goes when there is a network.</Quiet>
              ) : (
                <Quiet>Kept.</Quiet>
              ))}
          </span>
        </Row>
        {keep.isError && <Now role="alert">{wordsOf(keep.error)}</Now>}
      </Stack>
    </Panel>
  );
}
