/** Keeps a reading with its car: of what, before or after the work, loaded or not, with what; and whether the customer hears of it. */
import { useState, type RefObject } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Load, Moment } from '#contract/bench.ts';
import { formOf } from '#core/bench/registry/form.ts';
import { isOfCar } from '#core/bench/registry/index.ts';
import { INSTRUMENTS } from '#core/bench/registry/plausible.ts';
import type { Told } from '#core/bench/registry/told.ts';
import type { Calculator } from '#core/bench/registry/types.ts';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Options, SelectField, TextField, TickField } from '../../ui/Field.tsx';
import { Head, Now, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { sendFiles } from '../photos/index.ts';
import { useKeepReading } from './bench.queries.ts';
import type { BenchForm } from './useBenchForm.ts';

const MOMENT_WORDS = { before: 'before the work', after: 'after the work' };
/** Made-up figures are no reading of a car. */
const sameForm = (a: BenchForm['form'], b: BenchForm['form']): boolean =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])].every((path) => (a[path] ?? '') === (b[path] ?? ''));

const LOAD_WORDS = { loaded: 'loaded', unloaded: 'unloaded' };

interface Props {
  calculator: Calculator;
  buildId: string;
  told: Told;
  bench: BenchForm;
  isPlayed: boolean;
  /** Holds the picture of what is measured, where there is one. */
  picture: RefObject<HTMLElement | null>;
}

export function KeepPanel({ calculator, buildId, told, bench, isPlayed, picture }: Props) {
  const keep = useKeepReading(buildId);
  const [of, setOf] = useState({
    what: '',
    moment: '' as Moment,
    loaded: '' as Load,
    instrument: '',
    forCustomer: false,
  });
  const [withPicture, setWithPicture] = useState(true);
  const [noPicture, setNoPicture] = useState(false);
  const [ids, setIds] = useState(() => ({ id: uuidv7(), entryId: uuidv7() }));
  if (!isOfCar(calculator)) return null;
  const isExample = sameForm(bench.form, formOf(calculator.fields, calculator.example));
  const played = isPlayed ? `played ${INSTRUMENTS[calculator.name] ?? 'instrument'}` : '';
  const hasPicture = typeof calculator.picture === 'string';
  const drawn = async (): Promise<File | null> => {
    const figure = picture.current?.querySelector('figure');
    if (!hasPicture || !withPicture || !figure) return null;
    const { pictureFile } = await import('./pictures/pictureFile.ts');
    const title = [told.title, of.what, of.moment && MOMENT_WORDS[of.moment]].filter(Boolean).join(', ');
    return pictureFile(figure, title, title.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-'));
  };
  const press = async (): Promise<void> => {
    // The picture is of what stands there now; the reading is kept all the same where none can be made.
    const file = await drawn().catch(() => null);
    setNoPicture(hasPicture && withPicture && file === null);
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
      {
        onSuccess: () => {
          if (file) sendFiles(buildId, ids.entryId, [file]);
          setIds({ id: uuidv7(), entryId: uuidv7() });
        },
      },
    );
  };
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
        {hasPicture && (
          <TickField
            label="With its picture, as a photograph of the car"
            checked={withPicture}
            onChange={(e) => setWithPicture(e.target.checked)}
          />
        )}
        <Row>
          <Button $look="main" onPress={() => void press()} isDisabled={keep.isPending || isExample}>
            Keep this reading
          </Button>
          {isExample && <Quiet>These are the figures of the example: put in what you measured.</Quiet>}
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
        {noPicture && (
          <Quiet role="status">This browser could make no picture of it; the reading is kept.</Quiet>
        )}
        {keep.isError && <Now role="alert">{wordsOf(keep.error)}</Now>}
      </Stack>
    </Panel>
  );
}
