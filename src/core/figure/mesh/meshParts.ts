import { type Part, PARTS, partNumber } from '../skeleton/parts';
import type { BodyMesh } from './bodyPack';
import { MESH_BONES, type MeshBone } from './meshBones';

const KINDS: readonly (readonly [RegExp, string])[] = [
  [/^(wrist|metacarpal|finger)/, 'hand'],
  [/^upperarm/, 'uarm'],
  [/^lowerarm/, 'farm'],
  [/^upperleg/, 'thigh'],
  [/^lowerleg/, 'calf'],
  [/^(foot|toe)/, 'foot'],
];

function partOf(bone: MeshBone): Part {
  const kind = KINDS.find(([name]) => name.test(bone))?.[1];
  if (!kind) return bone === 'head' || bone.startsWith('neck') ? 'head' : 'torso';
  return PARTS.find((part) => part === `${kind}.${bone.slice(-1)}`) ?? 'torso';
}

/** The heaviest bone of each vertex, as a number in MESH_BONES. */
export function heaviestBones({ vertexCount, skinBones, skinWeights }: BodyMesh): Uint8Array {
  return Uint8Array.from({ length: vertexCount }, (_, v) => {
    let best = v * 4;
    for (let k = v * 4 + 1; k < v * 4 + 4; k++) if (skinWeights[k] > skinWeights[best]) best = k;
    return skinBones[best];
  });
}

/** The part of each vertex: that of its heaviest bone, as a number in PARTS. */
export function meshParts(mesh: BodyMesh): Uint8Array {
  const ofBone = MESH_BONES.map((bone) => partNumber(partOf(bone)));
  return heaviestBones(mesh).map((bone) => ofBone[bone]);
}

/** What bends as one piece: a segment of a finger, or any other part, by a number of its own. */
export function meshSegments(mesh: BodyMesh): Uint8Array {
  const ofBone = MESH_BONES.map((bone, i) =>
    bone.startsWith('finger') ? i : MESH_BONES.findIndex((first) => partOf(first) === partOf(bone)),
  );
  return heaviestBones(mesh).map((bone) => ofBone[bone]);
}
