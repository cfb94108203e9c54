import { onSkin, type Rig } from '../skeleton/kinematics';
import { dot, sub, type Vec3 } from '../skeleton/vector';
import type { Point } from './actionLine';

/**
 * Levels of the face on the base figure, rest pose, head heights: the eyes half way from crown to chin; hairline, brow, base of the
 * nose and chin a third of the face apart; the mouth a third of the way from nose to chin. [y, half width, front, side]
 */
const FACE_LEVELS = {
  hairline: [7.6, 0.27, 0.31, -0.05],
  brow: [7.34, 0.3, 0.37, -0.03],
  eyes: [7.25, 0.315, 0.35, -0.03],
  'base of the nose': [7.07, 0.28, 0.41, 0],
  mouth: [6.97, 0.24, 0.39, 0.05],
  chin: [6.81, 0.12, 0.35, 0.12],
} as const satisfies Record<string, readonly [y: number, halfWidth: number, front: number, side: number]>;
/** Steps around half the face. */
const STEPS = 8;
/** The eye line is five eyes wide: where one ends and the next begins, shares of the half width. */
const EYE_WIDTHS = [-0.6, -0.2, 0.2, 0.6];

/** A place on the front of the head: how far round from the middle, -1 the figure's right to 1. */
function onFace([y, halfWidth, front, side]: readonly number[], round: number): Vec3 {
  const t = (round * Math.PI) / 2;
  return [halfWidth * Math.sin(t), y, side + (front - side) * Math.cos(t)];
}

/**
 * The lattice of a face as lines in a picture: the middle of it, its levels, and the widths of the eyes; only what faces the eye, so
 * that a head seen from behind has none.
 * @param project A point of the world in the picture.
 * @param eye Where the picture is seen from.
 */
export function faceLattice(rig: Rig, project: (p: Vec3) => Point, eye: Vec3): Point[][] {
  const axis = onSkin(rig, 'head', [0, 7.25, -0.05]);
  const place = (p: Vec3): { at: Vec3; seen: boolean } => {
    const at = onSkin(rig, 'head', p);
    const middle = onSkin(rig, 'head', [0, p[1], -0.05]);
    return { at, seen: dot(sub(at, middle), sub(eye, axis)) > 0 };
  };
  const line = (points: readonly Vec3[]): Point[][] => {
    const runs: Point[][] = [[]];
    for (const { at, seen } of points.map(place)) {
      if (seen) runs[runs.length - 1].push(project(at));
      else if (runs[runs.length - 1].length > 0) runs.push([]);
    }
    return runs.filter((run) => run.length > 1);
  };
  const levels = Object.values(FACE_LEVELS);
  const { brow, eyes } = FACE_LEVELS;
  const nose = FACE_LEVELS['base of the nose'];
  const rounds = Array.from({ length: 2 * STEPS + 1 }, (_, k) => k / STEPS - 1);
  // Arcs end where the sides of the head begin.
  const arcs = levels.flatMap((level) => line(rounds.map((r) => onFace(level, r))));
  const middle = line([[0, 7.82, -0.06], [0, 7.72, 0.2], ...levels.map((level) => onFace(level, 0))]);
  const widths = EYE_WIDTHS.flatMap((share) => {
    const round = (Math.asin(share) * 2) / Math.PI;
    return line([onFace(brow, round), onFace(eyes, round), onFace(nose, round)]);
  });
  return [...middle, ...arcs, ...widths];
}
