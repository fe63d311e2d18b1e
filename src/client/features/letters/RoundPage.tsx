/** The round: everybody who is to hear now, one after the other. Read, put right, send, next. */
import { useState } from 'react';
import { useQuery, useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { DueLetter } from '#contract/letters.ts';
import { wordsOf } from '../../shared/api.ts';
import { useKey } from '../../shared/keys.ts';
import { useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Key, Notice, Now, Page, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { color, phone, size, space, touch } from '../../ui/tokens.ts';
import { draftQuery, dueQuery, letterQuery } from './letters.queries.ts';
import { EveryLetter } from './EveryLetter.tsx';
import { HowTold } from './HowTold.tsx';
import { LetterDraft } from './LetterDraft.tsx';

const Columns = styled.div`
  display: grid;
  grid-template-columns: 15rem minmax(0, 1fr);
  gap: ${space.xl};
  align-items: start;
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const People = styled.ol`
  display: grid;
  position: sticky;
  top: ${space.m};
`;
/** A phone shows one at a time; who else there is, the steps say. */
const OnDesk = styled.span`
  ${phone} {
    display: none;
  }
`;
const Who = styled.nav`
  ${phone} {
    display: none;
  }
`;
const Person = styled.button<{ $isHere: boolean }>`
  width: 100%;
  min-height: ${touch};
  padding: ${space.s} ${space.m};
  text-align: left;
  font: inherit;
  color: ${color.ink};
  background: ${({ $isHere }) => ($isHere ? color.sheet : 'transparent')};
  border: 0;
  border-top: 1px solid ${color.zincLine};
  border-left: 5px solid ${({ $isHere }) => ($isHere ? color.blueing : 'transparent')};
  cursor: pointer;
  display: grid;
  small {
    font-size: ${size.small};
    color: ${color.zinc};
  }
`;

/** After the last of them the first that is still to be told; -1 where all are. */
function nextOf(due: readonly DueLetter[], sent: ReadonlySet<string>, at: number, step = 1): number {
  for (let i = 1; i <= due.length; i += 1) {
    const next = (at + step * i + due.length * i) % due.length;
    if (!sent.has(due[next]!.buildId)) return next;
  }
  return -1;
}

export default function RoundPage() {
  useTitle('The round');
  const { person } = useShop();
  const { data } = useSuspenseQuery({ ...dueQuery, gcTime: 0 });
  // Who is due is settled when the round begins: a letter sent stays in the list, ticked.
  const [{ due, others }] = useState(data);
  const [sent, setSent] = useState<ReadonlySet<string>>(new Set());
  const [at, setAt] = useState(0);
  const here = due[at];
  const go = (step: 1 | -1): void => {
    const next = nextOf(due, sent, at, step);
    if (next >= 0) setAt(next);
  };
  useKey('n', () => go(1));
  useKey('b', () => go(-1));
  const follows = due[nextOf(due, sent, at)];
  // What comes next is drafted while this one is read.
  useQuery({ ...draftQuery(follows?.buildId ?? ''), enabled: follows !== undefined && follows !== here });
  const isSent = (buildId: string): void => {
    const now = new Set([...sent, buildId]);
    setSent(now);
    const next = nextOf(due, now, at);
    if (next >= 0) setAt(next);
    window.scrollTo({ top: 0 });
  };
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>The round</Title>
          <Quiet>
            {sent.size} of {due.length} told{others > 0 ? `, ${others} heard lately enough` : ''}
          </Quiet>
          <OnDesk>
            <Quiet>
              <Key>N</Key> next <Key>B</Key> back <Key>S</Key> send
            </Quiet>
          </OnDesk>
          {due.length > 1 && sent.size < due.length && (
            <>
              <Button onPress={() => go(-1)}>Back</Button>
              <Button onPress={() => go(1)}>
                Next{follows && follows !== here ? `: ${follows.customer}` : ''}
              </Button>
            </>
          )}
          {person.role === 'owner' && <EveryLetter words={data.words} />}
        </Row>
        {due.length === 0 && <p>Nobody is to be told today. Everybody has heard as often as they wish.</p>}
        {due.length > 0 && sent.size === due.length && (
          <Notice $tone="cure" role="status">
            Everybody has been told. <Link to="/outbox">What went out</Link>
          </Notice>
        )}
        {here && (
          <Columns>
            <Who aria-label="Who is to be told">
              <People>
                {due.map((d, i) => (
                  <li key={d.buildId}>
                    <Person
                      type="button"
                      $isHere={i === at}
                      aria-current={i === at ? 'step' : undefined}
                      onClick={() => setAt(i)}
                    >
                      <b>{d.customer}</b>
                      <small>
                        {d.nickname}
                        {sent.has(d.buildId) ? ', told' : ''}
                      </small>
                    </Person>
                  </li>
                ))}
              </People>
            </Who>
            <ToTell key={here.buildId} due={here} isTold={sent.has(here.buildId)} onSent={isSent} />
          </Columns>
        )}
      </Stack>
    </Page>
  );
}

interface ToTellProps {
  due: DueLetter;
  isTold: boolean;
  onSent: (buildId: string) => void;
}

function ToTell({ due, isTold, onSent }: ToTellProps) {
  const { data: draft, error } = useQuery({ ...draftQuery(due.buildId), enabled: !isTold });
  // As it is after every save: what is not for this customer, what it does not mention.
  const { data: letter } = useQuery({
    ...letterQuery(draft?.id ?? ''),
    enabled: draft !== undefined,
    initialData: draft,
  });
  return (
    <Stack>
      <div>
        <Row>
          <h2>
            {due.customer}, <Link to={`/builds/${due.buildId}`}>the {due.nickname}</Link>
          </h2>
          <HowTold buildId={due.buildId} />
        </Row>
        <p>
          {due.isWaitedFor && <Now>Now: </Now>}
          {due.reasons.join('; ')}.{due.tellBy !== 'mail' && ' They wish to hear by telephone too.'}
        </p>
      </div>
      {isTold && <Notice $tone="cure">Told.</Notice>}
      {error && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(error)}
        </Notice>
      )}
      {!isTold && letter?.state === 'draft' && (
        <LetterDraft letter={letter} onSent={() => onSent(due.buildId)} />
      )}
      {!isTold && !letter && !error && <Quiet>Drafting …</Quiet>}
    </Stack>
  );
}
