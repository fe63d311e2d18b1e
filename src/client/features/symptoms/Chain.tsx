/** The chain of one symptom: what it is not, what it is, what shows it; each from the logbook, with its pictures. */
import { useState } from 'react';
import { styled } from 'styled-components';
import type { SymptomEntryView, SymptomsView, SymptomView } from '#contract/symptoms.ts';
import { SYMPTOM_ROLES, whyNotRole, type SymptomRole } from '#core/inspection/symptoms.ts';
import type { Facts } from '#core/log/kinds.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField } from '../../ui/Field.tsx';
import { Notice, Quiet } from '../../ui/parts.tsx';
import { color, phone, size, space } from '../../ui/tokens.ts';
import { PhotoStrip, usePhotosByEntry } from '../photos/index.ts';
import { useLinkEntry } from './symptoms.queries.ts';

const ROLE_HEADS: Record<SymptomRole, string> = {
  'ruled out': 'It is not',
  cause: 'It is',
  proof: 'What shows it',
};
const ROLE_CHOICES: Record<SymptomRole, string> = {
  'ruled out': 'rules something out',
  cause: 'is the cause',
  proof: 'shows it',
};

const Steps = styled.div`
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: ${space.l};
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Step = styled.section`
  h3 {
    font-size: ${size.body};
    padding-bottom: ${space.xs};
    border-bottom: 3px solid ${color.zincLine};
  }
`;
const Item = styled.li`
  display: grid;
  gap: ${space.xs};
  justify-items: start;
  padding: ${space.s} 0;
  border-bottom: 1px solid ${color.zincLine};
  overflow-wrap: anywhere;
`;
const OnScreen = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 14rem;
  gap: ${space.m};
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
  @media print {
    display: none;
  }
`;

interface ChainProps {
  data: SymptomsView;
  symptom: SymptomView;
}

export function Chain({ data, symptom }: ChainProps) {
  const link = useLinkEntry(data.buildId);
  const set = (entryId: string, role?: SymptomRole): void =>
    link.mutate({ symptomId: symptom.id, entryId, body: role === undefined ? {} : { role } });
  return (
    <>
      <Steps>
        {SYMPTOM_ROLES.map((role) => (
          <Step key={role} aria-label={`${ROLE_HEADS[role]}: ${symptom.words}`}>
            <h3>{ROLE_HEADS[role]}</h3>
            <ul>
              {symptom.entries
                .filter((e) => e.role === role)
                .map((e) => (
                  <Entry key={e.entryId} buildId={data.buildId} entry={e} onDrop={() => set(e.entryId)} />
                ))}
            </ul>
          </Step>
        ))}
      </Steps>
      <AddEntry data={data} symptom={symptom} onAdd={set} />
      {link.isError && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(link.error)}
        </Notice>
      )}
    </>
  );
}

/** “From wear; to be replaced; the cab fills with smoke”: what is known of a finding beyond its words. */
function beyond({ cause, remedy, effect }: Facts): string {
  const parts = [
    cause && (cause === 'unknown' ? 'cause unknown' : `from ${cause}`),
    remedy && `to do: ${remedy}`,
    effect,
  ];
  return parts.filter(Boolean).join('; ');
}

interface EntryProps {
  buildId: string;
  entry: SymptomEntryView;
  onDrop: () => void;
}

function Entry({ buildId, entry, onDrop }: EntryProps) {
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const photos = usePhotosByEntry(buildId);
  const more = beyond(entry.facts);
  return (
    <Item>
      <span>
        {entry.text} <Quiet>{formatDay(dayOf(entry.at, timeZone), manner.locale, manner.today)}</Quiet>
      </span>
      {more && <Quiet>{more}</Quiet>}
      <PhotoStrip buildId={buildId} photos={photos.get(entry.entryId) ?? []} tall={96} />
      <Button $look="quiet" aria-label={`Nothing to do with it: ${entry.text}`} onPress={onDrop}>
        Nothing to do with it
      </Button>
    </Item>
  );
}

function AddEntry({
  data,
  symptom,
  onAdd,
}: ChainProps & { onAdd: (entryId: string, role: SymptomRole) => void }) {
  const [entryId, setEntryId] = useState('');
  const linked = new Set(symptom.entries.map((e) => e.entryId));
  const free = data.candidates.filter((c) => !linked.has(c.entryId));
  const chosen = free.find((c) => c.entryId === entryId);
  if (free.length === 0) return <Quiet>Log what you find; then it can be tied to this here.</Quiet>;
  return (
    <OnScreen>
      <SelectField
        label="From the logbook"
        value={chosen ? entryId : ''}
        onChange={(e) => setEntryId(e.target.value)}
      >
        <option value="">choose an entry …</option>
        {free.map((c) => (
          <option key={c.entryId} value={c.entryId}>
            {c.text.slice(0, 120)}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="It …"
        value=""
        disabled={!chosen}
        onChange={(e) => {
          onAdd(entryId, e.target.value as SymptomRole);
          setEntryId('');
        }}
      >
        <option value="">says what?</option>
        {SYMPTOM_ROLES.filter((r) => chosen && whyNotRole(r, chosen.kind) === null).map((r) => (
          <option key={r} value={r}>
            {ROLE_CHOICES[r]}
          </option>
        ))}
      </SelectField>
    </OnScreen>
  );
}
