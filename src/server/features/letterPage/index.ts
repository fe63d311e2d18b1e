/** What other features may use of this one. */
export { customerPageHtml, noLetterHtml } from './letterPage.html.ts';
export { pageHead, type PageHead } from './letterPage.queries.ts';
export { sendPage } from './letterPage.routes.ts';
