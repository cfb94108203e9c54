import { Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js/lib/zip-core-native.js';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import {
  type ArchivedImage,
  ArchiveError,
  archiveProblemSentence,
  readArchive,
  writeArchive,
} from '@/core/interchange/archive';
import type { Records } from '@/core/interchange/records';
import { newDigests } from '@/workers/digests';
import { planOf, poses } from './plans';

const newDigest = await newDigests();
const records: Records = {
  sessions: [
    {
      id: 'a',
      plan: planOf(poses(2)),
      log: [{ type: 'start', atMs: 0 }],
      startedAtMs: 5,
      lastSeenMs: 9,
      status: 'kept',
      note: 'ü “x”',
    },
  ],
  pages: [{ id: 'p', sessionId: 'a', widthPx: 3, heightPx: 4, addedAtMs: 1, binnedAtMs: null }],
  sets: [{ id: 's', name: 'Hands', createdAtMs: 1, binnedAtMs: 7 }],
  pictures: [],
  bodies: [],
  plans: [],
  viewings: [],
  drawings: [],
  courses: [],
  strokes: [
    {
      id: 'a/00000000',
      sessionId: 'a',
      sheet: 0,
      drawing: '0:0',
      attempt: 0,
      n: 0,
      atMs: 10,
      tool: 'graphite',
      by: 'pen',
      points: [100, 200, 0, 500, 120, 220, 8, 510],
    },
  ],
  groups: [],
  settings: { minutes: 25, seeded: true },
};
const images: ArchivedImage[] = [
  { key: 'page/p', image: new Blob([Uint8Array.from([1, 2, 3])], { type: 'image/jpeg' }) },
  { key: 'thumbnail/p', image: new Blob([Uint8Array.from([4])], { type: 'image/webp' }) },
];
async function* stream(list: ArchivedImage[]) {
  for (const image of list) yield await Promise.resolve(image);
}
async function archive(r = records, list = images): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  const into = new WritableStream<Uint8Array>({ write: (chunk) => void chunks.push(chunk.slice()) });
  await writeArchive(r, stream(list), 1_764_000_000_000, newDigest, into);
  return Uint8Array.from(Buffer.concat(chunks));
}
const blobOf = (bytes: Uint8Array): Blob => new Blob([new Uint8Array(bytes)]);
const problemOf = async (bytes: Uint8Array): Promise<string> => {
  try {
    await readArchive(blobOf(bytes), newDigest);
    return 'none';
  } catch (error) {
    return error instanceof ArchiveError ? error.problem : `other: ${String(error)}`;
  }
};
const manifest = { format: 'fox-minute archive', version: 1, exportedAtMs: 0, files: [] };
const json = (value: unknown): Uint8Array => strToU8(JSON.stringify(value));
const zip = (files: Record<string, Uint8Array>): Uint8Array => zipSync(files);
const good = { 'manifest.json': json(manifest), 'records.json': json(records) };

describe('an archive', () => {
  it('gives back exactly what went in', async () => {
    const back = await readArchive(blobOf(await archive()), newDigest);
    expect(back).toMatchObject({ records, imageBytes: 4, told: [], exportedAtMs: 1_764_000_000_000 });
    expect(back.images.map(({ key, image }) => [key, image.type])).toEqual([
      ['page/p', 'image/jpeg'],
      ['thumbnail/p', 'image/webp'],
    ]);
    expect(await Promise.all(back.images.map(({ image }) => image.bytes().then((b) => [...b])))).toEqual([
      [1, 2, 3],
      [4],
    ]);
  });
  it('is the same for the same content', async () => {
    expect(Buffer.compare(await archive(), await archive())).toBe(0);
  });
  it('tolerates litter that archive programs add', async () => {
    expect(await problemOf(zip({ ...good, '__MACOSX/._x': json(1), 'notes.txt': json(2) }))).toBe('none');
  });
  it.each([
    ['something that is no ZIP', strToU8('hello, this is only text'), 'not a zip'],
    ['nothing', new Uint8Array(0), 'not a zip'],
    ['a ZIP of something else', zip({ 'a.txt': json('hi') }), 'not ours'],
    [
      'a manifest of something else',
      zip({ ...good, 'manifest.json': json({ ...manifest, format: 'other' }) }),
      'not ours',
    ],
    ['a newer one', zip({ ...good, 'manifest.json': json({ ...manifest, version: 9 }) }), 'newer'],
    ['a path that climbs out', zip({ ...good, '../../evil.sh': json(1) }), 'unsafe'],
    ['an absolute path', zip({ ...good, '/etc/passwd': json(1) }), 'unsafe'],
    ['a path of another system', zip({ ...good, 'C:\\evil.exe': json(1) }), 'unsafe'],
    ['a bomb', zip({ ...good, 'images/page/x.png': new Uint8Array(64 * 1024 ** 2) }), 'too large'],
    ['a bomb of records', zip({ ...good, 'records.json': new Uint8Array(300 * 1024 ** 2) }), 'too large'],
    ['broken records', zip({ ...good, 'records.json': strToU8('{"sessions": [') }), 'damaged'],
    [
      'a listed image that is missing',
      zip({
        ...good,
        'manifest.json': json({
          ...manifest,
          files: [{ path: 'images/page/p.jpg', type: 'image/jpeg', bytes: 3, sha256: 'a'.repeat(64) }],
        }),
      }),
      'damaged',
    ],
  ] as const)('refuses %s', async (_name, bytes, problem) => {
    expect(await problemOf(bytes)).toBe(problem);
  });
  it('notices a truncated file wherever it breaks off', async () => {
    const whole = await archive();
    for (const share of [0.1, 0.5, 0.9, 0.99])
      expect(await problemOf(whole.subarray(0, Math.floor(whole.length * share)))).toBe('not a zip');
  });
  it('leaves out by name what cannot be read, mends what can, and keeps the rest', async () => {
    const [session] = records.sessions;
    const long = { ...session, id: 'long', log: [...session.log, { type: 'extend', atMs: 5, byMs: 9e8 }] };
    const files = {
      ...good,
      'records.json': json({
        ...records,
        sessions: [{ id: 1 }, { ...session, startedAtMs: 1e18 }, long, session],
        settings: { minutes: 1e9, volume: 'loud', setId: 's', unheard: 3 },
      }),
    };
    const back = await readArchive(blobOf(zip(files)), newDigest);
    expect(back.records.sessions.map((s) => s.id)).toEqual(['long', 'a']);
    expect(back.records.sessions[0].log.at(-1)).toEqual({ type: 'extend', atMs: 5, byMs: 6 * 3600_000 });
    expect(back.records.settings).toEqual({ setId: 's' });
    expect(back.told).toEqual([
      'The session of January 1, 1970 held 1 length beyond 6 hours; read as 6 hours.',
      '2 sessions are of no use as they are and left out.',
      'Out of range and left as they come: “minutes” and “volume”.',
    ]);
  });
  it('notices any changed byte in its records, its manifest and its list of files', async () => {
    const whole = await archive();
    const from = Buffer.from(whole).indexOf('records/sessions-1.json');
    for (let at = from; at < whole.length - 22; at += 7) {
      const flipped = Uint8Array.from(whole);
      flipped[at] ^= 1 << (at % 8);
      const back = await readArchive(blobOf(flipped), newDigest).catch(() => undefined);
      // Where a byte means nothing (a time, an attribute) what is read is still what was written.
      if (back) expect(back.records).toEqual(records);
    }
  });
  it('reads the larger form of ZIP that many or large files need', async () => {
    const whole = await readArchive(blobOf(await archive()), newDigest);
    const chunks: Uint8Array[] = [];
    const writer = new ZipWriter(new WritableStream<Uint8Array>({ write: (c) => void chunks.push(c.slice()) }), {
      zip64: true,
      useWebWorkers: false,
    });
    for (const [path, bytes] of Object.entries(good)) await writer.add(path, new Uint8ArrayReader(bytes));
    await writer.close();
    const back = await readArchive(new Blob(chunks as BlobPart[]), newDigest);
    expect(back.records).toEqual(whole.records);
  });
  it('ends when it is told to, while it is written and while it is read', async () => {
    const abort = new AbortController();
    abort.abort();
    const into = new WritableStream<Uint8Array>();
    await expect(writeArchive(records, stream(images), 0, newDigest, into, abort.signal)).rejects.toThrow(/abort/i);
    await expect(readArchive(blobOf(await archive()), newDigest, { signal: abort.signal })).rejects.toThrow(
      /abort|cancel/i,
    );
  });
  it('notices a single changed byte in an image', async () => {
    const whole = await archive();
    const at = Buffer.from(whole).indexOf(Buffer.from([1, 2, 3]));
    whole[at] ^= 1;
    expect(await problemOf(whole)).toBe('damaged');
  });
  it('says of every problem that nothing here was changed', () => {
    for (const problem of ['not a zip', 'not ours', 'unsafe', 'too large', 'newer', 'damaged'] as const)
      expect(archiveProblemSentence(problem)).toContain('Nothing kept here was changed.');
  });
});
