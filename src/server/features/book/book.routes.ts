import { BookAskDto } from '#contract/book.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { sendPhoto } from '../photos/index.ts';
import * as s from './book.service.ts';

export function bookRoutes(deps: Deps): Feature {
  return {
    booksOf: { run: ({ who, params }) => s.booksOf(deps, who, params.buildId) },
    bookAsk: {
      body: BookAskDto,
      run: ({ who, params, body }) => s.askBook(deps, who, params.buildId, body),
    },
    bookRead: { run: ({ who, params }) => s.readBookRow(deps, who, params.bookId) },
    bookBringIn: { run: ({ who, params, req }) => s.bringInBook(deps, who, params.bookId, req) },
    bookGive: { run: ({ who, params }) => s.giveBook(deps, who, params.bookId) },
    bookFile: {
      run: async ({ who, params, res }) => {
        const file = await s.bookFile(deps, who, params.bookId, params.bookFile ?? '');
        await sendPhoto(deps, res, who.shopId, file);
        return undefined;
      },
    },
  };
}
