import type { Build } from '../skeleton/builds';
import { marginsFor, sceneOf, shadowTest, shownPositions } from '../picture/draft';
import { type EyeLevel, eyeLevelOf } from '../picture/eyeLevel';
import type { Figure } from '../figure';
import type { ShownPart } from '../mesh/region';
import { type KeyLight, towardLight } from '../picture/light';
import type { Pose } from '../skeleton/pose';
import { PARTS } from '../skeleton/parts';
import { type Camera, cameraOf, cornerWeights, project, projectAll, rasterize } from '../picture/raster';
import { length, sub, type Vec3 } from '../skeleton/vector';
import {
  describeHeading,
  describeView,
  partHeading,
  foreshortening,
  frameFigure,
  twistDeg,
  type View,
  type Facing,
  type ViewName,
} from '../picture/view';
import { actionLine, type ActionLine, lineThrough, type Point } from './actionLine';
import { type Contour, contourLength, innerContours } from './contours';
import { effort, type Effort } from './effort';
import { faceLattice } from './faceLattice';
import { type Alignment, alignments, type Mark, type Tilt, tiltOf } from './measuringLines';
import { type Mass, masses } from './masses';
import { maskRings, silhouette } from './silhouette';
import { centerOfMass } from '../skeleton/mass';
import { type GroundPoint, supportPolygon } from '../skeleton/support';

interface LimbFact {
  name: string;
  /** Projected over true length: 1 lies across the view, 0 points at the eye. */
  ratio: number;
  /** Share of its surface facing the eye that something else covers. */
  covered: number;
}

/** Everything known about a figure in a picture. Lengths and points are pixels of a picture `width` by `height`. */
export interface AnswerKey {
  width: number;
  height: number;
  action: ActionLine;
  masses: Mass[];
  shoulders: Tilt;
  hips: Tilt;
  /** Difference of the two tilts, degrees. */
  contrastDeg: number;
  /** The side of the trunk that is shortened in space; undefined when both are within 3 %. */
  pinched: 'left' | 'right' | undefined;
  twistDeg: number;
  marks: Mark[];
  alignments: Alignment[];
  viewName: ViewName;
  facing: Facing;
  eyeLevel: EyeLevel;
  envelope: Point[];
  /** Width over height of the figure in the picture. */
  aspect: number;
  outline: Contour[];
  inner: Contour[];
  outlineLength: number;
  innerLength: number;
  negatives: { shape: Contour; share: number }[];
  /** Top and bottom of the figure, its height in heads as seen, and the y of each head and of the half. */
  top: number;
  bottom: number;
  heads: number;
  headYs: number[];
  halfY: number;
  /** The visible landmark of trunk or legs nearest to the half. */
  halfAt: string;
  limbs: LimbFact[];
  /** Mean of the limbs' ratios. */
  foreshortening: number;
  /** Where the center of mass falls on the ground plan, and what carries; head heights. */
  centerOfMass: Vec3;
  support: GroundPoint[];
  effort: Effort;
  /** Outlines of what the key light does not reach. */
  shadow: Point[][][];
  /** The middle, the levels and the eye widths of the face, as far as it is turned to the eye. */
  face: Point[][];
  /** What of the body it shows, where that is not all; its lines of structure are drawn with the masses. */
  part?: ShownPart;
  structure?: Point[][];
  /** Borders of the planes and of the solids it is built on, where they were asked for. */
  planes?: Point[][];
  solids?: Point[][];
  /** Lines across the form, where they were asked for. */
  across?: Point[][];
}

/** What of an answer key can be drawn over a picture. */
export type DrawnKey = Pick<
  AnswerKey,
  | 'width'
  | 'height'
  | 'action'
  | 'masses'
  | 'shoulders'
  | 'hips'
  | 'marks'
  | 'alignments'
  | 'envelope'
  | 'outline'
  | 'inner'
  | 'negatives'
  | 'top'
  | 'bottom'
  | 'heads'
  | 'headYs'
  | 'halfY'
  | 'halfAt'
  | 'shadow'
  | 'face'
  | 'part'
  | 'structure'
  | 'planes'
  | 'solids'
  | 'across'
>;

/** Pixels of the long side of the picture that an answer key is drawn over. */
export const KEY_LONG_SIDE = 1000;
/** Pixels of the long side when the surface is searched for its lines. */
const RASTER = 280;

const LIMB_PARTS = ['uarm', 'farm', 'thigh', 'calf'] as const;
const LIMB_WORDS: Record<(typeof LIMB_PARTS)[number], string> = {
  uarm: 'upper arm',
  farm: 'forearm',
  thigh: 'thigh',
  calf: 'lower leg',
};

/**
 * Read a figure in a picture: what a teacher would draw over it.
 * @param figure Meshed at any fineness; the coarse one serves.
 */
export function answerKey(
  figure: Figure,
  pose: Pose,
  build: Build,
  view: View,
  light: KeyLight,
  { ground = true, covered = false } = {},
): AnswerKey {
  const scene = sceneOf(figure, covered);
  const frame = frameFigure(shownPositions(scene), view, marginsFor(figure, ground));
  const camera = cameraOf(frame, KEY_LONG_SIDE);
  const small = cameraOf(frame, RASTER);
  const up = KEY_LONG_SIDE / RASTER;
  const { rig } = figure;
  const at = (p: Vec3): Point => {
    const [x, y] = project(camera, p);
    return [x, y];
  };
  const figureOnly = { positions: figure.positions, indices: figure.indices, normals: figure.normals };
  const projected = projectAll(small, scene.positions);
  const picture = rasterize(small, scene, projected);
  const figureProjected = projected.subarray(0, figure.positions.length);
  const alone = figure.solids.length === 0 ? picture : rasterize(small, figureOnly, figureProjected);
  const { width: w, height: h } = small;
  const mask = new Float32Array(w * h);
  for (let o = 0; o < mask.length; o++) mask[o] = alone.triangle[o] >= 0 ? 1 : 0;
  const larger = (c: Contour): Contour => ({ ...c, points: c.points.map(([x, y]): Point => [x * up, y * up]) });
  const rings = silhouette(mask, w, h);
  const outline = rings.outline.map(larger);
  const inner = innerContours(figureOnly, small, picture, figureProjected)
    .map(larger)
    .filter((c) => contourLength(c) > 0.02 * KEY_LONG_SIDE);

  const ys = outline.flatMap((c) => c.points.map(([, y]) => y));
  const xs = outline.flatMap((c) => c.points.map(([x]) => x));
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const places = figure.landmarks;
  const apart = (a: string, b: string): number => {
    const [p, q] = [a, b].map((name) => (places.find((l) => l.name === name) as { at: Vec3 }).at);
    return length(sub(p, q));
  };
  const marks = places.map(({ name, at: p }): Mark => {
    const [x, y, d] = project(small, p);
    return { name, at: at(p), visible: isSeen(picture, x, y, d), findable: isSeen(picture, x, y, d, LIMB_THICK) };
  });
  const mark = (name: string): Point => (marks.find((m) => m.name === name) as Mark).at;
  const { part, structure } = figure;
  const all = masses(rig, at, camera.eye);
  const three = all.filter(({ name }) => showsMass(part, name));
  const headHeight = structure ? (bottom - top) / PART_STEPS : 2 * all[0].radii[0];
  const heads = (bottom - top) / headHeight;
  const halfY = (top + bottom) / 2;
  const halfAt = marks

    .filter((m) => m.visible && (structure !== undefined || !/elbow|wrist|finger/.test(m.name)))
    .reduce((a, b) => (Math.abs(b.at[1] - halfY) < Math.abs(a.at[1] - halfY) ? b : a)).name;
  // Pixels of one head height at the figure's distance.
  const unit = camera.scale / length(sub(camera.eye, rig.pos.spine));
  const between = (left: string, right: string): Tilt => tiltOf(mark(left), mark(right), unit * apart(left, right));
  const [upper, lower] = structure?.tilts ?? WHOLE_TILTS;
  const shoulders = between(...upper);
  const hips = between(...lower);
  const ratios = foreshortening(rig, view);
  const coveredShares = hiddenShares(figure, small, picture, figureProjected);
  const limbs = (['L', 'R'] as const).flatMap((side, s) =>
    LIMB_PARTS.map((part, i): LimbFact => ({
      name: `${side === 'L' ? 'left' : 'right'} ${LIMB_WORDS[part]}`,
      ratio: ratios[s * 4 + i],
      covered: coveredShares[PARTS.indexOf(`${part}.${side}`)],
    })),
  );
  return {
    width: camera.width,
    height: camera.height,
    action: structure ? lineThrough(structure.way.map(mark)) : actionLine(rig, at),
    masses: three,
    shoulders,
    hips,
    contrastDeg: Math.abs(shoulders.deg - hips.deg),
    pinched: pinchedSide(figure),
    twistDeg: twistDeg(rig),
    marks,
    alignments: alignments(marks, bottom - top),
    ...(part ? describeHeading(partHeading(rig, part), view.azimuthDeg) : describeView(rig, view)),
    eyeLevel: eyeLevelOf(view.elevationDeg),
    envelope: rings.envelope.map(([x, y]): Point => [x * up, y * up]),
    aspect: (Math.max(...xs) - Math.min(...xs)) / (bottom - top),
    outline,
    inner,
    outlineLength: outline.reduce((sum, c) => sum + contourLength(c), 0),
    innerLength: inner.reduce((sum, c) => sum + contourLength(c), 0),
    negatives: rings.negatives.map(({ shape, share }) => ({ shape: larger(shape), share })),
    top,
    bottom,
    heads,
    headYs: Array.from({ length: Math.floor(heads) + 1 }, (_, i) => top + i * headHeight),
    halfY,
    halfAt,
    limbs,
    foreshortening: ratios.reduce((a, b) => a + b, 0) / ratios.length,
    centerOfMass: centerOfMass(rig),
    support: supportPolygon(pose, rig) ?? [],
    effort: effort(pose, rig),
    face: part === undefined || part === 'head' ? faceLattice(figure.face, at, camera.eye) : [],
    ...(part && { part }),
    ...(structure && { structure: structureLines(figure, structure.lines, at, camera, picture, small) }),
    shadow: shadowRings(scene, small, picture, projected, towardLight(light, view.azimuthDeg)).map((polygon) =>
      polygon.map((ring) => ring.map(([x, y]): Point => [x * up, y * up])),
    ),
  };
}

/** The pairs whose tilts are told of a whole body. */
const WHOLE_TILTS = [
  ['left shoulder', 'right shoulder'],
  ['left hip point', 'right hip point'],
] as const;
/** A part is measured in so many steps of its own height. */
const PART_STEPS = 3;

const showsMass = (part: ShownPart | undefined, name: Mass['name']): boolean =>
  part === undefined || (part === 'head' ? name === 'head' : part === 'torso' && name !== 'head');

/** Lines over a part as far as they are seen. */
function structureLines(
  { part, face }: Figure,
  lines: readonly Vec3[][],
  at: (p: Vec3) => Point,
  camera: Camera,
  picture: { depth: Float32Array; width: number; height: number },
  small: Camera,
): Point[][] {
  if (part === 'head') return faceLattice({ lines: [...lines], middle: face.middle }, at, camera.eye);
  return lines.flatMap((line) => {
    const seen = line.map((p) => isSeen(picture, ...project(small, p)));
    return seen.some(Boolean) ? [line.map(at)] : [];
  });
}

/** A point on the skin lies so far from the surface mesh at most, and a limb, or hair, is about so thick; head heights. */
const SKIN_THICK = 0.12;
const LIMB_THICK = 0.42;
/** Whether a point is what one sees there, or at most so far behind it. */
function isSeen(
  { depth, width, height }: { depth: Float32Array; width: number; height: number },
  x: number,
  y: number,
  d: number,
  behind = SKIN_THICK,
): boolean {
  const px = Math.max(0, Math.min(width - 1, Math.floor(x)));
  const py = Math.max(0, Math.min(height - 1, Math.floor(y)));
  return d < depth[py * width + px] + behind;
}

function pinchedSide({ rig: { pos } }: Figure): AnswerKey['pinched'] {
  const flank = (side: 'L' | 'R'): number => length(sub(pos[`uarm.${side}`], pos[`thigh.${side}`]));
  const [l, r] = [flank('L'), flank('R')];
  if (Math.abs(l - r) < 0.03 * Math.max(l, r)) return undefined;
  return l < r ? 'left' : 'right';
}

/** Of each part's vertices that face the eye, the share that something nearer covers. */
function hiddenShares(
  figure: Figure,
  camera: Camera,
  picture: { depth: Float32Array; width: number; height: number },
  projected: Float32Array,
): number[] {
  const facing = new Array<number>(PARTS.length).fill(0);
  const hidden = new Array<number>(PARTS.length).fill(0);
  const { positions: p, normals: n, parts } = figure;
  for (let i = 0; i < parts.length; i++) {
    const o = i * 3;
    const toward =
      n[o] * (camera.eye[0] - p[o]) + n[o + 1] * (camera.eye[1] - p[o + 1]) + n[o + 2] * (camera.eye[2] - p[o + 2]);
    if (toward <= 0) continue;
    facing[parts[i]]++;
    if (!isSeen(picture, projected[o], projected[o + 1], projected[o + 2])) hidden[parts[i]]++;
  }
  return facing.map((f, i) => (f > 0 ? hidden[i] / f : 1));
}

/** Rings around the parts of the picture that the key light does not reach: the form's own shadow and cast shadow on it. */
function shadowRings(
  scene: ReturnType<typeof sceneOf>,
  camera: Camera,
  { triangle, width, height }: { triangle: Int32Array; width: number; height: number },
  projected: Float32Array,
  toLight: Vec3,
): Point[][][] {
  const lit = shadowTest(scene, toLight, 260);
  const mask = new Float32Array(width * height);
  const { indices, normals, positions, figureVertices } = scene;
  for (let o = 0; o < mask.length; o++) {
    const t = triangle[o];
    if (t < 0 || indices[t] >= figureVertices) continue;
    const [wa, wb, wc] = cornerWeights(camera, projected, indices, t, (o % width) + 0.5, Math.floor(o / width) + 0.5);
    const a = indices[t] * 3;
    const b = indices[t + 1] * 3;
    const c = indices[t + 2] * 3;
    const nx = wa * normals[a] + wb * normals[b] + wc * normals[c];
    const ny = wa * normals[a + 1] + wb * normals[b + 1] + wc * normals[c + 1];
    const nz = wa * normals[a + 2] + wb * normals[b + 2] + wc * normals[c + 2];
    // What is turned away needs no asking.
    if (nx * toLight[0] + ny * toLight[1] + nz * toLight[2] < 0.04) {
      mask[o] = 1;
      continue;
    }
    const reached = lit(
      wa * positions[a] + wb * positions[b] + wc * positions[c] + nx * 0.04,
      wa * positions[a + 1] + wb * positions[b + 1] + wc * positions[c + 1] + ny * 0.04,
      wa * positions[a + 2] + wb * positions[b + 2] + wc * positions[c + 2] + nz * 0.04,
    );
    if (reached < 0.5) mask[o] = 1;
  }
  return maskRings(mask, width, height)
    .map((polygon) => polygon.filter((ring) => ring.length > 10))
    .filter((polygon) => polygon.length > 0);
}
