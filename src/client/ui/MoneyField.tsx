import type { ComponentProps } from 'react';
import { TextField } from './Field.tsx';

/** An amount, typed with either decimal mark; its label says in which currency. */
export function MoneyField({
  label,
  currency,
  ...field
}: Omit<ComponentProps<typeof TextField>, 'inputMode' | 'type'> & { currency: string }) {
  return <TextField label={`${label}, ${currency}`} inputMode="decimal" data-mono {...field} />;
}
