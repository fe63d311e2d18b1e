/** What the build compressed is sent so to whoever takes it; nobody else is sent what they cannot read. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import express from 'express';
import supertest from 'supertest';
import { serveClient } from './client.ts';

const SCRIPT = 'globalThis.first = "screen";'.repeat(50);
let folder: string;

beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'avrik-client-'));
  await mkdir(path.join(folder, 'assets'));
  await writeFile(path.join(folder, 'index.html'), '<html><head></head></html>');
  await writeFile(path.join(folder, 'assets/first-1a2b.js'), SCRIPT);
  await writeFile(path.join(folder, 'assets/first-1a2b.js.br'), brotliCompressSync(SCRIPT));
});
afterAll(() => rm(folder, { recursive: true }));

test.each([
  ['br, gzip', 'br'],
  ['gzip', undefined],
  ['', undefined],
])('accept-encoding %j is sent %j', async (accepted, sent) => {
  const app = express().use(serveClient(folder));
  const answer = await supertest(app)
    .get('/assets/first-1a2b.js')
    .set('accept-encoding', accepted)
    .expect(200);
  expect(answer.headers['content-encoding']).toBe(sent);
  expect(answer.headers['content-type']).toMatch(/^text\/javascript/);
  expect(answer.headers['cache-control']).toBe('public, max-age=31536000, immutable');
  expect(answer.text).toBe(SCRIPT);
});
