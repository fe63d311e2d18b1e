/** Pictures made for tests: real files, small, with the camera's data where it matters. */
import { crc32 } from 'node:zlib';
import sharp from 'sharp';

export interface Made {
  width?: number;
  height?: number;
  color?: string;
  /** "2026:03:10 16:40:00", as cameras write it. */
  taken?: string;
  offset?: string;
  /** Tells where it was taken. */
  located?: boolean;
  /** Exif orientation, 1 to 8. */
  orientation?: number;
}

export function jpegOf(made: Made = {}): Promise<Buffer> {
  const { width = 640, height = 480, color = '#8e3420' } = made;
  const photo = {
    ...(made.taken === undefined ? {} : { DateTimeOriginal: made.taken }),
    ...(made.offset === undefined ? {} : { OffsetTimeOriginal: made.offset }),
  };
  const exif = {
    IFD0: { Make: 'Testcam', ImageDescription: 'SECRETWORDS' },
    IFD2: photo,
    ...(made.located
      ? {
          IFD3: {
            GPSLatitudeRef: 'N',
            GPSLatitude: '51/1 28/1 38/1',
            GPSLongitudeRef: 'W',
            GPSLongitude: '0/1 0/1 5/1',
          },
        }
      : {}),
  };
  const bare = sharp({ create: { width, height, channels: 3, background: color } });
  return bare
    .withExif(exif)
    .withMetadata({ ...(made.orientation === undefined ? {} : { orientation: made.orientation }) })
    .jpeg()
    .toBuffer();
}

const PNG_HEAD_AT = 12;
const PNG_HEAD_BYTES = 17;

/** A small file that says it is `width` by `height` points: its head is rewritten, with a true checksum. */
export async function bombOf(width: number, height: number): Promise<Buffer> {
  const png = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#202020' } })
    .png()
    .toBuffer();
  png.writeUInt32BE(width, PNG_HEAD_AT + 4);
  png.writeUInt32BE(height, PNG_HEAD_AT + 8);
  const head = png.subarray(PNG_HEAD_AT, PNG_HEAD_AT + PNG_HEAD_BYTES);
  png.writeUInt32BE(crc32(head), PNG_HEAD_AT + PNG_HEAD_BYTES);
  return png;
}
