import { useState, type ChangeEvent, type ComponentProps } from 'react';
import { useManner } from '../shared/shop.ts';
import { amountEcho } from '../shared/typed.ts';
import { TextField } from './Field.tsx';

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
      hint={amountEcho(typed, manner)?.words ?? hint}
      onChange={change}
      {...field}
    />
  );
}
