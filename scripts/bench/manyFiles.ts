import { type ArchivedImage, readArchive, writeArchive } from '@/core/interchange/archive';
import { noRecords } from '@/core/interchange/records';
import { newDigests } from '@/workers/digests';
import { limited, type Row } from './row.mjs';

/** More than a ZIP of the smaller form can hold. */
const FILES = 66_000;

/** An archive of more files than the smaller form of ZIP can hold, written and read again. */
export async function manyFiles(): Promise<Row> {
  const newDigest = await newDigests();
  async function* images(): AsyncGenerator<ArchivedImage> {
    for (let i = 0; i < FILES; i++)
      yield await Promise.resolve({
        key: `thumbnail/${String(i)}`,
        image: new Blob([Uint8Array.of(i & 255, i >> 8)], { type: 'image/jpeg' }),
      });
  }
  const from = performance.now();
  const chunks: Uint8Array<ArrayBuffer>[] = [];
  const into = new WritableStream<Uint8Array>({ write: (chunk) => void chunks.push(chunk.slice()) });
  await writeArchive(noRecords(), images(), 0, newDigest, into);
  const writtenMs = performance.now() - from;
  const back = await readArchive(new Blob(chunks), newDigest);
  const readMs = performance.now() - from - writtenMs;
  const value = `${(writtenMs / 1000).toFixed(0)} / ${(readMs / 1000).toFixed(0)} s, ${String(back.images.length)} found`;
  const missing = FILES - back.images.length;
  return limited(`an archive of ${FILES.toLocaleString('en')} files, written / read`, value, missing, 0, 'missing');
}
