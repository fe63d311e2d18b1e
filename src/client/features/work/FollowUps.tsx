/** What is due after hand-over, by date or by miles. */
import { useState, type FormEvent } from 'react';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { FollowUpView, WorkView } from '#contract/work.ts';
import { formatDay } from '#core/time/days.ts';
import { useCarChange } from '../../shared/changing.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Head, Now, Panel, Quiet } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';

const Item = styled.li`
  display: grid;
  gap: ${space.s};
  justify-items: start;
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  form {
    display: grid;
    gap: ${space.s};
    width: 100%;
  }
`;

export function FollowUps({ work }: { work: WorkView }) {
  const open = work.followUps.filter((f) => f.doneAt === null);
  if (open.length === 0) return null;
  return (
    <Panel aria-label="Due after hand-over">
      <Head>Due after hand-over</Head>
      <ul>
        {open.map((f) => (
          <One key={f.id} work={work} followUp={f} />
        ))}
      </ul>
    </Panel>
  );
}

function One({ work, followUp }: { work: WorkView; followUp: FollowUpView }) {
  const { locale, today } = useManner();
  const finish = useCarChange(work.buildId, 'followUpDone');
  const [saying, setSaying] = useState(false);
  const [said, setSaid] = useState('');
  const [fault, setFault] = useState<string>();
  const [entryId] = useState(() => uuidv7());
  const late = followUp.dueOn !== null && followUp.dueOn < today;
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    if (said.trim() === '') return setFault('say what was done');
    finish.mutate(
      { params: { followUpId: followUp.id }, body: { said, entryId } },
      { onError: (error) => setFault(wordsOf(error)) },
    );
  };
  const due =
    followUp.dueOn === null ? `at ${followUp.dueMiles} miles` : formatDay(followUp.dueOn, locale, today);
  return (
    <Item>
      <span>
        {followUp.title} {late ? <Now>was due {due}</Now> : <Quiet>{due}</Quiet>}
      </span>
      {saying ? (
        <form onSubmit={submit} noValidate>
          <TextField
            label="What was done"
            value={said}
            maxLength={300}
            autoFocus
            fault={fault}
            onChange={(e) => setSaid(e.target.value)}
          />
          <Button type="submit" isDisabled={finish.isPending}>
            Keep it
          </Button>
        </form>
      ) : (
        <Button aria-label={`Done: ${followUp.title}, ${due}`} onPress={() => setSaying(true)}>
          Done
        </Button>
      )}
    </Item>
  );
}
