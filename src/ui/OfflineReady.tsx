'use client';
import { useEffect } from 'react';

/** Registers the service worker, so that a session runs to its end and is kept when the network or the server is gone. */
export function OfflineReady() {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    navigator.serviceWorker.register('/sw.js').catch(() => undefined); // without it everything works but offline
  }, []);
  return null;
}
