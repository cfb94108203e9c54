import type { BuildName } from '../skeleton/buildNames';
import type { BodyMesh, MeshBuild } from './bodyPack';
import { quadNormals } from './graph';

/** Hair that lies close: the scalp itself, lifted. Thickness at the front and what the back adds, head heights. */
interface Crop {
  thick: number;
  back: number;
  /** How low the nape's line is, shares of the head. */
  nape: number;
}
const CROPS: Partial<Record<BuildName, Crop>> = {
  masc: { thick: 0.026, back: 0.016, nape: 0.72 },
  fem: { thick: 0.04, back: 0.05, nape: 0.72 },
  lean: { thick: 0.03, back: 0.02, nape: 0.7 },
  stocky: { thick: 0.018, back: 0.012, nape: 0.68 },
  muscular: { thick: 0.016, back: 0.01, nape: 0.7 },
  heavy: { thick: 0.045, back: 0.045, nape: 0.72 },
  slight: { thick: 0.04, back: 0.055, nape: 0.74 },
  elder: { thick: 0.036, back: 0.03, nape: 0.7 },
  strong: { thick: 0.02, back: 0.02, nape: 0.7 },
  small: { thick: 0.022, back: 0.014, nape: 0.7 },
  tall: { thick: 0.032, back: 0.03, nape: 0.72 },
};

const step = (a: number, b: number, v: number): number => {
  const t = Math.min(1, Math.max(0, (v - a) / (b - a)));
  return t * t * (3 - 2 * t);
};

/** The rest pose with its crop grown; who has none keeps the bare scalp. */
export function withCrop({ quads, firstEye }: BodyMesh, { rest, head }: MeshBuild, name: BuildName): Float32Array {
  const crop = CROPS[name];
  if (!crop) return rest;
  let [crown, front, back] = [0, -Infinity, Infinity];
  for (let v = 0; v < firstEye; v++) crown = Math.max(crown, rest[v * 3 + 1]);
  for (let v = 0; v < firstEye; v++) {
    const y = rest[v * 3 + 1];
    if (y < crown - 0.35 || y > crown - 0.2) continue;
    front = Math.max(front, rest[v * 3 + 2]);
    back = Math.min(back, rest[v * 3 + 2]);
  }
  const size = (crown - head.head[1]) / 0.68;
  const n = quadNormals(quads, rest);
  const out = rest.slice();
  for (let v = 0; v < firstEye; v++) {
    const o = v * 3;
    const [x, y, z] = [rest[o], rest[o + 1], rest[o + 2]];
    if (y < head.neck02[1]) continue;
    // The hairline falls from the forehead over the ears to the nape, higher at the temples.
    const temples = 0.9 * Math.max(0, Math.abs(x) - 0.2) * step(0.5 * (front + back), front, z);
    const line = crown - (0.15 + 0.66 * (front - z) + temples) * size;
    const inside = step(0, 0.07, y - Math.max(line, crown - crop.nape * size));
    if (inside === 0) continue;
    const thick = crop.thick + crop.back * step(front - 0.2, back, z);
    for (let k = 0; k < 3; k++) out[o + k] += n[o + k] * thick * inside;
  }
  return out;
}
