import { elbowSwivel, pressUnderArm } from './mesh/armContact';
import { type ContactMap, contactShade } from './mesh/contactShade';
import { mushed } from './mesh/deltaMush';
import { quadNormals, trianglesOf } from './mesh/graph';
import { handContact, handShift } from './mesh/handContact';
import type { BodyKit, Sitter } from './mesh/kit';
import { openness } from './mesh/openness';
import { placeBones, unmoved } from './mesh/placeBones';
import { flattenOn, pressApart } from './mesh/press';
import { skinned } from './mesh/skin';
import { skinAt } from './mesh/skinPoint';
import { subdivided, type Subdivision } from './mesh/subdivide';
import type { Triangles } from './picture/raster';
import { propSolids, solidMesh, type Solid } from './props/solids';
import type { Build } from './skeleton/builds';
import { buildFactor, poseSkeleton, type Rig } from './skeleton/kinematics';
import { partNumber } from './skeleton/parts';
import type { Pose } from './skeleton/pose';
import { SIDES, type Side, sideSign } from './skeleton/skeleton';
import { settlePose } from './skeleton/support';
import { add, rotate, type Vec3 } from './skeleton/vector';

/** A figure ready to be rendered, standing on y = 0, head heights. */
export interface Figure extends Triangles {
  normals: Float32Array;
  /** The part of each vertex, as a number in PARTS. */
  parts: Uint8Array;
  /** Openness to the sky of each vertex, 0 to 1. */
  openness: Float32Array;
  contact: ContactMap;
  /** How far each vertex lies inside the figure's cover; negative is bare. */
  cover: Float32Array;
  solids: Solid[];
  /** The skeleton under it, in the same place. */
  rig: Rig;
  /** The places on the skin that a draftsman measures between. */
  landmarks: Landmark[];
  /** Lines over the face, and the middle of the head that they go round. */
  face: { lines: Vec3[][]; middle: Vec3 };
}

/** A place on the body that draftsmen find and name. */
export interface Landmark {
  name: string;
  at: Vec3;
}

/** How often the mesh is subdivided, and from how many directions openness is looked at. */
export interface Fineness {
  levels: 0 | 1 | 2;
  directions: number;
}
export const FINE: Fineness = { levels: 1, directions: 64 };
export const COARSE: Fineness = { levels: 0, directions: 24 };
/** For heads, hands and feet alone. */
export const FINEST: Fineness = { levels: 2, directions: 96 };

/** The posed body before it is made finer. */
export interface PosedBody {
  rig: Rig;
  positions: Float32Array;
  solids: Solid[];
}

const SEATED = (['torso', 'thigh.L', 'thigh.R'] as const).map(partNumber);
/** How far from the pelvis flesh counts as seated, head heights. */
const SEAT_REACH = 0.95;

/** Lowest flesh of trunk and thighs near the pelvis. */
function lowestSeat({ mesh, parts }: BodyKit, p: Float32Array, rig: Rig): number {
  const [x, , z] = rig.pos.pelvis;
  let low = Infinity;
  for (let v = 0; v < mesh.firstEye; v++)
    if (SEATED.includes(parts[v]) && Math.hypot(p[v * 3] - x, p[v * 3 + 2] - z) < SEAT_REACH)
      low = Math.min(low, p[v * 3 + 1]);
  return low;
}

function lowestFoot({ mesh, parts }: BodyKit, p: Float32Array, side: Side): number {
  const foot = partNumber(`foot.${side}`);
  let low = Infinity;
  for (let v = 0; v < mesh.firstEye; v++) if (parts[v] === foot) low = Math.min(low, p[v * 3 + 1]);
  return low;
}

/** How far soles sink before they are flattened, and how near they must come to that; head heights. */
const SOLE_PRESS = 0.02;
const SOLE_EXACT = 0.004;

/** Whether the legs' targets say where the ground is; otherwise the lowest flesh does. */
const standsOnTarget = ({ ik }: Pose): boolean => ik?.legL !== undefined || ik?.legR !== undefined;

/** Pose a build with its flesh: settled on seat and soles, hands on what they touch, folds pressed apart, all on the ground. */
export function poseBody(kit: BodyKit, pose: Pose, build: Build): PosedBody {
  const { mesh } = kit;
  const sitter: Sitter = kit.sitter(build.name);
  const settled = settlePose(pose, build);
  let { rig, shift } = settled;
  const ends = unmoved();
  let bones = placeBones(sitter.build, sitter.turns, rig, ends);
  const deform = (): Float32Array => {
    bones = placeBones(sitter.build, sitter.turns, rig, ends);
    const p = mushed(mesh, sitter.mush, skinned(mesh, sitter.build, bones));
    pressApart(mesh, bones, p);
    return p;
  };
  let p = deform();
  if (pose.support !== undefined) {
    const seat = pose.support * buildFactor(rig) - (pose.sink ?? 0.05);
    for (let step = 0; step < 2; step++) {
      shift = add(shift, [0, seat - lowestSeat(kit, p, rig), 0]);
      rig = poseSkeleton(pose, build, shift);
      p = deform();
    }
  }
  // Soles: first the foot's goal moves, and where the leg is too short for that, the root.
  for (let step = 0; step < 3; step++) {
    let worst = 0;
    for (const side of SIDES) {
      const floor = pose.ik?.[`leg${side}`]?.floor;
      if (floor === undefined) continue;
      const missing = floor * buildFactor(rig) - SOLE_PRESS - lowestFoot(kit, p, side);
      ends.foot[side][1] += missing;
      if (Math.abs(missing) > Math.abs(worst)) worst = missing;
    }
    if (Math.abs(worst) < SOLE_EXACT) break;
    if (step > 0 && worst < 0 && pose.support === undefined) {
      shift = add(shift, [0, worst, 0]);
      rig = poseSkeleton(pose, build, shift);
    }
    p = deform();
  }
  const turned = SIDES.filter((side) => {
    ends.elbow[side] = elbowSwivel(kit, p, bones, side, build);
    return ends.elbow[side] !== 0;
  });
  if (turned.length > 0) p = deform();
  p = withHands(kit, pose, rig, p, ends.hand, deform);
  const normals = quadNormals(mesh.quads, p);
  for (const side of SIDES) pressUnderArm(kit, p, normals, bones, side, build);
  if (!standsOnTarget(pose)) {
    let low = Infinity;
    for (let i = 1; i < p.length; i += 3) low = Math.min(low, p[i]);
    const groundY = low + (pose.sink ?? 0.02);
    for (const joint of Object.values(rig.pos)) joint[1] -= groundY;
    for (let i = 1; i < p.length; i += 3) p[i] -= groundY;
  }
  const solids = propSolids(pose.props ?? [], rig);
  flattenOn(p, solids);
  return { rig, positions: p, solids };
}

/** Hands brought onto the flesh they touch. Changes `ends`. */
function withHands(
  kit: BodyKit,
  pose: Pose,
  rig: Rig,
  p: Float32Array,
  ends: Record<Side, Vec3>,
  deform: () => Float32Array,
): Float32Array {
  const normals = quadNormals(kit.mesh.quads, p);
  let moved = false;
  for (const side of SIDES) {
    const target = pose.ik?.[`arm${side}`];
    const touches = target?.rel !== undefined && target.by !== undefined;
    const palm = rotate(rig.rot[`hand.${side}`], [-sideSign(side), 0, 0]);
    const move = handShift(handContact(kit, p, normals, side), touches ? palm : undefined);
    if (move.every((v) => v === 0)) continue;
    ends[side] = add(ends[side], move);
    moved = true;
  }
  return moved ? deform() : p;
}

function joined({ positions: a, indices: i }: Triangles, { positions: b, indices: j }: Triangles): Triangles {
  const positions = new Float32Array(a.length + b.length);
  positions.set(a);
  positions.set(b, a.length);
  const indices = new Uint32Array(i.length + j.length);
  indices.set(i);
  for (let k = 0; k < j.length; k++) indices[i.length + k] = j[k] + a.length / 3;
  return { positions, indices };
}

/** Pose a build, make its surface as fine as wanted, and work out how its forms shade each other and the ground. */
export function buildFigure(kit: BodyKit, pose: Pose, build: Build, { levels, directions }: Fineness): Figure {
  const { mesh } = kit;
  const { rig, positions: coarse, solids } = poseBody(kit, pose, build);
  const finer: Subdivision[] = ([1, 2] as const).filter((n) => n <= levels).map(kit.level);
  const fine = (data: Float32Array, stride: number): Float32Array =>
    finer.reduce((d, level) => subdivided(level, d, stride), data);
  const quads = finer.at(-1)?.quads ?? mesh.quads;
  const positions = fine(coarse, 3);
  const occluders = joined({ positions: coarse, indices: trianglesOf(mesh.quads) }, solidMesh(solids));
  const { landmarks, face } = kit.places();
  const open = openness(coarse, quadNormals(mesh.quads, coarse), occluders, directions);
  return {
    positions,
    normals: quadNormals(quads, positions),
    indices: trianglesOf(quads),
    parts: finer.reduce(partsOf, kit.parts),
    openness: fine(open, 1),
    contact: contactShade(occluders),
    cover: fine(kit.sitter(build.name).cover, 1),
    solids,
    rig,
    landmarks: Object.entries(landmarks).map(([name, point]) => ({ name, at: skinAt(positions, point) })),
    face: { lines: face.map((line) => line.map((point) => skinAt(positions, point))), middle: middleOfHead(rig) },
  };
}

/** Where a head turns about and its lattice goes round. */
const middleOfHead = (rig: Rig): Vec3 => add(rig.pos.head, rotate(rig.rot.head, [0, 0.27, -0.04]));

/** A new vertex on an edge or a face belongs where the first vertex of that does. */
function partsOf(parts: Uint8Array, { vertexCount, coarseQuads, edges, fineCount }: Subdivision): Uint8Array {
  const out = new Uint8Array(fineCount);
  out.set(parts);
  const edgeCount = edges.length / 4;
  for (let e = 0; e < edgeCount; e++) out[vertexCount + e] = parts[edges[e * 4]];
  for (let f = 0; f < coarseQuads.length / 4; f++) out[vertexCount + edgeCount + f] = parts[coarseQuads[f * 4]];
  return out;
}
