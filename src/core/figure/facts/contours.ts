import { norm2 } from '../../norms';
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
    return sum + norm2(p[0] - q[0], p[1] - q[1]);
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
  const { positions: p, normals: n } = mesh;
  const toward = new Float32Array(p.length / 3);
  for (let i = 0; i < toward.length; i++) {
    const o = i * 3;
    toward[i] =
      n[o] * (camera.eye[0] - p[o]) + n[o + 1] * (camera.eye[1] - p[o + 1]) + n[o + 2] * (camera.eye[2] - p[o + 2]);
  }
  return zeroLines(mesh.indices, toward, picture, projected);
}

/**
 * Finds the visible lines on a mesh along which a value of its vertices is zero.
 * @param indices Of the triangles to search, three each.
 * @param values One for each vertex; triangles with a value that isn't a number are skipped.
 * @param projected The vertices in the pixels of the depth picture, with their depth.
 * @returns Polylines in the pixels of the depth picture, without those on the outline.
 */
export function zeroLines(
  indices: Uint32Array,
  values: Float32Array,
  picture: DepthPicture,
  projected: Float32Array,
): Contour[] {
  const { width, height, depth } = picture;
  const seen = (x: number, y: number, d: number): boolean => d <= deepest(x, y) + HIDDEN_BY && !isOutline(x, y);
  // At a contour its own surface is in front on one side; only where all sides are nearer is it covered.
  const deepest = (x: number, y: number): number => {
    const [px, py] = [Math.floor(x), Math.floor(y)];
    let d = 0;
    for (let j = Math.max(0, py - 1); j <= Math.min(height - 1, py + 1); j++)
      for (let o = j * width + Math.max(0, px - 1), end = j * width + Math.min(width - 1, px + 1); o <= end; o++)
        if (depth[o] > d) d = depth[o];
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

  // One segment for each triangle crossed; its ends are numbered, by the mesh edges they lie on.
  const numbers = new Map<number, number>();
  const ends: Point[] = [];
  const visible: boolean[] = [];
  /** The one or two that follow each. */
  const links: [number, number][] = [];
  const vertices = values.length;
  const crossing = (a: number, b: number): number => {
    const key = a < b ? a * vertices + b : b * vertices + a;
    const known = numbers.get(key);
    if (known !== undefined) return known;
    const t = values[a] / (values[a] - values[b]);
    const x = projected[a * 3] + (projected[b * 3] - projected[a * 3]) * t;
    const y = projected[a * 3 + 1] + (projected[b * 3 + 1] - projected[a * 3 + 1]) * t;
    const d = projected[a * 3 + 2] + (projected[b * 3 + 2] - projected[a * 3 + 2]) * t;
    const number = ends.push([x, y]) - 1;
    visible.push(seen(x, y, d));
    links.push([-1, -1]);
    numbers.set(key, number);
    return number;
  };
  const link = (e: number, f: number): void => {
    links[e][links[e][0] < 0 ? 0 : 1] = f;
  };
  for (let t = 0; t < indices.length; t += 3) {
    const a = indices[t];
    const b = indices[t + 1];
    const c = indices[t + 2];
    if (Number.isNaN(values[a] + values[b] + values[c])) continue;
    const fa = values[a] > 0;
    const fb = values[b] > 0;
    const fc = values[c] > 0;
    if (fa === fb && fb === fc) continue;
    const lone = fa !== fb && fa !== fc ? a : fb !== fa && fb !== fc ? b : c;
    const e = crossing(lone, lone === a ? b : a);
    const f = crossing(lone, lone === c ? b : c);
    if (!visible[e] || !visible[f]) continue;
    link(e, f);
    link(f, e);
  }
  return chains(links).map(({ numbers: along, closed }) => ({ points: along.map((i) => ends[i]), closed }));
}

/** Follow links into chains, from loose ends first. */
function chains(links: readonly (readonly [number, number])[]): { numbers: number[]; closed: boolean }[] {
  const used = new Uint8Array(links.length);
  const out: { numbers: number[]; closed: boolean }[] = [];
  const follow = (from: number): number[] => {
    const along = [from];
    used[from] = 1;
    for (let current = from; ;) {
      const next = links[current].find((i) => i >= 0 && used[i] === 0);
      if (next === undefined) return along;
      used[next] = 1;
      along.push(next);
      current = next;
    }
  };
  links.forEach(([, second], i) => {
    if (links[i][0] >= 0 && second < 0 && used[i] === 0) out.push({ numbers: follow(i), closed: false });
  });
  links.forEach(([first], i) => {
    if (first < 0 || used[i] > 0) return;
    const along = follow(i);
    out.push({ numbers: along, closed: along.length > 3 });
  });
  return out;
}
