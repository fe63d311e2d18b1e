/** Routes of photos. */
import type { PhotoSaveDto, PhotoView, PhotosView } from './photos.ts';
import { DESK, EVERYBODY } from './access.ts';
import { del, get, put } from './route.ts';

export const photosRoutes = {
  photosList: get('/api/builds/:buildId/photos', EVERYBODY).answers<PhotosView>(),
  photoUpload: put('/api/builds/:buildId/entries/:entryId/photos/:photoId', EVERYBODY).answers<PhotoView>(),
  photoSave: put('/api/photos/:photoId', EVERYBODY)
    .takes<PhotoSaveDto>()
    .answers<PhotoView>()
    .of('every build'),
  photoRemove: del('/api/photos/:photoId', EVERYBODY).answers<{ removed: true }>().of('every build'),
  photoFile: get('/api/photos/:photoId/:size', EVERYBODY),
  /** A picture as it was sent to the customer. */
  pictureFile: get('/api/builds/:buildId/pictures/:hash', DESK),
} as const;
