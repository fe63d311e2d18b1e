/** The ground on which measurements are drawn: one scale of lines and words in both themes, and the picture in words. */
import { useId, type ReactNode } from 'react';
import { styled } from 'styled-components';
import { color, font } from '../../../ui/tokens.ts';

const Figure = styled.figure`
  margin: 0;
  display: grid;
  gap: 4px;
  svg {
    width: 100%;
    height: auto;
    max-height: 60dvh;
    background: ${color.sheet};
    border: 1px solid ${color.zincLine};
    border-radius: 3px;
  }
  text {
    fill: ${color.ink};
    font: 600 15px ${font.sans};
  }
  .small {
    font-size: 13px;
    font-weight: 500;
    fill: ${color.zinc};
  }
  .line {
    stroke: ${color.ink};
    stroke-width: 2.5;
    fill: none;
  }
  .thin {
    stroke: ${color.zinc};
    stroke-width: 1;
    fill: none;
  }
  .before {
    stroke: ${color.zinc};
    stroke-width: 2;
    stroke-dasharray: 5 4;
    fill: none;
  }
  .good {
    fill: ${color.cure};
  }
  .watch {
    fill: ${color.brass};
  }
  .bad {
    fill: ${color.oxide};
  }
  .plain {
    fill: ${color.blueing};
  }
  .ground {
    fill: ${color.zincWash};
  }
  .badline {
    stroke: ${color.oxide};
    stroke-width: 2.5;
    fill: none;
  }
  .goodline {
    stroke: ${color.cure};
    stroke-width: 2.5;
    fill: none;
  }
  .blueline {
    stroke: ${color.blueing};
    stroke-width: 2.5;
    fill: none;
  }
  figcaption {
    color: ${color.zinc};
    font-size: 0.875rem;
  }
`;

export const WIDTH = 460;

interface Props {
  title: string;
  /** What the picture says, for those who do not see it; and what is exaggerated, for those who do. */
  words: string;
  note: string;
  height: number;
  children: ReactNode;
}

export function Sheet({ title, words, note, height, children }: Props) {
  const id = useId();
  return (
    <Figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-labelledby={`${id}-t`}
        aria-describedby={`${id}-d`}
      >
        <title id={`${id}-t`}>{title}</title>
        <desc id={`${id}-d`}>{words}</desc>
        {children}
      </svg>
      <figcaption>{note}</figcaption>
    </Figure>
  );
}
