/** Small parts that several screens use. */
import { styled } from 'styled-components';
import { color, font, narrow, phone, size, space, touch } from './tokens.ts';

export const Page = styled.main`
  max-width: 82rem;
  margin: 0 auto;
  padding: ${space.l};
  ${phone} {
    padding: ${space.m};
  }
`;
export const Title = styled.h1`
  font-size: ${size.title};
  line-height: 1.15;
  font-weight: 750;
  letter-spacing: -0.01em;
`;
/** A car’s page begins with its name, which is written small in the middle of a sentence. */
export const CarTitle = styled(Title)`
  &::first-letter {
    text-transform: uppercase;
  }
`;
export const Head = styled.h2`
  font-size: ${size.line};
  font-weight: 700;
`;
export const Quiet = styled.span`
  color: ${color.zinc};
`;
/** Money, readings, numbers of builds. */
export const Mono = styled.span<{ $brass?: boolean }>`
  font-family: ${font.mono};
  ${({ $brass }) => ($brass ? `color: ${color.brass}; font-weight: 600;` : '')}
`;
export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: ${space.s} ${space.m};
`;
export const Stack = styled.div<{ $gap?: keyof typeof space }>`
  display: grid;
  gap: ${({ $gap }) => space[$gap ?? 'm']};
  align-content: start;
  grid-template-columns: minmax(0, 1fr);
`;
export const Panel = styled.section`
  display: grid;
  gap: ${space.s};
  align-content: start;
  padding: ${space.m} 0;
  border-top: 2px solid ${color.ink};
`;
/** Something a person must look at; always says it in words too. */
export const Notice = styled.div<{ $tone?: 'oxide' | 'blueing' | 'cure' }>`
  padding: ${space.s} ${space.m};
  border-left: 5px solid ${({ $tone }) => color[$tone ?? 'blueing']};
  background: ${({ $tone }) => ($tone === 'oxide' ? color.oxideWash : color.zincWash)};
`;
export const Now = styled.strong`
  color: ${color.oxide};
`;
export const HiddenVisually = styled.span`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
`;
export const Key = styled.kbd`
  font-family: ${font.mono};
  font-size: ${size.small};
  border: 1px solid currentcolor;
  border-radius: 3px;
  padding: 0 6px;
`;

/** Names on the left, their figures on the right. */
export const Figures = styled.dl`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: ${space.xs} ${space.m};
  align-items: baseline;
  dd {
    text-align: right;
  }
`;
/** Sums in columns: words on the left, figures on the right. */
export const SumTable = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${size.small};
  th {
    text-align: left;
    font-weight: 600;
    padding: 6px 0;
  }
  td,
  th:not(:first-child) {
    text-align: right;
    padding-left: ${space.s};
    white-space: nowrap;
  }
  tr + tr {
    border-top: 1px solid ${color.zincLine};
  }
`;
/** What opens more of the same. */
export const Summary = styled.summary`
  min-height: ${touch};
  display: flex;
  align-items: center;
  color: ${color.blueing};
  font-weight: 600;
  cursor: pointer;
`;
/** Desk: the matter beside what it comes to. Phone: one below the other. */
export const Aside = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 22rem;
  gap: 0 ${space.xl};
  align-items: start;
  ${narrow} {
    grid-template-columns: minmax(0, 1fr);
    gap: ${space.m};
  }
`;
/** One thing of a list: what it is, and what can be done with it; marked when a link led to it. */
export const ListLine = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: ${space.xs} ${space.l};
  align-items: start;
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  overflow-wrap: anywhere;
  &:target {
    background: ${color.blueingWash};
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
