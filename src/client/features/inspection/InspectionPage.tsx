/** The walk round the vehicle: zone by zone, what was looked at, and what has not been yet. */
import { useState, type KeyboardEvent } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { styled } from 'styled-components';
import type { InspectionView } from '#contract/inspection.ts';
import { lookedAt, MARKS, zonesFor } from '#core/inspection/checkpoints.ts';
import { BODIES, type Body, type Zone } from '#core/inspection/zones.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TickField, Options } from '../../ui/Field.tsx';
import { CarTitle, Head, Notice, Now, Page, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { space, touch } from '../../ui/tokens.ts';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { CheckpointRow } from './CheckpointRow.tsx';
import { ProposalsPanel } from '../houseRules/index.ts';
import { inspectionQuery, useSetFitted } from './inspection.queries.ts';

const Fits = styled(Row)`
  align-items: end;
`;
const Points = styled.ul`
  max-width: 60rem;
`;
const Jump = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0 ${space.l};
  a {
    display: inline-flex;
    align-items: center;
    min-height: ${touch};
  }
`;

const BODY_WORDS: Record<Body, string> = {
  car: 'a car',
  van: 'a van',
  motorcycle: 'a motorcycle',
  engine: 'a bare engine',
  gearbox: 'a bare gearbox',
};

/** Up and down go from checkpoint to checkpoint; 1, 2 and 3 answer the one at hand. */
function onKeys(e: KeyboardEvent<HTMLElement>): void {
  const target = e.target as HTMLElement;
  if (/^(?:TEXTAREA|INPUT|SELECT)$/.test(target.tagName) || e.ctrlKey || e.metaKey || e.altKey) return;
  const rows = [...e.currentTarget.querySelectorAll<HTMLElement>('[data-checkpoint]')];
  const at = rows.findIndex((r) => r.contains(target));
  if (at === -1) return;
  const mark = MARKS[Number(e.key) - 1];
  const step = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
  if (mark) rows[at]!.querySelector<HTMLElement>(`[data-mark="${mark}"]`)?.click();
  else if (step !== 0) rows[at + step]?.querySelector<HTMLElement>('button')?.focus();
  else return;
  e.preventDefault();
}

export default function InspectionPage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data: inspection } = useSuspenseQuery(inspectionQuery(buildId));
  const [atHand, setAtHand] = useState<string | undefined>();
  const [onlyOpen, setOnlyOpen] = useState(false);
  useThisCar(build.id, build.nickname, atHand);
  useTitle(`Looking over, ${build.nickname}`);
  const marks = new Map(inspection.marks.map((m) => [m.checkpoint, m.mark]));
  const zones = zonesFor(inspection.fitted);
  const all = lookedAt(zones, marks);
  return (
    <Page onKeyDown={onKeys}>
      <Stack $gap="l">
        <Row>
          <CarTitle>Looking over the {build.nickname}</CarTitle>
          <Link to={`/builds/${build.id}`}>To its logbook</Link>
        </Row>
        {build.complaint && (
          <p>
            <Quiet>{build.customer} said:</Quiet> “{build.complaint}”
          </p>
        )}
        <Row>
          <b>
            {all.looked} of {all.checkpoints} looked at
          </b>
          <span>
            {all.findings} with a finding, {all.notSeen} could not be seen
          </span>
          <Button aria-pressed={onlyOpen} onPress={() => setOnlyOpen(!onlyOpen)}>
            {onlyOpen ? 'Show everything' : 'Show only what has not been looked at'}
          </Button>
        </Row>
        <Fitting inspection={inspection} />
        <ProposalsPanel buildId={build.id} />
        <Jump aria-label="Zones">
          {zones.map((z) => {
            const { checkpoints, looked } = lookedAt([z], marks);
            return (
              <a key={z.id} href={`#${z.id}`}>
                {z.name}&nbsp;
                <Quiet>{looked === checkpoints ? 'done' : `${checkpoints - looked} left`}</Quiet>
              </a>
            );
          })}
        </Jump>
        {all.looked === all.checkpoints && <Notice $tone="cure">Everything has been looked at.</Notice>}
        {zones.map((z) => (
          <ZonePanel
            key={z.id}
            zone={z}
            inspection={inspection}
            hidden={(id) => onlyOpen && marks.has(id)}
            onAtHand={() => setAtHand(z.zone)}
          />
        ))}
      </Stack>
    </Page>
  );
}

function ZonePanel({
  zone,
  inspection,
  hidden,
  onAtHand,
}: {
  zone: Zone;
  inspection: InspectionView;
  hidden: (id: string) => boolean;
  onAtHand: () => void;
}) {
  const shown = zone.checkpoints.filter((c) => !hidden(c.id));
  if (shown.length === 0) return null;
  return (
    <Panel id={zone.id} aria-label={zone.name} tabIndex={-1}>
      <Head>{zone.name}</Head>
      {zone.caution && (
        <Notice $tone="oxide">
          <Now>Take care.</Now> {zone.caution}
        </Notice>
      )}
      <Points>
        {shown.map((c) => (
          <CheckpointRow key={c.id} {...{ inspection, zone, onAtHand }} checkpoint={c} />
        ))}
      </Points>
    </Panel>
  );
}

/** What stands there: it decides what there is to look at. */
function Fitting({ inspection }: { inspection: InspectionView }) {
  const save = useSetFitted(inspection.buildId);
  const { fitted } = inspection;
  return (
    <Fits>
      <SelectField
        label="This is"
        value={fitted.body}
        disabled={save.isPending}
        onChange={(e) => save.mutate({ ...fitted, body: e.target.value as Body })}
      >
        <Options of={BODIES} words={BODY_WORDS} />
      </SelectField>
      <TickField
        label="Gas fitted"
        checked={fitted.gas}
        onChange={(e) => save.mutate({ ...fitted, gas: e.target.checked })}
      />
      <TickField
        label="High voltage fitted"
        checked={fitted.highVoltage}
        onChange={(e) => save.mutate({ ...fitted, highVoltage: e.target.checked })}
      />
    </Fits>
  );
}
