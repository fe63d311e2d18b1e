/** The shop's rules: when each holds, what is then proposed, and why. The owner changes them. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import { HouseRuleDto, type HouseRuleView } from '#contract/houseRules.ts';
import { SUBJECTS, type HouseRule } from '#core/houseRules/rules.ts';
import { CLASSES } from '#core/log/kinds.ts';
import { OPTIONAL, submitting, useContractForm, WHOLE } from '../../shared/forms.ts';
import { useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, TextAreaField, TextField, TickField, Options } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { Now, Page, Quiet, Row, Stack, Title } from '../../ui/parts.tsx';
import { color, space } from '../../ui/tokens.ts';
import { rulesQuery, useSaveRule } from './houseRules.queries.ts';

const List = styled.ul`
  max-width: 60rem;
`;
const Item = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: ${space.s} ${space.m};
  padding: ${space.m} 0;
  border-top: 1px solid ${color.zincLine};
`;

const years = (n: number): string => (n === 1 ? '1 year' : `${n} years`);

/** When the rule holds, in words. */
function whenInWords(r: HouseRule): string {
  const limits = [
    r.fitted === 'gas' && 'gas is fitted',
    r.fitted === 'highVoltage' && 'high voltage is fitted',
    r.ageYears !== undefined && `the car is ${years(r.ageYears)} old`,
    r.stoodYears !== undefined && `it has stood ${years(r.stoodYears)}`,
    r.tyreYears !== undefined && `the tyres are ${years(r.tyreYears)} old`,
  ].filter(Boolean);
  return limits.length === 0 ? 'Never: it has no limit.' : `When ${limits.join(' and ')}.`;
}

const NEW_RULE: HouseRuleDto = {
  version: 0,
  finding: 'found ',
  zone: '',
  subject: 'works',
  class: 'should',
  why: '',
  off: false,
};

export default function RulesPage() {
  const { data } = useSuspenseQuery(rulesQuery);
  const { person } = useShop();
  const [open, setOpen] = useState<HouseRuleView | 'new' | null>(null);
  const mayChange = person.role === 'owner';
  useTitle('House rules');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <Title>House rules</Title>
          {mayChange && <Button onPress={() => setOpen('new')}>New rule</Button>}
        </Row>
        <p>
          What is proposed from a car’s facts when it is looked over, before each piece is judged. Common
          practice, no law: local rules and the makers’ own intervals come first.
        </p>
        <List>
          {data.rules.map((r) => (
            <Item key={r.rule}>
              <div>
                <b>{r.finding}</b> {r.off ? <Now>switched off</Now> : <Quiet>{r.class}</Quiet>}
                <p>
                  {whenInWords(r)} <Quiet>{r.why}</Quiet>
                </p>
              </div>
              {mayChange && (
                <Button $look="quiet" aria-label={`Change: ${r.finding}`} onPress={() => setOpen(r)}>
                  Change
                </Button>
              )}
            </Item>
          ))}
        </List>
      </Stack>
      {open && <RuleDialog rule={open === 'new' ? null : open} onClose={() => setOpen(null)} />}
    </Page>
  );
}

function RuleDialog({ rule: given, onClose }: { rule: HouseRuleView | null; onClose: () => void }) {
  const save = useSaveRule();
  const [rule] = useState(() => given?.rule ?? uuidv7());
  const start: Partial<HouseRuleView> = { ...(given ?? NEW_RULE) };
  delete start.rule;
  const form = useContractForm(HouseRuleDto, start);
  const { errors } = form.formState;
  const submit = submitting(form, (body) => save.mutateAsync({ rule, body }).then(onClose));
  return (
    <Dialog title={given ? 'Change a rule' : 'New rule'} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <TextAreaField
          label="What is then found"
          hint="As the logbook will have it: “found …”"
          rows={2}
          fault={errors.finding?.message}
          {...form.register('finding')}
        />
        <Pair>
          <TextField label="Where" fault={errors.zone?.message} {...form.register('zone')} />
          <SelectField label="Class" fault={errors.class?.message} {...form.register('class')}>
            <Options of={CLASSES} />
          </SelectField>
          <SelectField
            label="It is about how it"
            hint="The standard of finish changes the class by this."
            fault={errors.subject?.message}
            {...form.register('subject')}
          >
            <Options of={SUBJECTS} />
          </SelectField>
          <SelectField
            label="Only where fitted"
            fault={errors.fitted?.message}
            {...form.register('fitted', OPTIONAL)}
          >
            <option value="">any car</option>
            <option value="gas">gas</option>
            <option value="highVoltage">high voltage</option>
          </SelectField>
        </Pair>
        <Pair>
          <TextField
            label="Car at least … years old"
            inputMode="numeric"
            fault={errors.ageYears?.message}
            {...form.register('ageYears', WHOLE)}
          />
          <TextField
            label="Stood at least … years"
            inputMode="numeric"
            fault={errors.stoodYears?.message}
            {...form.register('stoodYears', WHOLE)}
          />
          <TextField
            label="Tyres at least … years old"
            inputMode="numeric"
            fault={errors.tyreYears?.message}
            {...form.register('tyreYears', WHOLE)}
          />
        </Pair>
        <TextAreaField label="Why" rows={2} fault={errors.why?.message} {...form.register('why')} />
        <TickField label="Switched off" {...form.register('off')} />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={save.isPending} onLeave={onClose}>
          Keep the rule
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
