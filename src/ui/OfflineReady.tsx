'use client';
import { useEffect } from 'react';

const QUIET_MS = 3000;

/** Registers the service worker, so that a session runs to its end and is kept when the network or the server is gone. */
export function OfflineReady() {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    // Fetching everything for later must not slow down what is wanted now. Without it everything works but offline.
    const timer = setTimeout(() => void navigator.serviceWorker.register('/sw.js').catch(() => undefined), QUIET_MS);
    return () => clearTimeout(timer);
  }, []);
  return null;
}
