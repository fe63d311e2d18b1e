/** A dictation under review: car after car, what is sure in one line each, what is in doubt with its likely answers, the rest set aside. */
import { useRef, useState, type KeyboardEvent } from 'react';
import { styled } from 'styled-components';
import { Button } from '../../ui/Button.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Notice, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';
import { CarOfGroup } from './CarOfGroup.tsx';
import { OneSaid, type Opened } from './OneSaid.tsx';
import { carQuestionOf, questionOf } from './questions.ts';
import type { Dictation } from './useDictation.ts';

const Bar = styled(Row)`
  position: sticky;
  /* Above the log line. */
  bottom: 5.25rem;
  padding: ${space.s} 0;
  background: ${color.paper};
  border-top: 1px solid ${color.zincLine};
  ${phone} {
    bottom: 6.25rem;
  }
`;
const Aside = styled.li`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: ${space.m};
  border-bottom: 1px solid ${color.zincLine};
  color: ${color.zinc};
  overflow-wrap: anywhere;
`;

const OnDesk = styled(Quiet)`
  ${phone} {
    display: none;
  }
`;

/** Where keys write, they press nothing. */
const isTyping = (target: EventTarget): boolean =>
  target instanceof HTMLElement && target.closest('input, select, textarea, [role="dialog"]') !== null;

export function Review({ dictation, knowsCar = false }: { dictation: Dictation; knowsCar?: boolean }) {
  const { kept, groups, aside, asks } = dictation;
  const [opened, setOpened] = useState<Opened | null>(null);
  const list = useRef<HTMLDivElement>(null);
  /** The next open question behind where one stands, or the first. */
  const toNext = (): void => {
    const questions = [...(list.current?.querySelectorAll<HTMLElement>('[data-question]') ?? [])];
    const here = document.activeElement;
    const behind = questions.find(
      (q) =>
        here &&
        !q.contains(here) &&
        (here.compareDocumentPosition(q) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0,
    );
    (behind ?? questions[0])?.querySelector<HTMLElement>('button, select')?.focus();
  };
  const onKeyDown = (e: KeyboardEvent): void => {
    if (e.ctrlKey || e.metaKey || e.altKey || isTyping(e.target)) return;
    if (e.key === 'n') {
      toNext();
      return e.preventDefault();
    }
    const key = (e.target as HTMLElement).closest<HTMLElement>('[data-piece]')?.dataset.piece;
    const reviewed = kept.find((r) => r.key === key);
    if (!reviewed) return;
    const answers = questionOf(reviewed, dictation, opened?.key === key)?.answers ?? [];
    if (e.key === 'x') dictation.setIs(reviewed.key, 'chatter');
    else if (e.key === 'c') setOpened({ key: reviewed.key, isCutting: true });
    else if (e.key === '1' || e.key === '2') answers[Number(e.key) - 1]?.take();
    else return;
    e.preventDefault();
  };
  if (kept.length === 0 && aside.length === 0) return null;
  return (
    <Stack $gap="m">
      <div ref={list} role="group" aria-label="What was understood" onKeyDown={onKeyDown}>
        {groups.map((group, i) => (
          <section key={group.pieces[0]!.key} aria-label={group.car?.name ?? 'Which car?'}>
            {!(knowsCar && groups.length === 1) && (
              <CarOfGroup
                {...{ group, dictation }}
                question={carQuestionOf(group.pieces, groups[i - 1]?.pieces.at(-1), dictation)}
              />
            )}
            <ul aria-label={`What was said of ${group.car?.name ?? 'a car that was not named'}`}>
              {group.pieces.map((r) => (
                <OneSaid key={r.key} reviewed={r} {...{ dictation, opened }} onOpen={setOpened} />
              ))}
            </ul>
          </section>
        ))}
      </div>
      {aside.length > 0 && (
        <details>
          <Summary>
            {aside.length === 1 ? 'Set aside: one bit of talk' : `Set aside: ${aside.length} bits of talk`}
          </Summary>
          <ul>
            {aside.map((r) => (
              <Aside key={r.key}>
                <span>{r.piece.text}</span>
                <Button
                  $look="quiet"
                  aria-label={`Bring back: ${r.piece.text}`}
                  onPress={() => dictation.setIs(r.key, 'entry')}
                >
                  Bring back
                </Button>
              </Aside>
            ))}
          </ul>
        </details>
      )}
      <FormFault reason={dictation.fault} />
      {kept.length > 0 && (
        <Bar>
          <Button
            $look={asks > 0 ? 'plain' : 'main'}
            isDisabled={asks > 0 || dictation.isLogging}
            onPress={dictation.log}
          >
            {kept.length === 1 ? 'Log this line' : `Log these ${kept.length} lines`}
          </Button>
          {asks > 0 && (
            <Button $look="main" onPress={toNext}>
              {asks === 1 ? 'One question first' : `${asks} questions first`}
            </Button>
          )}
          <OnDesk>Keys: N next question, 1 or 2 answers it, X sets aside, C cuts or joins</OnDesk>
        </Bar>
      )}
    </Stack>
  );
}

/** While the reader is on its way, or where it cannot come. */
export function ReaderState({ dictation }: { dictation: Dictation }) {
  if (!dictation.isReading) return null;
  return dictation.isMissing ? (
    <Notice $tone="oxide" role="alert">
      What reads speech did not load. The text stays here; reload the page when there is a network.
    </Notice>
  ) : (
    <Quiet role="status">Reading …</Quiet>
  );
}
