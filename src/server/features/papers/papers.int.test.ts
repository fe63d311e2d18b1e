/**
 * Papers of a car. Nasty cases: no PDF by its content whatever its name, empty, too large, the same id twice with other bytes,
 * another customer's link, taken off the page again, another shop, a technician.
 */
import { describe, expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import { NAME_HEADER } from '#contract/photoFiles.ts';
import { MOST_PAPER_BYTES } from '#contract/papers.ts';
import { makeBuild, makeShop, nextId, openShop, signedIn, type Agent } from '#tests/support/server.ts';

const it = openShop('papers');
const PDF = Buffer.from('%PDF-1.4\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF\n');

const upload = (
  buildId: string,
  { id = nextId(), bytes = PDF, agent = it.owner }: { id?: string; bytes?: Buffer; agent?: Agent } = {},
) =>
  agent
    .put(pathOf('paperUpload', { buildId, paperId: id }))
    .set('content-type', 'application/octet-stream')
    .set(NAME_HEADER, encodeURIComponent('Weighbridge ticket.pdf'))
    .send(bytes);
const give = (paperId: string, given: boolean) =>
  it.owner.post(pathOf('paperGive', { paperId })).send({ given });
const linkOf = async (buildId: string): Promise<string> => {
  await it.owner.post(pathOf('linkRenew', { buildId })).expect(200);
  const { url } = (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body.link;
  return new URL(url as string).pathname;
};
const open = (path: string) => supertest(it.server.app.express).get(path);

describe('papers', () => {
  test('taken in, given, on the page, downloaded as a file; taken off, gone', async () => {
    const buildId = await makeBuild(it.owner);
    const { body: paper } = await upload(buildId).expect(200);
    expect(paper).toMatchObject({ name: 'Weighbridge ticket.pdf', bytes: PDF.length, givenAt: null });
    const page = await linkOf(buildId);
    const file = `${page}/papers/${paper.id}`;
    expect((await open(page).expect(200)).text).not.toContain('Weighbridge');
    await open(file).expect(404);

    await give(paper.id, true).expect(200);
    await give(paper.id, true).expect(200);
    expect((await open(page)).text).toContain(`href="${file}" download>Weighbridge ticket.pdf</a>`);
    const got = await open(file).expect(200);
    expect(got.headers['content-disposition']).toContain('attachment');
    expect(got.headers['content-security-policy']).toContain('sandbox');
    expect(Buffer.compare(got.body as Buffer, PDF)).toBe(0);
    const elsewhere = await linkOf(await makeBuild(it.owner));
    await open(`${elsewhere}/papers/${paper.id}`).expect(404);
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
    expect(entries.filter((e: { text: string }) => e.text.includes('Weighbridge'))).toHaveLength(1);

    await give(paper.id, false).expect(200);
    await open(file).expect(404);
    await it.owner.delete(pathOf('paperDrop', { paperId: paper.id })).expect(200);
    await it.owner.get(pathOf('paperFile', { paperId: paper.id })).expect(404);
    expect((await it.owner.get(pathOf('papersList', { buildId }))).body.papers).toEqual([]);
  });

  test('what is no PDF, is empty or too large is refused in words, and nothing is kept', async () => {
    const buildId = await makeBuild(it.owner);
    expect(
      (await upload(buildId, { bytes: Buffer.from('<html>no</html>') }).expect(400)).body.detail,
    ).toContain('no PDF');
    await upload(buildId, { bytes: Buffer.alloc(0) }).expect(400);
    const large = Buffer.concat([PDF, Buffer.alloc(MOST_PAPER_BYTES)]);
    expect((await upload(buildId, { bytes: large }).expect(413)).body.detail).toContain('20 MB');
    expect((await it.owner.get(pathOf('papersList', { buildId }))).body.papers).toEqual([]);
  });

  test('sent twice it is one; other bytes under its id are refused', async () => {
    const buildId = await makeBuild(it.owner);
    const id = nextId();
    await Promise.all([upload(buildId, { id }).expect(200), upload(buildId, { id }).expect(200)]);
    await upload(buildId, { id, bytes: Buffer.concat([PDF, Buffer.from('x')]) }).expect(409);
    expect((await it.owner.get(pathOf('papersList', { buildId }))).body.papers).toHaveLength(1);
  });

  test('a technician sees none, another shop finds none', async () => {
    const buildId = await makeBuild(it.owner);
    const { body: paper } = await upload(buildId).expect(200);
    await it.technician.get(pathOf('papersList', { buildId })).expect(403);
    const stranger = await signedIn(it.server, await makeShop(it.server, 'papers-other'), 'owner');
    await stranger.get(pathOf('paperFile', { paperId: paper.id })).expect(404);
    await upload(buildId, { agent: stranger }).expect(404);
    await stranger
      .post(pathOf('paperGive', { paperId: paper.id }))
      .send({ given: true })
      .expect(404);
  });
});
