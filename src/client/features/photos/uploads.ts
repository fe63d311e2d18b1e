/**
 * Photographs, and voice notes, on their way to the server: two at a time, with progress, tried again when the signal comes back. They go on
 * while one moves from page to page, and wait for their entry where that has still to arrive. They are kept on the device until
 * they have; where it keeps nothing, closing the page would lose them, and it warns.
 */
import { useSyncExternalStore } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { pathOf } from '#contract/routes.ts';
import { NAME_HEADER } from '#contract/photoFiles.ts';
import type { Problem } from '#contract/problem.ts';
import { whyNotSize } from '#core/photo/limits.ts';
import { mayPass } from '../../shared/api.ts';
import { allHere, dropHere, keepHere } from '../../shared/device.ts';
import { onReturn } from '../../shared/reach.ts';
import { isOutgoing, loadActs, onActArrived } from '../outgoing/index.ts';

export interface Upload {
  /** The photograph's own id: sent twice, it is kept once. */
  id: string;
  buildId: string;
  entryId: string;
  file: File;
  /** Share of the bytes that have gone, 0 to 1. */
  sent: number;
  state: 'waiting' | 'sending' | 'refused';
  /** Why it does not go; of a refused one, for good. */
  why: string | null;
  tries: number;
  /** On this device too, so that it survives the page. */
  isKept: boolean;
}

const AT_ONCE = 2;
const FIRST_PAUSE_MS = 2000;
const LONGEST_PAUSE_MS = 60_000;
const NO_ANSWER = 'No answer from the shop’s server; it is tried again by itself.';

let uploads: readonly Upload[] = [];
const listeners = new Set<() => void>();
const arrivals = new Set<(buildId: string) => void>();

function set(next: readonly Upload[]): void {
  uploads = next;
  guardThePage(next.some((u) => !u.isKept));
  for (const tell of listeners) tell();
}
const change = (id: string, to: Partial<Upload>): void =>
  set(uploads.map((u) => (u.id === id ? { ...u, ...to } : u)));

const warn = (e: BeforeUnloadEvent): void => e.preventDefault();
function guardThePage(on: boolean): void {
  if (on) window.addEventListener('beforeunload', warn);
  else window.removeEventListener('beforeunload', warn);
}

const isVoice = (file: Blob): boolean => file.type.startsWith('audio/');

const many = (n: number, one: string): string => (n === 1 ? `1 ${one}` : `${n} ${one}s`);

/** “2 photographs and 1 voice note”. */
export function countFiles(files: readonly Blob[]): string {
  const voices = files.filter(isVoice).length;
  const photos = files.length - voices;
  return [
    ...(photos > 0 ? [many(photos, 'photograph')] : []),
    ...(voices > 0 ? [many(voices, 'voice note')] : []),
  ].join(' and ');
}

/** As a line that has no words of its own: “Photographs and a voice note”. */
export function filesInWords(files: readonly Blob[]): string {
  const voices = files.filter(isVoice).length;
  const photos = files.length - voices;
  const shown = photos === 0 ? '' : photos === 1 ? 'Photograph' : 'Photographs';
  if (voices === 0) return shown;
  const heard = voices === 1 ? 'a voice note' : `${voices} voice notes`;
  return shown === '' ? (voices === 1 ? 'Voice note' : 'Voice notes') : `${shown} and ${heard}`;
}

type Outcome = { status: number; problem: Problem | null };

/** fetch cannot tell how much has gone; XMLHttpRequest can. */
function put(upload: Upload): Promise<Outcome> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    const { buildId, entryId, id, file } = upload;
    const path = isVoice(file)
      ? pathOf('voiceUpload', { buildId, entryId, voiceId: id })
      : pathOf('photoUpload', { buildId, entryId, photoId: id });
    request.open('PUT', path);
    request.setRequestHeader('content-type', 'application/octet-stream');
    request.setRequestHeader(NAME_HEADER, encodeURIComponent(file.name));
    request.upload.onprogress = (e) => change(id, { sent: e.total > 0 ? e.loaded / e.total : 0 });
    request.onloadend = () => {
      let problem: Problem | null = null;
      try {
        problem = request.status >= 400 ? (JSON.parse(request.responseText) as Problem) : null;
      } catch {
        // No words came with it.
      }
      resolve({ status: request.status, problem });
    };
    request.send(file);
  });
}

async function send(upload: Upload): Promise<void> {
  change(upload.id, { state: 'sending', why: null });
  const { status, problem } = await put(upload);
  if (!uploads.some((u) => u.id === upload.id)) return pump();
  if (status >= 200 && status < 300) {
    void dropHere('photos', upload.id);
    set(uploads.filter((u) => u.id !== upload.id));
    for (const tell of arrivals) tell(upload.buildId);
  } else if (mayPass(status)) {
    const tries = upload.tries + 1;
    change(upload.id, { state: 'waiting', sent: 0, tries, why: problem?.detail ?? NO_ANSWER });
    setTimeout(() => again(upload.id), Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (tries - 1)));
  } else
    change(upload.id, { state: 'refused', sent: 0, why: problem?.detail ?? `It was refused (${status}).` });
  pump();
}

/** Begins those that wait and have no pause before them, as long as there is room. */
function pump(): void {
  const room = AT_ONCE - uploads.filter((u) => u.state === 'sending').length;
  const next = uploads
    .filter((u) => u.state === 'waiting' && u.why === null && !isOutgoing(u.entryId))
    .slice(0, room);
  for (const upload of next) void send(upload);
}

function again(id: string): void {
  if (uploads.some((u) => u.id === id && u.state === 'waiting')) change(id, { why: null });
  pump();
}

const tryAll = (): void => {
  for (const u of uploads) again(u.id);
};
if (typeof window !== 'undefined') {
  window.addEventListener('online', tryAll);
  onReturn(tryAll);
  onActArrived(pump);
}

let owner = '';

/** Goes on with what this person’s device kept of an earlier page, after a pause; what is taken from now on is theirs. */
export async function resumePhotos(personId: string, pauseMs: number): Promise<void> {
  owner = personId;
  await new Promise((resolve) => setTimeout(resolve, pauseMs));
  if (owner !== personId) return;
  // Which lines have still to arrive must be known first: a photograph waits for its own.
  await loadActs();
  const known = new Set(uploads.map((u) => u.id));
  const kept = (await allHere('photos')).filter((p) => p.personId === personId && !known.has(p.id));
  if (kept.length === 0) return;
  const made = kept.map(({ id, buildId, entryId, name, file }): Upload => ({
    id,
    buildId,
    entryId,
    file: new File([file], name, { type: file.type }),
    sent: 0,
    state: 'waiting',
    why: null,
    tries: 0,
    isKept: true,
  }));
  set([...uploads, ...made]);
  pump();
}

async function keepOnDevice({ id, buildId, entryId, file }: Upload): Promise<void> {
  const isKept = await keepHere('photos', {
    id,
    personId: owner,
    buildId,
    entryId,
    name: file.name,
    file,
  });
  if (!uploads.some((u) => u.id === id)) await dropHere('photos', id);
  else if (isKept) change(id, { isKept });
}

/** Sends photographs and voice notes of an entry that has been kept. */
export function sendFiles(buildId: string, entryId: string, files: readonly File[]): void {
  const made = files.map((file): Upload => {
    const why = whyNotSize(file.size);
    const state = why === null ? 'waiting' : 'refused';
    return { id: uuidv7(), buildId, entryId, file, sent: 0, state, why, tries: 0, isKept: false };
  });
  set([...uploads, ...made]);
  for (const upload of made) if (upload.state === 'waiting') void keepOnDevice(upload);
  pump();
}

/** Forgets one that does not go. */
export function forgetUpload(id: string): void {
  void dropHere('photos', id);
  set(uploads.filter((u) => u.id !== id));
}

/** Hears of each photograph that has arrived. */
export function onArrival(tell: (buildId: string) => void): () => void {
  arrivals.add(tell);
  return () => arrivals.delete(tell);
}

export const useUploads = (): readonly Upload[] =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => uploads,
  );
