/** Which start works a data folder: `running.json` there. A file that a power cut left behind is known for what it is. */
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { readObject } from './files.mjs';
import { Told } from './say.mjs';

const lockFile = (folder) => path.join(folder, 'running.json');

/** When the kernel started this process, in ticks since boot (proc(5), field 22); null when there is none. */
function startTicks(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The second field is the program's name in parentheses, which may hold spaces.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
}

/** `{ pid, url }` of the start that works this folder now, or null: the number of a dead process may have been given anew. */
export function whoRuns(folder) {
  const { state, value } = readObject(lockFile(folder));
  if (state !== 'there' || !Number.isInteger(value.pid)) return null;
  return value.ticks !== undefined && startTicks(value.pid) === value.ticks ? value : null;
}

/** Claims the folder for this process; refuses where another works it. */
export function claim(folder, url) {
  const other = whoRuns(folder);
  if (other)
    throw new Told(`Avrik runs already, at ${other.url} (process ${other.pid}). Stop that one first.`);
  rmSync(lockFile(folder), { force: true });
  const mine = JSON.stringify({ pid: process.pid, ticks: startTicks(process.pid), url });
  try {
    writeFileSync(lockFile(folder), mine, { flag: 'wx' });
  } catch (error) {
    if (error.code === 'EEXIST') throw new Told('Avrik is being started here by another process.');
    throw error;
  }
}

export const release = (folder) => rmSync(lockFile(folder), { force: true });
