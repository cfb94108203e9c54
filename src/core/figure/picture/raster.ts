import type { Vec3 } from '../skeleton/vector';
import { add, cross, dot, normalize, scale, sub } from '../skeleton/vector';
import type { Frame } from './view';

/** Anything made of triangles: xyz of its vertices and three of them a triangle, counter-clockwise from outside. */
export interface Triangles {
  positions: Float32Array;
  indices: Uint32Array;
}

/** A camera as numbers: world to picture in pixels, y down. */
export interface Camera {
  eye: Vec3;
  right: Vec3;
  up: Vec3;
  backward: Vec3;
  /** Pixels at unit distance, and the picture's origin. */
  scale: number;
  left: number;
  top: number;
  width: number;
  height: number;
  /** A parallel projection (a far light) rather than a perspective one. */
  parallel: boolean;
}

/** The camera of a frame for a picture whose longer side has `longSide` pixels. */
export function cameraOf(frame: Frame, longSide: number): Camera {
  const backward = normalize(sub(frame.eye, frame.target));
  const right = normalize(cross([0, 1, 0], backward));
  const [w, h] = [frame.right - frame.left, frame.top - frame.bottom];
  const k = longSide / Math.max(w, h);
  return {
    eye: frame.eye,
    right,
    up: cross(backward, right),
    backward,
    scale: k,
    left: frame.left,
    top: frame.top,
    width: Math.max(1, Math.round(w * k)),
    height: Math.max(1, Math.round(h * k)),
    parallel: false,
  };
}

/** A square parallel view along a light onto a ball around `middle`. */
export function lightCamera(toLight: Vec3, middle: Vec3, radius: number, size: number): Camera {
  const backward = normalize(toLight);
  const right = normalize(cross(Math.abs(backward[1]) > 0.99 ? [1, 0, 0] : [0, 1, 0], backward));
  return {
    eye: add(middle, scale(backward, 2 * radius)),
    right,
    up: cross(backward, right),
    backward,
    scale: size / (2 * radius),
    left: -radius,
    top: radius,
    width: size,
    height: size,
    parallel: true,
  };
}

/** [x, y, depth] of a world point: pixels from the top left, head heights from the eye. */
export function project(camera: Camera, p: Vec3): Vec3 {
  const q = sub(p, camera.eye);
  const depth = -dot(q, camera.backward);
  const w = camera.parallel ? 1 : 1 / depth;
  return [
    (dot(q, camera.right) * w - camera.left) * camera.scale,
    (camera.top - dot(q, camera.up) * w) * camera.scale,
    depth,
  ];
}

/** Project every vertex: x, y and depth of each. */
export function projectAll(camera: Camera, positions: Float32Array): Float32Array {
  const { eye, right: r, up: u, backward: b, scale: k, left, top, parallel } = camera;
  const out = new Float32Array(positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    const x = positions[i] - eye[0];
    const y = positions[i + 1] - eye[1];
    const z = positions[i + 2] - eye[2];
    const depth = -(x * b[0] + y * b[1] + z * b[2]);
    const w = parallel ? 1 : 1 / depth;
    out[i] = ((x * r[0] + y * r[1] + z * r[2]) * w - left) * k;
    out[i + 1] = (top - (x * u[0] + y * u[1] + z * u[2]) * w) * k;
    out[i + 2] = depth;
  }
  return out;
}

export interface DepthPicture {
  width: number;
  height: number;
  /** Distance from the eye of what is seen at each pixel's middle; Infinity where nothing is. */
  depth: Float32Array;
  /** Which triangle is seen, -1 for none. */
  triangle: Int32Array;
}

/** A second surface lies this far behind the first, head heights. */
const BEHIND = 0.15;

/**
 * Depth-buffer rasterization; pixels are sampled at their middles. Faces turned away are drawn too, so that holes cannot leak.
 * @param beyond Depths of what is looked through: only faces turned to the eye and behind them are seen.
 */
export function rasterize(
  camera: Camera,
  { positions, indices }: Triangles,
  projected = projectAll(camera, positions),
  beyond?: Float32Array,
): DepthPicture {
  const { width, height, parallel } = camera;
  const depth = new Float32Array(width * height).fill(Infinity);
  const triangle = new Int32Array(width * height).fill(-1);
  const v = projected;
  for (let t = 0; t < indices.length; t += 3) {
    const a = indices[t] * 3;
    const b = indices[t + 1] * 3;
    const c = indices[t + 2] * 3;
    const ax = v[a];
    const ay = v[a + 1];
    const bx = v[b];
    const by = v[b + 1];
    const cx = v[c];
    const cy = v[c + 1];
    // Most triangles of a fine mesh lie between the middles of pixels: they go before anything else is worked out.
    const lowX = ax < bx ? (ax < cx ? ax : cx) : bx < cx ? bx : cx;
    const highX = ax > bx ? (ax > cx ? ax : cx) : bx > cx ? bx : cx;
    const x0 = Math.max(0, Math.ceil(lowX - 0.5));
    const x1 = Math.min(width - 1, Math.floor(highX - 0.5));
    if (x0 > x1) continue;
    const lowY = ay < by ? (ay < cy ? ay : cy) : by < cy ? by : cy;
    const highY = ay > by ? (ay > cy ? ay : cy) : by > cy ? by : cy;
    const y0 = Math.max(0, Math.ceil(lowY - 0.5));
    const y1 = Math.min(height - 1, Math.floor(highY - 0.5));
    if (y0 > y1) continue;
    const area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    if (area === 0 || (beyond && area > 0)) continue;
    // 1/depth is linear in the picture under perspective, depth itself under a parallel projection.
    const da = parallel ? v[a + 2] : 1 / v[a + 2];
    const db = parallel ? v[b + 2] : 1 / v[b + 2];
    const dc = parallel ? v[c + 2] : 1 / v[c + 2];
    const inverse = 1 / area;
    // The weights change by a constant along a row.
    const stepA = (by - cy) * inverse;
    const stepB = (cy - ay) * inverse;
    for (let y = y0; y <= y1; y++) {
      const py = y + 0.5;
      const px = x0 + 0.5;
      let wa = ((bx - px) * (cy - py) - (cx - px) * (by - py)) * inverse;
      let wb = ((cx - px) * (ay - py) - (ax - px) * (cy - py)) * inverse;
      let o = y * width + x0;
      for (let x = x0; x <= x1; x++, o++, wa += stepA, wb += stepB) {
        const wc = 1 - wa - wb;
        if (wa < 0 || wb < 0 || wc < -1e-9) continue;
        const q = wa * da + wb * db + wc * dc;
        const d = parallel ? q : 1 / q;
        if (d < depth[o] && (!beyond || d > beyond[o] + BEHIND)) {
          depth[o] = d;
          triangle[o] = t;
        }
      }
    }
  }
  return { width, height, depth, triangle };
}

/** Weights of a triangle's corners at a picture point, corrected for perspective. */
export function cornerWeights(
  camera: Camera,
  projected: Float32Array,
  indices: Uint32Array,
  t: number,
  px: number,
  py: number,
): Vec3 {
  const [a, b, c] = [indices[t] * 3, indices[t + 1] * 3, indices[t + 2] * 3];
  const v = projected;
  const area = (v[b] - v[a]) * (v[c + 1] - v[a + 1]) - (v[c] - v[a]) * (v[b + 1] - v[a + 1]);
  let wa = ((v[b] - px) * (v[c + 1] - py) - (v[c] - px) * (v[b + 1] - py)) / area;
  let wb = ((v[c] - px) * (v[a + 1] - py) - (v[a] - px) * (v[c + 1] - py)) / area;
  let wc = 1 - wa - wb;
  if (!camera.parallel) {
    [wa, wb, wc] = [wa / v[a + 2], wb / v[b + 2], wc / v[c + 2]];
    const sum = wa + wb + wc;
    return [wa / sum, wb / sum, wc / sum];
  }
  return [wa, wb, wc];
}
