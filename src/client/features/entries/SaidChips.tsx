/** What a line was understood to say: one chip a part, each a press away from being put right. */
import { useState, type FormEvent, type ReactNode } from 'react';
import { Plus } from 'lucide-react';
import { Button as AriaButton } from 'react-aria-components';
import { styled } from 'styled-components';
import type { KnownView } from '#contract/builds.ts';
import type { LoggedKind } from '#core/capture/understood.ts';
import {
  CAUSES,
  CLASSES,
  KIND_SPECS,
  KINDS,
  REMEDIES,
  type Audience,
  type FactField,
  type Facts,
} from '#core/log/kinds.ts';
import type { Manner } from '#core/log/sentences.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField, Options } from '../../ui/Field.tsx';
import { Row, Stack } from '../../ui/parts.tsx';
import { Pop } from '../../ui/Pop.tsx';
import { color, font, size, space, touch } from '../../ui/tokens.ts';
import { addable, FIELD_ORDER, factFrom, factText, fieldWord, typedFrom } from './facts.ts';

const Chip = styled(AriaButton)<{ $tone?: 'kind' | 'brass' | 'oxide' }>`
  display: inline-flex;
  align-items: baseline;
  gap: 6px;
  min-height: ${touch};
  padding: 6px ${space.m};
  border: 1.5px solid ${({ $tone }) => ($tone === 'oxide' ? color.oxide : color.zincLine)};
  border-radius: 3px;
  background: ${({ $tone }) => ($tone === 'kind' ? color.blueingWash : color.sheet)};
  color: ${({ $tone }) => ($tone === 'oxide' ? color.oxide : color.ink)};
  align-items: center;
  max-width: 100%;
  cursor: pointer;
  text-align: left;
  small {
    color: ${color.zinc};
    font-size: ${size.small};
    flex: none;
  }
  b {
    font-weight: 600;
    ${({ $tone }) => ($tone === 'brass' ? `font-family: ${font.mono}; color: ${color.brass};` : '')}
  }
  &[data-hovered] {
    border-color: ${color.blueing};
  }
`;
const BRASS: ReadonlySet<FactField> = new Set(['moneyMinor', 'minutes', 'measures', 'quantity']);
const NAMES: Partial<Record<FactField, 'vendors' | 'places' | 'people'>> = {
  vendor: 'vendors',
  place: 'places',
  person: 'people',
};

/** Facts that are one of a few words. */
const CHOICES: Partial<Record<FactField, readonly string[]>> = {
  class: CLASSES,
  cause: CAUSES,
  remedy: REMEDIES,
};

export interface Said {
  kind: LoggedKind;
  facts: Facts;
  audience: Audience;
}

interface Props {
  /** Stands in front of the chips: which car. */
  before?: ReactNode;
  said: Said;
  manner: Manner;
  known: KnownView | undefined;
  onKind: (kind: LoggedKind) => void;
  onAudience: (audience: Audience) => void;
  /** `null` takes the fact away. */
  onFact: (field: FactField, value: Facts[FactField] | null) => void;
}

export function SaidChips({ said, manner, known, onKind, onAudience, onFact, before }: Props) {
  const { kind, facts, audience } = said;
  const shown = FIELD_ORDER.filter((f) => facts[f] !== undefined);
  return (
    <Row role="group" aria-label="What was understood">
      {before}
      <KindChip kind={kind} onKind={onKind} />
      {shown.map((field) => (
        <FactChip key={field} {...{ field, said, manner, known, onFact }} />
      ))}
      <Chip $tone="kind" onPress={() => onAudience(audience === 'customer' ? 'shop' : 'customer')}>
        <small>for</small>
        <b>{audience === 'customer' ? 'the customer too' : 'the shop only'}</b>
      </Chip>
      <AddChip {...{ said, manner, known, onFact }} />
    </Row>
  );
}

function KindChip({ kind, onKind }: { kind: LoggedKind; onKind: Props['onKind'] }) {
  const chip = (
    <Chip $tone="kind">
      <small>kind</small>
      <b>{KIND_SPECS[kind].word}</b>
    </Chip>
  );
  return (
    <Pop label="Kind of entry" trigger={chip}>
      {(close) => (
        <SelectField
          label="Kind of entry"
          value={kind}
          autoFocus
          hint={KIND_SPECS[kind].help}
          onChange={(e) => {
            onKind(e.target.value as LoggedKind);
            close();
          }}
        >
          {KINDS.filter((k) => k !== 'correction').map((k) => (
            <option key={k} value={k}>
              {KIND_SPECS[k].word}
            </option>
          ))}
        </SelectField>
      )}
    </Pop>
  );
}

type FactProps = Pick<Props, 'said' | 'manner' | 'known' | 'onFact'> & { field: FactField };

function FactChip(props: FactProps) {
  const { field, said, manner } = props;
  const word = fieldWord(field, said.kind);
  const tone = BRASS.has(field)
    ? 'brass'
    : field === 'class' && said.facts.class === 'safety'
      ? 'oxide'
      : undefined;
  const chip = (
    <Chip {...(tone ? { $tone: tone } : {})}>
      <small>{word}</small>
      <b>{factText(field, said.facts, manner)}</b>
    </Chip>
  );
  return (
    <Pop label={`Put right: ${word}`} trigger={chip}>
      {(close) => <FactForm {...props} close={close} />}
    </Pop>
  );
}

function FactForm({ field, said, manner, known, onFact, close }: FactProps & { close: () => void }) {
  const [text, setText] = useState(() => typedFrom(field, said.facts, manner));
  const [fault, setFault] = useState<string>();
  const word = fieldWord(field, said.kind);
  const take = (e: FormEvent): void => {
    e.preventDefault();
    e.stopPropagation();
    const typed = factFrom(field, text, manner);
    if ('fault' in typed) return setFault(typed.fault);
    onFact(field, typed.fact);
    close();
  };
  const remove = (
    <Button
      $look="oxide"
      onPress={() => {
        onFact(field, null);
        close();
      }}
    >
      Take it away
    </Button>
  );
  return (
    <form onSubmit={take}>
      <Stack>
        <FactInput {...{ field, word, text, setText, fault, known }} />
        <Row>
          <Button $look="main" type="submit">
            Put right
          </Button>
          {said.facts[field] !== undefined && remove}
        </Row>
      </Stack>
    </form>
  );
}

interface InputProps {
  field: FactField;
  word: string;
  text: string;
  setText: (text: string) => void;
  fault: string | undefined;
  known: KnownView | undefined;
}

function FactInput({ field, word, text, setText, fault, known }: InputProps) {
  const common = { value: text, autoFocus: true, fault } as const;
  const choices = CHOICES[field];
  if (choices)
    return (
      <SelectField label={word} {...common} onChange={(e) => setText(e.target.value)}>
        <option value="">choose …</option>
        <Options of={choices} />
      </SelectField>
    );
  const type = field === 'due' || field === 'on' ? 'date' : 'text';
  const numeric = field === 'moneyMinor' || field === 'minutes' || field === 'quantity';
  const names = NAMES[field] && known ? known[NAMES[field]] : [];
  return (
    <>
      <TextField
        label={field === 'minutes' ? 'hours' : word}
        type={type}
        {...common}
        {...(numeric ? { inputMode: 'decimal' as const, 'data-mono': true } : {})}
        {...(names.length > 0 ? { list: `names-${field}` } : {})}
        onChange={(e) => setText(e.target.value)}
      />
      <datalist id={`names-${field}`}>
        {names.map((n) => (
          <option key={n.id} value={n.name} />
        ))}
      </datalist>
    </>
  );
}

type AddProps = Pick<Props, 'said' | 'manner' | 'known' | 'onFact'>;

function AddChip(props: AddProps) {
  const chip = (
    <Chip aria-label="Add what was not understood">
      <Plus size={18} aria-hidden />
      <b>add</b>
    </Chip>
  );
  return (
    <Pop label="Add what was not understood" trigger={chip}>
      {(close) => <AddForm {...props} close={close} />}
    </Pop>
  );
}

function AddForm(props: AddProps & { close: () => void }) {
  const [field, setField] = useState<FactField | ''>('');
  if (field !== '') return <FactForm key={field} {...props} field={field} />;
  return (
    <SelectField label="Add" value="" autoFocus onChange={(e) => setField(e.target.value as FactField)}>
      <option value="">choose …</option>
      {addable(props.said.kind, props.said.facts).map((f) => (
        <option key={f} value={f}>
          {f === 'minutes' ? 'hours' : fieldWord(f, props.said.kind)}
        </option>
      ))}
    </SelectField>
  );
}
