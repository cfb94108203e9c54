import type { BodyPack, MeshBuild } from '@/core/figure/mesh/bodyPack';
import { MESH_BONES } from '@/core/figure/mesh/meshBones';
import { MESH_FINGERS, restTurns } from '@/core/figure/mesh/restTurns';
import { REST, SIDES } from '@/core/figure/skeleton/skeleton';
import { add, dot, length, lerp, normalize, rotate, scale, sub, type Vec3 } from '@/core/figure/skeleton/vector';

/** What the kinematics knows of a person: joints, and how lengths and widths of bones compare with the base figure's. */
interface Jointed {
  joints: Record<string, Vec3>;
  s: Record<string, Vec3>;
  /** Radii of flesh around bones, and half widths and depths of the trunk; head heights. */
  flesh: Record<string, [number, number]>;
}

const round3 = (v: number): number => Math.round(v * 1e3) / 1e3;
const round = (p: Vec3): Vec3 => p.map((v) => Math.round(v * 1e4) / 1e4) as Vec3;

/**
 * The app's skeleton with the mesh's joints, arms hanging as the app has them at rest. The head's joint is put where the app has it
 * against chin and crown, for hands come to the face by it.
 */
function jointed(build: MeshBuild): Record<string, Vec3> {
  const { head: h } = build;
  const turns = restTurns(build);
  const { chin, face } = faceOf(build);
  const hips = lerp(h['upperleg01.L'], h['upperleg01.R'], 0.5);
  const joints: Record<string, Vec3> = {
    pelvis: add(hips, [0, 0.12, -0.03]),
    spine: h.spine04,
    chest: h.spine02,
    neck: add(h.neck01, [0, -0.1, -0.12]),
    head: [0, chin[1] + 0.19 * face, chin[2] - 0.41 * face],
  };
  for (const s of SIDES) {
    const chain = (parent: string, bone: string, turn: string, from: string, to: string): void => {
      joints[`${bone}.${s}`] = add(
        joints[`${parent}.${s}`],
        rotate(turns[`${turn}.${s}`], sub(h[`${to}.${s}`], h[`${from}.${s}`])),
      );
    };
    joints[`clav.${s}`] = h[`clavicle.${s}`];
    joints[`uarm.${s}`] = h[`upperarm01.${s}`];
    chain('uarm', 'farm', 'uarm', 'upperarm01', 'lowerarm01');
    chain('farm', 'hand', 'farm', 'lowerarm01', 'wrist');
    for (const [name, n] of MESH_FINGERS) {
      const finger = (i: number): string => `finger${String(n)}-${String(i)}`;
      chain('hand', `${name}0`, 'hand', 'wrist', finger(1));
      for (const i of [1, 2])
        chain(`${name}${String(i - 1)}`, `${name}${String(i)}`, `${name}${String(i - 1)}`, finger(i), finger(i + 1));
    }
    joints[`thigh.${s}`] = h[`upperleg01.${s}`];
    chain('thigh', 'calf', 'thigh', 'upperleg01', 'lowerleg01');
    chain('calf', 'foot', 'calf', 'lowerleg01', 'foot');
    chain('foot', 'toe', 'foot', 'foot', 'toe');
  }
  // Legs stand closer in the app's rest pose, so the body is a little higher on them.
  const foot = joints['foot.L'][1] - h['foot.L'][1];
  return Object.fromEntries(Object.entries(joints).map(([name, [x, y, z]]) => [name, round([x, y - foot, z])]));
}

/** The crown's height, the lowest of the chin's front, and the head's size against the base figure's. */
function faceOf({ rest, head: h }: MeshBuild): { crown: number; chin: Vec3; face: number } {
  let crown = 0;
  const midline: Vec3[] = [];
  for (let v = 0; v < rest.length; v += 3) {
    const [x, y, z] = rest.slice(v, v + 3);
    crown = Math.max(crown, y);
    if (Math.abs(x) < 0.02 && y > h.neck03[1] - 0.45 && y < h.head[1] - 0.2) midline.push([0, y, z]);
  }
  const front = Math.max(...midline.map(([, , z]) => z));
  const chin = midline.filter(([, , z]) => z > front - CHIN_ROUND).reduce((low, p) => (p[1] < low[1] ? p : low));
  return { crown, chin, face: (crown - chin[1]) / 1.03 };
}
/** The chin turns under within this of its front, head heights. */
const CHIN_ROUND = 0.1;

/** Mean distance of a segment's skin from its axis around the middle of it, head heights. */
function girth({ mesh }: BodyPack, { rest, head }: MeshBuild, bones: RegExp, a: Vec3, b: Vec3): number {
  const axis = normalize(sub(b, a));
  const l = length(sub(b, a));
  let [sum, n] = [0, 0];
  for (let v = 0; v < mesh.firstEye; v++) {
    if (!bones.test(MESH_BONES[mesh.skinBones[v * 4]])) continue;
    const q = sub([rest[v * 3], rest[v * 3 + 1], rest[v * 3 + 2]], a);
    const t = dot(q, axis);
    if (t < 0.3 * l || t > 0.7 * l) continue;
    sum += length(sub(q, scale(axis, t)));
    n++;
  }
  if (n === 0) throw new Error(`no skin between ${Object.keys(head)[0]} and its end`);
  return sum / n;
}

/** Half width and half depth of the trunk at a height, head heights. */
function slice({ mesh }: BodyPack, { rest }: MeshBuild, y: number, bones: RegExp): [x: number, z: number] {
  let [x, z0, z1] = [0, Infinity, -Infinity];
  for (let v = 0; v < mesh.firstEye; v++) {
    if (Math.abs(rest[v * 3 + 1] - y) > 0.12 || !bones.test(MESH_BONES[mesh.skinBones[v * 4]])) continue;
    x = Math.max(x, rest[v * 3]);
    z0 = Math.min(z0, rest[v * 3 + 2]);
    z1 = Math.max(z1, rest[v * 3 + 2]);
  }
  return [x, (z1 - z0) / 2];
}

const TRUNK = /^(root|spine|breast)/;

/** Widths that are compared between people: [x, z] by bone. */
function widths(pack: BodyPack, build: MeshBuild): Record<string, [number, number]> {
  const { head: h, tip } = build;
  const round2 = (bones: RegExp, a: string, b: string): [number, number] => {
    const r = girth(pack, build, bones, h[a], h[b]);
    return [r, r];
  };
  const palm = length(sub(h['finger2-1.L'], h['finger5-1.L']));
  const foot = length(sub(tip['toe.L'], h['foot.L']));
  const shoulder = h['upperarm01.L'][0];
  return {
    chest: slice(pack, build, h.spine01[1], TRUNK),
    spine: slice(pack, build, h.spine04[1], TRUNK),
    pelvis: slice(pack, build, h['upperleg01.L'][1] + 0.1, /^(root|spine|upperleg)/),
    clav: [shoulder, slice(pack, build, h.spine01[1], TRUNK)[1]],
    neck: round2(/^neck0[12]/, 'neck01', 'head'),
    head: slice(pack, build, h.head[1] + 0.25, /^(head|neck03)/),
    uarm: round2(/^upperarm0[12]\.L/, 'upperarm01.L', 'lowerarm01.L'),
    farm: round2(/^lowerarm0[12]\.L/, 'lowerarm01.L', 'wrist.L'),
    hand: [palm, palm],
    thigh: round2(/^upperleg0[12]\.L/, 'upperleg01.L', 'lowerleg01.L'),
    calf: round2(/^lowerleg0[12]\.L/, 'lowerleg01.L', 'foot.L'),
    foot: [foot, foot],
    toe: [foot, foot],
  };
}

/** Joints of everybody and how their bones compare: lengths with the base figure's, widths with the first person's. */
export function jointsOf(pack: BodyPack): Record<string, Jointed> {
  const [first] = Object.values(pack.builds);
  const base = widths(pack, first);
  const ends: Record<string, [string, string]> = {
    spine: ['spine', 'chest'],
    chest: ['chest', 'neck'],
    neck: ['neck', 'head'],
    uarm: ['uarm.L', 'farm.L'],
    farm: ['farm.L', 'hand.L'],
    hand: ['hand.L', 'f20.L'],
    thigh: ['thigh.L', 'calf.L'],
    calf: ['calf.L', 'foot.L'],
  };
  return Object.fromEntries(
    Object.entries(pack.builds).map(([name, build]) => {
      const joints = jointed(build);
      const own = widths(pack, build);
      const { face } = faceOf(build);
      const long: Record<string, number> = {
        ...Object.fromEntries(
          Object.entries(ends).map(([bone, [a, b]]) => [
            bone,
            length(sub(joints[b], joints[a])) / length(sub(REST[b].p, REST[a].p)),
          ]),
        ),
        head: face,
        foot: joints['foot.L'][1] / REST['foot.L'].p[1],
        pelvis: joints.pelvis[1] / REST.pelvis.p[1],
      };
      const s = Object.fromEntries(
        Object.entries(own).map(([bone, [x, z]]) => [
          bone,
          round([x / base[bone][0], long[bone] ?? 1, z / base[bone][1]]),
        ]),
      );
      const left = Object.fromEntries(Object.entries(joints).filter(([bone]) => !bone.endsWith('.R')));
      const flesh = Object.fromEntries(
        Object.entries(own).map(([bone, [x, z]]): [string, [number, number]] => [bone, [round3(x), round3(z)]]),
      );
      return [name, { joints: left, s, flesh }];
    }),
  );
}
