import { styled } from 'styled-components';
import type { Letter } from '#core/update/draft.ts';
import { toldParts } from '#core/update/html.ts';
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

/** A letter as its customer reads it: only what is told. */
export function LetterText({ content }: { content: Letter }) {
  return (
    <Paper aria-label="The letter">
      <Subject>{content.subject}</Subject>
      <p>{content.greeting}</p>
      {toldParts(content).map((part) => (
        <section key={part.title}>
          <h3>{part.title}</h3>
          <ul>
            {part.texts.map((text, i) => (
              <li key={i}>{text}</li>
            ))}
          </ul>
        </section>
      ))}
      <p>{content.closing}</p>
    </Paper>
  );
}
