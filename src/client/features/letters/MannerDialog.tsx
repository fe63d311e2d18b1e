/** How a customer likes to be told: how much, in which words, units and currency. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { MannerPutDto, type MannerView } from '#contract/letters.ts';
import { DETAILS, type Detail } from '#core/update/letter.ts';
import { OPTIONAL, submitting, useContractForm } from '../../shared/forms.ts';
import { useManner } from '../../shared/shop.ts';
import { rateAsTyped, rateTyped } from '../../shared/typed.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Options, SelectField, TextField } from '../../ui/Field.tsx';
import { Form, FormFault, KeepOrLeave, Pair } from '../../ui/Form.tsx';
import { mannerQuery, usePutManner } from './letters.queries.ts';
import { WordsFields } from './WordsFields.tsx';

const DETAIL_WORDS: Record<Detail, string> = {
  brief: 'Brief: the main things, the rest left out',
  full: 'Full: everything that is for them',
  enthusiast: 'Enthusiast: everything, with the hours of each job',
};
const startOf = (
  { version, detail, greeting, closing, metric, alsoCurrency, alsoRate, alsoRateOn, textTo }: MannerView,
  locale: string,
) => ({
  version,
  detail,
  greeting,
  closing,
  metric: metric === undefined ? '' : String(metric),
  alsoCurrency,
  alsoRate: alsoRate === undefined ? undefined : rateAsTyped(alsoRate, locale),
  alsoRateOn,
  textTo,
});

interface Props {
  buildId: string;
  onClose: () => void;
}

export default function MannerDialog({ buildId, onClose }: Props) {
  const { data } = useSuspenseQuery(mannerQuery(buildId));
  const { currency, locale } = useManner();
  const put = usePutManner(buildId);
  const [start] = useState(() => startOf(data, locale));
  const form = useContractForm(MannerPutDto, start);
  const { errors } = form.formState;
  /** What is no rate is NaN, for the contract to refuse at its field. */
  const read = (v: string | number | undefined): number | undefined => {
    if (typeof v === 'number' || v === undefined) return v;
    return v.trim() === '' ? undefined : (rateTyped(v, locale) ?? NaN);
  };
  const rate = read(form.watch('alsoRate'));
  const submit = submitting(form, (body) => put.mutateAsync(body).then(onClose));
  return (
    <Dialog title={`How ${data.customer} is told`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <SelectField label="How much" fault={errors.detail?.message} {...form.register('detail')}>
          <Options of={DETAILS} words={DETAIL_WORDS} />
        </SelectField>
        <WordsFields
          begin={{
            label: 'Their letters begin with',
            fault: errors.greeting?.message,
            ...(data.shopGreeting === '' ? {} : { placeholder: data.shopGreeting }),
            ...form.register('greeting'),
          }}
          end={{
            label: 'And end with',
            fault: errors.closing?.message,
            ...(data.shopClosing === '' ? {} : { placeholder: data.shopClosing }),
            ...form.register('closing'),
          }}
        />
        <SelectField
          label="Distances"
          fault={errors.metric?.message}
          {...form.register('metric', {
            setValueAs: (v: string) => (v === '' || v === undefined ? undefined : String(v) === 'true'),
          })}
        >
          <option value="">As the shop has them</option>
          <option value="false">In miles</option>
          <option value="true">In kilometres</option>
        </SelectField>
        <Pair>
          <TextField
            label="About what it is in"
            placeholder="EUR"
            maxLength={3}
            fault={errors.alsoCurrency?.message}
            {...form.register('alsoCurrency', {
              setValueAs: (v: unknown) => {
                const typed = String(v ?? '')
                  .trim()
                  .toUpperCase();
                return typed === '' ? undefined : typed;
              },
            })}
          />
          <TextField
            label={`One ${currency} is so much of it`}
            inputMode="decimal"
            placeholder={rateAsTyped(1.17, locale)}
            hint={
              rate === undefined || Number.isNaN(rate)
                ? undefined
                : `1 ${currency} is ${rateAsTyped(rate, locale)}`
            }
            fault={errors.alsoRate?.message}
            {...form.register('alsoRate', { setValueAs: read })}
          />
          <TextField
            label="As on"
            type="date"
            fault={errors.alsoRateOn?.message}
            {...form.register('alsoRateOn', OPTIONAL)}
          />
        </Pair>
        <TextField
          label="A text message too, to"
          type="tel"
          placeholder="+44 7700 900123"
          hint={
            data.textsGo
              ? 'When a letter is sent: its heading, and the link. In the demo it goes to the stand-in.'
              : 'When a letter is sent: its heading, and the link. No service for text messages is set: none goes out until there is one.'
          }
          fault={errors.textTo?.message}
          {...form.register('textTo')}
        />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={put.isPending} onLeave={onClose}>
          Keep it so
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
