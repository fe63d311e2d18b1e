/** The end of a spell: the one thing it asks is hours to go. Where it was forgotten, also when it ended. */
import { useState } from 'react';
import type { SpellView } from '#contract/work.ts';
import { SpellStopDto } from '#contract/work.ts';
import { dayOf, formatDay, formatTime } from '#core/time/days.ts';
import { instantOf } from '#core/time/zones.ts';
import { isForgotten, minutesBetween } from '#core/work/spells.ts';
import { useCarChange } from '../../shared/changing.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { hoursAsTyped } from '../../shared/typed.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Form, FormFault } from '../../ui/Form.tsx';
import { Row } from '../../ui/parts.tsx';
import { ToGoFields } from './ToGoFields.tsx';

interface Props {
  spell: SpellView;
  now: string;
  onClose: () => void;
}

export default function StopDialog({ spell, now, onClose }: Props) {
  const { locale, today } = useManner();
  const { timeZone } = useShop().shop;
  const stop = useCarChange(spell.buildId, 'spellStop');
  const [forgotten] = useState(() =>
    isForgotten({ startedAt: spell.startedAt, endedAt: null }, now, timeZone),
  );
  const startedOn = dayOf(spell.startedAt, timeZone);
  const left = Math.max(0, spell.toGoMinutes - (forgotten ? 0 : minutesBetween(spell.startedAt, now)));
  const form = useContractForm<SpellStopDto>(SpellStopDto, {
    toGoMinutes: hoursAsTyped(left),
    done: false,
  });
  const { errors } = form.formState;
  const submit = submitting(form, (body) =>
    stop.mutateAsync({ params: { spellId: spell.id }, body }).then(onClose),
  );
  return (
    <Dialog title={`Stop: ${spell.task}`} isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <p>
          {spell.person}, since {formatTime(spell.startedAt, timeZone)}
          {startedOn === today ? '' : ` on ${formatDay(startedOn, locale, today)}`}
        </p>
        {forgotten && (
          <TextField
            label={`When did it end, on ${formatDay(startedOn, locale, today)}?`}
            hint="The stop was forgotten. Nobody minds; say it as near as you know."
            type="time"
            fault={errors.endedAt?.message}
            {...form.register('endedAt', {
              required: true,
              setValueAs: (v: unknown) =>
                /^\d\d:\d\d$/.test(String(v)) ? (instantOf(startedOn, String(v), timeZone) ?? undefined) : v,
            })}
          />
        )}
        <ToGoFields form={form} autoFocus />
        <FormFault reason={errors.root?.message} />
        <Row>
          <Button $look="main" type="submit" isDisabled={stop.isPending}>
            Stop
          </Button>
          <Button $look="quiet" onPress={onClose}>
            Go on
          </Button>
        </Row>
      </Form>
    </Dialog>
  );
}
