import { groupBy } from '#core/lists/groupBy.ts';
import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { pathOf } from '#contract/routes.ts';
import type { PhotoSize } from '#contract/photoFiles.ts';
import type { BuildPhotoView, PhotoSaveDto, PhotoView } from '#contract/photos.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const photosQuery = (buildId: string) => readOf('photosList', { params: { buildId } });

export type PhotosByEntry = ReadonlyMap<string, readonly BuildPhotoView[]>;

const NONE: PhotosByEntry = new Map();

/** A build's photographs by the entry they belong to; empty until they are read. */
export function usePhotosByEntry(buildId: string): PhotosByEntry {
  const { data } = useQuery(photosQuery(buildId));
  return useMemo(() => (data ? groupBy(data.photos, (p) => p.entryId) : NONE), [data]);
}

/** Where a photograph's file is; the address changes when what is shown does, so browsers may keep it. */
export const photoUrl = ({ id, look }: Pick<PhotoView, 'id' | 'look'>, size: PhotoSize): string =>
  `${pathOf('photoFile', { photoId: id, size })}?look=${look}`;

/** Where a picture is as it was sent to the customer. */
export const pictureUrl = (buildId: string, hash: string): string => pathOf('pictureFile', { buildId, hash });

export const useSavePhoto = (photoId: string) =>
  useChange('photoSave', (body: PhotoSaveDto) => ({ params: { photoId }, body }));

export const useRemovePhoto = (photoId: string) => useChange('photoRemove', () => ({ params: { photoId } }));
