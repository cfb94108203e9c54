import { norm3 } from '../../norms';
import { partNumber } from '../skeleton/parts';
import type { BuildName } from '../skeleton/buildNames';
import type { BodyMesh, MeshBuild } from './bodyPack';
import type { Graph } from './graph';

/** How much the detail that smoothing takes off is put back on trunk and limbs: muscles, collar bones, kneecaps. */
const RELIEF: Record<BuildName, number> = {
  masc: 1.7,
  fem: 1.25,
  lean: 1.8,
  muscular: 1.7,
  older: 1.5,
  stocky: 1.1,
  heavy: 1,
  slight: 1.4,
  elder: 1.4,
  strong: 1.5,
  small: 1.4,
  tall: 1.35,
  big: 1,
};

/** How much bones show under the skin of each build, 1 as on a man of middle weight. */
export const BONES_SHOW: Record<BuildName, number> = {
  masc: 1,
  fem: 0.65,
  lean: 1.25,
  muscular: 0.85,
  older: 1.2,
  stocky: 0.55,
  heavy: 0.3,
  slight: 0.75,
  elder: 0.95,
  strong: 0.75,
  small: 0.7,
  tall: 0.8,
  big: 0.35,
};

/** How much flexed muscles show on each build, 1 as on a man of middle weight. */
export const MUSCLES_SHOW: Record<BuildName, number> = {
  masc: 1,
  fem: 0.5,
  lean: 1,
  muscular: 1.5,
  older: 0.6,
  stocky: 0.8,
  heavy: 0.2,
  slight: 0.45,
  elder: 0.3,
  strong: 1,
  small: 0.7,
  tall: 0.5,
  big: 0.4,
};

const STEPS = 12;

/**
 * The detail of a build made more pronounced. Head, hands and feet keep theirs, and the groin stays plain.
 * @param parts Of each vertex.
 */
export function pronounced(
  { firstEye }: BodyMesh,
  { rest, head }: MeshBuild,
  graph: Graph,
  parts: Uint8Array,
  detail: Float32Array,
  name: BuildName,
): Float32Array {
  const groin = head['upperleg01.L'][1] - 0.3;
  const kept = (['head', 'hand.L', 'hand.R', 'foot.L', 'foot.R'] as const).map(partNumber);
  let factor = new Float32Array(firstEye);
  for (let v = 0; v < firstEye; v++) {
    const away = norm3(rest[v * 3], rest[v * 3 + 1] - groin, rest[v * 3 + 2] * 0.7);
    const plain = Math.max(0, 1 - away / 0.5);
    factor[v] = kept.includes(parts[v]) ? 1 : 1 + (RELIEF[name] - 1) * (1 - plain) - 0.7 * Math.min(1, 2 * plain);
  }
  // No step where the emphasis ends.
  for (let i = 0; i < STEPS; i++)
    factor = factor.map((own, v) => {
      let sum = own;
      for (let j = graph.start[v]; j < graph.start[v + 1]; j++) sum += factor[graph.list[j]];
      return sum / (1 + graph.start[v + 1] - graph.start[v]);
    });
  return detail.map((d, i) => (i < firstEye * 3 ? d * factor[Math.floor(i / 3)] : d));
}
