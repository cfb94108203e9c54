import { catalogued } from './catalogue';
import { isPartFamily } from './families';
import envelopes from './envelopes.json';

/** By file name: height of a head as a share of the picture's height, then the corners of the envelope x, y, x, y; all in thousandths. */
export type EnvelopeFile = Record<string, number[]>;
const file = envelopes as EnvelopeFile;

export interface EnvelopeShape {
  width: number;
  height: number;
  /** Height of a head in the same unit; missing for heads, hands and other parts. */
  head?: number;
  /** Corners as shares of width and height. */
  corners: [x: number, y: number][];
}

/** The envelope of a view in the sets, worked out once by `npm run figures`; undefined for any other reference. */
export function envelopeOf(referenceId: string): EnvelopeShape | undefined {
  const entry = catalogued(referenceId);
  const numbers = entry && file[entry.file];
  if (!numbers) return undefined;
  const [head, ...points] = numbers;
  const [width, height] = entry.small;
  const corners = Array.from({ length: points.length / 2 }, (_, i): [number, number] => [
    points[2 * i] / 1000,
    points[2 * i + 1] / 1000,
  ]);
  return { width, height, ...(!isPartFamily(entry.family) && { head: (head / 1000) * height }), corners };
}
