/** The shop's playbooks: how work goes, in what order, and why. The owner changes them, or brings one in. */
import { useState, type ChangeEvent } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { PlaybooksView } from '#contract/work.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { CAUTIONS } from '#core/work/cautions.ts';
import { readPlaybook, type Playbook, type PlaybookFault, type Step } from '#core/work/playbook.ts';
import { wordsOf } from '../../shared/api.ts';
import { useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { Notice, Page, Quiet, Row, Stack, Summary, Title } from '../../ui/parts.tsx';
import { color, font, space } from '../../ui/tokens.ts';
import { playbooksQuery, usePutPlaybook } from './work.queries.ts';

const List = styled.ul`
  max-width: 60rem;
  > li {
    padding: ${space.s} 0;
    border-top: 1px solid ${color.zincLine};
  }
`;
const Steps = styled.ol`
  li {
    display: grid;
    padding: ${space.s} 0 ${space.s} ${space.m};
    border-left: 3px solid ${color.zincLine};
  }
`;
const Mono = styled.div`
  textarea {
    font-family: ${font.mono};
    field-sizing: fixed;
    white-space: pre;
    overflow: auto;
  }
`;

type Kept = PlaybooksView['playbooks'][number];

/** A playbook as its file has it. */
function asText(kept: Kept): string {
  const playbook: Partial<Kept> = { ...kept };
  delete playbook.version;
  return JSON.stringify(playbook, null, 2);
}

export default function PlaybooksPage() {
  const { data } = useSuspenseQuery(playbooksQuery);
  const { person } = useShop();
  const [open, setOpen] = useState<Kept | 'new' | null>(null);
  const mayChange = person.role === 'owner';
  useTitle('Playbooks');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Playbooks</Title>
          <Link to="/shop">The shop</Link>
          {mayChange && <Button onPress={() => setOpen('new')}>Bring one in</Button>}
        </Row>
        <p>
          How work goes, in what order, and why. Hours and waits are common practice, without a published
          source; the data sheet of the can and the maker’s manual come first, and local codes before them.
        </p>
        <List>
          {data.playbooks.map((p) => (
            <li key={p.id}>
              <details>
                <Summary>
                  {p.title}
                  {p.version > 0 ? ` (the shop’s, version ${p.version})` : ''}
                </Summary>
                <Stack $gap="s">
                  <p>{p.about}</p>
                  <Row>
                    <a
                      href={`data:application/json;charset=utf-8,${encodeURIComponent(asText(p))}`}
                      download={`${p.id}.json`}
                    >
                      As JSON
                    </a>
                    {mayChange && (
                      <>
                        <Link to={`/shop/playbooks/${p.id}`} aria-label={`Change: ${p.title}`}>
                          Change
                        </Link>
                        <Button
                          $look="quiet"
                          aria-label={`Change as JSON: ${p.title}`}
                          onPress={() => setOpen(p)}
                        >
                          Change as JSON
                        </Button>
                      </>
                    )}
                  </Row>
                  <Shown playbook={p} />
                </Stack>
              </details>
            </li>
          ))}
        </List>
      </Stack>
      {open && (
        <PlaybookEditor
          kept={open === 'new' ? null : open}
          all={data.playbooks}
          onClose={() => setOpen(null)}
        />
      )}
    </Page>
  );
}

function Shown({ playbook }: { playbook: Playbook }) {
  const titles = new Map(playbook.steps.map((s) => [s.key, s.title]));
  return (
    <>
      {playbook.decisions?.map((d) => (
        <p key={d.key}>
          <b>{d.question}</b> {d.options.map((o) => o.label).join('; ')}. <Quiet>{d.by}</Quiet>
        </p>
      ))}
      <Steps>
        {playbook.steps.map((s) => (
          <li key={s.key}>
            <OneStep playbook={playbook} step={s} titles={titles} />
          </li>
        ))}
      </Steps>
      {playbook.followUps?.map((f) => (
        <p key={f.title + (f.miles ?? f.days)}>
          After hand-over, {f.miles === undefined ? `after ${f.days} days` : `at ${f.miles} miles`}: {f.title}
        </p>
      ))}
    </>
  );
}

interface OneStepProps {
  playbook: Playbook;
  step: Step;
  titles: ReadonlyMap<string, string>;
}

function OneStep({ playbook, step: s, titles }: OneStepProps) {
  const when = playbook.decisions
    ?.find((d) => d.key === s.when?.decision)
    ?.options.find((o) => o.key === s.when?.is)?.label;
  return (
    <>
      <span>
        <b>{s.title}</b>{' '}
        <Quiet>{[formatMinutes(s.minutes), s.work, s.place].filter(Boolean).join(', ')}</Quiet>
      </span>
      {when && <Quiet>only if: {when}</Quiet>}
      {s.needs.map((n) => (
        <Quiet key={n.step}>
          after “{titles.get(n.step)}”: {n.reason}
          {n.waitAtLeast !== undefined && `, not before ${formatMinutes(n.waitAtLeast)}`}
          {n.waitAtMost !== undefined && `, within ${formatMinutes(n.waitAtMost)}`}
        </Quiet>
      ))}
      {s.gate && <span>First to be seen: {s.gate}</span>}
      {s.cautions?.map((c) => (
        <Quiet key={c}>{CAUTIONS[c]}</Quiet>
      ))}
    </>
  );
}

interface EditorProps {
  kept: Kept | null;
  all: readonly Kept[];
  onClose: () => void;
}

/** The text of a playbook as JSON, or what is wrong with it. */
function readText(text: string): { playbook: Playbook } | { faults: PlaybookFault[] } {
  try {
    return readPlaybook(JSON.parse(text));
  } catch (error) {
    return { faults: [{ path: 'the text', reason: `is no JSON: ${(error as Error).message}` }] };
  }
}

function PlaybookEditor({ kept, all, onClose }: EditorProps) {
  const put = usePutPlaybook();
  const [text, setText] = useState(() => (kept ? asText(kept) : ''));
  const read = text.trim() === '' ? null : readText(text);
  const faults = read && 'faults' in read ? read.faults : [];
  const press = (): void => {
    if (!read || 'faults' in read) return;
    const { playbook } = read;
    const version = all.find((p) => p.id === playbook.id)?.version ?? 0;
    put.mutate({ playbook: playbook.id, body: { version, content: playbook } }, { onSuccess: onClose });
  };
  const bring = (e: ChangeEvent<HTMLInputElement>): void => {
    void e.target.files?.[0]?.text().then(setText);
  };
  return (
    <Dialog title={kept ? kept.title : 'Bring a playbook in'} isOpen onClose={onClose}>
      <Stack>
        {!kept && (
          <label>
            From a file <input type="file" accept=".json,application/json" onChange={bring} />
          </label>
        )}
        <Mono>
          <TextAreaField
            label="The playbook, as JSON"
            hint="Steps with their needs and reasons; minutes for hours and waits."
            rows={16}
            spellCheck={false}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </Mono>
        {faults.length > 0 && (
          <Notice $tone="oxide" role="status">
            <ul>
              {faults.slice(0, 8).map((f) => (
                <li key={f.path + f.reason}>
                  <b>{f.path}</b>: {f.reason}
                </li>
              ))}
            </ul>
          </Notice>
        )}
        {put.isError && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(put.error)}
          </Notice>
        )}
        <Row>
          <Button
            $look="main"
            isDisabled={read === null || faults.length > 0 || put.isPending}
            onPress={press}
          >
            Keep the playbook
          </Button>
          <Button $look="quiet" onPress={onClose}>
            Leave it
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}
