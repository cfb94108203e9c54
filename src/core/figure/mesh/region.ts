import { norm3 } from '../../norms';
import { clamp } from '../../clamp';
import type { Side } from '../skeleton/skeleton';
import { dot, sub, type Vec3 } from '../skeleton/vector';
import type { BodyMesh, MeshBuild } from './bodyPack';
import { MESH_BONES } from './meshBones';
import { heaviestBones } from './meshParts';
import { once } from './once';
import { type Subdivision, subdivisionOf } from './subdivide';

/** What of a body a picture shows when it does not show all of it. */
export const SHOWN_PARTS = ['head', 'hand.L', 'hand.R', 'foot.L', 'foot.R', 'torso', 'hands'] as const;
export type ShownPart = (typeof SHOWN_PARTS)[number];

/** A piece of the mesh that is drawn alone. It ends as a drawing does: fading away. */
export interface Region {
  /** Its vertices as numbers of the whole mesh. */
  vertices: Uint32Array;
  /** Faces between them, by their places in `vertices`. */
  quads: Uint32Array;
  /** 1 where it is all there, 0 where it has faded away. */
  fade: Float32Array;
  level: (finer: 1 | 2) => Subdivision;
}

const ramp = (from: number, to: number, v: number): number => {
  const t = clamp((v - from) / (to - from), 0, 1);
  return t * t * (3 - 2 * t);
};

/** The finer levels of a mesh, each made when first asked for. */
function levelsOf(fineCount: number, quads: Uint32Array): Region['level'] {
  const level: Region['level'] = once((finer) => {
    const coarser = finer === 2 ? level(1) : { fineCount, quads };
    return subdivisionOf(coarser.fineCount, coarser.quads);
  });
  return level;
}

/** How far a height is below where a bust begins to fade, head heights; negative above it. */
const belowNeck = ({ head }: Pick<MeshBuild, 'head'>, y: number): number => head['clavicle.L'][1] + 0.3 - y;

/** How a bust fades: round about the base of the neck, so that what lies behind fades where what lies before it does. */
function bustFade(build: Pick<MeshBuild, 'head'>, [x, y, z]: Vec3): number {
  const { head } = build;
  const below = Math.max(0, belowNeck(build, y));
  const level = Math.min(1, below / 0.2);
  return ramp(1, 0.5, norm3((level * x) / (head['upperarm01.L'][0] * 0.62), below / 0.74, (level * z) / 0.95));
}

/** How long hair fades with a bust: all of it gone before the shoulders are, under which it would show. @param y At rest or lower. */
export const hairFade = (build: Pick<MeshBuild, 'head'>, y: number): number => ramp(0.06, -0.16, belowNeck(build, y));

/** How much of each vertex is there, by the resting body. */
function fadeOf(part: ShownPart, build: MeshBuild, bones: readonly string[]): (v: number) => number {
  const { rest, head } = build;
  const at = (v: number): Vec3 => [rest[v * 3], rest[v * 3 + 1], rest[v * 3 + 2]];
  /** How far along a segment a vertex is: 0 at its beginning, 1 at its end. */
  const along = (from: string, to: string): ((v: number) => number) => {
    const axis = sub(head[to], head[from]);
    return (v) => dot(sub(at(v), head[from]), axis) / dot(axis, axis);
  };
  const side = part.slice(-1) as Side;
  if (part === 'head') return (v) => bustFade(build, at(v));
  if (part === 'torso') {
    const arm = { L: along('upperarm01.L', 'lowerarm01.L'), R: along('upperarm01.R', 'lowerarm01.R') };
    const leg = { L: along('upperleg01.L', 'lowerleg01.L'), R: along('upperleg01.R', 'lowerleg01.R') };
    const neck = along('neck01', 'head');
    return (v) => {
      const bone = bones[v];
      const own = bone.slice(-1) as Side;
      // Below the floor of the mouth, which would be seen through the fading throat.
      if (/^(head|neck)/.test(bone)) return bone === 'head' ? 0 : ramp(0.4, -0.05, neck(v));
      if (/^(upperarm|lowerarm|wrist|finger|metacarpal)/.test(bone)) return ramp(0.95, 0.5, arm[own](v));
      if (/^(upperleg|lowerleg|foot|toe)/.test(bone)) return ramp(0.95, 0.45, leg[own](v));
      return 1;
    };
  }
  if (part.startsWith('hand')) {
    const arms = { L: along('lowerarm01.L', 'wrist.L'), R: along('lowerarm01.R', 'wrist.R') };
    return (v) => {
      const own = bones[v].slice(-1) as Side;
      if ((part !== 'hands' && own !== side) || !/^(lowerarm|wrist|finger|metacarpal)/.test(bones[v])) return 0;
      return ramp(0.52, 0.86, arms[own](v));
    };
  }
  const ankle = head[`foot.${side}`][1];
  return (v) =>
    bones[v].endsWith(`.${side}`) && /^(lowerleg|foot|toe)/.test(bones[v])
      ? ramp(ankle + 1.05, ankle + 0.4, rest[v * 3 + 1])
      : 0;
}

/**
 * Cut a part out of the mesh, by how one resting build lies; it is the same piece of everybody.
 */
export function regionOf(mesh: BodyMesh, build: MeshBuild, part: ShownPart): Region {
  const { vertexCount, quads } = mesh;
  const bones = Array.from(heaviestBones(mesh), (bone) => MESH_BONES[bone]);
  const fade = fadeOf(part, build, bones);
  const there = Float32Array.from({ length: vertexCount }, (_, v) => fade(v));
  const place = new Int32Array(vertexCount).fill(-1);
  const vertices: number[] = [];
  const kept: number[] = [];
  for (let q = 0; q < quads.length; q += 4) {
    if (!(there[quads[q]] || there[quads[q + 1]] || there[quads[q + 2]] || there[quads[q + 3]])) continue;
    for (let k = 0; k < 4; k++) {
      const v = quads[q + k];
      if (place[v] < 0) place[v] = vertices.push(v) - 1;
      kept.push(place[v]);
    }
  }
  const own = Uint32Array.from(kept);
  return {
    vertices: Uint32Array.from(vertices),
    quads: own,
    fade: Float32Array.from(vertices, (v) => there[v]),
    level: levelsOf(vertices.length, own),
  };
}

/** All of the mesh. */
export function wholeRegion({ vertexCount, quads }: BodyMesh): Region {
  return {
    vertices: Uint32Array.from({ length: vertexCount }, (_, v) => v),
    quads,
    fade: new Float32Array(vertexCount).fill(1),
    level: levelsOf(vertexCount, quads),
  };
}
