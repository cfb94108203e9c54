/** The points a body is read from, in the order the model gives them. Left and right are the sitter's own. */
export const POINT_NAMES = [
  'nose',
  'left inner eye',
  'left eye',
  'left outer eye',
  'right inner eye',
  'right eye',
  'right outer eye',
  'left ear',
  'right ear',
  'left mouth corner',
  'right mouth corner',
  'left shoulder',
  'right shoulder',
  'left elbow',
  'right elbow',
  'left wrist',
  'right wrist',
  'left little finger',
  'right little finger',
  'left index finger',
  'right index finger',
  'left thumb',
  'right thumb',
  'left hip',
  'right hip',
  'left knee',
  'right knee',
  'left ankle',
  'right ankle',
  'left heel',
  'right heel',
  'left toes',
  'right toes',
] as const;
export type PointName = (typeof POINT_NAMES)[number];
export const POINT_COUNT = POINT_NAMES.length;

/** The points a learner moves or places by hand: enough for tilts, action line, envelope and heads. */
export const HANDLES: readonly PointName[] = [
  'nose',
  'left shoulder',
  'right shoulder',
  'left elbow',
  'right elbow',
  'left wrist',
  'right wrist',
  'left hip',
  'right hip',
  'left knee',
  'right knee',
  'left ankle',
  'right ankle',
];

export interface BodyPoint {
  /** Shares of the picture's width and height from its top left; may lie outside. */
  x: number;
  y: number;
  /** How sure the model is that the point is seen, 0 to 1; 1 for one set by hand. */
  seen: number;
  /** Distance from the eye against the hips', in picture widths; negative is nearer. */
  z: number;
}

/** A point of a body by its name. */
export const pointOf = (points: readonly BodyPoint[], name: PointName): BodyPoint => points[POINT_NAMES.indexOf(name)];

/** The middle between two points, shares of the picture. @param aspect The picture's width over its height: then both are in its heights. */
export function middleOf(points: readonly BodyPoint[], a: PointName, b: PointName, aspect = 1): [number, number] {
  const [p, q] = [pointOf(points, a), pointOf(points, b)];
  return [((p.x + q.x) / 2) * aspect, (p.y + q.y) / 2];
}
