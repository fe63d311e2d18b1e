/** What other features may use of this one. */
export { insertPhoto, LOOK_DIGITS, savePhoto, showPictures, shownOf, wasShown } from './photos.queries.ts';
export { sendPhoto } from './sendPhoto.ts';
