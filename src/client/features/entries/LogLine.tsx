/** The log line: docked at the bottom of every screen, one key away. */
import { useRef, useState, type KeyboardEvent } from 'react';
import { Check, CornerDownLeft } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { useKey } from '../../shared/keys.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Field.tsx';
import { HiddenVisually, Key, Now, Row, Stack } from '../../ui/parts.tsx';
import { color, phone, size, space, touch } from '../../ui/tokens.ts';
import { knownQuery } from './entries.queries.ts';
import { CorrectDialog } from './CorrectLazy.tsx';
import { SaidChips } from './SaidChips.tsx';
import { useLogLine } from './useLogLine.ts';

const Dock = styled.section`
  position: fixed;
  inset: auto 0 0;
  z-index: 20;
  padding: ${space.s} ${space.l} calc(${space.s} + env(safe-area-inset-bottom));
  background: ${color.paper};
  border-top: 3px solid ${color.blueing};
  max-height: 60dvh;
  overflow: auto;
  > * {
    max-width: 80rem;
    margin: 0 auto;
  }
  ${phone} {
    padding-inline: ${space.s};
  }
`;
const Line = styled.div`
  display: grid;
  grid-template-columns: auto 1fr auto;
  align-items: center;
  gap: ${space.s};
  label {
    font-weight: 700;
    color: ${color.blueing};
  }
  ${phone} {
    grid-template-columns: 1fr auto;
    label {
      position: absolute;
      clip-path: inset(50%);
    }
  }
`;
const Text = styled.input`
  width: 100%;
  min-height: 48px;
  padding: ${space.s} ${space.m};
  font-size: ${size.line};
  border: 2px solid ${color.blueing};
  border-radius: 3px;
  background: ${color.sheet};
  &::placeholder {
    color: ${color.zinc};
    opacity: 1;
  }
`;
const CarSelect = styled(Select)<{ $asks: boolean }>`
  width: auto;
  max-width: 16rem;
  min-height: ${touch};
  font-weight: 600;
  border-color: ${({ $asks }) => ($asks ? color.oxide : color.zincLine)};
  color: ${({ $asks }) => ($asks ? color.oxide : color.ink)};
`;

export function LogLine() {
  const line = useLogLine();
  const input = useRef<HTMLInputElement>(null);
  useKey('l', () => input.current?.focus());
  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Enter' && !e.nativeEvent.isComposing) {
      e.preventDefault();
      void line.keep().then(() => input.current?.focus());
    }
    if (e.key === 'Escape') input.current?.blur();
  };
  const writing = line.text.trim() !== '';
  return (
    <Dock aria-label="Log line" data-testid="log-line">
      <Stack $gap="s">
        {writing && <Preview line={line} />}
        <div role="status">{!writing && line.kept && <KeptNews line={line} />}</div>
        {line.fault && <Now role="alert">{line.fault}</Now>}
        <Line>
          <label htmlFor="log-line">
            Log <Key aria-hidden>L</Key>
          </label>
          <Text
            id="log-line"
            ref={input}
            value={line.text}
            maxLength={4000}
            autoComplete="off"
            enterKeyHint="done"
            placeholder={
              line.here ? `What about the ${line.here.name}?` : 'microcar: hood frame is back from the welder'
            }
            onChange={(e) => line.write(e.target.value)}
            onKeyDown={onKey}
          />
          <Button
            $look="main"
            aria-label="Keep this line"
            isDisabled={!writing || line.keeping}
            onPress={() => void line.keep()}
          >
            <CornerDownLeft size={20} aria-hidden /> Keep
          </Button>
        </Line>
      </Stack>
    </Dock>
  );
}

type Line = ReturnType<typeof useLogLine>;

function Preview({ line }: { line: Line }) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const { understood, putRight, build } = line;
  const car = (
    <label>
      <HiddenVisually>Which car</HiddenVisually>
      <CarSelect
        $asks={!build?.id}
        value={build?.id ?? ''}
        onChange={(e) => {
          const chosen = known?.builds.find((b) => b.id === e.target.value);
          if (chosen) putRight((r) => ({ ...r, build: { id: chosen.id, name: chosen.name } }));
        }}
      >
        {!build?.id && <option value="">Which car?</option>}
        {known?.builds.map((b) => (
          <option key={b.id} value={b.id}>
            {b.name}
          </option>
        ))}
      </CarSelect>
    </label>
  );
  return (
    <SaidChips
      before={car}
      said={understood}
      {...{ manner, known }}
      onKind={(kind) => putRight((r) => ({ ...r, kind }))}
      onAudience={(audience) => putRight((r) => ({ ...r, audience }))}
      onFact={(field, value) => putRight((r) => ({ ...r, facts: { ...r.facts, [field]: value } }))}
    />
  );
}

/** What was kept last, with the way to put it right. */
function KeptNews({ line }: { line: Line }) {
  const [correcting, setCorrecting] = useState(false);
  const kept = line.kept!;
  return (
    <Row>
      <Check size={20} color={color.cure} aria-hidden />
      <span>
        Kept for the <Link to={`/builds/${kept.build.id}`}>{kept.build.name}</Link>:{' '}
        <b>{KIND_SPECS[kept.entry.kind].word}</b> {kept.entry.text}
      </span>
      <Button $look="quiet" onPress={() => setCorrecting(true)}>
        Correct it
      </Button>
      {correcting && (
        <CorrectDialog
          buildId={kept.build.id}
          entry={kept.entry}
          onClose={(entry) => {
            setCorrecting(false);
            if (entry) line.setKept({ ...kept, entry });
          }}
        />
      )}
    </Row>
  );
}
