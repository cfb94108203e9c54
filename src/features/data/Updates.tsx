'use client';
import { usePathname } from 'next/navigation';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { availability, onAvailability } from '@/storage/availability';
import { isSessionRunning } from '@/storage/sessions/runLock';

/** Fetching everything for later must not slow down what is wanted now. */
const QUIET_MS = 3000;
/** A tab that stays open asks for a new version this often. */
const ASK_EVERY_MS = 3600_000;

/**
 * Keeps the whole program for offline use, and offers a new version when one has arrived. It is taken in all tabs at once, and never
 * while a session runs.
 */
export function Updates() {
  const [waiting, setWaiting] = useState<ServiceWorker>();
  const [running, setRunning] = useState(false);
  const inRun = usePathname().startsWith('/run');
  const state = useSyncExternalStore(onAvailability, availability, () => 'kept' as const);
  const isOld = state === 'old code';
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    const { serviceWorker } = navigator;
    // The first worker takes charge of a page that already is the newest.
    let updates = serviceWorker.controller !== null;
    const reload = (): void => {
      if (updates) location.reload();
      updates = true;
    };
    serviceWorker.addEventListener('controllerchange', reload);
    let asking: ReturnType<typeof setInterval> | undefined;
    const watch = (registration: ServiceWorkerRegistration): void => {
      const offer = (worker: ServiceWorker | null): void => {
        if (worker && registration.active) setWaiting(worker);
      };
      offer(registration.waiting);
      registration.addEventListener('updatefound', () => {
        const worker = registration.installing;
        worker?.addEventListener('statechange', () => {
          if (worker.state === 'installed') offer(registration.waiting);
        });
      });
      asking = setInterval(() => void registration.update().catch(() => undefined), ASK_EVERY_MS);
    };
    const start = async (): Promise<void> => {
      await serviceWorker.register('/sw.js');
      const registration = await serviceWorker.getRegistration();
      if (registration) watch(registration);
    };
    // Without a service worker the app works, but not offline.
    const timer = setTimeout(() => void start().catch(() => undefined), isOld ? 0 : QUIET_MS);
    return () => {
      clearTimeout(timer);
      clearInterval(asking);
      serviceWorker.removeEventListener('controllerchange', reload);
    };
  }, [isOld]);
  // Old code can do nothing with a newer database: it gives way at once.
  useEffect(() => {
    if (isOld) waiting?.postMessage('skip-waiting');
  }, [isOld, waiting]);
  if (!waiting || inRun) return null;
  const take = (): void => {
    isSessionRunning()
      .catch(() => false)
      .then(
        (isRunning) => {
          setRunning(isRunning);
          if (!isRunning) waiting.postMessage('skip-waiting');
        },
        () => undefined,
      );
  };
  return (
    <p
      role="status"
      className="new-version fixed bottom-3 left-3 z-30 flex items-center gap-3 border border-rule bg-sheet px-3 py-2 text-[14px]"
    >
      {running ? 'A session is running. Update when it’s over.' : 'A new version is ready.'}
      <button type="button" className="btn btn-sm" onClick={take}>
        Update now
      </button>
    </p>
  );
}
