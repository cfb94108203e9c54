import { createSHA256 } from 'hash-wasm';
import type { NewDigest } from '@/core/interchange/digest';

/** Checksums piece by piece: the browser's own SHA-256 takes a file only as a whole. */
export async function newDigests(): Promise<NewDigest> {
  const hasher = await createSHA256();
  return () => {
    hasher.init();
    return { update: (bytes) => void hasher.update(bytes), hex: () => hasher.digest('hex') };
  };
}
