/** How letters begin and end: two fields, and what stands in them for names. */
import type { ComponentProps } from 'react';
import { USUAL_WORDS } from '#core/update/draft.ts';
import { TextAreaField } from '../../ui/Field.tsx';
import { Quiet } from '../../ui/parts.tsx';

interface Props {
  begin: ComponentProps<typeof TextAreaField>;
  end: ComponentProps<typeof TextAreaField>;
}

export function WordsFields({ begin, end }: Props) {
  return (
    <>
      <TextAreaField rows={2} maxLength={500} placeholder={USUAL_WORDS.greeting} {...begin} />
      <TextAreaField rows={3} maxLength={1000} placeholder={USUAL_WORDS.closing} {...end} />
      <Quiet>
        {'{name}'}, {'{owner}'} and {'{shop}'} stand for their first name, whoever writes, and the shop.
      </Quiet>
    </>
  );
}
