import { rotate } from '../skeleton/vector';
import type { BodyMesh, MeshBuild } from './bodyPack';
import { MESH_BONES } from './meshBones';
import type { PlacedBones } from './placeBones';

/** What moves with bones. */
type Skin = Pick<BodyMesh, 'vertexCount' | 'skinBones' | 'skinWeights'>;

/**
 * The skin of a posed build by dual quaternions, which keep the volume of twisted limbs.
 * Source: L. Kavan et al., "Skinning with dual quaternions", I3D 2007.
 * @param only Vertices that are asked for; the others stay 0.
 * @returns xyz of every vertex, head heights.
 */
export function skinned(
  { vertexCount, skinBones, skinWeights }: Skin,
  { rest, head }: Pick<MeshBuild, 'rest' | 'head'>,
  bones: PlacedBones,
  only?: Uint32Array,
): Float32Array {
  const dual = new Float64Array(MESH_BONES.length * 8);
  MESH_BONES.forEach((bone, i) => {
    const [x, y, z, w] = bones.rot[bone];
    const turned = rotate(bones.rot[bone], head[bone]);
    const [tx, ty, tz] = [0, 1, 2].map((k) => bones.pos[bone][k] - turned[k]);
    dual.set([x, y, z, w], i * 8);
    dual.set(
      [
        0.5 * (tx * w + ty * z - tz * y),
        0.5 * (-tx * z + ty * w + tz * x),
        0.5 * (tx * y - ty * x + tz * w),
        -0.5 * (tx * x + ty * y + tz * z),
      ],
      i * 8 + 4,
    );
  });
  const out = new Float32Array(rest.length);
  const count = only?.length ?? vertexCount;
  for (let i = 0; i < count; i++) {
    const v = only ? only[i] : i;
    let q0 = 0;
    let q1 = 0;
    let q2 = 0;
    let q3 = 0;
    let q4 = 0;
    let q5 = 0;
    let q6 = 0;
    let q7 = 0;
    const first = skinBones[v * 4] * 8;
    for (let k = v * 4; k < v * 4 + 4; k++) {
      let w = skinWeights[k];
      if (w === 0) continue;
      const o = skinBones[k] * 8;
      // A rotation and its negative are one: all are taken on the side of the first.
      if (
        dual[o] * dual[first] +
          dual[o + 1] * dual[first + 1] +
          dual[o + 2] * dual[first + 2] +
          dual[o + 3] * dual[first + 3] <
        0
      )
        w = -w;
      q0 += w * dual[o];
      q1 += w * dual[o + 1];
      q2 += w * dual[o + 2];
      q3 += w * dual[o + 3];
      q4 += w * dual[o + 4];
      q5 += w * dual[o + 5];
      q6 += w * dual[o + 6];
      q7 += w * dual[o + 7];
    }
    const l = 1 / Math.sqrt(q0 * q0 + q1 * q1 + q2 * q2 + q3 * q3);
    const x = q0 * l;
    const y = q1 * l;
    const z = q2 * l;
    const w = q3 * l;
    const a = q4 * l;
    const b = q5 * l;
    const c = q6 * l;
    const d = q7 * l;
    const o = v * 3;
    const px = rest[o];
    const py = rest[o + 1];
    const pz = rest[o + 2];
    const ux = 2 * (y * pz - z * py);
    const uy = 2 * (z * px - x * pz);
    const uz = 2 * (x * py - y * px);
    out[o] = px + w * ux + y * uz - z * uy + 2 * (w * a - x * d + y * c - z * b);
    out[o + 1] = py + w * uy + z * ux - x * uz + 2 * (w * b - y * d + z * a - x * c);
    out[o + 2] = pz + w * uz + x * uy - y * ux + 2 * (w * c - z * d + x * b - y * a);
  }
  return out;
}
