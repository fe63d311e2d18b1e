/** Let in new metal, or fit a panel? Both ways side by side, with the chance that the repair is the dearer. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { v7 as uuidv7 } from 'uuid';
import type { EstimateView } from '#contract/estimate.ts';
import type { RepairOrReplaceResult } from '#core/bench/repairOrReplace.ts';
import { formatMoney, minorDigits } from '#core/money/money.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { Pair } from '../../ui/Form.tsx';
import { Figures, Head, Mono, Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { space } from '../../ui/tokens.ts';
import { usePutLine } from './estimate.queries.ts';
import { compare, emptyRepair, HOUR_POINTS, lineOfChoice, type RepairForm } from './repairForm.ts';

const Ways = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
  gap: ${space.l};
`;

const POINT_WORDS = { optimistic_h: 'at best', likely_h: 'likely', pessimistic_h: 'at worst' } as const;

interface Props {
  estimate: EstimateView;
  /** The aged surface is to be kept. */
  preserves: boolean;
  onClose: () => void;
}

export default function RepairDialog({ estimate, preserves, onClose }: Props) {
  const { currency } = useManner();
  const put = usePutLine(estimate.buildId);
  const [form, setForm] = useState<RepairForm>(() => emptyRepair(preserves ? 'preserve' : 'repaint'));
  const [id] = useState(() => uuidv7());
  const rate = estimate.terms.rates.metalwork / 10 ** minorDigits(currency);
  const compared = compare(form, rate);
  // What has not been typed yet is no fault; what was typed wrong is.
  const fault = (field: string): string | undefined =>
    'field' in compared && compared.field === field && compared.code !== 'missing'
      ? compared.reason
      : undefined;
  const set = (more: Partial<RepairForm>): void => setForm({ ...form, ...more });
  const take = (way: 'repair' | 'replace'): void =>
    put.mutate({ lineId: id, body: lineOfChoice(form, way, currency) }, { onSuccess: onClose });
  const money = (
    name:
      'repairMaterials' | 'panelPrice' | 'fittingMaterials' | 'paintFull' | 'paintBlend' | 'originalityLoss',
    label: string,
  ) => (
    <TextField
      label={label}
      inputMode="decimal"
      data-mono
      fault={fault(name)}
      value={form[name]}
      onChange={(e) => set({ [name]: e.target.value })}
    />
  );
  const hours = (name: 'repairHours' | 'fittingHours', label: string) =>
    HOUR_POINTS.map((p) => (
      <TextField
        key={p}
        label={`${label}, ${POINT_WORDS[p]}`}
        inputMode="decimal"
        data-mono
        fault={fault(`${name}.${p}`)}
        value={form[name][p]}
        onChange={(e) => set({ [name]: { ...form[name], [p]: e.target.value } })}
      />
    ));
  return (
    <Dialog title="Repair or replace?" isOpen onClose={onClose}>
      <Stack>
        <TextField
          label="What it is about"
          placeholder="Nearside sill"
          value={form.thing}
          maxLength={120}
          onChange={(e) => set({ thing: e.target.value })}
        />
        <SelectField
          label="The finish"
          value={form.paintStrategy}
          onChange={(e) => set({ paintStrategy: e.target.value as RepairForm['paintStrategy'] })}
        >
          <option value="preserve">keep the aged surface, blend in</option>
          <option value="repaint">paint the whole</option>
        </SelectField>
        <Head>Let in new metal</Head>
        <Pair>{hours('repairHours', 'Hours')}</Pair>
        <Pair>
          {money('repairMaterials', `Materials, ${currency}`)}
          <TextField
            label="Rust grows once it is opened, times"
            hint="1.15 is common practice"
            inputMode="decimal"
            data-mono
            fault={fault('growthFactor')}
            value={form.growthFactor}
            onChange={(e) => set({ growthFactor: e.target.value })}
          />
          {form.paintStrategy === 'preserve' && money('paintBlend', `Blending in, ${currency}`)}
        </Pair>
        <Head>A new panel</Head>
        <Pair>{hours('fittingHours', 'Hours to fit')}</Pair>
        <Pair>
          {money('panelPrice', `The panel, ${currency}`)}
          {money('fittingMaterials', `Materials to fit it, ${currency}`)}
          {money('paintFull', `Painting it whole, ${currency}`)}
          {form.paintStrategy === 'preserve' &&
            money('originalityLoss', `Lost original surface is worth, ${currency}`)}
        </Pair>
        {'result' in compared ? (
          <Result result={compared.result} />
        ) : (
          <Quiet role="status">
            Both ways are compared as soon as the hours, the panel and the paint are there.
          </Quiet>
        )}
        {put.isError && (
          <Notice $tone="oxide" role="alert">
            {wordsOf(put.error)}
          </Notice>
        )}
        <Row>
          {(['repair', 'replace'] as const).map((way) => (
            <Button
              key={way}
              isDisabled={!('result' in compared) || form.thing.trim() === '' || put.isPending}
              onPress={() => take(way)}
            >
              {way === 'repair' ? 'Put the repair on the estimate' : 'Put the new panel on the estimate'}
            </Button>
          ))}
          <Button $look="quiet" onPress={onClose}>
            Leave it
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}

const ADVICE: Record<RepairOrReplaceResult['recommendation'], string> = {
  repair: 'The repair is clearly the cheaper way.',
  replace: 'The new panel is clearly the cheaper way.',
  toss_up: 'The two are too close to call.',
};

function Result({ result }: { result: RepairOrReplaceResult }) {
  const { currency, locale } = useManner();
  const digits = minorDigits(currency);
  const money = (major: number): string => formatMoney(Math.round(major * 10 ** digits), currency, locale);
  return (
    <Stack $gap="s" role="status">
      <Ways>
        <Way name="New metal let in" cost={result.repairCost} range={result.repairCostRange} money={money} />
        <Way
          name="New panel fitted"
          cost={result.replaceCost}
          range={result.replaceCostRange}
          money={money}
        />
      </Ways>
      <p>
        <b>{ADVICE[result.recommendation]}</b> In {Math.round(result.probabilityRepairDearer * 100)} of 100
        cases the repair is the dearer. Both cost the same at {Math.round(result.breakEvenHours_h * 10) / 10}{' '}
        hours of repair, as estimated before it is opened.
      </p>
      {result.reasons
        .filter((r) => r.code !== 'too_close_to_call')
        .map((r) => (
          <Notice key={r.code} $tone="oxide">
            {r.text}
          </Notice>
        ))}
      <Quiet>
        Without tax, at the shop’s rate for metalwork. The limits behind the advice are common practice.
      </Quiet>
    </Stack>
  );
}

interface WayProps {
  name: string;
  cost: number;
  range: [number, number];
  money: (major: number) => string;
}

function Way({ name, cost, range: [best, worst], money }: WayProps) {
  return (
    <Figures>
      <dt>{name}</dt>
      <dd>
        <Mono $brass>{money(cost)}</Mono>
      </dd>
      <dt>
        <Quiet>at best and at worst</Quiet>
      </dt>
      <dd>
        <Quiet>
          {money(best)} to {money(worst)}
        </Quiet>
      </dd>
    </Figures>
  );
}
