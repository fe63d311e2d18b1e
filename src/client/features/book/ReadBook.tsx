/** A car that comes with the archive of its book: read, and made a build with its logbook, pictures and parts. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { BookOpen } from 'lucide-react';
import { FileTrigger } from 'react-aria-components';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { wordsOf } from '../../shared/api.ts';
import { Button } from '../../ui/Button.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { Notice, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { bookQuery, useBringIn } from './book.queries.ts';
import { Progress } from './Progress.tsx';

export function ReadBook() {
  const bringIn = useBringIn();
  const [bookId, setBookId] = useState<string | null>(null);
  const { data: book } = useQuery({ ...bookQuery(bookId ?? ''), enabled: bookId !== null });
  const choose = (file: File): void => {
    const id = uuidv7();
    setBookId(null);
    bringIn.mutate({ bookId: id, file }, { onSuccess: () => setBookId(id) });
  };
  const isBusy = bringIn.isPending || book?.state === 'waiting' || book?.state === 'making';
  return (
    <Stack $gap="s" role="group" aria-label="It comes with its book">
      <Row>
        <FileTrigger
          acceptedFileTypes={['.zip', 'application/zip']}
          onSelect={(list) => list?.[0] && choose(list[0])}
        >
          <Button isDisabled={isBusy}>
            <BookOpen size={20} aria-hidden /> It comes with its book
          </Button>
        </FileTrigger>
        <Quiet>the archive that a shop bound of it</Quiet>
      </Row>
      <FormFault reason={bringIn.isError ? wordsOf(bringIn.error) : undefined} />
      {bringIn.isPending && <Quiet role="status">The archive is on its way …</Quiet>}
      {book && isBusy && <Progress book={book} words="Its book is being read" />}
      {book?.state === 'failed' && <FormFault reason={`${book.why} No car was made of it.`} />}
      {book?.state === 'ready' && (
        <Notice $tone="cure" role="status">
          Its book is read. <Link to={`/builds/${book.buildId}`}>Open the car</Link>
        </Notice>
      )}
    </Stack>
  );
}
