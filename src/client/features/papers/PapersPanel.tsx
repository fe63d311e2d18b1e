/** Papers of a car: taken in as PDF, given to the customer to keep, or kept here. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { FileTrigger } from 'react-aria-components';
import { FileUp } from 'lucide-react';
import { pathOf } from '#contract/routes.ts';
import type { PaperView } from '#contract/papers.ts';
import { bytesInWords } from '#core/book/book.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { lastFault } from '../../shared/changing.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Head, ListLine, Panel, Quiet, Row } from '../../ui/parts.tsx';
import { papersQuery, useAddPaper, useDropPaper, useGivePaper } from './papers.queries.ts';

export function PapersPanel({ buildId, customer }: { buildId: string; customer: string }) {
  const { data: papers } = useSuspenseQuery(papersQuery(buildId));
  const add = useAddPaper(buildId);
  return (
    <Panel aria-label="Papers">
      <Head>Papers to keep</Head>
      <p>
        Certificates, tickets, what another workshop wrote. Given, they stand on {customer}’s page beside the
        book; the estimates that were sent stand there by themselves.
      </p>
      {papers.length > 0 && (
        <ul aria-label="Papers, newest first">
          {papers.map((p) => (
            <OnePaper key={p.id} paper={p} />
          ))}
        </ul>
      )}
      <FormFault reason={add.error ? wordsOf(add.error) : undefined} />
      <Row>
        <FileTrigger
          acceptedFileTypes={['application/pdf']}
          onSelect={(files) => {
            const file = files?.[0];
            if (file) add.mutate(file);
          }}
        >
          <Button isDisabled={add.isPending}>
            <FileUp size={18} aria-hidden /> {add.isPending ? 'Taking it in …' : 'Add a PDF'}
          </Button>
        </FileTrigger>
      </Row>
    </Panel>
  );
}

function OnePaper({ paper }: { paper: PaperView }) {
  const give = useGivePaper();
  const drop = useDropPaper();
  const manner = useManner();
  const { timeZone } = useShop().shop;
  const day = (at: string): string => formatDay(dayOf(at, timeZone), manner.locale, manner.today);
  const isGiven = paper.givenAt !== null;
  const fault = lastFault(give, drop);
  return (
    <ListLine>
      <div>
        <a href={pathOf('paperFile', { paperId: paper.id })} download>
          {paper.name}
        </a>{' '}
        <Quiet>
          {bytesInWords(paper.bytes)}, {paper.person}, {day(paper.addedAt)}
          {paper.givenAt !== null && `; theirs since ${day(paper.givenAt)}`}
        </Quiet>
      </div>
      <Row>
        <Button
          $look={isGiven ? 'quiet' : 'plain'}
          isDisabled={give.isPending}
          onPress={() => give.mutate({ id: paper.id, given: !isGiven })}
        >
          {isGiven ? 'Take it off their page' : 'Give it'}
        </Button>
        {!isGiven && (
          <Button $look="quiet" isDisabled={drop.isPending} onPress={() => drop.mutate(paper.id)}>
            Throw it away
          </Button>
        )}
      </Row>
      <FormFault reason={fault ? wordsOf(fault) : undefined} />
    </ListLine>
  );
}
