import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { digestOfBlob } from '@/core/interchange/digest';
import { piecesOf } from '@/core/pieces';
import { newDigests } from '@/workers/digests';

const bytesOf = (size: number): Uint8Array<ArrayBuffer> => Uint8Array.from({ length: size }, (_, i) => (i * 31) % 251);
/** Sizes around one and several pieces. */
const SIZES = [0, 1, 65_537, 2 ** 20 - 1, 2 ** 20, 2 ** 20 + 1, 3 * 2 ** 20 + 7];
async function joined(blob: Blob): Promise<Uint8Array> {
  const parts: Uint8Array[] = [];
  for await (const piece of piecesOf(blob)) parts.push(piece);
  return Buffer.concat(parts);
}

describe('a blob in pieces', () => {
  it.each(SIZES)('of %i bytes is whole again when they are put together', async (size) => {
    const bytes = bytesOf(size);
    expect(Buffer.compare(await joined(new Blob([bytes])), bytes)).toBe(0);
  });
  it('never takes more than a megabyte at a time', async () => {
    const sizes: number[] = [];
    for await (const piece of piecesOf(new Blob([bytesOf(2 ** 21 + 5)]))) sizes.push(piece.length);
    expect(sizes).toEqual([2 ** 20, 2 ** 20, 5]);
  });
  it('has the checksum of the whole', async () => {
    const bytes = bytesOf(2 ** 20 + 99);
    expect(await digestOfBlob(new Blob([bytes]), await newDigests())).toBe(
      createHash('sha256').update(bytes).digest('hex'),
    );
  });
});
