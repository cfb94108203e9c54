import { crc32 } from 'node:zlib';
import sharp, { type Sharp } from 'sharp';
import { describe, expect, it } from 'vitest';
import { zipSync } from 'fflate';
import { noteSentence, problemSentence, shortName } from '@/core/references/imageFile';
import { inspectImage } from '@/core/references/inspectImage';
import { avifTells, exifOfWebp, isAnimated, stripMetadata } from '@/core/references/metadata';
import { unzipFiles, ZipProblem } from '@/core/references/pictureZip';
import { gif, png } from '../images';

const bytesOf = (buffer: Buffer): Uint8Array<ArrayBuffer> => Uint8Array.from(buffer);
const place = { IFD0: { Copyright: 'somebody' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } };
const made = (): Sharp => sharp({ create: { width: 40, height: 30, channels: 3, background: '#4a7' } }).withExif(place);
const joined = (parts: Uint8Array[] | undefined): Buffer => Buffer.concat(parts ?? []);
const raw = (file: Buffer): Promise<Buffer> => sharp(file).raw().toBuffer();

describe('stripMetadata', () => {
  it.each(['jpeg', 'webp', 'png'] as const)(
    'takes out of %s where it was taken, and leaves every pixel',
    async (kind) => {
      const file = await made().toFormat(kind).toBuffer();
      expect((await sharp(file).metadata()).exif).toBeDefined();
      const stripped = joined(stripMetadata(`image/${kind}`, bytesOf(file), 1));
      expect((await sharp(stripped).metadata()).exif).toBeUndefined();
      expect(stripped.includes('somebody')).toBe(false);
      expect(await raw(stripped)).toEqual(await raw(file));
      expect('kind' in inspectImage(bytesOf(stripped))).toBe(false);
    },
  );
  it('keeps only segments that belong to the picture, whatever else a JPEG carries', async () => {
    const file = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#4a7' } })
      .withIccProfile('p3')
      .jpeg({ progressive: true })
      .toBuffer();
    const segment = (marker: number, text: string): Buffer =>
      Buffer.concat([Buffer.from([0xff, marker, 0, text.length + 2]), Buffer.from(text)]);
    const telling = [0xe1, 0xe3, 0xe4, 0xe5, 0xe6, 0xe7, 0xe8, 0xe9, 0xea, 0xeb, 0xec, 0xed, 0xef, 0xfe].map((marker) =>
      Buffer.concat([Buffer.from([0xff]), segment(marker, `secret ${marker}`)]),
    );
    const between = file.lastIndexOf(Buffer.from([0xff, 0xda]));
    const full = Buffer.concat([
      file.subarray(0, 2),
      ...telling,
      segment(0xe2, 'MPF secret'),
      segment(0xe0, 'JFXX secret'),
      file.subarray(2, between),
      segment(0xfe, 'secret between scans'),
      file.subarray(between),
      Buffer.from('secret behind'),
    ]);
    const stripped = joined(stripMetadata('image/jpeg', bytesOf(full), 1));
    expect(stripped.includes('secret')).toBe(false);
    expect(stripped).toEqual(file);
    expect((await sharp(stripped).metadata()).icc).toBeDefined();
    expect(stripMetadata('image/jpeg', bytesOf(file), 1)).toBeUndefined();
  });
  it('keeps only chunks of a PNG that belong to the picture', () => {
    const file = png(5, 5);
    const chunk = (name: string): Buffer => {
      const body = Buffer.concat([Buffer.from(name), Buffer.from('secret')]);
      const [length, crc] = [Buffer.alloc(4), Buffer.alloc(4)];
      length.writeUInt32BE(6);
      crc.writeUInt32BE(crc32(body));
      return Buffer.concat([length, body, crc]);
    };
    const end = file.length - 12;
    const full = Buffer.concat([
      file.subarray(0, end),
      ...['caBX', 'prVt', 'tEXt', 'eXIf', 'tIME', 'iTXt'].map(chunk),
      file.subarray(end),
      Buffer.from('secret behind'),
    ]);
    expect(joined(stripMetadata('image/png', bytesOf(full), 1))).toEqual(Buffer.from(file));
  });
  it('keeps which way up a JPEG is, and nothing else', async () => {
    const file = await made().jpeg().withMetadata({ orientation: 6 }).toBuffer();
    const stripped = joined(stripMetadata('image/jpeg', bytesOf(file), 6));
    const { orientation, exif } = await sharp(stripped).metadata();
    expect(orientation).toBe(6);
    expect(exif?.length).toBeLessThan(50);
  });
  it('drops further pictures behind the end of a JPEG', async () => {
    const file = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#333' } })
      .jpeg()
      .toBuffer();
    const stripped = joined(
      stripMetadata('image/jpeg', bytesOf(Buffer.concat([file, Buffer.from('GPS elsewhere')])), 1),
    );
    expect(stripped).toEqual(file);
  });
  it('leaves a file alone that tells nothing', async () => {
    expect(stripMetadata('image/png', png(5, 5), 1)).toBeUndefined();
    const plain = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#333' } })
      .jpeg()
      .toBuffer();
    expect(stripMetadata('image/jpeg', bytesOf(plain), 1)).toBeUndefined();
  });
});

describe('avifTells', () => {
  it('tells files with metadata from those without', async () => {
    const bare = sharp({ create: { width: 40, height: 30, channels: 3, background: '#4a7' } });
    expect(avifTells(await made().avif().toBuffer())).toBe(true);
    expect(avifTells(await bare.avif().toBuffer())).toBe(false);
  });
});

describe('isAnimated', () => {
  it('tells moving files from still ones', async () => {
    const frame = { create: { width: 4, height: 4, channels: 3 as const, background: '#123' } };
    const frames = await Promise.all(
      ['#111', '#999'].map((background) =>
        sharp({ create: { ...frame.create, background } })
          .png()
          .toBuffer(),
      ),
    );
    const moving = await sharp(frames, { join: { animated: true } })
      .gif()
      .toBuffer();
    const movingWebp = await sharp(frames, { join: { animated: true } })
      .webp()
      .toBuffer();
    expect([isAnimated('image/gif', moving), isAnimated('image/gif', gif)]).toEqual([true, false]);
    expect(isAnimated('image/webp', movingWebp)).toBe(true);
    expect(isAnimated('image/png', png(4, 4))).toBe(false);
    const chunk = Buffer.concat([Buffer.from([0, 0, 0, 8]), Buffer.from('acTL'), Buffer.alloc(8)]);
    const apng = Buffer.concat([png(4, 4).subarray(0, 33), chunk, Buffer.from(crc32(chunk).toString(16))]);
    expect(isAnimated('image/png', apng)).toBe(true);
  });
});

describe('names', () => {
  it('of any length and script stay readable, with their ending', () => {
    const long = `${'猫'.repeat(290)}.jpeg`;
    expect(shortName(long).length).toBeLessThan(80);
    expect(shortName(long).endsWith('.jpeg')).toBe(true);
    expect(problemSentence('<b>x</b>.png', { kind: 'gone' })).toContain('“<b>x</b>.png” could no longer be read');
    expect(noteSentence('a.gif', ['first frame', 'other ending'])).toMatch(/moves; .* and is of another kind/);
  });
});

describe('unzipFiles', () => {
  const limits = { entries: 10, entryBytes: 1 << 20, totalBytes: 1 << 24, ratio: () => 100, totalRatio: 100 };
  const namesIn = async (bytes: Uint8Array): Promise<string[]> => {
    const names: string[] = [];
    await unzipFiles(
      new Blob([new Uint8Array(bytes)]),
      ({ name, content }) => {
        names.push(`${name} ${String(content.size)}`);
        return Promise.resolve();
      },
      { limits },
    );
    return names;
  };
  const zip = zipSync({
    'a.png': png(4, 4),
    'in/é.png': new Uint8Array(70),
    '__MACOSX/a.png': new Uint8Array(3),
    '.hidden': new Uint8Array(3),
  });
  it('hands out the files, stored and packed, without litter', async () => {
    expect(await namesIn(zip)).toEqual([`a.png ${String(png(4, 4).length)}`, 'in/é.png 70']);
    expect(await namesIn(zipSync({ 'b.png': [png(4, 4), { level: 0 }] }))).toHaveLength(1);
  });
  it('refuses what is no ZIP, and bombs by the ZIP’s own list before any of it is unpacked', async () => {
    await expect(namesIn(new TextEncoder().encode('not a zip at all'))).rejects.toThrow('is not a whole ZIP');
    const bombs = {
      'one large file': zipSync({ 'big.png': new Uint8Array(3 << 20) }),
      'one that shrinks too well': zipSync({ 'a.png': png(4, 4), 'flat.png': new Uint8Array(1 << 19) }),
      'too many files': zipSync(
        Object.fromEntries(Array.from({ length: 11 }, (_, i) => [`${String(i)}.png`, png(2, 2)])),
      ),
    };
    for (const bomb of Object.values(bombs)) await expect(namesIn(bomb)).rejects.toThrow(/far more than it should/);
  });
  it('stops a file that holds more than the list says, and tells where', async () => {
    const lying = zipSync({
      'a.png': png(4, 4),
      'lying.png': Uint8Array.from({ length: 5000 }, (_, i) => (i * 7919) % 251),
    });
    const central = Buffer.from(lying).lastIndexOf('lying.png') - 46;
    new DataView(lying.buffer, lying.byteOffset).setUint32(central + 24, 100, true);
    await expect(namesIn(lying)).rejects.toThrow(ZipProblem);
  });
});

describe('exifOfWebp', () => {
  it('finds the block that tells which way up a WebP is', async () => {
    const { parse } = (await import('exifr')).default;
    const file = bytesOf(await made().webp().withMetadata({ orientation: 6 }).toBuffer());
    const block = exifOfWebp(file);
    expect(await parse(block ?? file, { pick: ['Orientation'], translateValues: false })).toMatchObject({
      Orientation: 6,
    });
    const bare = sharp({ create: { width: 9, height: 9, channels: 3, background: '#333' } }).webp();
    expect(exifOfWebp(bytesOf(await bare.toBuffer()))).toBeUndefined();
  });
});
