import { createHash } from 'node:crypto';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import {
  type ArchivedImage,
  ArchiveError,
  archiveProblemSentence,
  type Records,
  readArchive,
  writeArchive,
} from '@/core/interchange/archive';
import { planOf, poses } from './plans';

const digest = (bytes: Uint8Array): Promise<string> =>
  Promise.resolve(createHash('sha256').update(bytes).digest('hex'));
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
  settings: { minutes: 25, seeded: true },
};
const images: ArchivedImage[] = [
  { key: 'page/p', type: 'image/jpeg', bytes: Uint8Array.from([1, 2, 3]) },
  { key: 'thumbnail/p', type: 'image/webp', bytes: Uint8Array.from([4]) },
];
async function* stream(list: ArchivedImage[]) {
  for (const image of list) yield await Promise.resolve(image);
}
async function archive(r = records, list = images): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  await writeArchive(r, stream(list), 1_764_000_000_000, digest, (c) => chunks.push(c.slice()));
  return Uint8Array.from(Buffer.concat(chunks));
}
const problemOf = async (bytes: Uint8Array): Promise<string> => {
  try {
    await readArchive(bytes, digest);
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
    expect(await readArchive(await archive(), digest)).toEqual({ records, images });
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
      'records of another shape',
      zip({ ...good, 'records.json': json({ ...records, sessions: [{ id: 1 }] }) }),
      'damaged',
    ],
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
