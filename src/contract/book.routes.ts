/** Routes of book. */
import type { BookAskDto, BookView } from './book.ts';
import { DESK } from './access.ts';
import { get, post, put } from './route.ts';

export const bookRoutes = {
  booksOf: get('/api/builds/:buildId/books', DESK).of('none').answers<{ books: BookView[] }>().about('books'),
  bookAsk: post('/api/builds/:buildId/books', ['owner'])
    .takes<BookAskDto>()
    .answers<BookView>()
    .of('none')
    .about('books'),
  bookRead: get('/api/books/:bookId', DESK).answers<BookView>().about('books'),
  /** The body is an archive, as it is. */
  bookBringIn: put('/api/books/:bookId', ['owner'])
    .answers<BookView>()
    .of('every build')
    .about('books', 'customers'),
  bookGive: post('/api/books/:bookId/give', ['owner']).answers<BookView>().about('books'),
  bookFile: get('/api/books/:bookId/:bookFile', DESK),
} as const;
