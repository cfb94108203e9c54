import type { Rig } from '../skeleton/kinematics';
import { boneScale, onBone } from '../skeleton/skeleton';
import { add, cross, dot, normalize, RAD_PER_DEG, rotate, scale, sub, type Vec3 } from '../skeleton/vector';
import type { Point } from './actionLine';

/** One of the three big masses as an ellipse of the picture. */
export interface Mass {
  name: 'head' | 'ribcage' | 'pelvis';
  center: Point;
  /** Half axes in pixels, the longer first, and the longer one's angle from the picture's horizontal, degrees clockwise. */
  radii: readonly [number, number];
  angleDeg: number;
  /** How far its front is turned from facing the eye: 0 faces you, positive turned to the picture's right, 180 away. */
  turnDeg: number;
}

/** The masses' centers from the joint and half heights, on the base figure's bone, and the bone whose flesh says how wide and deep they are. */
const ELLIPSOIDS: readonly (readonly [Mass['name'], bone: string, center: Vec3, halfHeight: number])[] = [
  ['head', 'head', [0, 0.325, -0.04], 0.515],
  ['ribcage', 'chest', [0, 0.5, 0.02], 0.78],
  ['pelvis', 'pelvis', [0, 0.05, 0.02], 0.46],
];

/**
 * The three masses in a picture. An ellipsoid's outline is taken as the ellipse of its axes projected near its center, which is exact
 * in a parallel projection.
 * @param eye Where the picture is seen from, world.
 */
export function masses(rig: Rig, project: (p: Vec3) => Point, eye: Vec3): Mass[] {
  return ELLIPSOIDS.map(([name, bone, offset, halfHeight]) => {
    const [halfWidth, halfDepth] = rig.build.flesh[bone];
    const half = [halfWidth, halfHeight * boneScale(rig.build, bone)[1], halfDepth];
    const center = add(rig.pos[bone], rotate(rig.rot[bone], onBone(rig.build, bone, offset)));
    const c = project(center);
    // Rows of the map from the unit ball to the picture; its singular values are the ellipse's half axes.
    const axes = ([0, 1, 2] as const).map((k): Point => {
      const e: Vec3 = [0, 0, 0];
      e[k] = half[k];
      const tip = project(add(center, rotate(rig.rot[bone], e)));
      return [tip[0] - c[0], tip[1] - c[1]];
    });
    const xx = axes.reduce((sum, [x]) => sum + x * x, 0);
    const yy = axes.reduce((sum, [, y]) => sum + y * y, 0);
    const xy = axes.reduce((sum, [x, y]) => sum + x * y, 0);
    const mean = (xx + yy) / 2;
    const spread = Math.hypot((xx - yy) / 2, xy);
    const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
    const toEye = normalize(sub(eye, center));
    const front = rotate(rig.rot[bone], [0, 0, 1]);
    const right = normalize(cross([0, 1, 0], toEye));
    const flat = sub(front, scale([0, 1, 0], front[1]));
    return {
      name,
      center: c,
      radii: [Math.sqrt(mean + spread), Math.sqrt(Math.max(0, mean - spread))],
      angleDeg: angle / RAD_PER_DEG,
      turnDeg: Math.atan2(dot(flat, right), dot(flat, toEye)) / RAD_PER_DEG,
    };
  });
}
