/** What other features may use of this one. */
export { CaptionField } from './CaptionField.tsx';
export { ChoosePhotos, ChosenPhotos } from './ChoosePhotos.tsx';
export { photoUrl, pictureUrl, usePhotosByEntry } from './photos.queries.ts';
export { PhotoStrip } from './PhotoStrip.tsx';
export { filesInWords, resumePhotos, sendFiles } from './uploads.ts';
export { UploadsTray } from './UploadsTray.tsx';
export { photoWords } from './words.ts';
