'use client';
import { useSyncExternalStore } from 'react';
import { onChange } from '@/storage/changes';
import { loadSetting } from '@/storage/settings';

let covered: boolean | undefined;
const listeners = new Set<() => void>();
let stopListening: (() => void) | undefined;

function read(): void {
  loadSetting('covered')
    .then(
      (value) => (covered = value ?? false),
      // Where it cannot be known they are.
      () => (covered = true),
    )
    .finally(() => listeners.forEach((listener) => listener()));
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  if (!stopListening) {
    stopListening = onChange((store) => {
      if (store === 'settings') read();
    });
    read();
  }
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    stopListening?.();
    stopListening = undefined;
  };
}

/**
 * Whether figures wear close-fitting cover and unclothed pictures are veiled, as chosen for shared screens; undefined until that is known,
 * when nothing should show. Asked by every picture of a grid, so it is read once for all of them.
 */
export const useCovered = (): boolean | undefined =>
  useSyncExternalStore(
    subscribe,
    () => covered,
    () => undefined,
  );
