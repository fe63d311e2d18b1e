/** What other features may use of this one. */
export { LOOK_DIGITS, showPictures, shownOf, wasShown } from './photos.queries.ts';
export { sendPhoto } from './sendPhoto.ts';
