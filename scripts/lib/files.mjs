/** Small files that must survive a power cut: written whole or not at all, and read with their three ends told apart. */
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs';
import path from 'node:path';

function syncFolder(folder) {
  const handle = openSync(folder, 'r');
  fsyncSync(handle);
  closeSync(handle);
}

/** Written beside, flushed to the disk, then moved into place: a reader sees the old file or the new one. */
export function writeWhole(file, text) {
  const part = `${file}.part`;
  const handle = openSync(part, 'w', 0o600);
  try {
    writeSync(handle, text);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  renameSync(part, file);
  syncFolder(path.dirname(file));
}

/** `{ state: 'missing' }`, `{ state: 'broken' }` (empty, cut short, no JSON object) or `{ state: 'there', value }`. */
export function readObject(file) {
  if (!existsSync(file)) return { state: 'missing' };
  try {
    const value = JSON.parse(readFileSync(file, 'utf8'));
    return typeof value === 'object' && value !== null ? { state: 'there', value } : { state: 'broken' };
  } catch (error) {
    if (error instanceof SyntaxError) return { state: 'broken' };
    throw error;
  }
}

/** Keeps a broken file beside the new one: whoever looks into what happened may need it. */
export function setAside(file) {
  const stamp = new Date().toISOString().slice(0, 19).replaceAll(':', '-');
  const aside = `${file}.broken-${stamp}`;
  renameSync(file, aside);
  return aside;
}
