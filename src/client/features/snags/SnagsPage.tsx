/** Walked round the car: what is to be put right, station by station, and what was in the way when something was tried. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import { SnagPutDto, type SnagsView, type SnagView } from '#contract/snags.ts';
import { STATIONS, type Station } from '#core/snags/snags.ts';
import { formatDay, dayOf } from '#core/time/days.ts';
import { useCarChange } from '../../shared/changing.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { useKey } from '../../shared/keys.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault } from '../../ui/Form.tsx';
import {
  Aside,
  CarTitle,
  Head,
  ListLine,
  Now,
  Page,
  Panel,
  Quiet,
  Row,
  Stack,
  Summary,
} from '../../ui/parts.tsx';
import { color, space, touch } from '../../ui/tokens.ts';
import { useThisCar } from '../entries/index.ts';
import { EndDialog } from './EndDialog.tsx';
import { TrialDialog } from './TrialDialog.tsx';
import { snagsQuery } from './snags.queries.ts';

const Stations = styled.fieldset`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.xs};
  margin: 0;
  padding: 0;
  border: 0;
  legend {
    padding: 0 0 ${space.xs};
    font-weight: 600;
  }
  label {
    display: inline-flex;
    align-items: center;
    min-height: ${touch};
    padding: 0 ${space.m};
    border: 1.5px solid ${color.zinc};
    border-radius: 3px;
    cursor: pointer;
  }
  input {
    position: absolute;
    opacity: 0;
  }
  label:has(:checked) {
    background: ${color.blueing};
    border-color: ${color.blueing};
    color: ${color.onBlueing};
    font-weight: 600;
  }
  label:has(:focus-visible) {
    outline: 3px solid ${color.blueing};
    outline-offset: 2px;
  }
`;

type Open = { what: 'end'; snag: SnagView; state: 'right' | 'left' } | { what: 'trial' };

export default function SnagsPage() {
  const { buildId = '' } = useParams();
  const { data } = useSuspenseQuery(snagsQuery(buildId));
  const [open, setOpen] = useState<Open | null>(null);
  const close = (): void => setOpen(null);
  useThisCar(buildId, data.nickname);
  useTitle(`To put right, ${data.nickname}`);
  const isOpen = data.snags.filter((s) => s.state === 'open');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{data.nickname}: to put right</CarTitle>
          <Link to={`/builds/${buildId}`}>To its logbook</Link>
          <Link to={`/builds/${buildId}/work`}>Work</Link>
          <Quiet>
            {isOpen.length} open, {data.snags.length - isOpen.length} ended
          </Quiet>
        </Row>
        <Aside>
          <div>
            <WalkForm buildId={buildId} />
            <Stationed snags={isOpen} onEnd={(snag, state) => setOpen({ what: 'end', snag, state })} />
            <Ended snags={data.snags.filter((s) => s.state !== 'open')} />
          </div>
          <Trials data={data} onTry={() => setOpen({ what: 'trial' })} />
        </Aside>
      </Stack>
      {open?.what === 'end' && (
        <EndDialog buildId={buildId} snag={open.snag} state={open.state} onClose={close} />
      )}
      {open?.what === 'trial' && <TrialDialog buildId={buildId} onClose={close} />}
    </Page>
  );
}

/** One line after the other: the station stays chosen, the field is empty again and has the focus. */
function WalkForm({ buildId }: { buildId: string }) {
  const put = useCarChange(buildId, 'snagPut');
  const [ids, setIds] = useState(() => ({ snagId: uuidv7(), entryId: uuidv7() }));
  const form = useContractForm<SnagPutDto>(SnagPutDto, { ...ids, station: STATIONS[0], what: '' });
  const { errors } = form.formState;
  useKey('n', () => form.setFocus('what'));
  const submit = submitting(form, ({ station, what }) =>
    put
      .mutateAsync({ params: { snagId: ids.snagId }, body: { entryId: ids.entryId, station, what } })
      .then(() => {
        const next = { snagId: uuidv7(), entryId: uuidv7() };
        setIds(next);
        form.reset({ entryId: next.entryId, station, what: '' });
        form.setFocus('what');
      }),
  );
  return (
    <Panel aria-label="Walk round">
      <Form onSubmit={submit}>
        <Stations>
          <legend>Where you stand</legend>
          {STATIONS.map((s) => (
            <label key={s}>
              <input type="radio" value={s} {...form.register('station')} />
              {s}
            </label>
          ))}
        </Stations>
        <TextField
          label="What is to be put right"
          hint="Enter keeps it; the place stays chosen for the next one."
          autoComplete="off"
          fault={errors.what?.message}
          {...form.register('what')}
        />
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button $look="main" type="submit" isDisabled={put.isPending}>
            Write it down
          </Button>
        </Row>
      </Form>
    </Panel>
  );
}

interface StationedProps {
  snags: readonly SnagView[];
  onEnd: (snag: SnagView, state: 'right' | 'left') => void;
}

function Stationed({ snags, onEnd }: StationedProps) {
  if (snags.length === 0)
    return (
      <Panel aria-label="Nothing open">
        <p>Nothing is open. Walk round the car from the front, and write down what is not right.</p>
      </Panel>
    );
  const at = (station: Station): SnagView[] => snags.filter((s) => s.station === station);
  return STATIONS.filter((s) => at(s).length > 0).map((station) => (
    <Panel key={station} aria-label={station}>
      <Row>
        <Station>{station}</Station>
        <Quiet>{at(station).length}</Quiet>
      </Row>
      <ul>
        {at(station).map((s) => (
          <ListLine key={s.id}>
            <span>
              {s.what} {s.trial && <Quiet>in the way of {s.trial}</Quiet>}
            </span>
            <Row>
              <Button aria-label={`Put right: ${s.what}`} onPress={() => onEnd(s, 'right')}>
                Put right
              </Button>
              <Button $look="quiet" aria-label={`Leave as it is: ${s.what}`} onPress={() => onEnd(s, 'left')}>
                Leave as it is
              </Button>
            </Row>
          </ListLine>
        ))}
      </ul>
    </Panel>
  ));
}

const Station = styled(Head)`
  &::first-letter {
    text-transform: uppercase;
  }
`;

function Ended({ snags }: { snags: readonly SnagView[] }) {
  if (snags.length === 0) return null;
  return (
    <details>
      <Summary>Ended: {snags.length}</Summary>
      <ul>
        {snags.map((s) => (
          <ListLine key={s.id}>
            <span>
              {s.what} <Quiet>{s.station}</Quiet>
            </span>
            <Quiet>{s.state === 'right' ? 'put right' : 'left as it is'}</Quiet>
          </ListLine>
        ))}
      </ul>
    </details>
  );
}

function Trials({ data, onTry }: { data: SnagsView; onTry: () => void }) {
  const { locale, today } = useManner();
  const { shop } = useShop();
  return (
    <Panel aria-label="Tried in place">
      <Row>
        <Head>Tried in place</Head>
        <Button $look="quiet" onPress={onTry}>
          Something was tried
        </Button>
      </Row>
      {data.trials.length === 0 && (
        <Quiet>Before paint and before leather: does it fit, and what is in the way?</Quiet>
      )}
      <ul>
        {data.trials.map((t) => (
          <ListLine key={t.entryId}>
            <Stack $gap="xs">
              <span>{t.text}</span>
              <Quiet>{formatDay(dayOf(t.at, shop.timeZone), locale, today)}</Quiet>
            </Stack>
            {t.open > 0 && <Now>{t.open} still in the way</Now>}
          </ListLine>
        ))}
      </ul>
    </Panel>
  );
}
