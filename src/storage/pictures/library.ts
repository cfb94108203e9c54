import { useSyncExternalStore } from 'react';
import type { Picture } from '@/core/references/picture';
import { onChange } from '@/storage/changes';
import { db } from '@/storage/db';
import { storageProblem } from '@/storage/problems';

/** A change by hand shows at once; while changes keep coming, as when pictures are taken in, views are told now and then. */
const SOON_MS = 40;
const SELDOM_MS = 1500;
const BUSY = { times: 3, withinMs: 4000 };
let told: number[] = [];
function coalesceMs(): number {
  const now = Date.now();
  told = told.filter((at) => now - at < BUSY.withinMs);
  return told.length >= BUSY.times ? SELDOM_MS : SOON_MS;
}

export interface Library {
  /** Everything kept, the bin included; undefined while it is read for the first time. */
  pictures: readonly Picture[] | undefined;
  problem: string | undefined;
}

let library: Library = { pictures: undefined, problem: undefined };
const known = new Map<string, Picture>();
const listeners = new Set<() => void>();
let stale: Set<string> | 'all' | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
let reading = false;
let stopListening: (() => void) | undefined;

function publish(next: Library): void {
  library = next;
  listeners.forEach((listener) => listener());
}

/** Read again what changed: the records named, or all of them. */
async function refresh(): Promise<void> {
  const wanted = stale;
  stale = undefined;
  if (!wanted) return;
  const database = await db();
  if (wanted === 'all') {
    const all = await database.getAll('pictures');
    known.clear();
    for (const picture of all) known.set(picture.id, picture);
  } else {
    const { store } = database.transaction('pictures');
    const records = await Promise.all([...wanted].map((id) => store.get(id)));
    [...wanted].forEach((id, i) => {
      const record = records[i];
      if (record) known.set(id, record);
      else known.delete(id);
    });
  }
  told.push(Date.now());
  publish({ pictures: [...known.values()], problem: undefined });
}

function schedule(delayMs: number): void {
  if (timer !== undefined || reading) return;
  timer = setTimeout(() => {
    timer = undefined;
    reading = true;
    refresh()
      .catch((error: unknown) => publish({ ...library, problem: storageProblem(error) }))
      .finally(() => {
        reading = false;
        if (stale) schedule(coalesceMs());
      });
  }, delayMs);
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  if (!stopListening) {
    stopListening = onChange((store, ids) => {
      if (store !== 'pictures') return;
      if (!ids) stale = 'all';
      else if (stale !== 'all') stale = new Set([...(stale ?? []), ...ids]);
      schedule(coalesceMs());
    });
    stale = 'all';
    schedule(0);
  }
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    stopListening?.();
    stopListening = undefined;
  };
}

/** All pictures, kept in memory while a view shows them and brought up to date by what changes, in this tab or another. */
export const useLibrary = (): Library =>
  useSyncExternalStore(
    subscribe,
    () => library,
    () => library,
  );
