import type { Point } from '../figure/facts/actionLine';
import type { DrawnKey } from '../figure/facts/answerKey';
import type { Exercise } from '../practice/exercises/exercise';
import {
  around,
  bezier,
  closedLine,
  crossOf,
  hatch,
  inPieces,
  limbPaths,
  onePath,
  pockets,
  straights,
  wrapsOf,
} from './lines';
import type { Manner } from './mannerNames';

/** A line to be drawn, in the reference's pixels. */
export interface HandLine {
  points: readonly Point[];
  /** 0 to 1. */
  press: number;
  /** At an even pace, as along a slow contour. */
  even?: boolean;
  /** With the side of the tool. */
  broad?: boolean;
}

/** What is drawn at one stage, and its share of the time. */
export interface HandStage {
  name: string;
  share: number;
  lines: HandLine[];
}

const stage = (
  name: string,
  share: number,
  lines: readonly (readonly Point[])[],
  how: Omit<HandLine, 'points'>,
): HandStage => ({
  name,
  share,
  lines: lines.map((points) => ({ points, ...how })),
});

const bar = ({ from, to }: DrawnKey['hips']): Point[] => {
  const [dx, dy] = [(to[0] - from[0]) * 0.12, (to[1] - from[1]) * 0.12];
  return [
    [from[0] - dx, from[1] - dy],
    [to[0] + dx, to[1] + dy],
  ];
};
const outlines = ({ outline, inner }: DrawnKey): Point[][] => [
  ...outline.map(({ points, closed }) => (closed ? closedLine(points) : [...points])),
  ...inner.map(({ points, closed }) => (closed ? closedLine(points) : [...points])),
];
const rings = ({ outline }: DrawnKey): Point[][] => outline.map(({ points }) => [...points]);
const size = ({ top, bottom }: DrawnKey): number => bottom - top;
const tick = ([x, y]: Point, reach: number): Point[] => [
  [x - reach, y],
  [x + reach, y],
];
/** Landmarks that are marked where they are seen, in the order one looks for them. */
const LANDMARKS = /pit of the neck|breastbone|hip point|vertebra|navel|knee$|elbow$/;
const landmarks = (key: DrawnKey): Point[][] =>
  key.marks.filter(({ name, visible }) => visible && LANDMARKS.test(name)).map(({ at }) => tick(at, size(key) * 0.012));

/** Lines of what is in shadow, and hatching over it. */
const shadows = (key: DrawnKey): { edges: Point[][]; tone: Point[][] } => ({
  edges: key.shadow.flatMap((polygon) => polygon.slice(0, 1).map(closedLine)).filter((ring) => ring.length > 12),
  tone: key.shadow.flatMap((polygon) => hatch(polygon, -52, size(key) * 0.016)),
});

/** Of the ground: what limbs enclose, and what lies between the figure and its envelope. */
const shapesBetween = (key: DrawnKey): Point[][] => [
  ...key.negatives.map(({ shape }) => shape.points),
  ...rings(key)
    .slice(0, 1)
    .flatMap((ring) => pockets(ring, key.envelope)),
];

const contour = (key: DrawnKey, pieces: number): Point[][] =>
  outlines(key).flatMap((line) => inPieces(line, Math.ceil((pieces * line.length) / 200)));

/** Each manner's stages of a figure whose answer key is known. */
const STAGES: Record<Manner, (key: DrawnKey) => HandStage[]> = {
  'action line': (key) => [stage('action line', 1, [bezier(key.action.curve)], { press: 0.8 })],
  bars: (key) => [
    stage('action line', 0.3, [bezier(key.action.curve)], { press: 0.6 }),
    stage('both bars', 0.4, [bar(key.shoulders), bar(key.hips)], { press: 0.9 }),
    stage('limbs', 0.3, limbPaths(key), { press: 0.5 }),
  ],
  flowing: (key) => [
    stage('action line', 0.2, [bezier(key.action.curve)], { press: 0.7 }),
    stage(
      'masses',
      0.25,
      key.masses.map((mass) => around(mass, 1.35)),
      { press: 0.5 },
    ),
    stage('tilts', 0.1, [bar(key.shoulders), bar(key.hips)], { press: 0.5 }),
    stage('limb rhythms', 0.25, limbPaths(key), { press: 0.7 }),
    stage('edges that matter', 0.2, contour(key, 2).slice(0, 10), { press: 0.85 }),
  ],
  structural: (key) => [
    stage(
      'three masses',
      0.35,
      key.masses.map((mass) => around(mass, 1.2)),
      { press: 0.6 },
    ),
    stage('turn and tilt', 0.2, [...key.masses.flatMap(crossOf), ...(key.structure ?? [])], { press: 0.5 }),
    stage('spine, landmarks', 0.2, [bezier(key.action.curve).slice(0, 30), ...landmarks(key)], { press: 0.75 }),
    stage('limbs', 0.25, key.solids && key.solids.length > 0 ? key.solids.map(closedLine) : limbPaths(key), {
      press: 0.7,
    }),
  ],
  mass: (key) => [
    stage('one shape', 0.75, hatch(rings(key), 68, size(key) * 0.035), { press: 0.42, broad: true }),
    stage('a line at last', 0.25, contour(key, 2).slice(0, 6), { press: 0.9 }),
  ],
  'block-in': (key) => [
    stage('envelope', 0.25, straights(key.envelope, size(key) * 0.05), { press: 0.4 }),
    stage(
      'block-in',
      0.4,
      rings(key).flatMap((ring) => straights(ring, size(key) * 0.02)),
      { press: 0.55 },
    ),
    stage('contour', 0.35, contour(key, 2), { press: 0.85 }),
  ],
  contour: (key) => [stage('contour', 1, contour(key, 1), { press: 0.75, even: true })],
  blind: (key) => [stage('edge', 1, outlines(key).slice(0, 6), { press: 0.7, even: true })],
  'one line': (key) => [stage('one line', 1, [onePath(outlines(key))], { press: 0.75, even: true })],
  'negative shapes': (key) => [
    stage('envelope', 0.2, straights(key.envelope, size(key) * 0.04), { press: 0.4 }),
    stage('shapes between', 0.4, shapesBetween(key).map(closedLine), { press: 0.8 }),
    stage(
      'shapes filled',
      0.4,
      shapesBetween(key).flatMap((shape) => hatch([shape], 40, size(key) * 0.014)),
      { press: 0.5 },
    ),
  ],
  'shadow shapes': (key) => [
    stage('lay-in', 0.35, [bezier(key.action.curve), ...contour(key, 1)], { press: 0.45 }),
    stage('edge of the shadow', 0.3, shadows(key).edges, { press: 0.7 }),
    stage('one flat tone', 0.35, shadows(key).tone, { press: 0.55 }),
  ],
  hatching: (key) => [
    stage('lay-in', 0.3, contour(key, 2), { press: 0.5 }),
    stage('shadow', 0.35, shadows(key).tone, { press: 0.5 }),
    stage(
      'across it',
      0.2,
      key.shadow.flatMap((polygon) => hatch(polygon, -8, size(key) * 0.024)),
      { press: 0.4 },
    ),
    stage('accents', 0.15, contour(key, 3).slice(0, 8), { press: 0.95 }),
  ],
  wrapping: (key) => [
    stage(
      'masses',
      0.3,
      key.masses.map((mass) => around(mass, 1.1)),
      { press: 0.45 },
    ),
    stage('edges', 0.3, contour(key, 2), { press: 0.5 }),
    stage('lines around the forms', 0.4, key.masses.flatMap(wrapsOf), { press: 0.75 }),
  ],
  'cross-contours': (key) => [
    stage('edges', 0.2, contour(key, 2), { press: 0.4 }),
    stage('across the form', 0.8, key.across ?? key.masses.flatMap(wrapsOf), { press: 0.7, even: true }),
  ],
};

/** What is drawn of a figure in a manner, stage by stage; what a manner finds nothing of in this picture is left out. */
export function stagesOf(manner: Manner, key: DrawnKey): HandStage[] {
  const stages = STAGES[manner](key)
    .map((s) => ({ ...s, lines: s.lines.filter(({ points }) => points.length > 1) }))
    .filter(({ lines }) => lines.length > 0);
  const total = stages.reduce((sum, { share }) => sum + share, 0);
  return stages.map((s) => ({ ...s, share: s.share / total }));
}

/** How an exercise is drawn: as its entry says, or else by its rule. */
export function mannerOf({ rule, school, form }: Exercise): Manner {
  if (form?.drawn) return form.drawn;
  if (rule.lifts === 'none') return 'one line';
  if (rule.gaze === 'only on the reference' || rule.gaze === 'eyes closed') return 'blind';
  if (rule.pace === 'slow') return 'contour';
  if (school === 'structural') return 'structural';
  if (school === 'light and dark' || rule.view === 'two values') return 'shadow shapes';
  if (school === 'long') return 'block-in';
  return 'flowing';
}
