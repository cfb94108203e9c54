import { polygonHull } from 'd3-polygon';
import type { DrawnKey } from '../figure/facts/answerKey';
import { curveKind, fitCubic, type Point } from '../figure/facts/actionLine';
import type { Mass } from '../figure/facts/masses';
import { alignments, type Mark, tiltOf } from '../figure/facts/measuringLines';
import { length, RAD_PER_DEG } from '../figure/skeleton/vector';
import { apart, middle } from '../plane';
import { type BodyPoint, POINT_NAMES, type PointName } from './points';
import { postureOf } from './posture';

/** Head heights between shoulders and hips: 0.288 of stature (Winter, fig. 4.1), a head being a seventh and a half of it. */
const TRUNK_HEADS = 0.288 * 7.5;
/** A point less surely seen is shown as a guess. */
const SEEN = 0.5;
/** Flesh around the joints, head heights: the envelope lies outside the points. */
const FLESH = 0.22;
const LONG_SIDE = 1000;

const SHOWN: readonly [PointName, string][] = (
  [
    ['shoulder', 'shoulder'],
    ['elbow', 'elbow'],
    ['wrist', 'wrist'],
    ['hip', 'hip point'],
    ['knee', 'knee'],
    ['ankle', 'ankle'],
    ['heel', 'heel'],
    ['toes', 'toes'],
  ] as const
).flatMap(([name, words]) =>
  (['left', 'right'] as const).map((side): [PointName, string] => [`${side} ${name}` as PointName, `${side} ${words}`]),
);

const along = (a: Point, b: Point, t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
const angleDeg = (a: Point, b: Point): number => Math.atan2(b[1] - a[1], b[0] - a[0]) / RAD_PER_DEG;

export interface PointsKey extends DrawnKey {
  contrastDeg: number;
  aspect: number;
}

/**
 * The layers of an answer key that need only a body's points, in a picture whose longer side is 1000. Contours, negative shapes and shadow
 * stay empty: they need the surface.
 */
export function pointsKey(
  points: readonly BodyPoint[],
  space: readonly (readonly [number, number, number])[],
  widthPx: number,
  heightPx: number,
): PointsKey {
  const scale = LONG_SIDE / Math.max(widthPx, heightPx);
  const width = widthPx * scale;
  const height = heightPx * scale;
  const index = new Map(POINT_NAMES.map((name, i) => [name, i]));
  const point = (name: PointName): BodyPoint => points[index.get(name) as number];
  const at = (name: PointName): Point => [point(name).x * width, point(name).y * height];
  const posture = postureOf(space);
  const necks = middle(at('left shoulder'), at('right shoulder'));
  const hipsMiddle = middle(at('left hip'), at('right hip'));
  const ears = middle(at('left ear'), at('right ear'));

  // One meter in picture units, from all segments together.
  const flat = (name: PointName): [number, number] => {
    const [x, y] = space[index.get(name) as number];
    return [x, y];
  };
  const pairs: [PointName, PointName][] = [
    ['left shoulder', 'left hip'],
    ['right shoulder', 'right hip'],
    ['left hip', 'left knee'],
    ['right hip', 'right knee'],
    ['left knee', 'left ankle'],
    ['right knee', 'right ankle'],
    ['left shoulder', 'left elbow'],
    ['right shoulder', 'right elbow'],
  ];
  const inPicture = pairs.reduce((sum, [a, b]) => sum + apart(at(a), at(b)), 0);
  const inSpace = pairs.reduce((sum, [a, b]) => sum + apart(flat(a), flat(b)), 0);
  const meter = inPicture / (inSpace || 1);
  const head = (length(posture.trunk) * meter) / TRUNK_HEADS;

  const headUp: Point = [ears[0] - necks[0], ears[1] - necks[1]];
  const headLength = Math.hypot(...headUp) || 1;
  const crown: Point = [
    ears[0] + (headUp[0] / headLength) * 0.5 * head,
    ears[1] + (headUp[1] / headLength) * 0.5 * head,
  ];

  const marks: Mark[] = [
    { name: 'crown', at: crown, visible: point('nose').seen >= SEEN },
    ...SHOWN.map(([name, words]): Mark => ({ name: words, at: at(name), visible: point(name).seen >= SEEN })),
  ];
  const outer = marks.flatMap(({ at: [x, y], name }): [number, number][] => {
    const r = name === 'crown' || /wrist|toes|heel|ankle/.test(name) ? 0.08 * head : FLESH * head;
    return Array.from({ length: 8 }, (_, k): [number, number] => [
      x + r * Math.cos((k * Math.PI) / 4),
      y + r * Math.sin((k * Math.PI) / 4),
    ]);
  });
  const hands = (['left', 'right'] as const).map((side): [number, number] => {
    const [x, y] = middle(at(`${side} index finger`), at(`${side} little finger`));
    return [x, y];
  });
  const envelope = (polygonHull([...outer, ...hands]) ?? outer) as Point[];
  const xs = envelope.map(([x]) => x);
  const ys = envelope.map(([, y]) => y);
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const heads = (bottom - top) / head;
  const halfY = (top + bottom) / 2;
  const halfAt = marks
    .filter((m) => !/elbow|wrist/.test(m.name))
    .reduce((a, b) => (Math.abs(b.at[1] - halfY) < Math.abs(a.at[1] - halfY) ? b : a)).name;

  const across = (name: 'shoulder' | 'hip') => {
    const [l, r] = [`left ${name}`, `right ${name}`] as [PointName, PointName];
    const [a, b] = [space[index.get(l) as number], space[index.get(r) as number]];
    return tiltOf(at(l), at(r), meter * Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]));
  };
  const shoulders = across('shoulder');
  const hips = across('hip');

  // The straighter leg carries the line on, as the one that the trunk runs into.
  const leg = posture.kneeDeg[0] <= posture.kneeDeg[1] ? 'left' : 'right';
  const curve = fitCubic([
    crown,
    necks,
    middle(necks, hipsMiddle),
    middle(hipsMiddle, at(`${leg} hip`)),
    at(`${leg} knee`),
    at(`${leg} ankle`),
  ]);
  const mass = (name: Mass['name'], center: Point, long: number, wide: number, deg: number): Mass => ({
    name,
    center,
    radii: long >= wide ? [long, wide] : [wide, long],
    angleDeg: long >= wide ? deg : deg + 90,
    turnDeg: posture.turnDeg,
  });
  const trunkDeg = angleDeg(necks, hipsMiddle);
  const trunk = apart(necks, hipsMiddle);
  return {
    width,
    height,
    action: { curve, kind: curveKind(curve), leg: leg === 'left' ? 'L' : 'R' },
    masses: [
      mass('head', ears, 0.5 * head, 0.36 * head, angleDeg(necks, ears)),
      mass(
        'ribcage',
        along(necks, hipsMiddle, 0.36),
        Math.max(0.3 * head, 0.36 * trunk),
        Math.max(0.42 * head, 0.42 * apart(at('left shoulder'), at('right shoulder'))),
        trunkDeg,
      ),
      mass(
        'pelvis',
        along(necks, hipsMiddle, 0.95),
        0.42 * head,
        Math.max(0.4 * head, 0.8 * apart(at('left hip'), at('right hip'))),
        trunkDeg,
      ),
    ],
    shoulders,
    hips,
    contrastDeg: Math.abs(shoulders.deg - hips.deg),
    marks,
    alignments: alignments(marks, bottom - top),
    envelope,
    aspect: (Math.max(...xs) - Math.min(...xs)) / (bottom - top),
    outline: [],
    inner: [],
    negatives: [],
    shadow: [],
    face: faceOfPoints(point, at),
    top,
    bottom,
    heads,
    headYs: Array.from({ length: Math.floor(heads) + 1 }, (_, i) => top + i * head),
    halfY,
    halfAt,
  };
}

/** Levels of a face, shares of the way from the eyes to the mouth. */
const FACE_SHARES = [-1.35, -0.35, 0, 0.65, 1, 1.6];

/** The middle and the levels of a face by its eyes, nose and mouth: straight lines, since depth is not known; none where it is turned away. */
function faceOfPoints(point: (name: PointName) => BodyPoint, at: (name: PointName) => Point): Point[][] {
  const needed = ['nose', 'left outer eye', 'right outer eye', 'left mouth corner', 'right mouth corner'] as const;
  if (needed.some((name) => point(name).seen < SEEN)) return [];
  const eyes = middle(at('left outer eye'), at('right outer eye'));
  const mouth = middle(at('left mouth corner'), at('right mouth corner'));
  const [left, right] = [at('left outer eye'), at('right outer eye')];
  const half: Point = [((left[0] - right[0]) / 2) * 1.3, ((left[1] - right[1]) / 2) * 1.3];
  const levels = FACE_SHARES.map((share) => along(eyes, mouth, share));
  return [
    levels,
    ...levels.map((m): Point[] => [
      [m[0] - half[0], m[1] - half[1]],
      [m[0] + half[0], m[1] + half[1]],
    ]),
  ];
}

/** Layers that points alone can draw. */
export const POINT_LAYERS = ['action', 'masses', 'tilts', 'landmarks', 'plumb', 'heads', 'envelope'] as const;
