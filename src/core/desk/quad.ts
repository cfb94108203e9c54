import { SHEET_SIZES, type SheetSize } from '../practice/paper/sheet';
/** A point of a photograph or of a sheet, pixels. */
export type Point = readonly [x: number, y: number];
/** Corners of a sheet in a photograph: top left, top right, bottom right, bottom left, as the sheet is read. */
export type Corners = readonly [Point, Point, Point, Point];

/** A projective map of the plane, three rows of three. */
export type Homography = readonly number[];

/** Points moved to their middle and scaled to a usual distance, with the map that does it. */
function normalized(points: readonly Point[]): { points: Point[]; map: Homography; back: Homography } {
  const n = points.length;
  const cx = points.reduce((sum, [x]) => sum + x, 0) / n;
  const cy = points.reduce((sum, [, y]) => sum + y, 0) / n;
  const spread = points.reduce((sum, [x, y]) => sum + Math.hypot(x - cx, y - cy), 0) / n || 1;
  const k = Math.SQRT2 / spread;
  return {
    points: points.map(([x, y]): Point => [(x - cx) * k, (y - cy) * k]),
    map: [k, 0, -k * cx, 0, k, -k * cy, 0, 0, 1],
    back: [1 / k, 0, cx, 0, 1 / k, cy, 0, 0, 1],
  };
}

function product(a: Homography, b: Homography): number[] {
  const out = new Array<number>(9).fill(0);
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++) for (let k = 0; k < 3; k++) out[i * 3 + j] += a[i * 3 + k] * b[k * 3 + j];
  return out;
}

/** Solve a square system by elimination with pivots. Changes `rows`, each with its right side last. @throws when it has no one answer. */
function solved(rows: Float64Array[]): number[] {
  const n = rows.length;
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(rows[r][c]) > Math.abs(rows[pivot][c])) pivot = r;
    [rows[c], rows[pivot]] = [rows[pivot], rows[c]];
    if (Math.abs(rows[c][c]) < 1e-12) throw new Error('corners lie on one line');
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const f = rows[r][c] / rows[c][c];
      for (let k = c; k <= n; k++) rows[r][k] -= f * rows[c][k];
    }
  }
  return rows.map((row, i) => row[n] / row[i]);
}

/**
 * The projective map that takes points to others, by least squares where there are more than four.
 * Source: R. Hartley and A. Zisserman, "Multiple View Geometry in Computer Vision", 2nd ed. 2004, algorithm 4.2 (normalized DLT).
 * @throws when three of four points lie on one line.
 */
export function homography(from: readonly Point[], to: readonly Point[]): Homography {
  const a = normalized(from);
  const b = normalized(to);
  const rows = Array.from({ length: 8 }, () => new Float64Array(9));
  const add = (row: readonly number[], right: number): void => {
    for (let i = 0; i < 8; i++) {
      for (let j = 0; j < 8; j++) rows[i][j] += row[i] * row[j];
      rows[i][8] += row[i] * right;
    }
  };
  a.points.forEach(([x, y], i) => {
    const [u, v] = b.points[i];
    add([x, y, 1, 0, 0, 0, -u * x, -u * y], u);
    add([0, 0, 0, x, y, 1, -v * x, -v * y], v);
  });
  return product(b.back, product([...solved(rows), 1], a.map));
}

/** Where a map takes a point. */
export function mapped(m: Homography, x: number, y: number): Point {
  const w = m[6] * x + m[7] * y + m[8];
  return [(m[0] * x + m[1] * y + m[2]) / w, (m[3] * x + m[4] * y + m[5]) / w];
}

/** Twice the area is the sum of cross products. */
export const areaOf = (points: readonly Point[]): number =>
  Math.abs(
    points.reduce((sum, [x, y], i) => {
      const [u, v] = points[(i + 1) % points.length];
      return sum + x * v - u * y;
    }, 0),
  ) / 2;

/** The focal length of a usual telephone camera, as a share of the picture's diagonal: taken where the corners do not tell. */
const USUAL_FOCAL = 0.6;
const LIKELY_FOCAL = [0.45, 1.3] as const;

/**
 * Width over height of the sheet whose corners these are: perspective shortens what is farther away, and four corners tell by how much.
 * Source: Z. Zhang and L. He, "Whiteboard scanning and image enhancement", Digital Signal Processing 2007; square pixels, the lens
 * in the middle of the picture.
 */
export function sheetAspect(corners: Corners, width: number, height: number): number {
  const [m1, m2, m4, m3] = corners.map(([x, y]): [number, number, number] => [x - width / 2, y - height / 2, 1]);
  type V = readonly [number, number, number];
  const cross = (a: V, b: V): V => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
  const dot = (a: V, b: V): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const k2 = dot(cross(m1, m4), m3) / dot(cross(m2, m4), m3);
  const k3 = dot(cross(m1, m4), m2) / dot(cross(m3, m4), m2);
  const n2: V = [k2 * m2[0] - m1[0], k2 * m2[1] - m1[1], k2 - 1];
  const n3: V = [k3 * m3[0] - m1[0], k3 * m3[1] - m1[1], k3 - 1];
  const diagonal = Math.hypot(width, height);
  const f2 = -(n2[0] * n3[0] + n2[1] * n3[1]) / (n2[2] * n3[2]);
  const f = Math.sqrt(f2);
  // Seen nearly square on, the corners say nothing of the lens.
  const told =
    f2 > 0 && f > LIKELY_FOCAL[0] * diagonal && f < LIKELY_FOCAL[1] * diagonal && Math.abs(n2[2] * n3[2]) > 1e-4;
  const focal = told ? f : USUAL_FOCAL * diagonal;
  const long = (n: V): number => n[0] ** 2 + n[1] ** 2 + focal ** 2 * n[2] ** 2;
  return Math.sqrt(long(n2) / long(n3));
}

/** Sheets that can be planned and recognized, upright. */
export const SHEETS = (Object.keys(SHEET_SIZES) as SheetSize[]).map((name) => {
  const [heightMm, widthMm] = SHEET_SIZES[name];
  return { name, widthMm, heightMm };
});

/** Proportions that differ by less than this are one, as a share. */
const SAME_ASPECT = 0.025;

/** The sheets that a proportion fits, the nearest first; upright or lying. */
export function sheetsLike(aspect: number): (typeof SHEETS)[number][] {
  const upright = Math.min(aspect, 1 / aspect);
  const off = ({ widthMm, heightMm }: (typeof SHEETS)[number]): number =>
    Math.abs(Math.log(widthMm / heightMm / upright));
  return SHEETS.filter((sheet) => off(sheet) < SAME_ASPECT).sort((a, b) => off(a) - off(b));
}
