import { piecesOf } from '../pieces';

/** Takes bytes in, piece by piece, and says their SHA-256. */
interface Digest {
  update: (bytes: Uint8Array) => void;
  /** In hexadecimal; nothing can be added after it. */
  hex: () => string;
}
/** Begins a checksum; passed in, since platforms differ in where it is found. One is ended before the next begins. */
export type NewDigest = () => Digest;

/** The checksum of bytes that are at hand. */
export function digestOf(bytes: Uint8Array, newDigest: NewDigest): string {
  const digest = newDigest();
  digest.update(bytes);
  return digest.hex();
}

/** The checksum of a blob of any size. */
export async function digestOfBlob(blob: Blob, newDigest: NewDigest): Promise<string> {
  const digest = newDigest();
  for await (const piece of piecesOf(blob)) digest.update(piece);
  return digest.hex();
}
