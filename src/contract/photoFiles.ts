/** How photographs' files go over the wire. No classes here: the first screen needs it before any validator. */

/** Carries the file's own name with the upload, as `encodeURIComponent` writes it. */
export const NAME_HEADER = 'x-photo-name';

/** Files of a photograph: small, as shown (with its marks), bare at screen size, as it came. */
export const PHOTO_SIZES = ['thumb', 'shown', 'plain', 'original'] as const;
export type PhotoSize = (typeof PHOTO_SIZES)[number];
