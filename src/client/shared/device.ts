/** What this device keeps of its own: a database in the browser, or, where the browser forbids one, the memory of the page. */
import type { DBSchema, IDBPDatabase, StoreNames } from 'idb';

/** Something that was done here and has to reach the server, in the order of `n`. */
export interface KeptAct {
  id: string;
  n: number;
  personId: string;
  route: 'entryAdd' | 'saidKeep' | 'walkSeen' | 'readingPut';
  params: Record<string, string>;
  body: object;
  /** By this device's clock, which only ever measures how long ago that was. */
  writtenAt: number;
  /** How it is shown while it waits. */
  words: string;
  /** So many lines of the logbook; one when absent. */
  lines?: number;
  /** Why the server refused it; null while it waits. */
  refused: string | null;
}

/** A photograph that has to reach the server. */
export interface KeptPhoto {
  id: string;
  personId: string;
  buildId: string;
  entryId: string;
  name: string;
  file: Blob;
}

interface Shape extends DBSchema {
  acts: { key: string; value: KeptAct };
  photos: { key: string; value: KeptPhoto };
}
type Name = StoreNames<Shape>;

const memory: { [N in Name]: Map<string, Shape[N]['value']> } = { acts: new Map(), photos: new Map() };
let opened: Promise<IDBPDatabase<Shape> | null> | undefined;

/** The library comes when it is first needed, which is after the first screen. */
async function open(): Promise<IDBPDatabase<Shape>> {
  const { openDB } = await import('idb');
  return openDB<Shape>('avrik', 1, {
    upgrade: (db) => {
      db.createObjectStore('acts', { keyPath: 'id' });
      db.createObjectStore('photos', { keyPath: 'id' });
    },
  });
}

/** Null where there is none: in a private window, or when the disk is full. */
function database(): Promise<IDBPDatabase<Shape> | null> {
  opened ??= open().catch(() => null);
  return opened;
}

/** Answers whether it survives the page. */
export async function keepHere<N extends Name>(name: N, value: Shape[N]['value']): Promise<boolean> {
  try {
    const db = await database();
    if (db) {
      await db.put(name, value);
      return true;
    }
  } catch {
    // Full: the page still has it.
  }
  (memory[name] as Map<string, Shape[N]['value']>).set(value.id, value);
  return false;
}

export async function dropHere(name: Name, id: string): Promise<void> {
  memory[name].delete(id);
  await (await database())?.delete(name, id).catch(() => undefined);
}

export async function allHere<N extends Name>(name: N): Promise<Shape[N]['value'][]> {
  const kept = await (await database())?.getAll(name).catch(() => []);
  return [...(kept ?? []), ...(memory[name].values() as Iterable<Shape[N]['value']>)];
}
