/** What a letter does not mention, each with the press that mentions it. */
import { styled } from 'styled-components';
import type { LetterItem } from '#core/update/letter.ts';
import type { Unsaid as UnsaidThing, UnsaidKind } from '#core/update/unsaid.ts';
import { Button } from '../../ui/Button.tsx';
import { Head, Quiet, Row } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';

const List = styled.ul`
  display: grid;
  gap: ${space.s};
  li {
    border-left: 3px solid ${color.zincLine};
    padding-left: ${space.s};
  }
`;

const WORDS: Record<UnsaidKind, string> = {
  'left out': 'Left out',
  'no price': 'Found, and no price',
  promise: 'The day',
  question: 'They must decide',
  picture: 'A picture that does not go',
  over: 'The costs',
  'being done': 'The wait',
  next: 'What is next',
};
/** So many at once; the gravest come first. */
const SHOWN = 8;

interface Props {
  unsaid: readonly UnsaidThing[];
  /** As they are on the page now: what was put back since is mentioned. */
  items: readonly LetterItem[];
  onTell: (itemId: string) => void;
  onSay: (kind: 'being done' | 'next') => void;
}

export function Unsaid({ unsaid, items, onTell, onSay }: Props) {
  const out = new Set(items.filter((i) => i.leftOut).map((i) => i.id));
  const open = unsaid.filter((u) => u.itemId === undefined || u.kind === 'no price' || out.has(u.itemId));
  if (open.length === 0) return <Quiet>It mentions everything that is known.</Quiet>;
  return (
    <section aria-label="It does not mention">
      <Head>It does not mention</Head>
      <List>
        {open.slice(0, SHOWN).map((u) => (
          <li key={`${u.kind} ${u.what}`}>
            <Quiet>{WORDS[u.kind]}:</Quiet> {u.what}
            <Row>
              {u.itemId !== undefined && out.has(u.itemId) && (
                <Button aria-label={`Tell it: ${u.what}`} onPress={() => onTell(u.itemId!)}>
                  Tell it
                </Button>
              )}
              {(u.kind === 'being done' || u.kind === 'next') && (
                <Button onPress={() => onSay(u.kind as 'being done' | 'next')}>Say it</Button>
              )}
            </Row>
          </li>
        ))}
      </List>
      {open.length > SHOWN && <Quiet>And {open.length - SHOWN} more.</Quiet>}
    </section>
  );
}
