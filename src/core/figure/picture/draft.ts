import { coveredPositions } from '../mesh/cover';
import type { Figure } from '../figure';
import { type KeyLight, type Look, paintOf, STUDIO_LIGHT, towardLight } from './light';
import { type Camera, cameraOf, cornerWeights, lightCamera, projectAll, rasterize, type Triangles } from './raster';
import { solidMesh } from '../props/solids';
import { dot, type Vec3 } from '../skeleton/vector';
import { type Frame, frameFigure, type Margins, type View } from './view';

/** Pixels of a picture, red, green, blue and alpha of each, not premultiplied. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

export interface DraftOptions {
  /** Length of the picture's longer side, pixels. */
  longSidePx: number;
  light?: KeyLight;
  look?: Look;
  covered?: boolean;
  /** Without the ground there is no cast shadow and the frame is tight: a cut-out. */
  ground: boolean;
  /** Framed by itself when missing. */
  frame?: Frame;
}

const WITH_SHADOW: Margins = [0.1, 0.3, 0.07, 0.1];
const TIGHT: Margins = [0.01, 0.01, 0.01, 0.005];
const ALONE: Margins = [0.08, 0.08, 0.06, 0.02];
/** Parts that are shown standing on the ground. */
const onGround = ({ part }: Pick<Figure, 'part'>): boolean => part === undefined || part.startsWith('foot');

/** Whether a picture of a figure has a ground: a head, a hand and a torso float. */
export const hasGround = (figure: Pick<Figure, 'part'>, asked: boolean): boolean => asked && onGround(figure);

/** Room around a figure, shares of its size: for the cast shadow where there is ground, else next to none; a part alone has air. */
export const marginsFor = (figure: Pick<Figure, 'part'>, ground: boolean): Margins =>
  hasGround(figure, ground) ? WITH_SHADOW : figure.part && ground ? ALONE : TIGHT;

/** A figure and its props as one mesh: what one sees. */
export interface Scene extends Triangles {
  normals: Float32Array;
  /** Openness to the sky of each vertex, 0 to 1. */
  openness: Float32Array;
  /** Signed depth under cloth of each vertex: positive is covered. */
  cover: Float32Array;
  /** How much of each vertex is there, 0 to 1. */
  fade: Float32Array;
  /** Vertices before this one belong to the figure, the others to props. */
  figureVertices: number;
}

/** A figure with its props, in its skin or covered, as one mesh. */
export function sceneOf(figure: Figure, covered: boolean): Scene {
  const props = solidMesh(figure.solids);
  const join = (a: Float32Array, b: Float32Array): Float32Array => {
    const out = new Float32Array(a.length + b.length);
    out.set(a);
    out.set(b, a.length);
    return out;
  };
  const figureVertices = figure.positions.length / 3;
  const propVertices = props.positions.length / 3;
  const indices = new Uint32Array(figure.indices.length + props.indices.length);
  indices.set(figure.indices);
  for (let i = 0; i < props.indices.length; i++) indices[figure.indices.length + i] = props.indices[i] + figureVertices;
  return {
    positions: join(covered ? coveredPositions(figure) : figure.positions, props.positions),
    normals: join(figure.normals, props.normals),
    openness: join(figure.openness, new Float32Array(propVertices).fill(0.9)),
    cover: join(figure.cover, new Float32Array(propVertices).fill(-1)),
    fade: join(figure.fade, new Float32Array(propVertices).fill(1)),
    indices,
    figureVertices,
  };
}

/** Positions of what has not faded away. */
export function shownPositions({ positions, fade }: Pick<Scene, 'positions' | 'fade'>): Float32Array {
  if (!fade.some((there) => there < SEEN_FROM)) return positions;
  const out: number[] = [];
  for (let v = 0; v < fade.length; v++)
    if (fade[v] >= SEEN_FROM) out.push(positions[v * 3], positions[v * 3 + 1], positions[v * 3 + 2]);
  return Float32Array.from(out);
}
/** Whether nothing of a triangle has faded. */
export const isSolid = (fade: Float32Array, indices: Uint32Array, t: number): boolean =>
  fade[indices[t]] > 0.99 && fade[indices[t + 1]] > 0.99 && fade[indices[t + 2]] > 0.99;

/** Fainter than this counts as gone. */
const SEEN_FROM = 0.15;

function bounds(positions: Float32Array): { lo: Vec3; hi: Vec3 } {
  const lo: Vec3 = [Infinity, Infinity, Infinity];
  const hi: Vec3 = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < positions.length; i += 3)
    for (let k = 0; k < 3; k++) {
      const v = positions[i + k];
      if (v < lo[k]) lo[k] = v;
      if (v > hi[k]) hi[k] = v;
    }
  return { lo, hi };
}

/** Whether the key light reaches a point, head heights: 1 wholly, 0 not at all. */
export type Lit = (x: number, y: number, z: number) => number;

/** Which points the key light reaches, by a depth picture taken from the light. */
export function shadowTest(scene: Triangles, toLight: Vec3, size: number): Lit {
  const { lo, hi } = bounds(scene.positions);
  const middle: Vec3 = [(lo[0] + hi[0]) / 2, (lo[1] + hi[1]) / 2, (lo[2] + hi[2]) / 2];
  const radius = Math.hypot(hi[0] - lo[0], hi[1] - lo[1], hi[2] - lo[2]) / 2 + 0.1;
  const camera = lightCamera(toLight, middle, radius, size);
  const { depth } = rasterize(camera, scene);
  const bias = 0.03 + (3 * radius) / size;
  const { eye, right, up, backward, scale: k, left, top } = camera;
  const reached = (i: number, j: number, d: number): number =>
    i < 0 || j < 0 || i >= size || j >= size || depth[j * size + i] > d - bias ? 1 : 0;
  // Asked for every pixel: numbers, no vectors.
  return (px, py, pz) => {
    const qx = px - eye[0];
    const qy = py - eye[1];
    const qz = pz - eye[2];
    const x = (qx * right[0] + qy * right[1] + qz * right[2] - left) * k - 0.5;
    const y = (top - (qx * up[0] + qy * up[1] + qz * up[2])) * k - 0.5;
    const d = -(qx * backward[0] + qy * backward[1] + qz * backward[2]);
    // Four neighbors, weighted: a soft edge of about two texels.
    const x0 = Math.floor(x);
    const y0 = Math.floor(y);
    const tx = x - x0;
    const ty = y - y0;
    return (
      (reached(x0, y0, d) * (1 - tx) + reached(x0 + 1, y0, d) * tx) * (1 - ty) +
      (reached(x0, y0 + 1, d) * (1 - tx) + reached(x0 + 1, y0 + 1, d) * tx) * ty
    );
  };
}

const SHADOW_SIZE = 700;
/** Each pixel is the mean of this many squared. */
const SAMPLES = 2;
const SHADE: Vec3 = [0.024, 0.016, 0.011];
const encode = (v: number): number =>
  255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(Math.min(1, v), 1 / 2.4) - 0.055);

/**
 * Draw a figure in plain code, without a graphics card: the first look while the finished picture is made, small pictures, and
 * contact sheets. The same paints and lights as the finished one.
 */
export function draftPicture(figure: Figure, view: View, options: DraftOptions): Pixels {
  const { longSidePx, light = STUDIO_LIGHT, look = 'clay', covered = false } = options;
  const ground = hasGround(figure, options.ground);
  const scene = sceneOf(figure, covered);
  const frame = options.frame ?? frameFigure(shownPositions(scene), view, marginsFor(figure, options.ground));
  const camera = cameraOf(frame, longSidePx * SAMPLES);
  const width = Math.floor(camera.width / SAMPLES);
  const height = Math.floor(camera.height / SAMPLES);
  const projected = projectAll(camera, scene.positions);
  // A part is open where it ends: its inside is not to be seen.
  const inside = figure.part && new Float32Array(camera.width * camera.height).fill(-1);
  const { triangle, depth } = rasterize(camera, scene, projected, inside);
  const toLight = towardLight(light, view.azimuthDeg);
  const lit = shadowTest(scene, toLight, SHADOW_SIZE);
  const paint = paintOf(look, light.source);
  const sum = new Float32Array(width * height * 4);

  const { indices } = scene;
  /** Add what a triangle looks like at a point, as far as `share` lets it through. @returns How much of it is there. */
  const shade = (t: number, px: number, py: number, o: number, share: number): number => {
    const w = cornerWeights(camera, projected, indices, t, px, py);
    const at = (data: Float32Array, stride: number, k: number): number =>
      w[0] * data[indices[t] * stride + k] +
      w[1] * data[indices[t + 1] * stride + k] +
      w[2] * data[indices[t + 2] * stride + k];
    const n: Vec3 = [at(scene.normals, 3, 0), at(scene.normals, 3, 1), at(scene.normals, 3, 2)];
    const p: Vec3 = [at(scene.positions, 3, 0), at(scene.positions, 3, 1), at(scene.positions, 3, 2)];
    const open = Math.max(0, Math.min(1, at(scene.openness, 1, 0)));
    const toward = dot(n, toLight);
    let key = toward > 0 ? toward * lit(p[0] + n[0] * 0.03, p[1] + n[1] * 0.03, p[2] + n[2] * 0.03) : 0;
    const near = Math.min(1, open / 0.75);
    // What is nearly shut (a pupil, a nostril, between the lips) gets little of the key light either.
    const shut = Math.min(1, open / 0.12);
    key *= (0.62 + 0.38 * near * near * (3 - 2 * near)) * (0.06 + 0.94 * shut * shut);
    const skyward = 0.5 + 0.5 * n[1];
    const dark = open * open;
    const isProp = indices[t] >= scene.figureVertices;
    const color = isProp ? paint.prop : covered && at(scene.cover, 1, 0) > 0 ? paint.cover : paint.body;
    const there = Math.max(0, Math.min(1, at(scene.fade, 1, 0)));
    const weight = there * share;
    for (let k = 0; k < 3; k++) {
      const ambient = paint.ground[k] + (paint.sky[k] - paint.ground[k]) * skyward;
      sum[o + k] += weight * color[k] * (paint.key[k] * key + ambient * (0.16 + 0.84 * dark));
    }
    sum[o + 3] += weight;
    return there;
  };
  // Behind what fades the next surface shows.
  const behind = figure.part && rasterize(camera, scene, projected, depth).triangle;
  for (let y = 0; y < height * SAMPLES; y++)
    for (let x = 0; x < width * SAMPLES; x++) {
      const o = (Math.floor(y / SAMPLES) * width + Math.floor(x / SAMPLES)) * 4;
      const t = triangle[y * camera.width + x];
      if (t < 0) continue;
      const there = shade(t, x + 0.5, y + 0.5, o, 1);
      if (there < 0.99 && behind && behind[y * camera.width + x] >= 0)
        shade(behind[y * camera.width + x], x + 0.5, y + 0.5, o, 1 - there);
    }
  if (ground)
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const o = (y * width + x) * 4;
        const bare = SAMPLES * SAMPLES - sum[o + 3];
        if (bare > 0) shadeGround(camera, figure, lit, look, (x + 0.5) * SAMPLES, (y + 0.5) * SAMPLES, sum, o, bare);
      }
  const data = new Uint8ClampedArray(width * height * 4);
  const all = SAMPLES * SAMPLES;
  for (let o = 0; o < sum.length; o += 4) {
    const alpha = sum[o + 3] / all;
    if (alpha === 0) continue;
    for (let k = 0; k < 3; k++) data[o + k] = encode(sum[o + k] / all / alpha);
    data[o + 3] = alpha * 255;
  }
  return { width, height, data };
}

function fade(distance: number, over: number): number {
  const s = Math.max(0, Math.min(1, distance / over));
  return s * s * (3 - 2 * s);
}

/** Add what darkens the ground at a picture point: the cast shadow and the contact shade, fading at the picture's edges. */
function shadeGround(
  camera: Camera,
  { contact }: Figure,
  lit: Lit,
  look: Look,
  px: number,
  py: number,
  sum: Float32Array,
  o: number,
  weight: number,
): void {
  const [fx, fy] = [px / camera.width, py / camera.height];
  const edge = fade(fx, 0.08) * fade(1 - fx, 0.22) * fade(1 - fy, 0.08) * fade(fy, 0.1);
  if (edge === 0) return;
  const u = px / camera.scale + camera.left;
  const v = camera.top - py / camera.scale;
  const { right, up, backward } = camera;
  const ray: Vec3 = [
    right[0] * u + up[0] * v - backward[0],
    right[1] * u + up[1] * v - backward[1],
    right[2] * u + up[2] * v - backward[2],
  ];
  if (ray[1] >= -1e-4) return;
  const t = -camera.eye[1] / ray[1];
  const [x, z] = [camera.eye[0] + ray[0] * t, camera.eye[2] + ray[2] * t];
  const n = contact.resolution;
  const i = Math.floor(((x - contact.center[0]) / contact.size[0] + 0.5) * n);
  const j = Math.floor(((z - contact.center[1]) / contact.size[1] + 0.5) * n);
  const touch = i >= 0 && j >= 0 && i < n && j < n ? contact.data[j * n + i] / 255 : 0;
  const cast = (1 - lit(x, 0, z)) * (look === 'flat' ? 0.12 : 0.5);
  const alpha = weight * (1 - (1 - cast) * (1 - touch * (look === 'flat' ? 0.4 : 1))) * edge;
  for (let k = 0; k < 3; k++) sum[o + k] += SHADE[k] * alpha;
  sum[o + 3] += alpha;
}
