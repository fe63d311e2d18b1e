/** One task: what it is, what it waits for, who is at it; begun and ended with one touch. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { SpellView, TaskView, WorkView } from '#contract/work.ts';
import { formatTime } from '#core/time/days.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { CAUTIONS, LOCAL_RULES } from '#core/work/cautions.ts';
import { progressInWords } from '#core/work/progress.ts';
import { useCarChange } from '../../shared/changing.ts';
import { wordsOf } from '../../shared/api.ts';
import { useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { Pop } from '../../ui/Pop.tsx';
import { color, phone, size, space } from '../../ui/tokens.ts';

const Line = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: ${space.s} ${space.l};
  align-items: start;
  padding: ${space.m} 0;
  border-top: 1px solid ${color.zincLine};
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Words = styled.div`
  display: grid;
  gap: ${space.xs};
  > b {
    font-size: ${size.line};
  }
`;
const Caution = styled.p`
  padding-left: ${space.s};
  border-left: 4px solid ${color.oxide};
  font-size: ${size.small};
`;

interface TaskRowProps {
  work: WorkView;
  task: TaskView;
  /** What it waits for, in words. */
  waits: string[];
  onStop: (spell: SpellView) => void;
  onEdit: () => void;
  onHours: () => void;
}

export function TaskRow(props: TaskRowProps) {
  const { work, task, waits } = props;
  const { timeZone } = useShop().shop;
  const line = work.lines.find((l) => l.id === task.lineId);
  const spells = work.spells.filter((s) => s.taskId === task.id);
  const isOver = task.state === 'done' || task.state === 'dropped';
  const about = [line?.title, task.place, task.state === 'dropped' ? 'dropped' : '']
    .filter(Boolean)
    .join(', ');
  return (
    <Line>
      <Words>
        <b>{task.title}</b>
        <Quiet>
          {about}
          {about && '; '}
          {progressInWords(task, formatMinutes)}
        </Quiet>
        {spells.map((s) => (
          <span key={s.id}>
            {s.person} is at it since {formatTime(s.startedAt, timeZone)}
          </span>
        ))}
        {waits.map((w) => (
          <span key={w}>{w}</span>
        ))}
        {task.first && task.state === 'to do' && waits.length === 0 && <Quiet>First: {task.first}.</Quiet>}
        {!isOver && waits.length > 0 && task.cautions.length > 0 && (
          <Quiet>can hurt: {task.cautions.join(', ')}</Quiet>
        )}
        {!isOver &&
          waits.length === 0 &&
          task.cautions.map((c) => (
            <Caution key={c}>
              {CAUTIONS[c]} {LOCAL_RULES}
            </Caution>
          ))}
        {task.gateSigned && (
          <Quiet>
            Seen by {task.gateSigned.by}: {task.gate}
          </Quiet>
        )}
        <Count work={work} task={task} />
      </Words>
      <Acts {...props} />
    </Line>
  );
}

function Acts({ work, task, waits, onStop, onEdit, onHours }: TaskRowProps) {
  const { person, seesPrices } = useShop();
  const start = useCarChange(work.buildId, 'taskStart');
  const act = useCarChange(work.buildId, 'taskAct');
  const [spellId, setSpellId] = useState(() => uuidv7());
  const params = { taskId: task.id };
  const mine = work.spells.find((s) => s.taskId === task.id && s.personId === person.id);
  const others = work.spells.filter((s) => s.taskId === task.id && s.personId !== person.id);
  const isOver = task.state === 'done' || task.state === 'dropped';
  const failed = start.error ?? act.error;
  const doAct = (name: 'sign gate' | 'take up again'): void =>
    act.mutate({ params, body: { act: name, version: task.version } });
  const canSign = task.gate !== null && task.gateSigned === null && waits.length === 1;
  return (
    <>
      <Row>
        {mine && (
          <Button $look="main" aria-label={`Stop: ${task.title}`} onPress={() => onStop(mine)}>
            Stop
          </Button>
        )}
        {!mine && !isOver && waits.length === 0 && (
          <Button
            aria-label={`Start: ${task.title}`}
            isDisabled={start.isPending}
            onPress={() =>
              start.mutate({ params, body: { spellId } }, { onSuccess: () => setSpellId(uuidv7()) })
            }
          >
            Start
          </Button>
        )}
        {!isOver && (
          <Button $look="quiet" aria-label={`Hours typed later: ${task.title}`} onPress={onHours}>
            Hours
          </Button>
        )}
        {!mine && task.state === 'to do' && waits.length > 0 && seesPrices && (
          <StartAnyway
            title={task.title}
            isPending={start.isPending}
            onStart={(anyway) =>
              start.mutate({ params, body: { spellId, anyway } }, { onSuccess: () => setSpellId(uuidv7()) })
            }
          />
        )}
        {canSign && (
          <Button
            aria-label={`Seen: ${task.gate}`}
            isDisabled={act.isPending}
            onPress={() => doAct('sign gate')}
          >
            I have seen it
          </Button>
        )}
        {others.map((s) => (
          <Button
            key={s.id}
            $look="quiet"
            aria-label={`Stop for ${s.person}: ${task.title}`}
            onPress={() => onStop(s)}
          >
            Stop {s.person.split(' ')[0]}
          </Button>
        ))}
        {isOver ? (
          <Button
            $look="quiet"
            aria-label={`Take up again: ${task.title}`}
            isDisabled={act.isPending}
            onPress={() => doAct('take up again')}
          >
            Take up again
          </Button>
        ) : (
          <Button $look="quiet" aria-label={`Change: ${task.title}`} onPress={onEdit}>
            Change
          </Button>
        )}
      </Row>
      {failed && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(failed)}
        </Notice>
      )}
    </>
  );
}

interface StartAnywayProps {
  title: string;
  isPending: boolean;
  onStart: (reason: string) => void;
}

/** The desk may have a task begun that something holds; why stands in the logbook. */
function StartAnyway({ title, isPending, onStart }: StartAnywayProps) {
  const [reason, setReason] = useState('');
  return (
    <Pop
      label={`Start all the same: ${title}`}
      trigger={
        <Button $look="quiet" aria-label={`Start all the same: ${title}`}>
          Start all the same
        </Button>
      }
    >
      {(close) => (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (reason.trim() === '') return;
            onStart(reason.trim());
            close();
          }}
        >
          <Stack>
            <TextField
              label="Why it is started all the same"
              hint="The logbook keeps it. What the customer has not agreed to stays refused."
              value={reason}
              autoFocus
              maxLength={300}
              onChange={(e) => setReason(e.target.value)}
            />
            <Button $look="main" type="submit" isDisabled={isPending || reason.trim() === ''}>
              Start
            </Button>
          </Stack>
        </form>
      )}
    </Pop>
  );
}

function Count({ work, task }: { work: WorkView; task: TaskView }) {
  const count = useCarChange(work.buildId, 'taskCount');
  const [step, setStep] = useState(1);
  if (!task.count) return null;
  const { of, total, counted } = task.count;
  const to = (n: number): void =>
    count.mutate({ params: { taskId: task.id }, body: { counted: Math.max(0, Math.min(total, n)) } });
  return (
    <Row role="group" aria-label={`Count: ${of}`}>
      <span role="status">
        {of} {counted}/{total}
      </span>
      <Button
        aria-label={`${step} back: ${of}`}
        isDisabled={count.isPending || counted === 0}
        onPress={() => to(counted - step)}
      >
        −{step}
      </Button>
      <Button
        aria-label={`${step} more: ${of}`}
        isDisabled={count.isPending || counted === total}
        onPress={() => to(counted + step)}
      >
        +{step}
      </Button>
      <Button $look="quiet" aria-label="Count in other steps" onPress={() => setStep(step === 1 ? 10 : 1)}>
        by {step === 1 ? 10 : 1}
      </Button>
    </Row>
  );
}
