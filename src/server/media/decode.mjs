/**
 * Opens pictures, in a process of its own without rights: no environment, no file but its own code, no other process. What a
 * broken or hostile file does here, it does to this process only. Plain JavaScript: what reads TypeScript would need rights.
 */
import exifReader from 'exif-reader';
import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import workerpool from 'workerpool';

sharp.concurrency(1);
sharp.cache(false);

const opened = (bytes, { mostPixels }) =>
  sharp(bytes, { limitInputPixels: mostPixels, failOn: 'truncated', sequentialRead: true });
const within = (image, px) => image.resize(px, px, { fit: 'inside', withoutEnlargement: true });
const jpeg = (image, { quality }) =>
  image.flatten({ background: '#ffffff' }).jpeg({ quality, progressive: true });

/** Exif as the camera wrote it; what cannot be read is as if it were not there. */
function exifOf(exif) {
  try {
    const tags = exif ? exifReader(exif) : undefined;
    const taken = tags?.Photo?.DateTimeOriginal;
    const valid = taken instanceof Date && !Number.isNaN(taken.getTime());
    return {
      takenLocal: valid ? taken.toISOString() : undefined,
      offset: tags?.Photo?.OffsetTimeOriginal,
      hasLocation: tags?.GPSInfo !== undefined,
    };
  } catch {
    return { takenLocal: undefined, offset: undefined, hasLocation: exif !== undefined };
  }
}

workerpool.worker({
  /** What it is by its content, and what its head says; `head` is null where it cannot be opened. */
  async examine(bytes) {
    const mime = (await fileTypeFromBuffer(bytes).catch(() => undefined))?.mime;
    const head = await sharp(bytes, { limitInputPixels: false })
      .metadata()
      .catch(() => null);
    if (!head?.width || !head.height) return { mime, head: null };
    const { width, height, pages = 1, exif } = head;
    return { mime, head: { width, height, pages, ...exifOf(exif) } };
  },

  /** Upright, in sRGB, and without the camera's data: sharp writes none unless told to. Null where it is damaged. */
  async sizes(bytes, as) {
    try {
      const { data, info } = await jpeg(within(opened(bytes, as).autoOrient(), as.screenPx), as).toBuffer({
        resolveWithObject: true,
      });
      const thumb = await jpeg(within(sharp(data), as.thumbPx), as).toBuffer();
      return { plain: data, thumb, width: info.width, height: info.height };
    } catch {
      return null;
    }
  },

  async marked(bytes, svg, as) {
    const layers = svg === null ? [] : [{ input: Buffer.from(svg) }];
    const shown = await jpeg(sharp(bytes).composite(layers), as).toBuffer();
    return { shown, thumb: await jpeg(within(sharp(shown), as.thumbPx), as).toBuffer() };
  },

  async paper(bytes, as) {
    return within(opened(bytes, as).autoOrient(), as.paperPx)
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: as.quality })
      .toBuffer();
  },

  /** A JPEG of the screen size that says nothing of its camera: its small size. Otherwise why not. */
  async bare(bytes, as) {
    try {
      const { format, width, height, exif, xmp, iptc, orientation } = await sharp(bytes).metadata();
      const says = exif ?? xmp ?? iptc ?? orientation;
      if (format !== 'jpeg' || says !== undefined || Math.max(width, height) > as.screenPx) return 'not bare';
      return { thumb: await jpeg(within(opened(bytes, as), as.thumbPx), as).toBuffer(), width, height };
    } catch {
      return 'damaged';
    }
  },
});
