import { norm2 } from '../norms';
import { polygonArea } from 'd3-polygon';
import { type ActionLine, onCubic, type Point } from '../figure/facts/actionLine';
import type { DrawnKey } from '../figure/facts/answerKey';
import type { Mass } from '../figure/facts/masses';
import { curveThrough } from './pace';
import { lineLength } from './stroke';

/** Points of a cubic curve. */
export const bezier = (curve: ActionLine['curve'], steps = 48): Point[] =>
  Array.from({ length: steps + 1 }, (_, i) => onCubic(curve, i / steps));

/** A place by a mass's own axes: so far along the longer one and along the shorter one from its center, pixels. */
export function onMass({ center, angleDeg }: Mass, along: number, across: number): Point {
  const a = (angleDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(a), Math.sin(a)];
  return [center[0] + along * c - across * s, center[1] + along * s + across * c];
}

const onEdge = (mass: Mass, angle: number): Point =>
  onMass(mass, mass.radii[0] * Math.cos(angle), mass.radii[1] * Math.sin(angle));

/** So many points around a mass, at even angles. */
export const ringOf = (mass: Mass, count: number): Point[] =>
  Array.from({ length: count }, (_, i) => onEdge(mass, (2 * Math.PI * i) / count));

/** Points of a path round a mass for each turn. */
const EACH_TURN = 40;

/** A path round a mass, from the start of its shorter axis, by so many turns. */
export const around = (mass: Mass, turns: number): Point[] =>
  Array.from({ length: Math.ceil(EACH_TURN * turns) + 1 }, (_, i) =>
    onEdge(mass, -Math.PI / 2 + (2 * Math.PI * i) / EACH_TURN),
  );

/** Angles from one end of a half circle to the other. */
const halfCircle = (steps: number): number[] =>
  Array.from({ length: steps + 1 }, (_, i) => ((2 * i) / steps - 1) * (Math.PI / 2));

/** The middle line of a mass over its surface, and its widest level: which way it is turned. */
export function crossOf(mass: Mass): Point[][] {
  const { radii, angleDeg, turnDeg } = mass;
  // The long axis of a mass stands more than it lies: its middle line runs along it, bent to the side it is turned to.
  const stands = Math.cos((angleDeg * Math.PI) / 180) * radii[0] <= radii[1];
  const side = stands ? Math.sin((turnDeg * Math.PI) / 180) : 0;
  return [
    halfCircle(12).map((t) => onMass(mass, radii[0] * Math.sin(t), -radii[1] * side * Math.cos(t))),
    halfCircle(12).map((t) => onMass(mass, 0.15 * radii[0] * Math.cos(t), radii[1] * Math.sin(t))),
  ];
}

/** Arcs across a mass, bending over its form. */
export function wrapsOf(mass: Mass): Point[][] {
  const { radii } = mass;
  return [-0.6, -0.3, 0, 0.3, 0.6].map((along) => {
    const half = radii[1] * Math.sqrt(1 - along * along);
    return halfCircle(10).map((t) =>
      onMass(mass, radii[0] * along + 0.22 * radii[1] * Math.cos(t), half * Math.sin(t)),
    );
  });
}

const LIMBS = [
  ['shoulder', 'elbow', 'wrist', 'finger tips'],
  ['outer hip', 'knee', 'ankle', 'toes'],
] as const;
/** The side that a limb is drawn on first is the one it hangs on. */
const SIDES = ['left', 'right'] as const;

/** A path through each limb whose landmarks are known: arms, then legs. */
export function limbPaths({ marks }: DrawnKey): Point[][] {
  const at = new Map(marks.map((mark) => [mark.name, mark.at]));
  return LIMBS.flatMap((names) =>
    SIDES.map((side) => names.map((name) => at.get(`${side} ${name}`)).filter((p): p is Point => p !== undefined)),
  )
    .filter((points) => points.length > 2)
    .map(curveThrough);
}

/** A closed line with its first point once more at its end. */
export const closedLine = (points: readonly Point[]): Point[] => (points.length > 0 ? [...points, points[0]] : []);

/** Pockets smaller than this share of the envelope's perimeter, squared, are no shapes to draw. */
const LEAST_POCKET = 0.0015;

/**
 * The shapes between a figure and its envelope: for each side of the envelope, what lies between it and the outline.
 * @param ring The outline, closed, its corners on the envelope among its points.
 */
export function pockets(ring: readonly Point[], envelope: readonly Point[]): Point[][] {
  if (envelope.length < 3 || ring.length < 8) return [];
  const corners = [...new Set(envelope.map((corner) => nearest(ring, corner).at))].sort((a, b) => a - b);
  const around = lineLength(closedLine(envelope));
  return corners
    .map((from, i) => {
      const to = corners[(i + 1) % corners.length];
      return from < to ? ring.slice(from, to + 1) : [...ring.slice(from), ...ring.slice(0, to + 1)];
    })
    .filter((shape) => Math.abs(polygonArea(shape as [number, number][])) > LEAST_POCKET * around * around);
}

/** A line cut into pieces at so many places, each reaching a little into the next, as one draws a long line in a few strokes. */
export function inPieces(line: readonly Point[], pieces: number): Point[][] {
  const n = Math.max(1, Math.min(pieces, Math.floor(line.length / 3)));
  const overlap = Math.ceil(line.length / n / 14);
  return Array.from({ length: n }, (_, i) =>
    line.slice(
      Math.max(0, Math.floor((i * line.length) / n) - (i > 0 ? overlap : 0)),
      Math.min(line.length, Math.ceil(((i + 1) * line.length) / n) + 1),
    ),
  );
}

/** Fewer points that stay within a distance of a line. Source: U. Ramer (1972), D. Douglas and T. Peucker (1973). */
export function simplified(line: readonly Point[], within: number): Point[] {
  if (line.length < 3) return [...line];
  const [a, b] = [line[0], line[line.length - 1]];
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const size = norm2(dx, dy);
  let [far, most] = [0, 0];
  for (let i = 1; i + 1 < line.length; i++) {
    const [px, py] = [line[i][0] - a[0], line[i][1] - a[1]];
    // From the piece between both ends, not from the line through them: a line may turn back.
    const t = size > 0 ? Math.max(0, Math.min(1, (px * dx + py * dy) / (size * size))) : 0;
    const d = norm2(px - t * dx, py - t * dy);
    if (d > most) [far, most] = [i, d];
  }
  if (most <= within) return [a, b];
  return [...simplified(line.slice(0, far + 1), within).slice(0, -1), ...simplified(line.slice(far), within)];
}

/** A closed line in straight ones, each drawn a little past its end. */
export function straights(ring: readonly Point[], within: number): Point[][] {
  const half = Math.floor(ring.length / 2);
  const corners = [
    ...simplified(ring.slice(0, half + 1), within).slice(0, -1),
    ...simplified(closedLine(ring).slice(half), within).slice(0, -1),
  ];
  return corners.map((a, i): Point[] => {
    const b = corners[(i + 1) % corners.length];
    const past = Math.min(0.08, 12 / Math.max(1, norm2(b[0] - a[0], b[1] - a[1])));
    const beyond = (p: Point, q: Point): Point => [q[0] + (q[0] - p[0]) * past, q[1] + (q[1] - p[1]) * past];
    return [beyond(b, a), beyond(a, b)];
  });
}

/**
 * Parallel lines across shapes, from edge to edge.
 * @param rings Closed lines; what lies inside an odd number of them is hatched.
 * @param deg Direction of the lines, degrees clockwise from the picture's right.
 * @param gap Pixels between two lines.
 */
export function hatch(rings: readonly (readonly Point[])[], deg: number, gap: number): Point[][] {
  const a = (deg * Math.PI) / 180;
  const [c, s] = [Math.cos(a), Math.sin(a)];
  const turned = rings.map((ring) => ring.map(([x, y]): Point => [x * c + y * s, -x * s + y * c]));
  const vs = turned.flat().map(([, v]) => v);
  if (vs.length === 0) return [];
  const out: Point[][] = [];
  const from = Math.ceil(Math.min(...vs) / gap);
  for (let k = from; k * gap <= Math.max(...vs); k++) {
    const v = k * gap + 1e-3;
    const us: number[] = [];
    for (const ring of turned)
      for (let i = 0; i < ring.length; i++) {
        const [p, q] = [ring[i], ring[(i + 1) % ring.length]];
        if (p[1] > v !== q[1] > v) us.push(p[0] + ((v - p[1]) / (q[1] - p[1])) * (q[0] - p[0]));
      }
    us.sort((x, y) => x - y);
    for (let i = 0; i + 1 < us.length; i += 2) {
      const [u0, u1] = k % 2 === 0 ? [us[i], us[i + 1]] : [us[i + 1], us[i]];
      if (Math.abs(u1 - u0) > gap / 2)
        out.push([
          [u0 * c - v * s, u0 * s + v * c],
          [u1 * c - v * s, u1 * s + v * c],
        ]);
    }
  }
  return out;
}

const nearest = (line: readonly Point[], [x, y]: Point): { at: number; far: number } => {
  let [at, far] = [0, Infinity];
  line.forEach(([u, v], i) => {
    const d = norm2(u - x, v - y);
    if (d < far) [at, far] = [i, d];
  });
  return { at, far };
};

/**
 * One path through all lines without lifting: along the first, and where another begins near by, out along it and back on itself.
 * Each further line leaves from the nearest point of all that is drawn by then.
 */
export function onePath(lines: readonly (readonly Point[])[]): Point[] {
  const [first, ...others] = [...lines].sort((a, b) => lineLength(b) - lineLength(a));
  if (!first) return [];
  let path = [...first];
  for (const line of others) {
    const [start, end] = [nearest(path, line[0]), nearest(path, line[line.length - 1])];
    const way = start.far <= end.far ? line : line.toReversed();
    const { at } = start.far <= end.far ? start : end;
    path = [...path.slice(0, at + 1), ...way, ...way.toReversed(), ...path.slice(at)];
  }
  return path;
}
