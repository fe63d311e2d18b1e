/** The books of a car: bound, printed, given to the customer; and what was left out of them, and why. */
import { useState } from 'react';
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { pathOf } from '#contract/routes.ts';
import type { BookView } from '#contract/book.ts';
import type { BuildView } from '#contract/builds.ts';
import { bytesInWords } from '#core/book/book.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { wordsOf } from '../../shared/api.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { Button } from '../../ui/Button.tsx';
import { TickField } from '../../ui/Field.tsx';
import { FormFault } from '../../ui/Form.tsx';
import { CarTitle, Head, ListLine, Now, Page, Panel, Quiet, Row, Stack, Summary } from '../../ui/parts.tsx';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { booksQuery, isBeingMade, useBind, useGive } from './book.queries.ts';
import { PapersPanel } from '../papers/index.ts';
import { Progress } from './Progress.tsx';

export default function BookPage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data: books } = useSuspenseQuery(booksQuery(buildId));
  const { person } = useShop();
  useThisCar(build.id, build.nickname);
  useTitle(`${build.nickname}: its book`);
  const isOwner = person.role === 'owner';
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>The book of the {build.nickname}</CarTitle>
          <Link to={`/builds/${build.id}`}>back to the {build.nickname}</Link>
        </Row>
        {isOwner && <BindPanel build={build} isBusy={books.some(isBeingMade)} />}
        {books.length > 0 && (
          <Panel aria-label="Bound so far">
            <Head>Bound so far</Head>
            <ul>
              {books.map((b, i) => (
                <OneBook key={b.id} book={b} build={build} isNewest={i === 0} isOwner={isOwner} />
              ))}
            </ul>
          </Panel>
        )}
        <PapersPanel buildId={build.id} customer={build.customer} />
      </Stack>
    </Page>
  );
}

function BindPanel({ build, isBusy }: { build: BuildView; isBusy: boolean }) {
  const bind = useBind(build.id);
  const [withCosts, setWithCosts] = useState(true);
  return (
    <Panel aria-label="Bind it">
      <Head>Bind it</Head>
      <p>
        Everything that {build.customer} may see: what was found and done, with its pictures, readings, parts
        and where they come from, and what to look after. As paper, and as an archive that any shop can read.
      </p>
      <TickField
        label="With what it cost"
        checked={withCosts}
        onChange={(e) => setWithCosts(e.target.checked)}
      />
      <FormFault reason={bind.isError ? wordsOf(bind.error) : undefined} />
      <Row>
        <Button
          $look="main"
          isDisabled={isBusy || bind.isPending}
          onPress={() => bind.mutate({ id: uuidv7(), withCosts, meant: [] })}
        >
          Bind the book
        </Button>
        {isBusy && <Quiet>One is being bound.</Quiet>}
      </Row>
    </Panel>
  );
}

interface OneProps {
  book: BookView;
  build: BuildView;
  isNewest: boolean;
  isOwner: boolean;
}

function OneBook({ book, build, isNewest, isOwner }: OneProps) {
  const { locale, today } = useManner();
  const { timeZone } = useShop().shop;
  const day = (at: string): string => formatDay(dayOf(at, timeZone), locale, today);
  const file = (name: string): string => pathOf('bookFile', { bookId: book.id, bookFile: name });
  return (
    <ListLine>
      <Stack $gap="s">
        <Row>
          <b>
            {book.origin === 'read' ? 'Read on' : 'Bound on'} {day(book.madeAt ?? book.askedAt)}
          </b>
          {book.origin === 'bound' && <Quiet>{book.withCosts ? 'with costs' : 'without costs'}</Quiet>}
          {book.state === 'ready' && (
            <>
              <span>
                <a href={file('book.pdf')} download>
                  Paper, {book.pages} pages
                </a>{' '}
                <Quiet>{bytesInWords(book.pdfBytes ?? 0)}</Quiet>
              </span>
              <span>
                <a href={file('book.zip')} download>
                  Archive
                </a>{' '}
                <Quiet>{bytesInWords(book.zipBytes ?? 0)}</Quiet>
              </span>
              <Given book={book} build={build} isOwner={isOwner} day={day} />
            </>
          )}
        </Row>
        {isBeingMade(book) && <Progress book={book} words="It is being bound" />}
        {book.state === 'failed' && (
          <span>
            <Now>It could not be made.</Now> {book.why}
          </span>
        )}
        {book.leftOut.length > 0 && <LeftOut book={book} build={build} canBind={isNewest && isOwner} />}
      </Stack>
    </ListLine>
  );
}

function Given({ book, build, isOwner, day }: Omit<OneProps, 'isNewest'> & { day: (at: string) => string }) {
  const give = useGive();
  if (book.givenAt !== null)
    return (
      <Quiet>
        on {build.customer}’s page since {day(book.givenAt)}
      </Quiet>
    );
  if (!isOwner) return null;
  return (
    <>
      <Button isDisabled={give.isPending} onPress={() => give.mutate(book.id)}>
        Put it on {build.customer}’s page
      </Button>
      <FormFault reason={give.isError ? wordsOf(give.error) : undefined} />
    </>
  );
}

/** Lines that are not in it; those that only may tell of somebody else can be said to be meant, and the book bound again. */
function LeftOut({ book, build, canBind }: { book: BookView; build: BuildView; canBind: boolean }) {
  const bind = useBind(build.id);
  const [meant, setMeant] = useState<ReadonlySet<string>>(new Set());
  const { leftOut } = book;
  const turn = (text: string): void => {
    const next = new Set(meant);
    if (!next.delete(text)) next.add(text);
    setMeant(next);
  };
  return (
    <details>
      <Summary>{leftOut.length === 1 ? 'One line is' : `${leftOut.length} lines are`} not in it</Summary>
      <ul>
        {leftOut.map((l) => (
          <ListLine key={l.text}>
            <Stack $gap="s">
              <span>{l.text}</span>
              <Quiet>{l.why}.</Quiet>
              {!l.isSure && canBind && (
                <TickField
                  label={`It is meant as it stands: ${l.text}`}
                  checked={meant.has(l.text)}
                  onChange={() => turn(l.text)}
                />
              )}
            </Stack>
          </ListLine>
        ))}
      </ul>
      {canBind && meant.size > 0 && (
        <Button
          isDisabled={bind.isPending}
          onPress={() =>
            bind.mutate({ id: uuidv7(), withCosts: book.withCosts, meant: [...book.meant, ...meant] })
          }
        >
          Bind it again with {meant.size === 1 ? 'that line' : `those ${meant.size} lines`}
        </Button>
      )}
    </details>
  );
}
