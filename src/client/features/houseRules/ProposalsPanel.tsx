/** What the house rules propose for this car from its facts: kept or refused one by one, or all at once. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import { PastDto, type ProposalsView } from '#contract/houseRules.ts';
import { wordsOf } from '../../shared/api.ts';
import { submitting, useContractForm, WHOLE } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField, TickField } from '../../ui/Field.tsx';
import { Form, FormFault, Pair } from '../../ui/Form.tsx';
import { Head, Notice, Now, Panel, Quiet, Row, Summary } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { proposalsQuery, useSavePast, useSettle } from './houseRules.queries.ts';

const Item = styled.li`
  display: grid;
  gap: ${space.xs};
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  > :last-child {
    padding-left: 34px;
  }
`;
const Wide = styled(Panel)`
  max-width: 60rem;
`;

export function ProposalsPanel({ buildId }: { buildId: string }) {
  const { data: view } = useSuspenseQuery(proposalsQuery(buildId));
  return (
    <Wide aria-label="House rules">
      <Row>
        <Head>House rules</Head>
        <Link to="/shop/rules">The rules themselves</Link>
      </Row>
      <Past key={JSON.stringify(view.past)} view={view} />
      <Proposed view={view} />
    </Wide>
  );
}

function Past({ view }: { view: ProposalsView }) {
  const { buildId, past } = view;
  const save = useSavePast(buildId);
  const { stoodSince, ...rest } = past;
  const form = useContractForm(PastDto, { ...rest, ...(stoodSince === null ? {} : { stoodSince }) });
  const { errors, isDirty } = form.formState;
  const submit = submitting(form, (body) => save.mutateAsync(body));
  return (
    <Form onSubmit={submit} gap="s">
      <Pair>
        <TextField
          label="Has stood since, year"
          inputMode="numeric"
          fault={errors.stoodSince?.message}
          {...form.register('stoodSince', WHOLE)}
        />
        <TextField
          label="Date code of the tyres"
          hint="The last four figures: 3514 is week 35 of 2014."
          inputMode="numeric"
          fault={errors.tyreCode?.message}
          {...form.register('tyreCode')}
        />
      </Pair>
      <Row>
        <TickField label="Our own car: a customer’s is held to more" {...form.register('ownCar')} />
        {isDirty && (
          <Button type="submit" isDisabled={save.isPending}>
            Ask the rules again
          </Button>
        )}
      </Row>
      <FormFault reason={errors.root?.message} />
    </Form>
  );
}

function Proposed({ view }: { view: ProposalsView }) {
  const settle = useSettle(view.buildId);
  const [out, setOut] = useState<readonly string[]>([]);
  // One id a proposal, kept until it is answered: sent twice it is one finding.
  const [ids] = useState(() => new Map<string, string>());
  const idOf = (rule: string): string => {
    const id = ids.get(rule) ?? uuidv7();
    ids.set(rule, id);
    return id;
  };
  const taken = view.open.filter((p) => !out.includes(p.rule));
  const answer = (accept: readonly { rule: string }[], refuse: readonly { rule: string }[]): void =>
    settle.mutate({
      accept: accept.map(({ rule }) => ({ rule, id: idOf(rule) })),
      refuse: refuse.map(({ rule }) => rule),
    });
  const left = view.open.filter((p) => out.includes(p.rule));
  if (view.open.length === 0)
    return (
      <Quiet>
        {view.accepted + view.refused === 0
          ? 'They propose nothing for what is known of this car.'
          : `${view.accepted} kept as findings, ${view.refused} refused.`}
      </Quiet>
    );
  return (
    <details open={view.accepted + view.refused > 0 || undefined}>
      <Summary>
        {view.open.length === 1 ? 'One finding' : `${view.open.length} findings`} proposed from what is known
      </Summary>
      <ul>
        {view.open.map((p) => (
          <Item key={p.rule}>
            <TickField
              label={
                <span>
                  {p.finding} {p.class === 'safety' ? <Now>safety</Now> : <Quiet>{p.class}</Quiet>}
                </span>
              }
              checked={!out.includes(p.rule)}
              onChange={(e) =>
                setOut((o) => (e.target.checked ? o.filter((r) => r !== p.rule) : [...o, p.rule]))
              }
            />
            <Quiet>{p.reason}</Quiet>
          </Item>
        ))}
      </ul>
      {settle.isError && (
        <Notice $tone="oxide" role="alert">
          {wordsOf(settle.error)}
        </Notice>
      )}
      <Row>
        <Button isDisabled={settle.isPending || taken.length === 0} onPress={() => answer(taken, left)}>
          {taken.length === 1 ? 'Keep this finding' : `Keep these ${taken.length} findings`}
          {left.length > 0 && `, refuse ${left.length}`}
        </Button>
        <Button $look="quiet" isDisabled={settle.isPending} onPress={() => answer([], view.open)}>
          Refuse all
        </Button>
        <Quiet>Common practice, no law: local rules and the makers’ intervals come first.</Quiet>
      </Row>
    </details>
  );
}
