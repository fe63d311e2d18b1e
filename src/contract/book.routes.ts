/** Routes of book. */
import type { BookAskDto, BookView } from './book.ts';
import { DESK } from './access.ts';
import { get, post, put } from './route.ts';

export const bookRoutes = {
  booksOf: get('/api/builds/:buildId/books', DESK).of('none').answers<{ books: BookView[] }>(),
  bookAsk: post('/api/builds/:buildId/books', ['owner']).takes<BookAskDto>().answers<BookView>(),
  bookRead: get('/api/books/:bookId', DESK).answers<BookView>(),
  /** The body is an archive, as it is. */
  bookBringIn: put('/api/books/:bookId', ['owner']).answers<BookView>(),
  bookGive: post('/api/books/:bookId/give', ['owner']).answers<BookView>(),
  bookFile: get('/api/books/:bookId/:bookFile', DESK),
} as const;
