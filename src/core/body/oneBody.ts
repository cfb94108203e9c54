import { swapSides } from './lift';
import { type BodyPoint, middleOf, pointOf, type PointName } from './points';

const CORE: readonly PointName[] = ['left shoulder', 'right shoulder', 'left hip', 'right hip'];

/** Shoulders to hips in the picture, as a share of its height. @param aspect The picture's width over its height. */
export function trunkLength(points: readonly BodyPoint[], aspect: number): number {
  const [s, h] = (['shoulder', 'hip'] as const).map((part) =>
    middleOf(points, `left ${part}`, `right ${part}`, aspect),
  );
  return Math.hypot(s[0] - h[0], s[1] - h[1]);
}

/** How large a body is in the picture, whichever way it is turned: its trunk, or the width of its shoulders where that is seen from an end. */
export function bodySize(points: readonly BodyPoint[], aspect: number): number {
  const [l, r] = [pointOf(points, 'left shoulder'), pointOf(points, 'right shoulder')];
  return Math.max(trunkLength(points, aspect), Math.hypot((l.x - r.x) * aspect, l.y - r.y));
}

/** Apart by less than this share of its size, shoulders and hips are those of one body. */
const SAME = 0.5;

/** Middle of a face, and from its eyes to its mouth, in heights of the picture. */
function faceOf(points: readonly BodyPoint[], aspect: number): { at: [number, number]; size: number } {
  const e = middleOf(points, 'left eye', 'right eye', aspect);
  const m = middleOf(points, 'left mouth corner', 'right mouth corner', aspect);
  return { at: [(e[0] + m[0]) / 2, (e[1] + m[1]) / 2], size: Math.hypot(e[0] - m[0], e[1] - m[1]) };
}

/** Whether two findings have one face: of a head alone the network makes up whatever body it likes. */
function isOneFace(a: readonly BodyPoint[], b: readonly BodyPoint[], aspect: number): boolean {
  const [p, q] = [faceOf(a, aspect), faceOf(b, aspect)];
  return Math.hypot(p.at[0] - q.at[0], p.at[1] - q.at[1]) < Math.max(p.size, q.size);
}

/** Whether two findings are of one body: they have one face, or their shoulders and hips lie at the same places, whichever way round. */
export function isOneBody(a: readonly BodyPoint[], b: readonly BodyPoint[], aspect: number): boolean {
  if (isOneFace(a, b, aspect)) return true;
  const apart = (other: readonly BodyPoint[]): number =>
    CORE.reduce((sum, name) => {
      const [p, q] = [pointOf(a, name), pointOf(other, name)];
      return sum + Math.hypot((p.x - q.x) * aspect, p.y - q.y);
    }, 0) / CORE.length;
  return Math.min(apart(b), apart(swapSides(b))) < SAME * Math.max(bodySize(a, aspect), bodySize(b, aspect));
}

/** The box around the points of a body that are seen and lie in the picture, as shares of it; around all of them where none is. */
export function boundsOf(points: readonly BodyPoint[]): { left: number; top: number; right: number; bottom: number } {
  const seen = points.filter((p) => p.seen > 0.5);
  const within = (v: number): number => Math.min(1, Math.max(0, v));
  const [xs, ys] = [seen.length > 0 ? seen : points].flatMap((of) => [
    of.map((p) => within(p.x)),
    of.map((p) => within(p.y)),
  ]);
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
}
