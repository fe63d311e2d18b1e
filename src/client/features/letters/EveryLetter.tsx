/** The words that every letter of the shop begins and ends with, unless a customer has others. */
import { useState } from 'react';
import { LetterWordsDto } from '#contract/letters.ts';
import { submitting, useContractForm } from '../../shared/forms.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Form, FormFault, KeepOrLeave } from '../../ui/Form.tsx';
import { useSaveWords } from './letters.queries.ts';
import { WordsFields } from './WordsFields.tsx';

export function EveryLetter({ words }: { words: LetterWordsDto }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button $look="quiet" onPress={() => setOpen(true)}>
        Words of every letter
      </Button>
      {open && <WordsDialog words={words} onClose={() => setOpen(false)} />}
    </>
  );
}

function WordsDialog({ words, onClose }: { words: LetterWordsDto; onClose: () => void }) {
  const save = useSaveWords();
  const form = useContractForm(LetterWordsDto, words);
  const { errors } = form.formState;
  const submit = submitting(form, (body) => save.mutateAsync(body).then(onClose));
  return (
    <Dialog title="Words of every letter" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <WordsFields
          begin={{
            label: 'Letters begin with',
            fault: errors.greeting?.message,
            ...form.register('greeting'),
          }}
          end={{ label: 'And end with', fault: errors.closing?.message, ...form.register('closing') }}
        />
        <FormFault reason={errors.root?.message} />
        <KeepOrLeave isDisabled={save.isPending} onLeave={onClose}>
          Keep the words
        </KeepOrLeave>
      </Form>
    </Dialog>
  );
}
