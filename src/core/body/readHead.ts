import { RAD_PER_DEG } from '../figure/skeleton/vector';
import { type GrayPicture, lightAt, type LightReading } from './readLight';
import { type BodyPoint, middleOf, POINT_NAMES, pointOf, type PointName } from './points';

/** Parts of a body of which none is seen where a picture holds no more than head and shoulders. */
const BEYOND: readonly PointName[] = ['left elbow', 'right elbow', 'left hip', 'right hip', 'left knee', 'right knee'];
/** Of made pictures of heads no such part was seen with more than 0.26, of whole bodies all with more than 0.6. */
const SEEN = 0.4;
/** From the eyes to the mouth, as a share of the picture: 0.11 and more in pictures of heads, 0.1 at most in those of bodies. */
const LARGE_FACE = 0.11;

/** Whether a point lies outside the picture. */
export const isOutside = ({ x, y }: BodyPoint): boolean => x < -0.01 || x > 1.01 || y < -0.01 || y > 1.01;

/** Whether of a body only the head is in the picture, with its shoulders at most. */
export function isHeadAlone(points: readonly BodyPoint[]): boolean {
  const [ex, ey] = middleOf(points, 'left eye', 'right eye');
  const [mx, my] = middleOf(points, 'left mouth corner', 'right mouth corner');
  const gone = (name: PointName): boolean => {
    const point = pointOf(points, name);
    return isOutside(point) || point.seen < SEEN;
  };
  return Math.hypot(mx - ex, my - ey) > LARGE_FACE && BEYOND.every(gone);
}

export interface HeadTurn {
  /** Way the face looks in the ground plan, degrees: 0 toward the eye, positive to the picture's right. */
  turnDeg: number;
  /** The line of the eyes against the level, degrees: positive where its right end in the picture is lower. */
  tiltDeg: number;
}

/**
 * Turn and tilt of a head by its nose and ears in space and its eyes in the picture.
 * @param space Points in meters: x to the picture's right, y down, z away from the eye.
 * @param aspect The picture's width over its height.
 */
export function headTurn(
  points: readonly BodyPoint[],
  space: readonly (readonly [number, number, number])[],
  aspect: number,
): HeadTurn {
  const at = (name: PointName): readonly [number, number, number] => space[POINT_NAMES.indexOf(name)];
  const [nose, left, right] = [at('nose'), at('left ear'), at('right ear')];
  const across = (nose[0] * 2 - left[0] - right[0]) / 2;
  const toward = (left[2] + right[2] - nose[2] * 2) / 2;
  const eyes = (['left eye', 'right eye'] as const).map((name) => pointOf(points, name)).sort((a, b) => a.x - b.x);
  return {
    turnDeg: Math.atan2(across, toward) / RAD_PER_DEG,
    tiltDeg: Math.atan2(eyes[1].y - eyes[0].y, (eyes[1].x - eyes[0].x) * aspect) / RAD_PER_DEG,
  };
}

/** Turns at which one view of a head becomes the next, degrees: the network turns heads toward the eye, so they are not the true ones. */
const VIEWS = [
  { until: 17, view: 'front' },
  { until: 46, view: 'three-quarter' },
  { until: 120, view: 'profile' },
  { until: 150, view: 'back three-quarter' },
  { until: 181, view: 'back' },
] as const;
/** Turned by less than this, a face looks toward the eye. */
const TOWARD_DEG = 10;

/** View and facing of a head by its turn. */
export function headView(turnDeg: number): { view: string; facing: string } {
  const turn = Math.abs(turnDeg);
  const { view } = VIEWS.find(({ until }) => turn < until) ?? VIEWS[4];
  const side = turnDeg > 0 ? 'right' : 'left';
  return { view, facing: turn < TOWARD_DEG ? 'toward you' : turn > 170 ? 'away' : side };
}

/** Places on both halves of a face, as shares of the way from eyes to mouth and from its middle to the outer eye. */
const ROWS = [0.1, 0.3, 0.5, 0.7, 0.9];
const ACROSS = [0.5, 0.75, 1];
/** As of limbs: lighter by more than this share on one side, the light comes from there; differing by more, it is clear. */
const SIDED = 0.045;
const CLEAR = 0.115;

/** Turned by more than this, one half of a face is dark by its own form, whatever the light. */
const LIT_WITHIN_DEG = 25;

/**
 * Main light of a face, from how much lighter one half of it is than the other.
 * @returns Undefined where it is turned too far or neither half is lighter: that may be light from the front, or from behind.
 */
export function readFaceLight(
  gray: GrayPicture,
  points: readonly BodyPoint[],
  { turnDeg }: Pick<HeadTurn, 'turnDeg'>,
): LightReading | undefined {
  if (Math.abs(turnDeg) > LIT_WITHIN_DEG) return undefined;
  const eyes = middleOf(points, 'left eye', 'right eye');
  const mouth = middleOf(points, 'left mouth corner', 'right mouth corner');
  const outer = (['left outer eye', 'right outer eye'] as const).map((name) => pointOf(points, name).x);
  const halves = [eyes[0] - Math.min(...outer), Math.max(...outer) - eyes[0]];
  const at = lightAt(gray);
  const light = (x: number, y: number): number | undefined => at(x * gray.width, y * gray.height);
  const differences = ROWS.flatMap((t) =>
    ACROSS.flatMap((far) => {
      const [x, y] = [eyes[0] + t * (mouth[0] - eyes[0]), eyes[1] + t * (mouth[1] - eyes[1])];
      const [left, right] = [light(x - far * halves[0], y), light(x + far * halves[1], y)];
      return left === undefined || right === undefined ? [] : [right - left];
    }),
  );
  if (differences.length < ROWS.length) return undefined;
  const mean = differences.reduce((sum, d) => sum + d, 0) / differences.length;
  if (Math.abs(mean) < SIDED) return undefined;
  const side = mean > 0 ? 'right' : 'left';
  return {
    light: differences.reduce((sum, d) => sum + Math.abs(d), 0) / differences.length > CLEAR ? 'clear' : 'flat',
    lightFrom: side,
    why: `the ${side} half of the face is ${String(Math.round(Math.abs(mean) * 100))} % lighter`,
  };
}
