/** What every end of work asks: hours to go, or that it is done. */
import type { FieldValues, Path, PathValue, UseFormReturn } from 'react-hook-form';
import { hoursTyped } from '../../shared/typed.ts';
import { TextField, TickField } from '../../ui/Field.tsx';

/** Hours typed, as minutes; what is no number is left for the contract to refuse. */
export const minutesTyped = (v: unknown): number =>
  typeof v === 'number' ? v : (hoursTyped(String(v ?? '')) ?? NaN);

interface Asked extends FieldValues {
  toGoMinutes: number;
  done: boolean;
}

export function ToGoFields<T extends Asked>({
  form,
  autoFocus = false,
}: {
  form: UseFormReturn<T>;
  autoFocus?: boolean;
}) {
  const [toGo, done] = ['toGoMinutes', 'done'] as [Path<T>, Path<T>];
  const { toGoMinutes: toGoFault, done: doneFault } = form.formState.errors;
  return (
    <>
      <TextField
        label="Hours to go"
        hint="What is left of this task, as you see it now."
        inputMode="decimal"
        data-mono
        autoFocus={autoFocus}
        fault={toGoFault?.message as string | undefined}
        {...form.register(toGo, { setValueAs: minutesTyped })}
      />
      <TickField
        label="It is done"
        fault={doneFault?.message as string | undefined}
        {...form.register(done, {
          onChange: (e: { target: { checked: boolean } }) => {
            if (e.target.checked) form.setValue(toGo, '0' as PathValue<T, Path<T>>);
          },
        })}
      />
    </>
  );
}
