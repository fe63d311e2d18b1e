/**
 * Chromium with nothing listening in: a test tool that watches the network makes the page collect a stack trace for
 * every request, which on a slowed processor costs a quarter of a second. Speaks the DevTools protocol over a pipe.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Readable, Writable } from 'node:stream';

type Reply = Record<string, unknown>;

export interface BareChromium {
  send: (method: string, params?: object, sessionId?: string) => Promise<Reply>;
  /** A page in a profile of its own; answers the session that speaks to it. */
  newPage: () => Promise<string>;
  close: () => Promise<void>;
}

export function launchBare(args: readonly string[]): BareChromium {
  const profile = mkdtempSync(path.join(tmpdir(), 'avrik-bench-'));
  const child: ChildProcess = spawn(
    '/usr/bin/chromium',
    [
      '--headless',
      '--no-sandbox',
      '--remote-debugging-pipe',
      `--user-data-dir=${profile}`,
      '--lang=en-GB',
      ...args,
      'about:blank',
    ],
    { stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'], env: { ...process.env, TZ: 'Europe/London' } },
  );
  const [out, into] = [child.stdio[3] as Writable, child.stdio[4] as Readable];
  const waiting = new Map<number, { resolve: (r: Reply) => void; reject: (e: Error) => void }>();
  let rest = '';
  into.on('data', (chunk: Buffer) => {
    const messages = (rest + chunk.toString()).split('\0');
    rest = messages.pop() ?? '';
    for (const message of messages) {
      const { id, result, error } = JSON.parse(message) as {
        id?: number;
        result?: Reply;
        error?: { message: string };
      };
      const caller = id === undefined ? undefined : waiting.get(id);
      if (error) caller?.reject(new Error(error.message));
      else caller?.resolve(result ?? {});
    }
  });
  let last = 0;
  const send = (method: string, params: object = {}, sessionId?: string): Promise<Reply> => {
    last += 1;
    out.write(`${JSON.stringify({ id: last, method, params, ...(sessionId ? { sessionId } : {}) })}\0`);
    return new Promise((resolve, reject) => waiting.set(last, { resolve, reject }));
  };
  const newPage = async (): Promise<string> => {
    const { browserContextId } = await send('Target.createBrowserContext');
    const { targetId } = await send('Target.createTarget', {
      url: 'about:blank',
      browserContextId,
      width: 1280,
      height: 800,
      newWindow: true,
    });
    return (await send('Target.attachToTarget', { targetId, flatten: true })).sessionId as string;
  };
  const close = async (): Promise<void> => {
    const gone = new Promise((resolve) => child.once('exit', resolve));
    await send('Browser.close').catch(() => undefined);
    await gone;
    rmSync(profile, { recursive: true, force: true });
  };
  return { send, newPage, close };
}
