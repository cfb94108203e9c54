import { type BodyPoint, pointOf, type PointName } from './points';

const CORE: readonly PointName[] = ['left shoulder', 'right shoulder', 'left hip', 'right hip'];

/** Shoulders to hips in the picture, as a share of its height. @param aspect The picture's width over its height. */
export function trunkLength(points: readonly BodyPoint[], aspect: number): number {
  const middle = (part: 'shoulder' | 'hip'): [number, number] => {
    const [l, r] = [pointOf(points, `left ${part}`), pointOf(points, `right ${part}`)];
    return [((l.x + r.x) / 2) * aspect, (l.y + r.y) / 2];
  };
  const [s, h] = [middle('shoulder'), middle('hip')];
  return Math.hypot(s[0] - h[0], s[1] - h[1]);
}

/** How large a body is in the picture, whichever way it is turned: its trunk, or the width of its shoulders where that is seen from an end. */
export function bodySize(points: readonly BodyPoint[], aspect: number): number {
  const [l, r] = [pointOf(points, 'left shoulder'), pointOf(points, 'right shoulder')];
  return Math.max(trunkLength(points, aspect), Math.hypot((l.x - r.x) * aspect, l.y - r.y));
}

/** Apart by less than this share of its size, shoulders and hips are those of one body. */
const SAME = 0.5;

/** Whether two findings are of one body: their shoulders and hips lie at the same places, whichever way round. */
export function isOneBody(a: readonly BodyPoint[], b: readonly BodyPoint[], aspect: number): boolean {
  const swapped = (name: PointName): PointName =>
    (name.startsWith('left') ? name.replace('left', 'right') : name.replace('right', 'left')) as PointName;
  const apart = (other: (name: PointName) => PointName): number =>
    CORE.reduce((sum, name) => {
      const [p, q] = [pointOf(a, name), pointOf(b, other(name))];
      return sum + Math.hypot((p.x - q.x) * aspect, p.y - q.y);
    }, 0) / CORE.length;
  const size = Math.max(bodySize(a, aspect), bodySize(b, aspect));
  return (
    Math.min(
      apart((name) => name),
      apart(swapped),
    ) <
    SAME * size
  );
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
