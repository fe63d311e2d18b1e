/** Tools of the shop that somebody has taken with them, and when they are to be back. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { LoanView } from '#contract/tools.ts';
import { formatDay } from '#core/time/days.ts';
import { isOverdue } from '#core/tools/loans.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice, Now, Page, Quiet, Row, Stack, Summary, Title } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { asKept, LoanDialog } from './LoanDialog.tsx';
import { loansQuery, usePutLoan } from './tools.queries.ts';

const List = styled.ul`
  max-width: 60rem;
`;
const Item = styled.li`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: ${space.xs} ${space.m};
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  > span {
    flex: 1 1 20rem;
    min-width: 0;
    overflow-wrap: anywhere;
  }
`;

export default function ToolsPage() {
  const { data } = useSuspenseQuery(loansQuery);
  const [open, setOpen] = useState<'new' | LoanView | null>(null);
  useTitle('Tools lent');
  const out = data.loans.filter((l) => l.backOn === null);
  const back = data.loans.filter((l) => l.backOn !== null);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>Tools lent</Title>
          <Link to="/">Floor</Link>
          <Button onPress={() => setOpen('new')}>Lend a tool</Button>
        </Row>
        {out.length === 0 && <Quiet>Every tool is here.</Quiet>}
        <List aria-label="Out">
          {out.map((loan) => (
            <Loan key={loan.id} loan={loan} onChange={() => setOpen(loan)} />
          ))}
        </List>
        {back.length > 0 && (
          <details>
            <Summary>Back again: {back.length}</Summary>
            <List aria-label="Back again">
              {back.map((loan) => (
                <Loan key={loan.id} loan={loan} />
              ))}
            </List>
          </details>
        )}
      </Stack>
      {open && <LoanDialog loan={open === 'new' ? undefined : open} onClose={() => setOpen(null)} />}
    </Page>
  );
}

function Loan({ loan, onChange }: { loan: LoanView; onChange?: () => void }) {
  const { today, locale } = useManner();
  const put = usePutLoan();
  const day = (d: string): string => formatDay(d, locale, today);
  const { what, lentTo, lentOn, due, backOn } = loan;
  const isOut = backOn === null;
  const turn = (): void =>
    put.mutate({ loanId: loan.id, body: asKept({ ...loan, backOn: isOut ? today : null }) });
  return (
    <Item>
      <span>
        {isOverdue(loan, today) && <Now>Overdue. </Now>}
        <b>{what}</b>, with {lentTo} since {day(lentOn)}
        {isOut ? due !== null && `, back by ${day(due)}` : `, back on ${day(backOn)}`}
        {put.isError && <Notice role="alert">{wordsOf(put.error)}</Notice>}
      </span>
      <Row>
        {onChange && (
          <Button $look="quiet" aria-label={`Change: ${what}`} onPress={onChange}>
            Change
          </Button>
        )}
        <Button
          $look={isOut ? 'plain' : 'quiet'}
          isDisabled={put.isPending}
          aria-label={isOut ? `It is back: ${what}` : `Not back after all: ${what}`}
          onPress={turn}
        >
          {isOut ? 'It is back' : 'Not back after all'}
        </Button>
      </Row>
    </Item>
  );
}
