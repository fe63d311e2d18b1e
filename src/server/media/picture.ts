/** What a file on the disk is by its content, and the sizes made of it. Pictures are opened in a process of their own (`decode.mjs`). */
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import pLimit from 'p-limit';
import workerpool, { type Pool } from 'workerpool';
import { MOST_PIXELS, PHOTO_TYPES, whyNotPixels, type PhotoType } from '#core/photo/limits.ts';
import { marksSvg, type PhotoMark } from '#core/photo/marks.ts';
import { Refusal } from '../http/refusal.ts';
import { ROOT } from '../root.ts';

/** Longest sides in pixels; on paper sharp where it is printed half a page wide. */
const AS = { screenPx: 1600, thumbPx: 480, paperPx: 900, quality: 80, mostPixels: MOST_PIXELS };

/** The largest photograph takes seconds; what takes longer is stuck. */
const TIMEOUT_MS = 60_000;

/** One picture is opened at a time: forty sent at once take their turn and the memory stays flat. */
const oneAtATime = pLimit(1);

const DECODER = path.join(ROOT, 'src/server/media/decode.mjs');
/** All that the process may read: its code. The data lie beside it by default. */
const READABLE = [DECODER, path.join(ROOT, 'package.json'), `${path.join(ROOT, 'node_modules')}/*`];

let decoder: Pool | null = null;

/** The process, with nothing of what this one may do. */
export const openDecoder = (): Pool =>
  workerpool.pool(DECODER, {
    workerType: 'process',
    maxWorkers: 1,
    forkOpts: {
      env: {},
      serialization: 'advanced',
      execArgv: [
        '--experimental-permission',
        ...READABLE.map((file) => `--allow-fs-read=${file}`),
        '--allow-addons',
        '--no-warnings',
        '--max-old-space-size=512',
      ],
    },
  });

async function decode<T>(task: string, file: string, ...more: unknown[]): Promise<T> {
  return oneAtATime(async () => {
    decoder ??= openDecoder();
    const bytes = await readFile(file);
    try {
      return (await decoder.exec(task, [bytes, ...more]).timeout(TIMEOUT_MS)) as T;
    } catch {
      // The next picture gets another process.
      throw refuse('The picture could not be opened: it takes too long, or it breaks what opens it.');
    }
  });
}

/** Ends the process that opens pictures; the next picture starts another. */
export async function closePictures(): Promise<void> {
  const open = decoder;
  decoder = null;
  await open?.terminate(true);
}

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

function typeOf(mime: string | undefined): PhotoType {
  if (isPhotoType(mime)) return mime;
  const what = mime === undefined ? 'no picture at all' : (NAMES[mime] ?? `of the type ${mime}`);
  throw refuse(`By its content it is ${what}. JPEG, PNG and WebP are taken.`);
}

interface Head extends Omit<Examined, 'type'> {
  width: number;
  height: number;
  pages: number;
}

/** Looks at a file without unpacking it: its type by its content, its size in points, its date, whether it tells where. */
export async function examine(file: string): Promise<Examined> {
  const { mime, head } = await decode<{ mime: string | undefined; head: Head | null }>('examine', file);
  const type = typeOf(mime);
  if (head === null) throw refuse('The picture is damaged and cannot be opened.');
  const { width, height, pages, ...about } = head;
  const large = whyNotPixels(width, height);
  if (large) throw refuse(large);
  if (pages > 1) throw refuse('It is a moving picture. A single photograph is taken.');
  return { type, ...about };
}

const DAMAGED = 'The picture is damaged: it breaks off or cannot be opened.';
/** Bytes that came from another process. */
const asBuffer = (bytes: Uint8Array): Buffer => Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);

/** The sizes that people look at: upright, and without the camera's data, so that no place can be read from them. */
export async function sizesOf(file: string): Promise<Sizes> {
  const made = await decode<Sizes | null>('sizes', file, AS);
  if (made === null) throw refuse(DAMAGED);
  return { ...made, plain: asBuffer(made.plain), thumb: asBuffer(made.thumb) };
}

/** The copy with what was drawn on it, at screen size, and the small size of that. */
export async function markedSizes(
  plainFile: string,
  marks: readonly PhotoMark[],
  { width, height }: { width: number; height: number },
): Promise<{ shown: Buffer; thumb: Buffer }> {
  const svg = marks.length > 0 ? marksSvg(marks, width, height) : null;
  const { shown, thumb } = await decode<{ shown: Buffer; thumb: Buffer }>('marked', plainFile, svg, AS);
  return { shown: asBuffer(shown), thumb: asBuffer(thumb) };
}

/** A kept picture, small enough for paper. */
export const paperSize = async (file: string): Promise<Buffer> =>
  asBuffer(await decode<Buffer>('paper', file, AS));

/**
 * Of a JPEG of the screen size that says nothing of its camera: its small size; it can itself be shown as it is. Null for any other.
 */
export async function sizesIfBare(file: string): Promise<Omit<Sizes, 'plain'> | null> {
  type Bare = Omit<Sizes, 'plain'> | 'not bare' | 'damaged';
  const made = await decode<Bare>('bare', file, AS);
  if (made === 'damaged') throw refuse(DAMAGED);
  return made === 'not bare' ? null : { ...made, thumb: asBuffer(made.thumb) };
}
