import { styled } from 'styled-components';
import { color, phone, space } from '../../ui/tokens.ts';

/** The letter as it lies on the table. */
export const Paper = styled.div`
  max-width: 44rem;
  display: grid;
  gap: ${space.m};
  padding: ${space.xl};
  background: ${color.sheet};
  border-top: 6px solid ${color.oxide};
  white-space: pre-line;
  line-height: 1.6;
  h3 {
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
