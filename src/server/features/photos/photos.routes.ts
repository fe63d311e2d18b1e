import { PHOTO_SIZES, type PhotoSize } from '#contract/photoFiles.ts';
import { PhotoSaveDto } from '#contract/photos.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { Feature } from '../../http/routes.ts';
import { wasShown } from './photos.queries.ts';
import * as s from './photos.service.ts';
import { sendPhoto } from './sendPhoto.ts';

const sizeOf = (size: string | undefined): PhotoSize => {
  const known = PHOTO_SIZES.find((s_) => s_ === size);
  if (!known) throw notFound('address');
  return known;
};

export function photosRoutes(deps: Deps): Feature {
  return {
    photosList: { run: ({ who, params }) => s.listPhotos(deps, who, params.buildId) },
    photoUpload: {
      run: ({ who, params, req }) => {
        const at = { buildId: params.buildId, entryId: params.entryId, id: params.photoId };
        return s.uploadPhoto(deps, who, at, req);
      },
    },
    photoSave: {
      body: PhotoSaveDto,
      run: ({ who, params, body }) => s.savePhoto(deps, who, params.photoId, body),
    },
    photoRemove: { run: ({ who, params }) => s.removePhoto(deps, who, params.photoId) },
    pictureFile: {
      run: async ({ who, params, res }) => {
        const { buildId = '', hash = '' } = params;
        if (!(await inShop(deps.db, who.shopId, (tx) => wasShown(tx, buildId, hash))))
          throw notFound('picture');
        await sendPhoto(deps, res, who.shopId, { hash, type: 'image/jpeg' });
        return undefined;
      },
    },
    photoFile: {
      run: async ({ who, params, res }) => {
        const size = sizeOf(params.size);
        const { name, ...file } = await s.photoFile(deps, who, params.photoId, size);
        await sendPhoto(deps, res, who.shopId, { ...file, ...(size === 'original' ? { saveAs: name } : {}) });
        return undefined;
      },
    },
  };
}
