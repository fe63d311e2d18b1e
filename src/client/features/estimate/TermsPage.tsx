/** How the shop charges: rates by kind of work, tax, and how much of the uncertainty all lines share. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { WORKS, type Work } from '#core/estimate/lines.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { moneyAsTyped, moneyTyped, numberTyped } from '../../shared/typed.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { FormFault, FormPage, Pair } from '../../ui/Form.tsx';
import { Head, Notice, Row, Title } from '../../ui/parts.tsx';
import { termsQuery, useSaveTerms } from './estimate.queries.ts';
import { WORK_WORDS } from './words.ts';

type Faults = Partial<Record<Work | 'tax' | 'shared' | 'storage' | 'addition' | 'over', string>>;

export default function TermsPage() {
  const manner = useManner();
  const { currency } = manner;
  const { person } = useShop();
  const { data: terms } = useSuspenseQuery(termsQuery);
  const save = useSaveTerms();
  const [rates, setRates] = useState(
    () =>
      Object.fromEntries(WORKS.map((w) => [w, moneyAsTyped(terms.rates[w], manner)])) as Record<Work, string>,
  );
  const [tax, setTax] = useState(String(terms.taxBp / 100));
  const [included, setIncluded] = useState(terms.taxIncluded);
  const [shared, setShared] = useState(String(Math.round(terms.sharedRisk * 100)));
  const [storage, setStorage] = useState(moneyAsTyped(terms.storagePerDayMinor ?? 0, manner));
  const [addition, setAddition] = useState(String(terms.additionBp / 100));
  const [over, setOver] = useState(String(terms.overBp / 100));
  const [faults, setFaults] = useState<Faults>({});
  useTitle('Rates and tax');
  const mayChange = person.role === 'owner';

  const submit = async (): Promise<void> => {
    const read = Object.fromEntries(WORKS.map((w) => [w, moneyTyped(rates[w], manner)])) as Record<
      Work,
      number | null
    >;
    const perDay = moneyTyped(storage, manner);
    const [taxPart, share] = [numberTyped(tax), numberTyped(shared)];
    const [added, beyond] = [numberTyped(addition), numberTyped(over)];
    const found: Faults = {};
    for (const w of WORKS) if (read[w] === null) found[w] = 'an amount, as in 62.00';
    if (taxPart === null || taxPart < 0 || taxPart > 100) found.tax = 'per cent, as in 20';
    if (share === null || share < 0 || share > 100) found.shared = 'per cent, from 0 to 100';
    if (added === null || added < 0 || added > 200) found.addition = 'per cent, from 0 to 200';
    if (beyond === null || beyond < 0 || beyond > 100) found.over = 'per cent, from 0 to 100';
    if (perDay === null) found.storage = 'an amount, as in 4.00';
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    await save
      .mutateAsync({
        version: terms.version,
        rates: read as Record<Work, number>,
        taxBp: Math.round(taxPart! * 100),
        taxIncluded: included,
        sharedRisk: Math.round(share!) / 100,
        storagePerDayMinor: perDay!,
        additionBp: Math.round(added! * 100),
        overBp: Math.round(beyond! * 100),
      })
      .catch(() => undefined);
  };
  return (
    <FormPage onSubmit={submit}>
      <Title>Rates and tax</Title>
      <Head>An hour of work, {currency}</Head>
      <Pair>
        {WORKS.map((w) => (
          <TextField
            key={w}
            label={WORK_WORDS[w].charAt(0).toUpperCase() + WORK_WORDS[w].slice(1)}
            inputMode="decimal"
            data-mono
            value={rates[w]}
            readOnly={!mayChange}
            fault={faults[w]}
            onChange={(e) => setRates({ ...rates, [w]: e.target.value })}
          />
        ))}
      </Pair>
      <Pair>
        <TextField
          label="Tax, per cent"
          inputMode="decimal"
          value={tax}
          readOnly={!mayChange}
          fault={faults.tax}
          onChange={(e) => setTax(e.target.value)}
        />
        <SelectField
          label="Rates and prices are"
          value={included ? 'with' : 'without'}
          disabled={!mayChange}
          onChange={(e) => setIncluded(e.target.value === 'with')}
        >
          <option value="without">without tax; it is added</option>
          <option value="with">with tax in them</option>
        </SelectField>
      </Pair>
      <TextField
        label="Of what may go wrong, all lines share, per cent"
        hint="Rust that is worse than it looks is worse in every line. 30 is common practice, without a published source."
        inputMode="numeric"
        value={shared}
        readOnly={!mayChange}
        fault={faults.shared}
        onChange={(e) => setShared(e.target.value)}
      />
      <Pair>
        <TextField
          label="Added to what things cost, per cent"
          hint="Parts, outwork and sundries of which no price is named."
          inputMode="decimal"
          value={addition}
          readOnly={!mayChange}
          fault={faults.addition}
          onChange={(e) => setAddition(e.target.value)}
        />
        <TextField
          label="A line asks to be looked at, per cent over"
          hint="Past what was agreed. 10 is common practice, without a published source."
          inputMode="decimal"
          value={over}
          readOnly={!mayChange}
          fault={faults.over}
          onChange={(e) => setOver(e.target.value)}
        />
      </Pair>
      <TextField
        label={`A day in store, ${currency}`}
        hint="Counted while a car rests for its customer’s reasons, and shown on its page; nothing is charged by itself."
        inputMode="decimal"
        data-mono
        value={storage}
        readOnly={!mayChange}
        fault={faults.storage}
        onChange={(e) => setStorage(e.target.value)}
      />
      <FormFault reason={save.isError ? wordsOf(save.error) : undefined} />
      {save.isSuccess && (
        <Notice $tone="cure" role="status">
          Kept. Estimates that are not sent yet use it from now on; what was sent, and what was worked before
          today, stays as it was.
        </Notice>
      )}
      {mayChange ? (
        <Row>
          <Button $look="main" type="submit" isDisabled={save.isPending}>
            Keep rates and tax
          </Button>
        </Row>
      ) : (
        <p>Only the owner changes these.</p>
      )}
    </FormPage>
  );
}
