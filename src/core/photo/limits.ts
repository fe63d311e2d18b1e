/** What a photograph may be: the same limits and words on the screen and on the server. */

export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export type PhotoType = (typeof PHOTO_TYPES)[number];

/** Largest file taken, in bytes. */
export const MOST_BYTES = 40 * 1024 * 1024;

/** Most points of a picture: what the largest hand-held cameras make. A larger one would fill the memory when it is opened. */
export const MOST_PIXELS = 64_000_000;

/** Photographs of one entry. */
export const MOST_PHOTOS = 60;

/** Why a file of this size is not taken, or null. */
export function whyNotSize(bytes: number): string | null {
  if (bytes === 0) return 'The file is empty.';
  return bytes > MOST_BYTES
    ? `It is ${Math.ceil(bytes / 1024 / 1024)} MB; at most ${MOST_BYTES / 1024 / 1024} MB are taken.`
    : null;
}

/** Why a picture of this many points is not taken, or null. */
export const whyNotPixels = (width: number, height: number): string | null =>
  width * height > MOST_PIXELS
    ? `It is ${width} by ${height} points, more than any camera here makes. Save it smaller, then send it again.`
    : null;
