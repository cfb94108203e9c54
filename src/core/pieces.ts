/** Read at a time. */
const PIECE_BYTES = 1024 ** 2;

/** What is in a blob, piece by piece: a blob of any size takes no more memory than a piece. Streams of blobs get stuck in some browsers. */
export async function* piecesOf(blob: Blob): AsyncGenerator<Uint8Array<ArrayBuffer>, void> {
  for (let from = 0; from < blob.size; from += PIECE_BYTES)
    yield new Uint8Array(await blob.slice(from, from + PIECE_BYTES).arrayBuffer());
}
