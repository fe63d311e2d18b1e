/** What a file on the disk is by its content, and the sizes made of it. The only place that opens pictures. */
import { fileTypeFromFile } from 'file-type';
import exifReader from 'exif-reader';
import pLimit from 'p-limit';
import sharp, { type Sharp } from 'sharp';
import { MOST_PIXELS, PHOTO_TYPES, whyNotPixels, type PhotoType } from '#core/photo/limits.ts';
import { marksSvg, type PhotoMark } from '#core/photo/marks.ts';
import { Refusal } from '../http/refusal.ts';

/** Longest side of the screen size and of the small size, in pixels. */
const SCREEN_PX = 1600;
const THUMB_PX = 480;
const QUALITY = 80;

/** One picture is opened at a time, on one thread: forty sent at once take their turn and the memory stays flat. */
const oneAtATime = pLimit(1);
sharp.concurrency(1);
sharp.cache(false);

export interface Examined {
  type: PhotoType;
  /** As the camera wrote it, without a zone; and its zone, where it gives one. */
  takenLocal: string | undefined;
  offset: string | undefined;
  hasLocation: boolean;
}

export interface Sizes {
  plain: Buffer;
  thumb: Buffer;
  /** Of the screen size, upright. */
  width: number;
  height: number;
}

const refuse = (why: string): Refusal => new Refusal('invalid', `${why} Nothing was kept.`);

const isPhotoType = (mime: string | undefined): mime is PhotoType =>
  (PHOTO_TYPES as readonly (string | undefined)[]).includes(mime);

/** Names of what people send by mistake, by content type. */
const NAMES: Record<string, string> = {
  'application/pdf': 'a PDF',
  'application/zip': 'a ZIP archive',
  'application/xml': 'a drawing or text, not a photograph',
  'image/gif': 'a GIF',
  'image/tiff': 'a TIFF',
  'image/heic': 'a HEIC picture; set the telephone’s camera to “most compatible”, or send it as JPEG',
  'image/heif': 'a HEIF picture; set the telephone’s camera to “most compatible”, or send it as JPEG',
  'image/avif': 'an AVIF picture',
  'video/mp4': 'a film',
  'video/quicktime': 'a film',
};

/** By content, not by name. */
async function typeOf(file: string): Promise<PhotoType> {
  const mime = (await fileTypeFromFile(file).catch(() => undefined))?.mime;
  if (isPhotoType(mime)) return mime;
  const what = mime === undefined ? 'no picture at all' : (NAMES[mime] ?? `of the type ${mime}`);
  throw refuse(`By its content it is ${what}. JPEG, PNG and WebP are taken.`);
}

const opened = (file: string): Sharp =>
  sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'truncated', sequentialRead: true });

/** Exif as the camera wrote it; what cannot be read is as if it were not there. */
function exifOf(exif: Buffer | undefined): Omit<Examined, 'type'> {
  try {
    const tags = exif ? exifReader(exif) : undefined;
    const taken = tags?.Photo?.DateTimeOriginal as Date | undefined;
    const valid = taken instanceof Date && !Number.isNaN(taken.getTime());
    return {
      takenLocal: valid ? taken.toISOString() : undefined,
      offset: tags?.Photo?.OffsetTimeOriginal as string | undefined,
      hasLocation: tags?.GPSInfo !== undefined,
    };
  } catch {
    return { takenLocal: undefined, offset: undefined, hasLocation: exif !== undefined };
  }
}

/** Looks at a file without unpacking it: its type, its size in points, its date, whether it tells where. */
export async function examine(file: string): Promise<Examined> {
  const type = await typeOf(file);
  const head = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!head?.width || !head.height) throw refuse('The picture is damaged and cannot be opened.');
  const large = whyNotPixels(head.width, head.height);
  if (large) throw refuse(large);
  if ((head.pages ?? 1) > 1) throw refuse('It is a moving picture. A single photograph is taken.');
  return { type, ...exifOf(head.exif) };
}

const jpeg = (image: Sharp): Sharp =>
  image.flatten({ background: '#ffffff' }).jpeg({ quality: QUALITY, progressive: true });

/**
 * The sizes that people look at: upright, in sRGB, and without the camera's data (sharp writes none unless told to),
 * so that no place can be read from them.
 */
export const sizesOf = (file: string): Promise<Sizes> =>
  oneAtATime(async () => {
    try {
      const within = (px: number): Sharp =>
        opened(file).autoOrient().resize(px, px, { fit: 'inside', withoutEnlargement: true });
      const { data, info } = await jpeg(within(SCREEN_PX)).toBuffer({ resolveWithObject: true });
      const thumb = await jpeg(
        sharp(data).resize(THUMB_PX, THUMB_PX, { fit: 'inside', withoutEnlargement: true }),
      );
      return { plain: data, thumb: await thumb.toBuffer(), width: info.width, height: info.height };
    } catch {
      throw refuse('The picture is damaged: it breaks off or cannot be opened.');
    }
  });

/** The copy with what was drawn on it, at screen size, and the small size of that. */
export const markedSizes = (
  plainFile: string,
  marks: readonly PhotoMark[],
  { width, height }: { width: number; height: number },
): Promise<{ shown: Buffer; thumb: Buffer }> =>
  oneAtATime(async () => {
    const overlay = Buffer.from(marksSvg(marks, width, height));
    const shown = await jpeg(
      sharp(plainFile).composite(marks.length > 0 ? [{ input: overlay }] : []),
    ).toBuffer();
    const small = sharp(shown).resize(THUMB_PX, THUMB_PX, { fit: 'inside', withoutEnlargement: true });
    return { shown, thumb: await jpeg(small).toBuffer() };
  });

/** Longest side of a picture on paper, in pixels: sharp where it is printed half a page wide. */
const PAPER_PX = 900;

/** A kept picture, small enough for paper. */
export const paperSize = (file: string): Promise<Buffer> =>
  oneAtATime(() =>
    opened(file)
      .autoOrient()
      .resize(PAPER_PX, PAPER_PX, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: QUALITY })
      .toBuffer(),
  );

/**
 * Of a JPEG of the screen size that says nothing of its camera: its small size; it can itself be shown as it is. Null for any other.
 */
export const sizesIfBare = (file: string): Promise<Omit<Sizes, 'plain'> | null> =>
  oneAtATime(async () => {
    try {
      const { format, width, height, exif, xmp, iptc, orientation } = await sharp(file).metadata();
      const says = exif ?? xmp ?? iptc ?? orientation;
      if (format !== 'jpeg' || says !== undefined || Math.max(width, height) > SCREEN_PX) return null;
      const thumb = opened(file).resize(THUMB_PX, THUMB_PX, { fit: 'inside', withoutEnlargement: true });
      return { thumb: await jpeg(thumb).toBuffer(), width, height };
    } catch {
      throw refuse('The picture is damaged: it breaks off or cannot be opened.');
    }
  });
