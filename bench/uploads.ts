/** Forty photographs of 8 MB sent to the running server, four at a time: the memory it takes, and how long. */
import { randomBytes } from 'node:crypto';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { pathOf } from '../src/contract/routes.ts';
import { watched } from './memory.ts';
import type { BenchServers } from './servers.ts';
import type { Line } from './line.ts';

const PHOTOGRAPHS = 40;
const AT_ONCE = 4;
const MEGABYTE = 1024 * 1024;
const BYTES = 8 * MEGABYTE;

/** Twelve million points of noise, the hardest thing a JPEG can hold, filled up to 8 MB; each with an end of its own. */
async function photograph(): Promise<Buffer> {
  const [width, height] = [4000, 3000];
  const noise = { width, height, channels: 3 as const };
  const jpeg = await sharp(randomBytes(width * height * 3), { raw: noise })
    .jpeg({ quality: 45 })
    .toBuffer();
  if (jpeg.length > BYTES) throw new Error(`the photograph has ${jpeg.length} bytes`);
  return Buffer.concat([jpeg, Buffer.alloc(BYTES - jpeg.length)]);
}

async function newestEntry({ app, cookie, buildId }: BenchServers): Promise<string> {
  const answer = await fetch(`${app}${pathOf('entriesList', { buildId })}?limit=1`, { headers: { cookie } });
  return ((await answer.json()) as { entries: { id: string }[] }).entries[0]!.id;
}

async function send(servers: BenchServers, entryId: string, bytes: Buffer): Promise<void> {
  const path = pathOf('photoUpload', { buildId: servers.buildId, entryId, photoId: uuidv7() });
  const headers = { cookie: servers.cookie, 'content-type': 'application/octet-stream' };
  const answer = await fetch(servers.app + path, { method: 'PUT', headers, body: new Uint8Array(bytes) });
  if (!answer.ok) throw new Error(`an upload was refused: ${await answer.text()}`);
}

export async function benchUploads(servers: BenchServers): Promise<Line[]> {
  const made = await photograph();
  const entryId = await newestEntry(servers);
  let left = PHOTOGRAPHS;
  const sender = async (): Promise<void> => {
    while (left > 0) {
      left -= 1;
      const own = Buffer.from(made);
      randomBytes(16).copy(own, own.length - 16);
      await send(servers, entryId, own);
    }
  };
  const { before, most, seconds } = await watched(servers.appPid, () =>
    Promise.all(Array.from({ length: AT_ONCE }, sender)),
  );
  return [
    {
      what: `${PHOTOGRAPHS} photographs of 8 MB: most memory of the server`,
      value: most,
      unit: 'MB',
      goal: { atMost: 300 },
    },
    { what: `${PHOTOGRAPHS} photographs of 8 MB: memory of the server before`, value: before, unit: 'MB' },
    {
      what: `${PHOTOGRAPHS} photographs of 8 MB: each, ${AT_ONCE} at a time`,
      value: seconds / PHOTOGRAPHS,
      unit: 's',
    },
  ];
}
