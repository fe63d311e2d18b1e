import { styled } from 'styled-components';
import { SumTable } from '../../ui/parts.tsx';
import { color, narrow, space } from '../../ui/tokens.ts';

/** Sums by line or by car; on a phone each row is a block, and each cell says what it is (`data-of`). */
export const MoneyTable = styled(SumTable)`
  th {
    overflow-wrap: anywhere;
  }
  tbody tr {
    border-top: 1px solid ${color.zincLine};
  }
  tfoot tr {
    border-top: 2px solid ${color.ink};
  }
  ${narrow} {
    thead {
      display: none;
    }
    tr {
      display: grid;
      grid-template-columns: 1fr 1fr;
      padding: ${space.s} 0;
    }
    tbody th,
    tfoot th {
      grid-column: 1 / -1;
    }
    td {
      text-align: left;
      padding: 0;
      white-space: normal;
      &::before {
        content: attr(data-of) ' ';
        color: ${color.zinc};
      }
    }
  }
`;
