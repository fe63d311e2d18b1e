import type { ReactNode } from 'react';
import { styled } from 'styled-components';
import type { Leak } from '#core/update/leaks.ts';
import type { Letter, LetterItem } from '#core/update/letter.ts';
import { toldParts } from '#core/update/html.ts';
import { blocksOf, type Span } from '#core/update/rich.ts';
import { BeforeAfter } from '../../ui/BeforeAfter.tsx';
import { color, phone, size, space } from '../../ui/tokens.ts';

/** The letter as it lies on the table. */
const Paper = styled.article`
  max-width: 44rem;
  display: grid;
  gap: ${space.m};
  padding: ${space.l};
  background: ${color.sheet};
  border-top: 6px solid ${color.oxide};
  white-space: pre-line;
  line-height: 1.6;
  h3 {
    font-size: ${size.body};
    border-bottom: 1px solid ${color.zincLine};
    padding-bottom: 4px;
  }
  ul {
    list-style: disc;
    padding-left: 1.2rem;
  }
  ${phone} {
    padding: ${space.m};
  }
`;
const Subject = styled.h2`
  font-size: ${size.line};
`;

/** A picture in the letter: where it is, and what stands below it. */
export interface LetterPicture {
  id: string;
  url: string;
  caption: string;
  width: number;
  height: number;
  /** The same before the work. */
  before?: { url: string; caption: string };
}

const Marked = styled.mark`
  background: none;
  color: ${color.oxide};
  font-weight: 700;
  text-decoration: underline wavy;
`;

/** A text with the words in it that are not for this customer marked, as long as they still stand there. */
function withMarks(text: string, where: string, leaks: readonly Leak[]): ReactNode {
  const here = leaks.filter((l) => l.where === where && text.slice(l.start, l.end) === l.words);
  if (here.length === 0) return text;
  const end = (i: number): number => (i < 0 ? 0 : here[i]!.end);
  return (
    <>
      {here.map((l, i) => (
        <span key={l.start}>
          {text.slice(end(i - 1), l.start)}
          <Marked>{l.words}</Marked>
        </span>
      ))}
      {text.slice(end(here.length - 1))}
    </>
  );
}

/** The words of one look, at `start` of their sentence. */
function Words({ span, start, mark }: { span: Span; start: number; mark: Mark }) {
  const words = mark(span.text, start);
  const strong = span.bold ? <b>{words}</b> : words;
  return span.href === null ? strong : <a href={span.href}>{strong}</a>;
}

type Mark = (text: string, start: number) => ReactNode;

function Line({ spans, start, mark }: { spans: readonly Span[]; start: number; mark: Mark }) {
  let at = start;
  return spans.map((span) => {
    const from = at;
    at += span.text.length;
    return <Words key={from} span={span} start={from} mark={mark} />;
  });
}

/** A sentence with its bold words, its addresses and its lists, and with what leaks in it marked. */
function Sentence({ item, leaks }: { item: LetterItem; leaks: readonly Leak[] }) {
  // Where they lie is counted in the whole sentence: here it is cut into words of one look.
  const here = leaks.filter((l) => l.where === item.id && item.text.slice(l.start, l.end) === l.words);
  const mark: Mark = (text, start) =>
    withMarks(
      text,
      item.id,
      here.flatMap((l) => {
        const from = Math.max(0, l.start - start);
        const to = Math.min(text.length, l.end - start);
        return from < to ? [{ ...l, start: from, end: to, words: text.slice(from, to) }] : [];
      }),
    );
  return blocksOf(item).map((block, i) =>
    block.type === 'list' ? (
      <ul key={i}>
        {block.points.map((p) => (
          <li key={p.start}>
            <Line {...p} mark={mark} />
          </li>
        ))}
      </ul>
    ) : (
      <div key={i}>
        <Line {...block} mark={mark} />
      </div>
    ),
  );
}

interface TextProps {
  content: Letter;
  pictures: readonly LetterPicture[];
  leaks?: readonly Leak[];
}

/** A letter as its customer reads it: only what is told. */
export function LetterText({ content, pictures, leaks = [] }: TextProps) {
  return (
    <Paper aria-label="The letter">
      <Subject>{withMarks(content.subject, 'subject', leaks)}</Subject>
      <p>{withMarks(content.greeting, 'greeting', leaks)}</p>
      {toldParts(content).map((part) => (
        <section key={part.title}>
          <h3>{part.title}</h3>
          <ul>
            {part.items.map((item) => (
              <li key={item.id}>
                <Sentence item={item} leaks={leaks} />
                <Pictures of={item} pictures={pictures} />
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p>{withMarks(content.closing, 'closing', leaks)}</p>
    </Paper>
  );
}

const Figures = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.s};
  figure {
    width: 10rem;
  }
  img {
    display: block;
    width: 100%;
    height: auto;
  }
  figcaption {
    font-size: ${size.small};
    color: ${color.zinc};
    line-height: 1.4;
  }
`;

function Pictures({ of, pictures }: { of: LetterItem; pictures: readonly LetterPicture[] }) {
  const shown = pictures.filter((p) => of.media?.includes(p.id));
  if (shown.length === 0) return null;
  return (
    <Figures>
      {shown.map(({ id, url, caption, width, height, before }) => {
        const words = caption || `Photograph: ${of.text.slice(0, 80)}`;
        return (
          <figure key={id}>
            {before ? (
              <BeforeAfter
                before={{ url: before.url, words: before.caption || words }}
                after={{ url, words }}
                {...{ width, height }}
              />
            ) : (
              <img src={url} alt={words} {...{ width, height }} loading="lazy" />
            )}
            {caption && <figcaption>{caption}</figcaption>}
          </figure>
        );
      })}
    </Figures>
  );
}
