/** What other features may use of this one. */
export { nameOf } from './photos.service.ts';
export {
  insertPhoto,
  isEntryOf,
  LOOK_DIGITS,
  savePhoto,
  showPictures,
  shownOf,
  wasShown,
} from './photos.queries.ts';
export { sendPhoto } from './sendPhoto.ts';
