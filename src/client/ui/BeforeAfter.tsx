/** Two pictures of one thing over each other; a slider uncovers the later one. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { color, size, touch } from './tokens.ts';

interface Side {
  url: string;
  /** What it shows. */
  words: string;
}

const Both = styled.div`
  position: relative;
  display: grid;
  background: ${color.zincWash};
  img {
    grid-area: 1 / 1;
    display: block;
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
`;
const When = styled.span`
  position: absolute;
  bottom: 0;
  padding: 2px 6px;
  font-size: ${size.small};
  font-weight: 600;
  background: ${color.sheet};
  color: ${color.ink};
`;
const Slide = styled.input`
  width: 100%;
  min-height: ${touch};
  margin: 0;
  accent-color: ${color.blueing};
`;

export function BeforeAfter({
  before,
  after,
  width,
  height,
}: {
  before: Side;
  after: Side;
  /** Of the later picture, in pixels: the earlier one is cut to its shape. */
  width: number;
  height: number;
}) {
  /** Percent from the left to where the later one begins. */
  const [at, setAt] = useState(50);
  return (
    <div>
      <Both style={{ aspectRatio: `${width} / ${height}` }}>
        <img src={before.url} alt={`Before: ${before.words}`} loading="lazy" />
        <img
          src={after.url}
          alt={`After: ${after.words}`}
          loading="lazy"
          style={{ clipPath: `inset(0 0 0 ${at}%)` }}
        />
        <When style={{ left: 0 }}>Before</When>
        <When style={{ right: 0 }}>After</When>
      </Both>
      <Slide
        type="range"
        min={0}
        max={100}
        value={at}
        aria-label="How much is shown of before"
        aria-valuetext={`${at} % before, ${100 - at} % after`}
        onChange={(e) => setAt(e.target.valueAsNumber)}
      />
    </div>
  );
}
