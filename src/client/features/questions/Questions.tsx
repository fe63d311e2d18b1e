/** What the customer asked on their page: open ones with a place to answer, then those that were answered. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { QuestionAnswerDto, type QuestionView } from '#contract/questions.ts';
import { agoInWords, dayOf, formatDay } from '#core/time/days.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { useShop, useToday } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextAreaField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { Head, Now, Panel, Quiet, Row } from '../../ui/parts.tsx';
import { space } from '../../ui/tokens.ts';
import { questionsQuery, useAnswer } from './questions.queries.ts';

const List = styled.ul`
  display: grid;
  gap: ${space.m};
  & > li {
    display: grid;
    gap: ${space.s};
  }
`;
/** So many that were answered stand here; all are on the customer's page. */
const SHOWN = 3;

export default function Questions({ buildId }: { buildId: string }) {
  const { data: questions = [] } = useQuery(questionsQuery(buildId));
  const [answering, setAnswering] = useState<QuestionView | null>(null);
  const open = questions.filter((q) => q.answeredAt === null);
  const answered = questions.filter((q) => q.answeredAt !== null).slice(0, SHOWN);
  if (questions.length === 0) return null;
  return (
    <Panel aria-label="Asked by the customer">
      <Head>Asked by the customer</Head>
      <List>
        {open.map((q) => (
          <li key={q.id}>
            <Asked question={q} />
            <Row>
              <Button
                $look="main"
                aria-label={`Answer: ${q.text.slice(0, 80)}`}
                onPress={() => setAnswering(q)}
              >
                Answer
              </Button>
            </Row>
          </li>
        ))}
        {answered.map((q) => (
          <li key={q.id}>
            <Asked question={q} />
            <Answer question={q} />
          </li>
        ))}
      </List>
      {answering && <AnswerDialog question={answering} onClose={() => setAnswering(null)} />}
    </Panel>
  );
}

function Asked({ question: { name, text, askedAt, answeredAt } }: { question: QuestionView }) {
  const { timeZone } = useShop().shop;
  const when = agoInWords(dayOf(askedAt, timeZone), useToday());
  return (
    <p>
      {answeredAt === null ? <Now>{name}, </Now> : <Quiet>{name}, </Quiet>}
      <Quiet>{when}:</Quiet> {text}
    </p>
  );
}

function Answer({ question: { answer, answeredAt } }: { question: QuestionView }) {
  const { timeZone, locale } = useShop().shop;
  const today = useToday();
  if (answer === '')
    return (
      <p>
        <Quiet>Answered by word of mouth, {formatDay(dayOf(answeredAt!, timeZone), locale, today)}.</Quiet>
      </p>
    );
  return (
    <p>
      <Quiet>Answered:</Quiet> {answer}
    </p>
  );
}

function AnswerDialog({ question, onClose }: { question: QuestionView; onClose: () => void }) {
  const answer = useAnswer(question.id);
  const form = useContractForm(QuestionAnswerDto, { answer: '' });
  const submit = submitting(form, (body) => answer.mutateAsync(body).then(onClose));
  return (
    <Dialog title={`Answer ${question.name}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <p>{question.text}</p>
        <TextAreaField
          label="Your answer"
          hint="It goes by mail and stands on their page."
          rows={5}
          maxLength={4000}
          autoFocus
          fault={form.formState.errors.answer?.message}
          {...form.register('answer')}
        />
        <FormFault reason={form.formState.errors.root?.message} />
        <KeepOrLeave isDisabled={answer.isPending} onLeave={onClose}>
          Send the answer
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
