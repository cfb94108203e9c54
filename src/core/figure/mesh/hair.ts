import { norm3 } from '../../norms';
import { partNumber } from '../skeleton/parts';
import { add, cross, length, normalize, RAD_PER_DEG, scale, sub, type Vec3 } from '../skeleton/vector';
import type { BodyMesh, MeshBuild } from './bodyPack';
import type { HairStyle } from './hairStyles';
import { MESH_BONES } from './meshBones';

/** Hair of its own on the head: at rest, with the bones that move it. */
export interface Hair {
  rest: Float32Array;
  quads: Uint32Array;
  vertexCount: number;
  skinBones: Uint8Array;
  skinWeights: Float32Array;
}

/** Steps around the pole and from the pole to the edge. */
const AROUND = 144;
const DOWN = 44;
/** How deep an edge lies under the smoothed skull, so that it meets the skin, and how uneven it is. */
const SUNK = 0.075;
const RAGGED_DEG = 7;
/** Steps of the map of the scalp, by azimuth and elevation. */
const MAP_U = 120;
const MAP_V = 60;
/** Ears and nose stand out by less than this many steps of the map: what is narrower is taken off. */
const NARROW = 6;

/** Radius of the bare skull by direction from the middle of the head. */
type Skull = (direction: Vec3) => number;

const azimuthOf = ([x, , z]: Vec3): number => Math.atan2(x, z);
const elevationOf = ([, y]: Vec3): number => Math.asin(Math.max(-1, Math.min(1, y)));

/** The largest or smallest of a map's values within some steps, along both axes; azimuth goes round. */
function spread(map: Float32Array, best: (a: number, b: number) => number): Float32Array {
  const along = (from: Float32Array, step: (u: number, v: number, k: number) => number): Float32Array =>
    from.map((_, i) => {
      let value = from[i];
      for (let k = -NARROW; k <= NARROW; k++) value = best(value, from[step(i % MAP_U, Math.floor(i / MAP_U), k)]);
      return value;
    });
  const round = along(map, (u, v, k) => v * MAP_U + ((u + k + MAP_U) % MAP_U));
  return along(round, (u, v, k) => Math.max(0, Math.min(MAP_V - 1, v + k)) * MAP_U + u);
}

/** The skull without its ears, as a map over all directions. */
function skullOf({ firstEye, quads }: BodyMesh, parts: Uint8Array, rest: Float32Array, middle: Vec3): Skull {
  const map = new Float32Array(MAP_U * MAP_V);
  const head = partNumber('head');
  const place = (v: number): [u: number, v: number, r: number] => {
    const q = sub([rest[v * 3], rest[v * 3 + 1], rest[v * 3 + 2]], middle);
    const r = length(q);
    const d = scale(q, 1 / r);
    return [(azimuthOf(d) / (2 * Math.PI) + 0.5) * MAP_U, (elevationOf(d) / Math.PI + 0.5) * MAP_V, r];
  };
  for (let q = 0; q < quads.length; q += 4) {
    if (parts[quads[q]] !== head || quads[q] >= firstEye) continue;
    const corners = [0, 1, 2, 3].map((k) => place(quads[q + k]));
    const us = corners.map(([u]) => u);
    const vs = corners.map(([, v]) => v);
    const r = corners.reduce((sum, c) => sum + c[2], 0) / 4;
    // A face across the seam behind the head fills both of its ends.
    if (Math.max(...us) - Math.min(...us) > MAP_U / 2) us.forEach((u, i) => (us[i] = u < MAP_U / 2 ? u + MAP_U : u));
    for (let u = Math.floor(Math.min(...us)); u <= Math.ceil(Math.max(...us)); u++)
      for (
        let v = Math.max(0, Math.floor(Math.min(...vs)));
        v <= Math.min(MAP_V - 1, Math.ceil(Math.max(...vs)));
        v++
      ) {
        const o = v * MAP_U + (((u % MAP_U) + MAP_U) % MAP_U);
        map[o] = Math.max(map[o], r);
      }
  }
  const most = map.reduce((a, b) => Math.max(a, b), 0);
  const filled = map.map((r) => (r === 0 ? most : r));
  let skull = spread(spread(filled, Math.min), Math.max);
  for (let pass = 0; pass < 4; pass++)
    skull = skull.map((_, i) => {
      const u = i % MAP_U;
      const v = Math.floor(i / MAP_U);
      const at = (a: number, b: number): number =>
        skull[Math.max(0, Math.min(MAP_V - 1, b)) * MAP_U + ((a + MAP_U) % MAP_U)];
      return (2 * at(u, v) + at(u - 1, v) + at(u + 1, v) + at(u, v - 1) + at(u, v + 1)) / 6;
    });
  return (d) => {
    const u = (azimuthOf(d) / (2 * Math.PI) + 0.5) * MAP_U - 0.5;
    const v = Math.max(0, Math.min(MAP_V - 1.001, (elevationOf(d) / Math.PI + 0.5) * MAP_V - 0.5));
    const [u0, v0] = [Math.floor(u), Math.floor(v)];
    const at = (a: number, b: number): number => skull[Math.min(MAP_V - 1, b) * MAP_U + ((a + MAP_U) % MAP_U)];
    const [fu, fv] = [u - u0, v - v0];
    return (
      (at(u0, v0) * (1 - fu) + at(u0 + 1, v0) * fu) * (1 - fv) +
      (at(u0, v0 + 1) * (1 - fu) + at(u0 + 1, v0 + 1) * fu) * fv
    );
  };
}

/** Azimuths at which a style's line is given, degrees. */
const LINE_AT = [0, 42, 68, 92, 118, 180];

/** Height of the line at an azimuth, degrees, eased between the points that are given. */
function lineAt({ line }: HairStyle, azimuth: number): number {
  const a = Math.abs(azimuth) / RAD_PER_DEG;
  const beyond = LINE_AT.findIndex((next) => next > a);
  const i = beyond < 0 ? LINE_AT.length - 2 : Math.max(0, beyond - 1);
  const t = Math.max(0, Math.min(1, (a - LINE_AT[i]) / (LINE_AT[i + 1] - LINE_AT[i])));
  return line[i] + (line[i + 1] - line[i]) * t * t * (3 - 2 * t);
}

/** A repeatable number between 0 and 1 for whole numbers. */
const chance = (a: number, b: number, c = 0): number => {
  const s = Math.sin(a * 127.1 + b * 311.7 + c * 74.7) * 43758.5453;
  return s - Math.floor(s);
};

/** 1 in the middle of a lump, 0 between lumps: distance to the nearest of points scattered in cells of space. */
function lump([x, y, z]: Vec3): number {
  let least = 9;
  const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  for (let n = 0; n < 27; n++) {
    const [a, b, c] = [i + (n % 3) - 1, j + (Math.floor(n / 3) % 3) - 1, k + Math.floor(n / 9) - 1];
    const d = norm3(a + chance(a, b, c) - x, b + chance(b, c, a) - y, c + chance(c, a, b) - z);
    least = Math.min(least, d);
  }
  return Math.max(0, 1 - least * least * 1.3);
}

/** 1 on the ridge of a lock, 0 in the furrow beside it: two sizes of locks that wind along their way. */
function lock(style: HairStyle, phi: number, s: number): number {
  const wind = style.wave * (Math.sin(s * 5 + 3 * Math.sin(phi * 2)) * 0.5 + Math.sin(s * 11 + phi * 3) * 0.2);
  const ridge = (count: number, shift: number): number => {
    const t = (phi / (2 * Math.PI)) * count + wind * (count / 20) + shift;
    const width = t - Math.floor(t) - 0.5;
    return 1 - 4 * width * width;
  };
  return 0.68 * ridge(style.locks, 0) + 0.32 * ridge(style.locks * 3 + 1, 0.3);
}

interface Growing {
  rest: number[];
  quads: number[];
  /** How far down toward the back each vertex follows the neck instead of the head: 0 to 1. */
  follow: number[];
}

/** A grid of vertices, closed around, as quads. */
function addGrid(to: Growing, around: number, rows: Vec3[][], follow: (p: Vec3) => number): void {
  const start = to.rest.length / 3;
  for (const row of rows)
    for (const p of row) {
      to.rest.push(...p);
      to.follow.push(follow(p));
    }
  for (let i = 0; i + 1 < rows.length; i++)
    for (let j = 0; j < around; j++) {
      const next = (j + 1) % around;
      to.quads.push(
        start + i * around + j,
        start + (i + 1) * around + j,
        start + (i + 1) * around + next,
        start + i * around + next,
      );
    }
}

/** A ball stretched along an axis, with furrows that wind about it. */
function addBall(
  to: Growing,
  center: Vec3,
  axis: Vec3,
  long: number,
  wide: number,
  furrows: number,
  follow: (p: Vec3) => number,
): void {
  const along = normalize(axis);
  const aside = normalize(cross(along, Math.abs(along[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0]));
  const square = cross(along, aside);
  const around = 32;
  const rows = Array.from({ length: 17 }, (_, i): Vec3[] => {
    const theta = (Math.PI * i) / 16;
    return Array.from({ length: around }, (_, j): Vec3 => {
      const phi = (2 * Math.PI * j) / around;
      const furrow = 1 - 0.09 * (1 - Math.cos(furrows * phi + 5 * theta)) * Math.sin(theta);
      const r = wide * Math.sin(theta) * furrow;
      return add(
        center,
        add(
          scale(along, long * Math.cos(theta)),
          add(scale(aside, r * Math.cos(phi)), scale(square, r * Math.sin(phi))),
        ),
      );
    });
  });
  addGrid(to, around, rows, follow);
}

/** Directions by azimuth and elevation, degrees; x to the figure's left, z to its front. */
const toward = (azimuth: number, elevation: number): Vec3 => [
  Math.sin(azimuth * RAD_PER_DEG) * Math.cos(elevation * RAD_PER_DEG),
  Math.sin(elevation * RAD_PER_DEG),
  Math.cos(azimuth * RAD_PER_DEG) * Math.cos(elevation * RAD_PER_DEG),
];

/**
 * Grow somebody's hair.
 * @param parts Of each vertex of the body.
 */
export function growHair(mesh: BodyMesh, parts: Uint8Array, { rest, head: joints }: MeshBuild, style: HairStyle): Hair {
  const crown = rest.reduce((most, value, i) => (i % 3 === 1 && value > most ? value : most), 0);
  const size = (crown - joints.head[1]) / 0.88;
  const middle: Vec3 = [0, joints.head[1] + 0.3 * size, joints.head[2] - 0.1 * size];
  const skull = skullOf(mesh, parts, rest, middle);
  const to: Growing = { rest: [], quads: [], follow: [] };
  const withHead = (): number => 0;

  const pole = toward(...style.pole);
  const aside = normalize(cross(pole, Math.abs(pole[1]) < 0.95 ? [0, 1, 0] : [0, 0, 1]));
  const square = cross(pole, aside);
  const at = (phi: number, theta: number): Vec3 =>
    normalize(
      add(
        scale(pole, Math.cos(theta)),
        scale(add(scale(aside, Math.cos(phi)), scale(square, Math.sin(phi))), Math.sin(theta)),
      ),
    );
  // The line is no cut: it goes up and down with the locks.
  const above = (d: Vec3): number => {
    const azimuth = azimuthOf(d);
    const uneven = RAGGED_DEG * (lump([azimuth * 7, 3.3, 1.7]) - 0.5 + 0.5 * (lump([azimuth * 19, 8.1, 0.3]) - 0.5));
    return (
      elevationOf(d) / RAD_PER_DEG - lineAt(style, azimuth) - (style.gathered === 'scarf' || style.rim ? 0 : uneven)
    );
  };
  const [edge, mid, top] = style.thick;
  const columns = Array.from({ length: AROUND }, (_, j): Vec3[] => {
    const phi = (2 * Math.PI * j) / AROUND;
    let end = 0.02;
    while (end < 3 && above(at(phi, end)) > 0) end += 0.02;
    const azimuth = Math.abs(azimuthOf(at(phi, end))) / RAD_PER_DEG;
    const falls = style.fall * Math.max(0, Math.min(1, (azimuth - 38) / 16));
    const column = Array.from({ length: DOWN + 1 }, (_, i): Vec3 => {
      const s = i / DOWN;
      const d = at(phi, end * s);
      const toEdge = Math.min(1, (1 - s) * end * 3.2);
      const smooth = toEdge * toEdge * (3 - 2 * toEdge);
      const thick = s < 0.5 ? top + (mid - top) * s * 2 : mid + ((falls > 0 ? mid : edge) - mid) * (s - 0.5) * 2;
      const relief = style.curls > 0 ? lump(scale(d, style.curls)) : style.locks > 0 ? lock(style, phi, s * end) : 1;
      const gather = Math.min(1, s * 5);
      // At the edge it goes into the skin; where it hangs on, it does not end there.
      const sunk = falls > 0 ? 1 : smooth;
      const rise = thick * (1 - style.depth * (1 - relief) * gather) * sunk - SUNK * (1 - sunk);
      const rim = style.rim && s > 0.8 ? style.rim * Math.sin(Math.PI * Math.min(1, (s - 0.8) / 0.2)) ** 0.6 : 0;
      return add(middle, scale(d, skull(d) + (rise + rim) * size));
    });
    const last = column[DOWN];
    if (falls > 0) {
      // It hangs from its widest, a little inward, thicker where a lock is; then turns under.
      const out = normalize([last[0] - middle[0], 0, last[2] - middle[2]]);
      for (let k = 1; k <= 12; k++) {
        const t = k / 12;
        const ridge = lock(style, phi, end + t * 0.5) * style.depth * 0.05;
        const swell = ridge - 0.09 * t * t;
        const drop = (last[1] - middle[1] + falls * size) * t;
        column.push(add(last, add([0, -drop, 0], scale(out, swell * size))));
      }
    } else if (style.fall > 0)
      // Rows that fall elsewhere go a hair's breadth into the head here.
      for (let k = 1; k <= 12; k++) column.push(add(last, scale(sub(middle, last), 0.001 * k)));
    // Tucked in, so that no edge stands open.
    const tip = column[column.length - 1];
    column.push(add(tip, scale(normalize(sub(middle, [tip[0], middle[1], tip[2]])), 0.12 * size)));
    return column;
  });
  addGrid(
    to,
    AROUND,
    columns[0].map((_, i) => columns.map((column) => column[i])),
    withHead,
  );

  const from = add(middle, scale(pole, skull(pole)));
  if (style.gathered === 'knot')
    addBall(to, add(from, scale(pole, 0.12 * size)), pole, 0.13 * size, 0.18 * size, 5, withHead);
  if (style.gathered === 'plait') {
    const down = joints.neck01[1] - 0.55;
    const along = (p: Vec3): number => Math.max(0, Math.min(1, (from[1] - 0.1 - p[1]) / (from[1] - down)));
    const links = Math.ceil((from[1] - down) / (0.085 * size));
    for (let i = 0; i < links; i++) {
      const t = i / (links - 1);
      const thin = (1 - 0.45 * t) * size;
      const p: Vec3 = [
        (i % 2 ? 0.03 : -0.03) * thin,
        from[1] + (down - from[1]) * t,
        from[2] - (0.05 + 0.14 * Math.sin(Math.PI * Math.min(1, t * 0.8))) * size,
      ];
      addBall(to, p, [i % 2 ? 0.55 : -0.55, -1, 0], 0.13 * thin, 0.08 * thin, 3, along);
    }
  }
  if (style.gathered === 'scarf') {
    addBall(to, add(from, scale(pole, 0.05 * size)), [1, 0.2, 0], 0.1 * size, 0.075 * size, 3, withHead);
    for (const side of [-1, 1])
      addBall(
        to,
        add(from, [side * 0.09 * size, -0.14 * size, -0.06 * size]),
        [side * 0.4, -1, -0.1],
        0.17 * size,
        0.05 * size,
        2,
        withHead,
      );
  }

  const vertexCount = to.rest.length / 3;
  const skinBones = new Uint8Array(vertexCount * 4);
  const skinWeights = new Float32Array(vertexCount * 4);
  const bones = ['head', 'neck02', 'spine01'].map((bone) => MESH_BONES.indexOf(bone));
  to.follow.forEach((t, v) => {
    const weights = [Math.max(0, 1 - 2 * t), 1 - Math.abs(2 * t - 1), Math.max(0, 2 * t - 1)];
    bones.forEach((bone, k) => {
      skinBones[v * 4 + k] = bone;
      skinWeights[v * 4 + k] = weights[k];
    });
  });
  return { rest: Float32Array.from(to.rest), quads: Uint32Array.from(to.quads), vertexCount, skinBones, skinWeights };
}
