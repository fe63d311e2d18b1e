/**
 * Labels over HTTP: what is printed is read again by a decoder, and its code finds the thing. Nasty cases: a name longer than
 * its label, another shop's code, a slip of the pen, no ids, too many.
 */
import { expect, test } from '@jest/globals';
import encodeQR from 'qr';
import decodeQR from 'qr/decode.js';
import { pathOf } from '#contract/routes.ts';
import { MOST_LABELS, type FoundView } from '#contract/labels.ts';
import { codeOf } from '#core/codes/codes.ts';
import { LABEL_SIZES } from '#core/codes/labels.ts';
import { makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('labels');
const other = openShop('labels-elsewhere');

async function aPiece(what = 'door hinges', on = it): Promise<{ buildId: string; pieceId: string }> {
  const [buildId, pieceId] = [await makeBuild(on.owner, { nickname: 'hearse' }), nextId()];
  await on.owner
    .put(pathOf('piecePut', { buildId, pieceId }))
    .send({ version: 0, entryId: nextId(), what, count: 4, bag: '12', note: '', treatment: 'plate' })
    .expect(200);
  return { buildId, pieceId };
}
const find = (code: string, on = it) => on.technician.get(pathOf('codeFind', { code }));
const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

test('a code finds its thing, typed or scanned, and only in its own shop', async () => {
  const { buildId, pieceId } = await aPiece();
  const code = codeOf(pieceId);
  expect(((await find(code).expect(200)).body as FoundView).things).toEqual([
    expect.objectContaining({
      type: 'piece',
      id: pieceId,
      buildId,
      what: '4 door hinges',
      number: 'bag 12',
      whose: expect.stringContaining('hearse'),
    }),
  ]);
  expect((await find(code.toLowerCase().replaceAll('-', '')).expect(200)).body.things).toHaveLength(1);
  expect((await find(code, other).expect(200)).body.things).toEqual([]);
  const slip = code.startsWith('0') ? `1${code.slice(1)}` : `0${code.slice(1)}`;
  expect((await find(slip).expect(400)).body.fields).toEqual([
    expect.objectContaining({ field: 'code', reason: expect.stringContaining('read wrongly') }),
  ]);
});

test('the code’s address as a QR code is read again by a decoder', () => {
  const address = `http://localhost:4100/find/${codeOf(nextId())}`;
  const modules = encodeQR(address, 'raw', { ecc: 'medium', border: 4 });
  const scale = 4;
  const size = modules.length * scale;
  const data = new Uint8Array(size * size * 4).fill(255);
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1)
      if (modules[Math.floor(y / scale)]![Math.floor(x / scale)])
        data.fill(0, (y * size + x) * 4, (y * size + x) * 4 + 3);
  expect(decodeQR({ width: size, height: size, data })).toBe(address);
});

test.each(LABEL_SIZES)(
  'labels “%s”: a page each on a roll, one for all on a sheet, however long the name',
  async (size) => {
    const ids = [
      (await aPiece('x'.repeat(160))).pieceId,
      (await aPiece('long words '.repeat(14).trim())).pieceId,
    ];
    const { body, headers } = await it.technician
      .get(pathOf('labelsPdf'))
      .query({ size, ids: ids.join(',') })
      .expect(200);
    expect(headers['content-type']).toBe('application/pdf');
    expect(pagesOf(body as Buffer)).toBe(size === 'sheet' ? 1 : 2);
  },
);

test('a letter that no face has is named on a label of its own', async () => {
  const pages = async (what: string): Promise<number> => {
    const ids = (await aPiece(what)).pieceId;
    const { body } = await it.technician.get(pathOf('labelsPdf')).query({ size: 'bag', ids }).expect(200);
    return pagesOf(body as Buffer);
  };
  expect([await pages('4.7 kΩ relay'), await pages('中 badge')]).toEqual([1, 2]);
});

test('no ids, one that is no id, one of another shop, too many', async () => {
  const ask = (ids: string) => it.owner.get(pathOf('labelsPdf')).query({ size: 'bag', ids });
  await ask('').expect(400);
  await ask('everything').expect(400);
  await ask((await aPiece('hinges', other)).pieceId).expect(404);
  const most = Array.from({ length: MOST_LABELS + 1 }, () => nextId()).join(',');
  expect((await ask(most).expect(400)).body.fields[0].reason).toBe(`at most ${MOST_LABELS} labels at once`);
});
