import { Blob as KeptBlob } from 'node:buffer';
import { vi } from 'vitest';

/** Over all tests: what one of them takes back late is not another's. */
let count = 0;

/**
 * A stand-in page in which blobs can be kept and shown; undone by `vi.unstubAllGlobals`.
 * @returns Addresses that were given out and not taken back.
 */
export function stubBlobs(): Map<string, Blob> {
  // The one that a database can keep: that of the stand-in page cannot be.
  vi.stubGlobal('Blob', KeptBlob);
  const open = new Map<string, Blob>();
  URL.createObjectURL = (blob) => {
    const url = `blob:${String(++count)}`;
    open.set(url, blob as Blob);
    return url;
  };
  URL.revokeObjectURL = (url) => void open.delete(url);
  return open;
}
