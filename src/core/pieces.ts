/** Read at a time. */
const PIECE_BYTES = 1024 ** 2;

/**
 * What is in a blob, piece by piece, in one buffer that is used again for each: a blob of any size takes no more memory than that.
 * @returns Views that hold until the next is asked for. In browsers that cannot read into a given buffer, pieces have their own.
 */
export async function* piecesOf(blob: Blob): AsyncGenerator<Uint8Array<ArrayBuffer>, void> {
  const stream = blob.stream();
  const reader = byobReader(stream);
  if (!reader) {
    for (let from = 0; from < blob.size; from += PIECE_BYTES)
      yield new Uint8Array(await blob.slice(from, from + PIECE_BYTES).arrayBuffer());
    return;
  }
  let buffer = new ArrayBuffer(Math.min(PIECE_BYTES, Math.max(1, blob.size)));
  try {
    for (;;) {
      const { value, done } = await reader.read(new Uint8Array(buffer));
      if (done) return;
      yield value;
      buffer = value.buffer;
    }
  } finally {
    await reader.cancel().catch(() => undefined);
  }
}

function byobReader(stream: ReadableStream<Uint8Array<ArrayBuffer>>): ReadableStreamBYOBReader | undefined {
  try {
    return stream.getReader({ mode: 'byob' });
  } catch {
    return undefined;
  }
}
