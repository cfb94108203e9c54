import { type Camera, type DepthPicture, projectAll, type Triangles } from '../picture/raster';
import type { Point } from './actionLine';

export interface Contour {
  points: Point[];
  closed: boolean;
}

/** A line this far behind everything seen at its place is hidden, head heights. */
const HIDDEN_BY = 0.05;

/** Length of a contour in the unit of its points; a closed one counts back to its first. */
export const contourLength = ({ points, closed }: Contour): number =>
  points.reduce((sum, p, i) => {
    const q = i > 0 ? points[i - 1] : closed ? points[points.length - 1] : p;
    return sum + Math.hypot(p[0] - q[0], p[1] - q[1]);
  }, 0);

/**
 * Where the surface turns away from the eye, hidden lines removed: the zero set of normal times view direction on the mesh, which is
 * smooth because the normals are (A. Hertzmann and D. Zorin, "Illustrating smooth surfaces", SIGGRAPH 2000), kept where the depth
 * picture shows it. Contours on the outline are left out; the outline has them.
 * @param eye Where the picture is seen from.
 * @returns polylines in the pixels of the depth picture.
 */
export function innerContours(
  mesh: Triangles & { normals: Float32Array },
  camera: Camera,
  picture: DepthPicture,
  projected = projectAll(camera, mesh.positions),
): Contour[] {
  const { positions: p, normals: n, indices } = mesh;
  const { width, height, depth } = picture;
  const toward = new Float32Array(p.length / 3);
  for (let i = 0; i < toward.length; i++) {
    const o = i * 3;
    toward[i] =
      n[o] * (camera.eye[0] - p[o]) + n[o + 1] * (camera.eye[1] - p[o + 1]) + n[o + 2] * (camera.eye[2] - p[o + 2]);
  }
  const seen = (x: number, y: number, d: number): boolean => !isOutline(x, y) && d <= deepest(x, y) + HIDDEN_BY;
  // At a contour its own surface is in front on one side; only where all sides are nearer is it covered.
  const deepest = (x: number, y: number): number => {
    let d = 0;
    for (let j = -1; j <= 1; j++)
      for (let i = -1; i <= 1; i++) {
        const px = Math.min(width - 1, Math.max(0, Math.floor(x) + i));
        const py = Math.min(height - 1, Math.max(0, Math.floor(y) + j));
        d = Math.max(d, depth[py * width + px]);
      }
    return d;
  };
  const isOutline = (x: number, y: number): boolean => {
    for (let j = -2; j <= 2; j++)
      for (let i = -2; i <= 2; i++) {
        const px = Math.floor(x) + i;
        const py = Math.floor(y) + j;
        if (px < 0 || py < 0 || px >= width || py >= height || depth[py * width + px] === Infinity) return true;
      }
    return false;
  };

  // One segment for each triangle crossed; its ends are named by the mesh edges they lie on.
  const links = new Map<number, number[]>();
  const at = new Map<number, Point>();
  const visible = new Map<number, boolean>();
  const vertices = p.length / 3;
  const crossing = (a: number, b: number): number => {
    const key = a < b ? a * vertices + b : b * vertices + a;
    if (at.has(key)) return key;
    const t = toward[a] / (toward[a] - toward[b]);
    const along = (k: number): number => projected[a * 3 + k] + (projected[b * 3 + k] - projected[a * 3 + k]) * t;
    const [x, y, d] = [along(0), along(1), along(2)];
    at.set(key, [x, y]);
    visible.set(key, seen(x, y, d));
    return key;
  };
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [indices[t], indices[t + 1], indices[t + 2]];
    const [fa, fb, fc] = [toward[a] > 0, toward[b] > 0, toward[c] > 0];
    if (fa === fb && fb === fc) continue;
    const [lone, q, r] = fa !== fb && fa !== fc ? [a, b, c] : fb !== fa && fb !== fc ? [b, a, c] : [c, a, b];
    const e = crossing(lone, q);
    const f = crossing(lone, r);
    if (!visible.get(e) || !visible.get(f)) continue;
    links.set(e, [...(links.get(e) ?? []), f]);
    links.set(f, [...(links.get(f) ?? []), e]);
  }
  return chains(links).map(({ keys, closed }) => ({ points: keys.map((key) => at.get(key) as Point), closed }));
}

/** Follow links into chains, from loose ends first. */
function chains(links: Map<number, number[]>): { keys: number[]; closed: boolean }[] {
  const used = new Set<number>();
  const out: { keys: number[]; closed: boolean }[] = [];
  const follow = (from: number): number[] => {
    const keys = [from];
    used.add(from);
    for (let current = from; ;) {
      const next = links.get(current)?.find((key) => !used.has(key));
      if (next === undefined) return keys;
      used.add(next);
      keys.push(next);
      current = next;
    }
  };
  for (const [key, ends] of links)
    if (ends.length === 1 && !used.has(key)) out.push({ keys: follow(key), closed: false });
  for (const [key] of links)
    if (!used.has(key)) {
      const keys = follow(key);
      out.push({ keys, closed: keys.length > 3 });
    }
  return out;
}
