/** A playbook used on a line: which, for what, how its decisions fell; the steps it makes are seen before. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { WorkView } from '#contract/work.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { stepsWanted } from '#core/work/playbook.ts';
import { useCarChange } from '../../shared/changing.ts';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, Options } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { playbooksQuery } from './work.queries.ts';

const Steps = styled.ol`
  max-height: 22rem;
  overflow: auto;
  li {
    display: grid;
    padding: ${space.xs} 0;
    border-top: 1px solid ${color.zincLine};
  }
`;

interface Props {
  work: WorkView;
  onClose: () => void;
}

export default function PlaybookDialog({ work, onClose }: Props) {
  const { data } = useSuspenseQuery(playbooksQuery);
  const use = useCarChange(work.buildId, 'playbookUse');
  const [playbookId, setPlaybookId] = useState('');
  const [lineId, setLineId] = useState('');
  const [fallen, setFallen] = useState<Record<string, string>>({});
  const [ids] = useState(() => new Map<string, string>());
  const playbook = data.playbooks.find((p) => p.id === playbookId);
  const steps = playbook ? stepsWanted(playbook, fallen) : [];
  const undecided = playbook?.decisions?.some((d) => fallen[d.key] === undefined) ?? false;
  /** The same id for the same step, however often it is tried. */
  const idOf = (key: string): string => {
    const name = `${playbookId}/${key}`;
    if (!ids.has(name)) ids.set(name, uuidv7());
    return ids.get(name)!;
  };
  const press = (): void =>
    use.mutate(
      {
        params: {},
        body: {
          playbookId,
          fallen,
          taskIds: Object.fromEntries(steps.map((s) => [s.key, idOf(s.key)])),
          ...(lineId === '' ? {} : { lineId }),
        },
      },
      { onSuccess: onClose },
    );
  return (
    <Dialog title="Tasks from a playbook" isOpen onClose={onClose}>
      <Stack>
        <SelectField
          label="Playbook"
          hint={playbook?.about}
          value={playbookId}
          onChange={(e) => {
            setPlaybookId(e.target.value);
            setFallen({});
          }}
        >
          <option value="">choose …</option>
          <Options of={data.playbooks} by="title" />
        </SelectField>
        <SelectField label="For which line" value={lineId} onChange={(e) => setLineId(e.target.value)}>
          <option value="">no line</option>
          <Options of={work.lines} by="title" />
        </SelectField>
        {playbook?.decisions?.map((d) => (
          <SelectField
            key={d.key}
            label={d.question}
            hint={d.by}
            value={fallen[d.key] ?? ''}
            onChange={(e) => setFallen({ ...fallen, [d.key]: e.target.value })}
          >
            <option value="">decide …</option>
            {d.options.map((o) => (
              <option key={o.key} value={o.key}>
                {o.label}
              </option>
            ))}
          </SelectField>
        ))}
        {playbook && (
          <>
            <Quiet>
              {steps.length} tasks, about {formatMinutes(steps.reduce((s, t) => s + t.minutes, 0))}. Usual
              hours: change them to this car’s.
            </Quiet>
            <Steps tabIndex={0} aria-label="The steps">
              {steps.map((s) => (
                <li key={s.key}>
                  <span>
                    {s.title} <Quiet>{formatMinutes(s.minutes)}</Quiet>
                  </span>
                  {s.needs.map((n) => (
                    <Quiet key={n.step}>
                      after “{steps.find((o) => o.key === n.step)?.title}”: {n.reason}
                    </Quiet>
                  ))}
                </li>
              ))}
            </Steps>
          </>
        )}
        <FormFault reason={use.isError ? wordsOf(use.error) : undefined} />
        <Row>
          <Button $look="main" isDisabled={!playbook || undecided || use.isPending} onPress={press}>
            Make these tasks
          </Button>
          <Button $look="quiet" onPress={onClose}>
            Leave it
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
