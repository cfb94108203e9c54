import { norm2, norm3 } from '../../norms';
import { handPoint } from '../skeleton/handPoint';
import type { Rig } from '../skeleton/kinematics';
import type { Place, Prop } from '../skeleton/pose';
import { onBone, REST, type Side, sideSign } from '../skeleton/skeleton';
import {
  aboutY,
  add,
  cross,
  dot,
  IDENTITY,
  normalize,
  type Quat,
  rotate,
  scale,
  sub,
  type Vec3,
} from '../skeleton/vector';

/** What props are made of: boxes and round bars with flat ends. World space, head heights. */
export type Solid =
  | { shape: 'box'; center: Vec3; half: Vec3; rot: Quat }
  | { shape: 'bar'; from: Vec3; to: Vec3; r0: number; r1: number };

/** Of a pole that a hand closes round, head heights: the middle of a grip is where its axis is. */
const POLE_RADIUS = 0.055;

const bar = (from: Vec3, to: Vec3, r0: number, r1 = r0): Solid => ({ shape: 'bar', from, to, r0, r1 });

/** Resolve a prop's places on a posed skeleton into solids. */
export function propSolids(props: readonly Prop[], rig: Rig): Solid[] {
  const k = rig.rest.pelvis[1] / REST.pelvis.p[1];
  const at = (place: Place): Vec3 =>
    Array.isArray(place)
      ? scale(place, k)
      : add(rig.pos[place.of], rotate(rig.rot[place.of], onBone(rig.build, place.of, place.p)));
  const turnOf = (place: Place): Quat => (Array.isArray(place) ? IDENTITY : rig.rot[place.of]);
  const grip = (side: Side): Vec3 => at({ of: `hand.${side}`, p: handPoint('grip', side) });
  const gripAxis = (side: Side): Vec3 => rotate(rig.rot[`hand.${side}`], [0, 0.1, 1]);

  return props.flatMap((prop): Solid[] => {
    switch (prop.kind) {
      case 'box':
        return [{ shape: 'box', center: scale(prop.c, k), half: scale(prop.s, k), rot: aboutY(prop.yaw ?? 0) }];
      case 'stool': {
        const [x, z] = prop.at;
        const legs = [45, 135, 225, 315].map((deg) => {
          const out = rotate(aboutY(deg), [0, 0, prop.r]);
          return bar(
            [x + out[0] * 0.7, prop.height - 0.1, z + out[2] * 0.7],
            [x + out[0], 0, z + out[2]],
            0.055,
            0.045,
          );
        });
        return [bar([x, prop.height, z], [x, prop.height - 0.14, z], prop.r), ...legs].map((solid) => scaled(solid, k));
      }
      case 'pole': {
        const axis = normalize(gripAxis(prop.hand));
        const r = prop.r ?? POLE_RADIUS;
        // What is thicker lies on the palm too, and so has its middle farther out.
        const outward = rotate(rig.rot[`hand.${prop.hand}`], [-sideSign(prop.hand), 0, 0]);
        const middle = add(grip(prop.hand), scale(outward, r - POLE_RADIUS));
        return [bar(sub(middle, scale(axis, prop.below * k)), add(middle, scale(axis, prop.above * k)), r)];
      }
      case 'bar':
        return [bar(at(prop.from), at(prop.to), prop.r)];
      case 'bow':
        return bowSolids(grip(prop.hand), gripAxis(prop.hand), rotate(rig.rot[`hand.${prop.hand}`], [0, -1, 0]), {
          length: prop.length * k,
          drawn: prop.draw && grip(prop.draw),
        });
      case 'rope':
        return ropeSolids(prop.through.map(at), (prop.sag ?? 0) * k);
      case 'drum': {
        const axis = normalize(rotate(turnOf(prop.at), prop.axis));
        const c = at(prop.at);
        const along = (t: number): Vec3 => add(c, scale(axis, t * prop.depth * k));
        const r = prop.r * k;
        return [
          bar(along(-0.5), along(0.5), r),
          bar(along(-0.5), along(-0.42), r * 1.06),
          bar(along(0.42), along(0.5), r * 1.06),
        ];
      }
      case 'tray': {
        const c = at(prop.at);
        const r = prop.r * k;
        const loaves = Array.from({ length: prop.loaves }, (_, i): Solid => {
          const out = rotate(aboutY((360 * i) / prop.loaves + 20), [0, 0, prop.loaves > 1 ? r * 0.52 : 0]);
          const side = rotate(aboutY(70 * i), [r * 0.26, 0, 0]);
          const middle: Vec3 = add(c, [out[0], 0.17, out[2]]);
          return bar(sub(middle, side), add(middle, side), r * 0.24);
        });
        return [
          bar(c, add(c, [0, 0.06, 0]), r),
          bar(add(c, [0, 0.05, 0]), add(c, [0, 0.12, 0]), r * 1.03, r * 1.06),
          ...loaves,
        ];
      }
      case 'basket': {
        const c = at(prop.at);
        const r = prop.r * k;
        const up = prop.depth * k;
        const rim: Vec3 = add(c, [0, up, 0]);
        return [bar(c, rim, r * 0.78, r), bar(add(rim, [0, -0.08, 0]), add(rim, [0, 0.02, 0]), r * 1.06)];
      }
      case 'lantern':
        return lanternSolids(grip(prop.hand), prop.r * k);
    }
  });
}

const scaled = (solid: Solid, k: number): Solid =>
  solid.shape === 'bar'
    ? { ...solid, from: scale(solid.from, k), to: scale(solid.to, k), r0: solid.r0 * k, r1: solid.r1 * k }
    : solid;

const chain = (points: readonly Vec3[], r: number): Solid[] => points.slice(1).map((p, i) => bar(points[i], p, r));

/** A stave bent away from the archer, and its string: straight, or drawn to the other hand. */
function bowSolids(
  middle: Vec3,
  axis: Vec3,
  forward: Vec3,
  { length: long, drawn }: { length: number; drawn: Vec3 | undefined },
): Solid[] {
  const up = normalize(axis);
  const toward = drawn ? sub(drawn, middle) : scale(forward, -1);
  const back = normalize(sub(toward, scale(up, dot(toward, up))));
  const bend = drawn ? 0.2 : 0.11;
  const points = Array.from({ length: 11 }, (_, i): Vec3 => {
    const t = i / 5 - 1;
    return add(middle, add(scale(up, (t * long) / 2), scale(back, bend * long * t * t)));
  });
  const string = drawn ? [points[0], drawn, points[10]] : [points[0], points[10]];
  return [...chain(points, 0.05), ...chain(string, 0.014)];
}

/** A ribbed paper body between two rings of wood, on a thin loop through the grip. */
function lanternSolids(grip: Vec3, r: number): Solid[] {
  const down = (by: number): Vec3 => add(grip, [0, -by * r, 0]);
  const loop = Array.from({ length: 13 }, (_, i): Vec3 => {
    const a = (Math.PI * i) / 12;
    return add(down(0.95), [Math.cos(a) * 0.5 * r, Math.sin(a) * 0.95 * r, 0]);
  });
  // Wider in the middle, each rib a little wider than the paper beside it.
  const ribs = Array.from({ length: 8 }, (_, i): Solid => {
    const width = r * (0.62 + 0.38 * Math.sin((Math.PI * (i + 0.5)) / 8));
    return bar(down(1.1 + i * 0.28), down(1.1 + (i + 1) * 0.28), width, width * 0.94);
  });
  return [
    ...chain(loop, 0.022),
    bar(down(0.92), down(1.1), 0.6 * r),
    ...ribs,
    bar(down(1.1 + 8 * 0.28), down(1.28 + 8 * 0.28), 0.6 * r),
  ];
}

const ROPE_RADIUS = 0.055;

/** Each span hangs as a parabola, close to a catenary for small sag, no lower than the floor. */
function ropeSolids(through: readonly Vec3[], sag: number): Solid[] {
  const points = through.flatMap((p, i): Vec3[] => {
    if (i === 0) return [p];
    const from = through[i - 1];
    const lies = Math.max(from[1], p[1]) < 2 * ROPE_RADIUS;
    const steps = sag > 0 && !lies ? 8 : 1;
    return Array.from({ length: steps }, (_, j): Vec3 => {
      const t = (j + 1) / steps;
      const [x, y, z] = add(scale(from, 1 - t), scale(p, t));
      return [x, Math.max(Math.min(y, ROPE_RADIUS), y - 4 * sag * t * (1 - t)), z];
    });
  });
  return chain(points, ROPE_RADIUS);
}

/** Signed distance to a solid, head heights; no allocation, for it is asked millions of times. */
export function solidDistance(solid: Solid, x: number, y: number, z: number): number {
  if (solid.shape === 'box') {
    const [a, b, c] = [-solid.rot[0], -solid.rot[1], -solid.rot[2]];
    const w = solid.rot[3];
    const px = x - solid.center[0];
    const py = y - solid.center[1];
    const pz = z - solid.center[2];
    const tx = 2 * (b * pz - c * py);
    const ty = 2 * (c * px - a * pz);
    const tz = 2 * (a * py - b * px);
    const qx = Math.abs(px + w * tx + b * tz - c * ty) - solid.half[0];
    const qy = Math.abs(py + w * ty + c * tx - a * tz) - solid.half[1];
    const qz = Math.abs(pz + w * tz + a * ty - b * tx) - solid.half[2];
    const outside = norm3(Math.max(qx, 0), Math.max(qy, 0), Math.max(qz, 0));
    return outside + Math.min(0, Math.max(qx, qy, qz));
  }
  const { from, to, r0, r1 } = solid;
  const ax = to[0] - from[0];
  const ay = to[1] - from[1];
  const az = to[2] - from[2];
  const len = norm3(ax, ay, az) || 1e-9;
  const fx = x - from[0];
  const fy = y - from[1];
  const fz = z - from[2];
  const t = (fx * ax + fy * ay + fz * az) / (len * len);
  const axial = (Math.abs(t - 0.5) - 0.5) * len;
  const radial = norm3(fx - ax * t, fy - ay * t, fz - az * t) - (r0 + (r1 - r0) * Math.max(0, Math.min(1, t)));
  return norm2(Math.max(axial, 0), Math.max(radial, 0)) + Math.min(0, Math.max(axial, radial));
}

export interface SolidMesh {
  positions: Float32Array;
  normals: Float32Array;
  indices: Uint32Array;
}

const SEGMENTS = 28;

/** Triangles of the solids, flat at edges. */
export function solidMesh(solids: readonly Solid[]): SolidMesh {
  const positions: number[] = [];
  const normals: number[] = [];
  const indices: number[] = [];
  const face = (corners: readonly Vec3[], normal: Vec3): void => {
    const start = positions.length / 3;
    for (const p of corners) {
      positions.push(...p);
      normals.push(...normal);
    }
    for (let i = 1; i + 1 < corners.length; i++) indices.push(start, start + i, start + i + 1);
  };
  for (const solid of solids) {
    if (solid.shape === 'box') boxFaces(solid, face);
    else {
      const axis = normalize(sub(solid.to, solid.from));
      const u = normalize(cross(axis, Math.abs(axis[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0]));
      const v = cross(axis, u);
      const out = (i: number): Vec3 => {
        const a = (2 * Math.PI * i) / SEGMENTS;
        return add(scale(u, Math.cos(a)), scale(v, Math.sin(a)));
      };
      const ring = (center: Vec3, r: number): Vec3[] =>
        Array.from({ length: SEGMENTS }, (_, i) => add(center, scale(out(i), r)));
      const [low, high] = [ring(solid.from, solid.r0), ring(solid.to, solid.r1)];
      const start = positions.length / 3;
      for (let i = 0; i < SEGMENTS; i++) {
        positions.push(...low[i], ...high[i]);
        normals.push(...out(i), ...out(i));
        const [a, b] = [start + 2 * i, start + 2 * ((i + 1) % SEGMENTS)];
        indices.push(a, b, b + 1, a, b + 1, a + 1);
      }
      face([...low].reverse(), scale(axis, -1));
      face(high, axis);
    }
  }
  return {
    positions: Float32Array.from(positions),
    normals: Float32Array.from(normals),
    indices: Uint32Array.from(indices),
  };
}

function boxFaces(solid: Extract<Solid, { shape: 'box' }>, face: (corners: Vec3[], normal: Vec3) => void): void {
  for (let axis = 0; axis < 3; axis++)
    for (const sign of [-1, 1]) {
      const [j, k] = [(axis + 1) % 3, (axis + 2) % 3];
      const corner = (a: number, b: number): Vec3 => {
        const p: Vec3 = [0, 0, 0];
        p[axis] = sign * solid.half[axis];
        p[j] = a * solid.half[j];
        p[k] = b * solid.half[k];
        return add(solid.center, rotate(solid.rot, p));
      };
      const normal: Vec3 = [0, 0, 0];
      normal[axis] = sign;
      const quad = [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)];
      face(sign > 0 ? quad : quad.reverse(), rotate(solid.rot, normal));
    }
}
