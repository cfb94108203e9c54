import { norm2 } from '../../norms';
import { polygonCentroid, polygonContains, polygonHull } from 'd3-polygon';
import type { Build } from './builds';
import { buildFactor, KNEE_RADIUS, poseSkeleton, type Rig, type Shift, soleContacts } from './kinematics';
import { centerOfMass } from './mass';
import type { Pose } from './pose';
import { SIDES, type Side } from './skeleton';
import { handPoint } from './handPoint';
import { add, mix, rotate, type Vec3 } from './vector';

/** A point of the ground plan: x to the figure's left, z to its front, head heights. */
export type GroundPoint = [x: number, z: number];

const CARRIES = 0.06;

/** Spheres of the trunk and thighs that a seat or the floor carries: [bone, offset from its joint, radius]. */
const SEAT: readonly (readonly [bone: string, p: Vec3, r: number])[] = [
  ['pelvis', [0.3, -0.2, -0.22], 0.3],
  ['pelvis', [-0.3, -0.2, -0.22], 0.3],
  ['pelvis', [0.42, 0.15, -0.05], 0.26],
  ['pelvis', [-0.42, 0.15, -0.05], 0.26],
  ['pelvis', [0, 0.1, 0.06], 0.33],
  ['thigh.L', [0.02, -0.5, 0], 0.34],
  ['thigh.R', [-0.02, -0.5, 0], 0.34],
];
const REST_ON: readonly (readonly [bone: string, p: Vec3, r: number])[] = [
  ['chest', [0, 0.7, 0], 0.5],
  ['head', [0, 0.35, 0], 0.4],
];

const lowest = (rig: Rig, [bone, p, r]: readonly [string, Vec3, number]): Vec3 => {
  const c = add(rig.pos[bone], rotate(rig.rot[bone], p));
  return [c[0], c[1] - r, c[2]];
};

/** Everything that carries weight, in the ground plan. */
function supportPoints(pose: Pose, rig: Rig): GroundPoint[] {
  const out: GroundPoint[] = [];
  const plan = ([x, , z]: Vec3): GroundPoint => [x, z];
  for (const side of SIDES) {
    const leg = pose.ik?.[`leg${side}`];
    const floor = (leg?.floor ?? 0) * buildFactor(rig);
    out.push(
      ...soleContacts(rig, side)
        .filter(([, y]) => Math.abs(y - floor) < CARRIES)
        .map(plan),
    );
    if (rig.pos[`calf.${side}`][1] < KNEE_RADIUS + CARRIES) out.push(plan(rig.pos[`calf.${side}`]));
    const arm = pose.ik?.[`arm${side}`];
    if (arm?.by === 'palm' && !arm.rel) out.push(plan(palmPoint(rig, side)));
  }
  if (pose.support !== undefined) {
    const floor = pose.support * buildFactor(rig);
    const near = [...SEAT, ...REST_ON].map((s) => lowest(rig, s)).filter(([, y]) => y < floor + 0.25);
    out.push(
      ...near.flatMap(([x, , z]): GroundPoint[] => [
        [x - 0.1, z],
        [x + 0.1, z],
        [x, z + 0.1],
        [x, z - 0.1],
      ]),
    );
  }
  return out;
}

const palmPoint = (rig: Rig, side: Side): Vec3 =>
  add(rig.pos[`hand.${side}`], rotate(rig.rot[`hand.${side}`], handPoint('palm', side)));

/** Convex hull of the carrying points; undefined for fewer than three. */
export const supportPolygon = (pose: Pose, rig: Rig): GroundPoint[] | undefined =>
  polygonHull(supportPoints(pose, rig)) ?? undefined;

/** How far the center of mass lies outside the support, head heights along the ground; 0 within it. */
export function imbalance(pose: Pose, rig: Rig): number {
  const hull = supportPolygon(pose, rig);
  const [x, , z] = centerOfMass(rig);
  if (!hull) return Infinity;
  if (polygonContains(hull, [x, z])) return 0;
  const [nx, nz] = nearestOn(hull, [x, z]);
  return norm2(nx - x, nz - z);
}

function nearestOn(hull: readonly GroundPoint[], [x, z]: GroundPoint): GroundPoint {
  let best: GroundPoint = hull[0];
  let least = Infinity;
  hull.forEach(([ax, az], i) => {
    const [bx, bz] = hull[(i + 1) % hull.length];
    const len2 = (bx - ax) ** 2 + (bz - az) ** 2 || 1e-9;
    const t = Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (z - az) * (bz - az)) / len2));
    const p: GroundPoint = [mix(ax, bx, t), mix(az, bz, t)];
    const d = (p[0] - x) ** 2 + (p[1] - z) ** 2;
    if (d < least) {
      least = d;
      best = p;
    }
  });
  return best;
}

/** The center of mass is brought this far into the support: the hull shrunk toward its middle. */
const INSET = 0.8;

/** What must move so that feet reach the floor, the seat carries and the weight is over the support. */
function correction(pose: Pose, rig: Rig): Vec3 {
  let [dx, dy, dz] = [0, 0, 0];
  for (const side of SIDES) {
    const leg = pose.ik?.[`leg${side}`];
    if (leg?.floor !== undefined) {
      const low = Math.min(...soleContacts(rig, side).map(([, y]) => y)) - leg.floor * buildFactor(rig);
      if (low > -0.012) dy = Math.min(dy, -low - 0.017);
    }
    if (leg?.kneel) {
      const high = rig.pos[`calf.${side}`][1] - KNEE_RADIUS;
      if (high > 0.004) dy = Math.min(dy, -high);
    }
  }
  if (pose.support !== undefined)
    dy = pose.support * buildFactor(rig) - (pose.sink ?? 0.05) - Math.min(...SEAT.map((s) => lowest(rig, s)[1]));
  else if (dy < -0.01)
    return [0, dy, 0]; // feet first, then weight
  else if (pose.over) {
    const foot = soleContacts(rig, pose.over);
    const [x, , z] = centerOfMass(rig);
    const mean = (k: number): number => foot.reduce((sum, p) => sum + p[k], 0) / foot.length;
    [dx, dz] = [0.8 * (mean(0) - x), 0.8 * (mean(2) - z)];
  } else if (!pose.moving) {
    const hull = supportPolygon(pose, rig);
    const [x, , z] = centerOfMass(rig);
    if (hull && hull.length > 2) {
      const [mx, mz] = polygonCentroid(hull);
      const inner = hull.map(([hx, hz]): GroundPoint => [mix(mx, hx, INSET), mix(mz, hz, INSET)]);
      if (!polygonContains(inner, [x, z])) {
        const [nx, nz] = nearestOn(inner, [x, z]);
        [dx, dz] = [nx - x, nz - z];
      }
    }
  }
  return [dx, dy, dz];
}

/**
 * Pose a build so that it stands: the root sinks until grounded feet reach, rests on its seat, and moves until the center of mass
 * is over what carries (unless the pose is in motion).
 */
export function settlePose(pose: Pose, build: Build): { rig: Rig; shift: Shift } {
  let shift: Shift = [0, 0, 0];
  let rig = poseSkeleton(pose, build, shift);
  if (pose.joints && !pose.ik) return { rig, shift };
  for (let step = 0; step < 12; step++) {
    const move = correction(pose, rig);
    if (Math.max(...move.map(Math.abs)) < 1e-3) break;
    shift = add(shift, move);
    rig = poseSkeleton(pose, build, shift);
  }
  return { rig, shift };
}
