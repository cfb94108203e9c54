import { describe, expect, it } from 'vitest';
import { problemSentence } from '@/core/references/imageFile';
import type { ImageProblem } from '@/core/references/imageProblem';
import { inspectImage } from '@/core/references/inspectImage';
import { avif, gif, heic, jpeg, png, pngHeader, webp } from '../images';

describe('inspectImage', () => {
  it.each([
    ['image/png', png(3, 2), 3, 2],
    ['image/jpeg', jpeg, 1, 1],
    ['image/gif', gif, 1, 1],
    ['image/webp', webp, 1, 1],
    ['image/avif', avif, 35, 64],
    ['image/heic', heic, 64, 64],
  ] as const)('reads a %s', (type, bytes, widthPx, heightPx) => {
    expect(inspectImage(bytes)).toEqual({ type, widthPx, heightPx });
  });
  it.each([
    ['nothing at all', new Uint8Array(0), 'empty'],
    ['text', new TextEncoder().encode('This is not a picture, only words.'), 'not a picture'],
    ['a picture name on a PDF', new TextEncoder().encode('%PDF-1.7 and so on, quite long'), 'not a picture'],
    ['a bitmap', Uint8Array.from([0x42, 0x4d, ...Array<number>(40).fill(1)]), 'unknown type'],
    ['half a PNG', png(40, 40).subarray(0, 60), 'truncated'],
    ['half a JPEG', jpeg.subarray(0, jpeg.length - 30), 'truncated'],
    ['half a WebP', webp.subarray(0, webp.length - 8), 'truncated'],
    ['half an AVIF', avif.subarray(0, avif.length - 200), 'truncated'],
    ['two hundred megapixels', pngHeader(20_000, 10_000), 'too large'],
  ] as const)('refuses %s', (_name, bytes, kind) => {
    expect(inspectImage(bytes)).toMatchObject({ kind });
  });
  it('never throws, whatever the bytes', () => {
    for (let n = 0; n < 400; n++) {
      const noise = Uint8Array.from({ length: n }, (_, i) => (i * 7919 + n * 31) % 256);
      expect(inspectImage(noise)).toHaveProperty('kind');
      const broken = png(9, 9);
      broken[n % broken.length] ^= 0xff;
      expect(inspectImage(broken)).toBeTypeOf('object');
    }
  });
});

describe('problemSentence', () => {
  const problems: ImageProblem[] = [
    { kind: 'empty' },
    { kind: 'not a picture' },
    { kind: 'unknown type', type: 'TIFF' },
    { kind: 'truncated' },
    { kind: 'damaged' },
    { kind: 'too large', megapixels: 200 },
    { kind: 'already there', as: 'other.jpg' },
    { kind: 'no room' },
    { kind: 'gone' },
    { kind: 'not copied' },
    { kind: 'too many' },
  ];
  it.each(problems)('names the file and what to do: $kind', (problem) => {
    const sentence = problemSentence('hand.jpg', problem);
    expect(sentence).toContain('“hand.jpg”');
    expect(sentence).toMatch(/\.$/);
  });
  it('says how large is too large', () => {
    expect(problemSentence('x', { kind: 'too large', megapixels: 200 })).toMatch(/200 megapixels; up to 100/);
  });
});
