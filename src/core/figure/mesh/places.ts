import { add, conjugate, normalize, type Quat, rotate, sub, type Vec3 } from '../skeleton/vector';
import type { BodyMesh, MeshBuild } from './bodyPack';
import { trianglesOf } from './graph';
import { skinAlong, type SkinPoint } from './skinPoint';

/** A ray from inside the resting body to a place on its skin. */
type Ray = readonly [origin: Vec3, direction: Vec3, within?: number];

const UP: Vec3 = [0, 1, 0];
const FRONT: Vec3 = [0, 0, 1];
const BACK: Vec3 = [0, 0, -1];
const LEFT: Vec3 = [1, 0, 0];

/** The places a draftsman finds and names, on the build that they are found on: of the middle, and of the left side. */
function rays({ head, tip }: MeshBuild, turns: Record<string, Quat>): Record<string, Ray> {
  const at = (bone: string): Vec3 => head[`${bone}.L`];
  const elbow = normalize(
    add(normalize(sub(at('lowerarm01'), at('upperarm01'))), normalize(sub(at('lowerarm01'), at('wrist')))),
  );
  const toward = (from: Vec3, to: Vec3): Ray => [from, normalize(sub(to, from))];
  return {
    crown: [[0, head.head[1], 0.12], UP],
    chin: [[0, head.neck03[1] - 0.18, 0.2], FRONT],
    'pit of the neck': [[0, head['clavicle.L'][1] + 0.03, 0], FRONT],
    'seventh vertebra': [[0, head.neck01[1] - 0.12, 0], BACK],
    'end of the breastbone': [[0, head.spine02[1] + 0.13, 0], FRONT],
    navel: [[0, head.spine04[1] - 0.05, 0], FRONT],
    'pubic bone': [[0, at('upperleg01')[1] - 0.12, 0], FRONT],
    sacrum: [[0, at('upperleg01')[1] + 0.28, 0], BACK],
    'left shoulder': [[at('upperarm01')[0] - 0.03, at('upperarm01')[1], at('upperarm01')[2]], UP, 0.6],
    'left elbow': [at('lowerarm01'), elbow, 0.5],
    'left wrist': [at('wrist'), rotate(conjugate(turns['hand.L']), LEFT), 0.4],
    'left finger tips': toward(at('finger3-3'), tip['finger3-3.L']),
    'left hip point': [[0.46, head.spine05[1] + 0.3, 0], FRONT],
    'left outer hip': [at('upperleg01'), LEFT, 0.8],
    'left knee': [at('lowerleg01'), FRONT, 0.6],
    'left ankle': [at('foot'), LEFT, 0.4],
    'left heel': [[at('foot')[0], 0.1, at('foot')[2]], BACK, 0.6],
    'left toes': toward(at('toe'), tip['toe.L']),
  };
}

/** Levels of the face as heights between the chin's lower edge (0) and the crown (1), and how far round they are drawn, degrees. */
const FACE_LEVELS = {
  hairline: [0.845, 74],
  brow: [0.57, 84],
  eyes: [0.515, 84],
  'base of the nose': [0.29, 80],
  mouth: [0.195, 70],
  chin: [0.035, 36],
} as const;
const FACE_STEPS = 16;
/** The eye line is five eyes wide: where one ends and the next begins, shares of half the face's width. */
const EYE_WIDTHS = [-0.6, -0.2, 0.2, 0.6];

/** Lines over the face and where they are; each a row of places. */
function faceLines(rest: Float32Array, triangles: Uint32Array, { head }: MeshBuild, crown: number): SkinPoint[][] {
  const chin = head.neck03[1] - 0.2;
  const axisZ = head.head[2] + 0.02;
  const level = (share: number): number => chin + share * (crown - chin);
  const around = (share: number, deg: number): SkinPoint => {
    const a = (deg * Math.PI) / 180;
    return skinAlong(rest, triangles, [0, level(share), axisZ], [Math.sin(a), 0, Math.cos(a)], 0.8);
  };
  const arcs = Object.values(FACE_LEVELS).map(([share, deg]) =>
    Array.from({ length: FACE_STEPS + 1 }, (_, i) => around(share, deg * ((2 * i) / FACE_STEPS - 1))),
  );
  const middle = Array.from({ length: 24 }, (_, i) => around(0.98 - (0.95 * i) / 23, 0));
  const widths = EYE_WIDTHS.map((share) => {
    const deg = (Math.asin(share) * 180) / Math.PI;
    return Array.from({ length: 7 }, (_, i) => around(0.575 - (0.285 * i) / 6, deg * 0.8));
  });
  return [middle, ...arcs, ...widths];
}

/** Places of a head: [share of its height from the chin, how far round, degrees], the paired ones on the left. */
const HEAD_PLACES: Readonly<Record<string, readonly [share: number, deg: number]>> = {
  hairline: [0.85, 0],
  'bridge of the nose': [0.52, 0],
  'tip of the nose': [0.345, 0],
  'base of the nose': [0.29, 0],
  'parting of the lips': [0.195, 0],
  'point of the chin': [0.05, 0],
  'left brow': [0.575, 26],
  'left outer eye': [0.515, 30],
  'left cheekbone': [0.42, 50],
  'left mouth corner': [0.195, 19],
  'left jaw corner': [0.16, 76],
  'left top of the ear': [0.57, 97],
  'left ear lobe': [0.29, 94],
};

/** Places of the left hand and foot on the resting body. */
function limbRays({ head, tip }: MeshBuild, turns: Record<string, Quat>): Record<string, Ray> {
  const at = (bone: string): Vec3 => head[`${bone}.L`];
  const back = rotate(conjugate(turns['hand.L']), LEFT);
  const thumbSide = rotate(conjugate(turns['hand.L']), FRONT);
  const littleSide = rotate(conjugate(turns['hand.L']), BACK);
  const toward = (from: Vec3, to: Vec3): Ray => [from, normalize(sub(to, from))];
  const fingers = [
    ['thumb', 1],
    ['index finger', 2],
    ['middle finger', 3],
    ['ring finger', 4],
    ['little finger', 5],
  ] as const;
  const hand = fingers.flatMap(([name, n]): [string, Ray][] => [
    ...(n > 1 ? ([[`knuckle of the ${name}`, [at(`finger${String(n)}-1`), back, 0.3]]] as [string, Ray][]) : []),
    [`middle joint of the ${name}`, [at(`finger${String(n)}-2`), back, 0.3]],
    [`end joint of the ${name}`, [at(`finger${String(n)}-3`), back, 0.3]],
    [`tip of the ${name}`, toward(at(`finger${String(n)}-3`), tip[`finger${String(n)}-3.L`])],
  ]);
  return {
    ...Object.fromEntries(hand),
    'wrist, thumb side': [at('wrist'), thumbSide, 0.4],
    'wrist, little finger side': [at('wrist'), littleSide, 0.4],
    'root of the thumb': [at('finger1-1'), thumbSide, 0.3],
    heel: [[at('foot')[0], 0.1, at('foot')[2]], BACK, 0.6],
    'inner ankle': [at('foot'), [-1, 0, 0], 0.4],
    'outer ankle': [[at('foot')[0], at('foot')[1] - 0.04, at('foot')[2]], LEFT, 0.4],
    instep: [[at('foot')[0], at('foot')[1] - 0.1, at('foot')[2] + 0.14], UP, 0.5],
    'top of the arch': [[at('foot')[0], 0.12, at('foot')[2] + 0.12], [-1, 0, 0], 0.4],
    'ball of the big toe': [[at('toe')[0], 0.1, at('toe')[2] + 0.25], [-1, 0, 0], 0.5],
    'ball of the little toe': [[at('toe')[0], 0.08, at('toe')[2] + 0.08], LEFT, 0.5],
    'tip of the toes': toward(at('toe'), tip['toe.L']),
  };
}

/** Everything that is found on the skin once, for all builds and poses. */
export interface Places {
  /** By name; the right ones are the left ones' mirror images. */
  landmarks: Readonly<Record<string, SkinPoint>>;
  face: readonly SkinPoint[][];
  /** Of a head, and of the hand and foot of either side. */
  head: Readonly<Record<string, SkinPoint>>;
  limbs: Readonly<Record<'L' | 'R', Readonly<Record<string, SkinPoint>>>>;
}

/**
 * Find the places on one resting build.
 * @param turns Of that build, from restTurns.
 */
export function findPlaces({ quads, mirror }: BodyMesh, build: MeshBuild, turns: Record<string, Quat>): Places {
  const triangles = trianglesOf(quads);
  const found = Object.entries(rays(build, turns)).map(([name, [origin, direction, within]]): [string, SkinPoint] => [
    name,
    skinAlong(build.rest, triangles, origin, direction, within),
  ]);
  const across = ({ corners: [a, b, c], weights }: SkinPoint): SkinPoint => ({
    corners: [mirror[a], mirror[b], mirror[c]],
    weights,
  });
  const landmarks = Object.fromEntries(
    found.flatMap(([name, point]) =>
      name.startsWith('left ')
        ? [
            [name, point],
            [name.replace('left', 'right'), across(point)],
          ]
        : [[name, point]],
    ),
  ) as Record<string, SkinPoint>;
  const { corners, weights } = landmarks.crown;
  const crown = corners.reduce((sum, v, i) => sum + weights[i] * build.rest[v * 3 + 1], 0);
  const chin = build.head.neck03[1] - 0.2;
  const head = Object.fromEntries(
    Object.entries(HEAD_PLACES).flatMap(([name, [share, deg]]): [string, SkinPoint][] => {
      const a = (deg * Math.PI) / 180;
      const origin: Vec3 = [0, chin + share * (crown - chin), build.head.head[2] + 0.02];
      const point = skinAlong(build.rest, triangles, origin, [Math.sin(a), 0, Math.cos(a)], 0.8);
      return name.startsWith('left ')
        ? [
            [name, point],
            [name.replace('left', 'right'), across(point)],
          ]
        : [[name, point]];
    }),
  );
  const left = Object.fromEntries(
    Object.entries(limbRays(build, turns)).map(([name, [origin, direction, within]]) => [
      name,
      skinAlong(build.rest, triangles, origin, direction, within),
    ]),
  );
  const right = Object.fromEntries(Object.entries(left).map(([name, point]) => [name, across(point)]));
  return { landmarks, face: faceLines(build.rest, triangles, build, crown), head, limbs: { L: left, R: right } };
}
