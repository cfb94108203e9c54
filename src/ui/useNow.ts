'use client';
import { useSyncExternalStore } from 'react';

/** The wall time, refreshed every so often; for clock times on screen, never for keeping time. */
export function useNow(everyMs: number): number {
  return useSyncExternalStore(
    (listener) => {
      const handle = setInterval(listener, everyMs);
      return () => clearInterval(handle);
    },
    () => Math.floor(Date.now() / everyMs) * everyMs,
    () => 0,
  );
}
