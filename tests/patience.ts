import { configure } from '@testing-library/react';
import { fakeLocks } from './locks';

// A second, the library's own, is short for a machine that has other work.
configure({ asyncUtilTimeout: 60_000 });

// Neither Node nor jsdom has Web Locks.
if (typeof navigator === 'undefined')
  Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true, writable: true });
if (!('locks' in navigator)) Object.defineProperty(navigator, 'locks', { value: fakeLocks(), configurable: true });
