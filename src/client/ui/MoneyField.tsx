import { useState, type ChangeEvent, type ComponentProps } from 'react';
import { formatMoney } from '#core/money/money.ts';
import { readAmount } from '#core/money/typed.ts';
import { useManner } from '../shared/shop.ts';
import { TextField } from './Field.tsx';

/** What was understood of an amount, or which two it could be. */
function echoOf(typed: string, manner: { currency: string; locale: string }): string | undefined {
  if (typed.trim() === '') return undefined;
  const read = readAmount(typed, manner);
  if (read === null) return undefined;
  if ('value' in read) return formatMoney(read.value, manner.currency, manner.locale);
  const digits = typed.replace(/[^\d.,]/g, '');
  const [whole = '', rest = ''] = digits.split(/[.,]/);
  return `Is that ${whole}${rest} or ${whole}.${rest}? Write it without the mark, or with two digits behind it.`;
}

/** An amount, typed as the shop writes it; its label says in which currency, and below stands what was understood. */
export function MoneyField({
  label,
  currency,
  hint,
  onChange,
  ...field
}: Omit<ComponentProps<typeof TextField>, 'inputMode' | 'type'> & { currency: string }) {
  const manner = useManner();
  const [typed, setTyped] = useState('');
  const change = (e: ChangeEvent<HTMLInputElement>): void => {
    setTyped(e.target.value);
    onChange?.(e);
  };
  return (
    <TextField
      label={`${label}, ${currency}`}
      inputMode="decimal"
      data-mono
      hint={echoOf(typed, manner) ?? hint}
      onChange={change}
      {...field}
    />
  );
}
