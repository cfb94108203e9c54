import { elbowSwivel, pressUnderArm } from './mesh/armContact';
import { type ContactMap, contactShade } from './mesh/contactShade';
import { mushed } from './mesh/deltaMush';
import { faceted } from './mesh/facets';
import { quadNormals, trianglesOf } from './mesh/graph';
import { handContact, handShift } from './mesh/handContact';
import type { BodyKit, Sitter } from './mesh/kit';
import { openness } from './mesh/openness';
import { picked } from './mesh/picked';
import { type EndShift, placeBones, unmoved } from './mesh/placeBones';
import { flattenOn, pressApart } from './mesh/press';
import { bustFade, type ShownPart } from './mesh/region';
import { skinned } from './mesh/skin';
import { skinAt, type SkinPoint } from './mesh/skinPoint';
import { type PartPlaces, partPlaces, trunkPlaces } from './facts/partPlaces';
import { subdivided, type Subdivision } from './mesh/subdivide';
import type { Triangles } from './picture/raster';
import { propSolids, solidMesh, type Solid } from './props/solids';
import type { Build } from './skeleton/builds';
import { buildFactor, poseSkeleton, type Rig } from './skeleton/kinematics';
import { PARTS, partNumber } from './skeleton/parts';
import { solidForms } from './skeleton/solidForms';
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
  /** How much of each vertex is there: 0 where a part that is shown alone has faded away. */
  fade: Float32Array;
  solids: Solid[];
  /** The skeleton under it, in the same place. */
  rig: Rig;
  /** What of the body it shows; all of it when missing. */
  part: ShownPart | undefined;
  /** The places on the skin that a draftsman measures between. */
  landmarks: Landmark[];
  /** Lines over the face, and the middle of the head that they go round. */
  face: { lines: Vec3[][]; middle: Vec3 };
  /** Of a part that is shown alone: the lines it is built on, the pairs whose tilts are told, and the way through it. */
  structure?: { lines: Vec3[][] } & Pick<PartPlaces, 'tilts' | 'way'>;
}

/** A place on the body that draftsmen find and name. */
interface Landmark {
  name: string;
  at: Vec3;
}

/** As skin, as the flat planes it can be gathered into, or as the solids it is built on. */
export type Form = 'skin' | 'planes' | 'solids';

/** How often the mesh is subdivided, and from how many directions openness is looked at. */
export interface Fineness {
  levels: 0 | 1 | 2;
  directions: number;
}
export const FINE: Fineness = { levels: 1, directions: 64 };
export const COARSE: Fineness = { levels: 0, directions: 24 };

/** The posed body before it is made finer. */
export interface PosedBody {
  rig: Rig;
  positions: Float32Array;
  /** Of the hair, empty for who has none. */
  hair: Float32Array;
  solids: Solid[];
}

/** How far from the pelvis flesh counts as seated, head heights. */
const SEAT_REACH = 0.95;

/** Lowest of some vertices, of those within reach of a point if one is given. */
function lowest(p: Float32Array, vertices: Uint32Array, near?: Vec3): number {
  let low = Infinity;
  for (const v of vertices)
    if (p[v * 3 + 1] < low && (!near || Math.hypot(p[v * 3] - near[0], p[v * 3 + 2] - near[2]) < SEAT_REACH))
      low = p[v * 3 + 1];
  return low;
}

/** How far soles sink before they are flattened, and how near soles and seat must come to where they belong; head heights. */
const SOLE_PRESS = 0.02;
const EXACT = 0.004;

/** Whether the legs' targets say where the ground is; otherwise the lowest flesh does. */
const standsOnTarget = ({ ik }: Pose): boolean => ik?.legL !== undefined || ik?.legR !== undefined;

/**
 * Move root and feet until flesh rests on the seat and soles on their floors. Only the flesh that is asked about is skinned.
 * Changes `ends`.
 */
function settleFlesh({ mesh, members }: BodyKit, sitter: Sitter, pose: Pose, build: Build, ends: EndShift): Rig {
  const settled = settlePose(pose, build);
  let { rig, shift } = settled;
  const seatVertices = Uint32Array.from(
    (['torso', 'thigh.L', 'thigh.R'] as const).flatMap((part) => [...members[partNumber(part)]]),
  );
  const footVertices = { L: members[partNumber('foot.L')], R: members[partNumber('foot.R')] };
  const k = buildFactor(rig);
  for (let step = 0; step < 6; step++) {
    const bones = placeBones(sitter.build, sitter.turns, rig, ends);
    const skin = (only: Uint32Array): Float32Array => skinned(mesh, sitter.build, bones, only);
    let worst = 0;
    let rise = 0;
    if (pose.support !== undefined) {
      rise = pose.support * k - (pose.sink ?? 0.05) - lowest(skin(seatVertices), seatVertices, rig.pos.pelvis);
      worst = Math.abs(rise);
    }
    for (const side of SIDES) {
      const floor = pose.ik?.[`leg${side}`]?.floor;
      if (floor === undefined) continue;
      const missing = floor * k - SOLE_PRESS - lowest(skin(footVertices[side]), footVertices[side]);
      ends.foot[side][1] += missing;
      worst = Math.max(worst, Math.abs(missing));
      // Where a leg is too short for its foot to come down, the root does.
      if (step > 0 && pose.support === undefined && missing < -EXACT) rise = Math.min(rise, missing);
    }
    if (worst < EXACT) break;
    if (rise !== 0) {
      shift = add(shift, [0, rise, 0]);
      rig = poseSkeleton(pose, build, shift);
    }
  }
  return rig;
}

/** Pose a build with its flesh: settled on seat and soles, hands on what they touch, folds pressed apart, all on the ground. */
export function poseBody(kit: BodyKit, pose: Pose, build: Build): PosedBody {
  const { mesh } = kit;
  const sitter = kit.sitter(build.name);
  const ends = unmoved();
  const rig = settleFlesh(kit, sitter, pose, build, ends);
  let bones = placeBones(sitter.build, sitter.turns, rig, ends);
  const deform = (): Float32Array => {
    const p = mushed(mesh, sitter.mush, skinned(mesh, sitter.build, bones));
    pressApart(mesh, bones, p);
    return p;
  };
  let p = deform();
  let normals = quadNormals(mesh.quads, p);
  // An elbow turns about the line to the wrist: the hand stays, so both are asked of the same flesh.
  for (const side of SIDES) {
    ends.elbow[side] = elbowSwivel(kit, p, bones, side, build);
    ends.hand[side] = handMove(kit, pose, rig, p, normals, side);
    // The other hand is asked against this one where it will be.
    for (const v of kit.members[partNumber(`hand.${side}`)])
      for (let k = 0; k < 3; k++) p[v * 3 + k] += ends.hand[side][k];
  }
  if (SIDES.some((side) => ends.elbow[side] !== 0 || ends.hand[side].some((v) => v !== 0))) {
    bones = placeBones(sitter.build, sitter.turns, rig, ends);
    p = deform();
    normals = quadNormals(mesh.quads, p);
  }
  for (const side of SIDES) pressUnderArm(kit, p, normals, bones, side, build);
  const hair = sitter.hair
    ? skinned(sitter.hair, { ...sitter.build, rest: sitter.hair.rest }, bones)
    : new Float32Array();
  if (!standsOnTarget(pose)) {
    let low = Infinity;
    for (let i = 1; i < p.length; i += 3) low = Math.min(low, p[i]);
    const groundY = low + (pose.sink ?? 0.02);
    for (const joint of Object.values(rig.pos)) joint[1] -= groundY;
    for (const part of [p, hair]) for (let i = 1; i < part.length; i += 3) part[i] -= groundY;
  }
  const solids = propSolids(pose.props ?? [], rig);
  flattenOn(p, solids);
  flattenOn(hair, solids);
  return { rig, positions: p, hair, solids };
}

/** How a hand moves onto the flesh it touches, or out of flesh it is in. */
function handMove(kit: BodyKit, pose: Pose, rig: Rig, p: Float32Array, normals: Float32Array, side: Side): Vec3 {
  const target = pose.ik?.[`arm${side}`];
  const touches = target?.rel !== undefined && target.by !== undefined && !pose.props?.length;
  const palm = rotate(rig.rot[`hand.${side}`], [-sideSign(side), 0, 0]);
  return handShift(handContact(kit, p, normals, side), touches ? palm : undefined);
}

function both(a: Float32Array, b: Float32Array): Float32Array {
  const out = new Float32Array(a.length + b.length);
  out.set(a);
  out.set(b, a.length);
  return out;
}

function withMore(values: Uint8Array, count: number, value: number): Uint8Array {
  const out = new Uint8Array(values.length + count).fill(value);
  out.set(values);
  return out;
}

function joined({ positions: a, indices: i }: Triangles, { positions: b, indices: j }: Triangles): Triangles {
  const positions = both(a, b);
  const indices = new Uint32Array(i.length + j.length);
  indices.set(i);
  for (let k = 0; k < j.length; k++) indices[i.length + k] = j[k] + a.length / 3;
  return { positions, indices };
}

/**
 * Pose a build, make its surface as fine as wanted, and work out how its forms shade each other and the ground.
 * @param part What of it is to be seen; all of it when missing.
 * @param form What it is made of.
 */
export function buildFigure(
  kit: BodyKit,
  pose: Pose,
  build: Build,
  { levels, directions }: Fineness,
  part?: ShownPart,
  form: Form = 'skin',
): Figure {
  const { mesh } = kit;
  const posed = poseBody(kit, pose, build);
  const { rig, positions: body, hair: allHair, solids } = posed;
  const sitter = kit.sitter(build.name);
  const places = kit.places();
  const own = partPlaces(places, part);
  const { face } = places;
  const landmarks = own?.landmarks ?? (part === 'torso' ? trunkPlaces(places) : places.landmarks);
  const along = (lines: readonly (readonly SkinPoint[])[]): Vec3[][] =>
    lines.map((line) => line.map((point) => skinAt(body, point)));
  const found = {
    solids,
    rig,
    part,
    landmarks: Object.entries(landmarks).map(([name, point]) => ({ name, at: skinAt(body, point) })),
    face: { lines: along(face), middle: middleOfHead(rig) },
    ...(own && { structure: { lines: along(own.lines), tilts: own.tilts, way: own.way } }),
  };
  if (form !== 'skin') return { ...found, ...formOf(kit, posed, sitter, build, form, directions, part) };
  const region = kit.region(part ?? 'whole');
  const finer: Subdivision[] = ([1, 2] as const).filter((n) => n <= levels).map(region.level);
  const fine = (data: Float32Array, stride: number): Float32Array =>
    finer.reduce((d, level) => subdivided(level, d, stride), data);
  const of = (data: Float32Array, stride: number): Float32Array => picked(data, region.vertices, stride);
  const quads = finer.at(-1)?.quads ?? region.quads;
  const positions = fine(of(body, 3), 3);

  const hairy = part === undefined || part === 'head';
  const hair = hairy ? allHair : new Float32Array();
  const hairQuads = (hairy && sitter.hair?.quads) || new Uint32Array();
  const hairNormals = quadNormals(hairQuads, hair);
  const hairCount = hair.length / 3;
  const hairRest = sitter.hair?.rest ?? new Float32Array();
  const hairFade = new Float32Array(hairCount).fill(1);
  if (part)
    for (let v = 0; v < hairCount; v++)
      hairFade[v] = bustFade(sitter.build, [hairRest[v * 3], hairRest[v * 3 + 1], hairRest[v * 3 + 2]]);

  const occluders = joined(
    joined(
      { positions: body, indices: trianglesOf(mesh.quads) },
      { positions: allHair, indices: trianglesOf(sitter.hair?.quads ?? new Uint32Array()) },
    ),
    solidMesh(solids),
  );
  const asked = both(of(body, 3), hair);
  const open = openness(asked, both(of(quadNormals(mesh.quads, body), 3), hairNormals), occluders, directions);
  const bodyEnd = region.vertices.length;
  region.vertices.forEach((v, i) => {
    open[i] *= sitter.light[v];
  });
  const bodyFade = part ? fine(region.fade, 1) : new Float32Array(positions.length / 3).fill(1);
  return {
    ...joined(
      { positions, indices: part ? present(trianglesOf(quads), bodyFade) : trianglesOf(quads) },
      { positions: hair, indices: trianglesOf(hairQuads) },
    ),
    normals: both(quadNormals(quads, positions), hairNormals),
    parts: withMore(
      finer.reduce(
        partsOf,
        Uint8Array.from(region.vertices, (v) => kit.parts[v]),
      ),
      hairCount,
      partNumber('head'),
    ),
    openness: both(fine(open.subarray(0, bodyEnd), 1), open.subarray(bodyEnd)),
    contact: contactShade(part ? { positions: of(body, 3), indices: trianglesOf(region.quads) } : occluders),
    cover: both(fine(of(sitter.cover, 1), 1), new Float32Array(hairCount).fill(-1)),
    fade: both(bodyFade, hairFade),
    ...found,
  };
}

/** What a figure is made of when it is not its skin. */
type Surface = Pick<Figure, 'positions' | 'normals' | 'indices' | 'parts' | 'openness' | 'contact' | 'cover' | 'fade'>;

/** Parts of which the solids of a shown part are. */
const SOLIDS_OF: Readonly<Record<ShownPart, RegExp>> = {
  head: /^head/,
  'hand.L': /^(hand|farm)\.L/,
  'hand.R': /^(hand|farm)\.R/,
  'foot.L': /^(foot|calf)\.L/,
  'foot.R': /^(foot|calf)\.R/,
  torso: /^(torso|uarm|thigh)/,
};

/** A posed body as planes or as solids. */
function formOf(
  kit: BodyKit,
  { rig, positions: body, hair, solids }: PosedBody,
  sitter: Sitter,
  build: Build,
  form: Exclude<Form, 'skin'>,
  directions: number,
  part: ShownPart | undefined,
): Surface {
  const props = solidMesh(solids);
  if (form === 'solids') {
    const all = solidForms(rig);
    const shown = part ? SOLIDS_OF[part] : /./;
    const indices = all.indices.filter((_, i) => shown.test(PARTS[all.parts[all.indices[i - (i % 3)]]]));
    const occluders = joined({ positions: all.positions, indices }, props);
    const count = all.parts.length;
    return {
      ...all,
      indices,
      openness: openness(all.positions, all.normals, occluders, directions),
      contact: contactShade(occluders),
      cover: new Float32Array(count).fill(-1),
      fade: new Float32Array(count).fill(1),
    };
  }
  const { vertices, quads, fade } = kit.region(part ?? 'whole');
  const of = (data: Float32Array, stride: number): Float32Array => picked(data, vertices, stride);
  const planes = faceted(of(body, 3), quads, kit.facets(part ?? 'whole'));
  const hairFacets = part === undefined || part === 'head' ? kit.hairFacets(build.name) : undefined;
  const cap = hairFacets && sitter.hair && faceted(hair, sitter.hair.quads, hairFacets);
  const hairCount = cap?.source.length ?? 0;
  const whole = joined(planes, cap ?? { positions: new Float32Array(), indices: new Uint32Array() });
  const normals = both(planes.normals, cap?.normals ?? new Float32Array());
  const occluders = joined(whole, props);
  const light = of(sitter.light, 1);
  const open = openness(whole.positions, normals, occluders, directions);
  planes.source.forEach((v, i) => {
    open[i] *= light[v];
  });
  return {
    ...whole,
    normals,
    parts: withMore(
      Uint8Array.from(planes.source, (v) => kit.parts[vertices[v]]),
      hairCount,
      partNumber('head'),
    ),
    openness: open,
    contact: contactShade(occluders),
    cover: both(picked(of(sitter.cover, 1), planes.source, 1), new Float32Array(hairCount).fill(-1)),
    fade: both(picked(fade, planes.source, 1), new Float32Array(hairCount).fill(1)),
  };
}

/** Fainter than this is not drawn at all. */
const GONE = 0.05;

/** Triangles of which something is there. */
const present = (triangles: Uint32Array, fade: Float32Array): Uint32Array =>
  triangles.filter((_, i) => {
    const t = i - (i % 3);
    return Math.max(fade[triangles[t]], fade[triangles[t + 1]], fade[triangles[t + 2]]) > GONE;
  });

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
