import { MESH_BONES, type MeshBone, mirroredBone } from './meshBones';
import type { Vec3 } from '../skeleton/vector';

/** The body before it is anybody's: topology and weights that all builds share. */
export interface BodyMesh {
  /** Body first, then the eyeballs. */
  vertexCount: number;
  /** From here on vertices are eyeballs. */
  firstEye: number;
  /** Four vertices a face, counter-clockwise from outside. */
  quads: Uint32Array;
  /** Four bones a vertex, numbers in MESH_BONES, and their weights, summing to 1. */
  skinBones: Uint8Array;
  skinWeights: Float32Array;
  /** The vertex on the other side of each. */
  mirror: Uint32Array;
}

/** One adult's shape at rest, arms out: head heights, soles on y = 0. */
export interface MeshBuild {
  rest: Float32Array;
  /** Where each bone begins. */
  head: Record<MeshBone, Vec3>;
  /** Where the last bone of each finger and toe ends. */
  tip: Record<MeshBone, Vec3>;
}

/** What the packed body tells of itself. */
export interface PackHeader {
  /** Vertices of the left half with the middle, how many of them are the middle (they come first), and where its eyeball begins. */
  half: number;
  middle: number;
  halfEye: number;
  quads: number;
  /** Steps a head height of positions, and of what each build differs by. */
  steps: number;
  deltaSteps: number;
  builds: { name: string; years: number }[];
}

export interface BodyPack {
  mesh: BodyMesh;
  builds: Readonly<Record<string, MeshBuild>>;
  header: PackHeader;
}

/** Begins a packed body. */
export const PACK_MAGIC = 'FOXBODY1';
/** Bones whose ends are kept: the tips of fingers and toes. */
export const TIPS: readonly MeshBone[] = MESH_BONES.filter((bone) => /^(finger\d-3|toe)\.L$/.test(bone));
/** Bones of the middle and the left: the right ones are mirrored. */
export const LEFT_BONES: readonly MeshBone[] = MESH_BONES.filter((bone) => !bone.endsWith('.R'));

/** 16-bit numbers written as low bytes and high bytes apart, each the difference from the one before of the same axis (zigzag). */
function unplane(bytes: Uint8Array, count: number, stride: number): Int16Array {
  const out = new Int16Array(count);
  for (let k = 0, o = 0; k < stride; k++)
    for (let i = k; i < count; i += stride, o++) {
      const z = bytes[o] | (bytes[count + o] << 8);
      out[i] = ((z >>> 1) ^ -(z & 1)) + (i >= stride ? out[i - stride] : 0);
    }
  return out;
}

/**
 * Read a packed body, unzipped.
 * @throws when it is not one.
 */
export function readBodyPack(bytes: Uint8Array): BodyPack {
  const text = (from: number, to: number): string => new TextDecoder().decode(bytes.subarray(from, to));
  if (text(0, 8) !== PACK_MAGIC) throw new Error('not a packed body');
  const headerEnd = 12 + new DataView(bytes.buffer, bytes.byteOffset).getUint32(8, true);
  const header = JSON.parse(text(12, headerEnd)) as PackHeader;
  const { half, middle, halfEye, steps, deltaSteps } = header;
  let at = headerEnd;
  const take = (length: number): Uint8Array => bytes.subarray(at, (at += length));
  const numbers = (count: number, stride: number): Int16Array => unplane(take(count * 2), count, stride);

  const halfQuads = numbers(header.quads * 4, 4);
  const bonesOf = take(half * 4);
  const weightsOf = take(half * 4);
  // Body: the middle, the left, the right; eyeballs: left, right.
  const bodySide = halfEye - middle;
  const firstEye = middle + 2 * bodySide;
  const eye = half - halfEye;
  const vertexCount = firstEye + 2 * eye;
  const leftAt = (h: number): number => (h < halfEye ? h : firstEye + h - halfEye);
  const rightAt = (h: number): number => (h < middle ? h : h < halfEye ? h + bodySide : firstEye + eye + h - halfEye);
  const mirror = new Uint32Array(vertexCount);
  const skinBones = new Uint8Array(vertexCount * 4);
  const skinWeights = new Float32Array(vertexCount * 4);
  const mirrored = MESH_BONES.map((bone) => MESH_BONES.indexOf(mirroredBone(bone)));
  for (let h = 0; h < half; h++) {
    const [left, right] = [leftAt(h), rightAt(h)];
    mirror[left] = right;
    mirror[right] = left;
    let sum = 0;
    for (let k = 0; k < 4; k++) sum += weightsOf[k * half + h];
    for (let k = 0; k < 4; k++) {
      const bone = bonesOf[k * half + h];
      skinBones[right * 4 + k] = mirrored[bone];
      skinBones[left * 4 + k] = bone;
      skinWeights[left * 4 + k] = skinWeights[right * 4 + k] = weightsOf[k * half + h] / sum;
    }
  }
  const quads = new Uint32Array(header.quads * 8);
  for (let q = 0; q < header.quads; q++)
    for (let k = 0; k < 4; k++) {
      quads[q * 4 + k] = leftAt(halfQuads[q * 4 + k]);
      quads[(header.quads + q) * 4 + k] = rightAt(halfQuads[q * 4 + 3 - k]);
    }

  const base = numbers(half * 3, 3);
  const builds = header.builds.map(({ name }): [string, MeshBuild] => {
    const delta = numbers(half * 3, 3);
    const joints = numbers((LEFT_BONES.length + TIPS.length) * 3, 3);
    const rest = new Float32Array(vertexCount * 3);
    for (let h = 0; h < half; h++)
      for (let k = 0; k < 3; k++) {
        const v = base[h * 3 + k] / steps + delta[h * 3 + k] / deltaSteps;
        rest[rightAt(h) * 3 + k] = k === 0 ? -v : v;
        rest[leftAt(h) * 3 + k] = h < middle && k === 0 ? 0 : v;
      }
    const placed = (bones: readonly MeshBone[], from: number): Record<MeshBone, Vec3> =>
      Object.fromEntries(
        bones.flatMap((bone, i) => {
          const o = (from + i) * 3;
          const p: Vec3 = [joints[o] / steps, joints[o + 1] / steps, joints[o + 2] / steps];
          return bone.endsWith('.L')
            ? [
                [bone, p],
                [mirroredBone(bone), [-p[0], p[1], p[2]]],
              ]
            : [[bone, p]];
        }),
      );
    return [name, { rest, head: placed(LEFT_BONES, 0), tip: placed(TIPS, LEFT_BONES.length) }];
  });
  const mesh = { vertexCount, firstEye, quads, skinBones, skinWeights, mirror };
  return { mesh, builds: Object.fromEntries(builds), header };
}
