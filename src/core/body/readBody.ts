import type { WholeFamily } from '../figure/catalogue/families';
import { clamp } from '../clamp';
import type { FactName, FactValues } from '../references/facts';
import { eyeLevelByHorizon } from './eyeLevel';
import { guessFamily } from './family';
import { type BodyPoint, pointOf, type PointName } from './points';
import { headTurn, headView, isHeadAlone, isOutside } from './readHead';
import { type Posture, postureOf } from './posture';

/** Rules a picture was read by: pictures read by older ones are read again when there is time. */
export const READ_BY = 3;

export interface BodyReading {
  facts: FactValues;
  /** How often a fact like this was right when measured, 0 to 1, less what is uncertain in this picture. */
  sure: Partial<Record<FactName, number>>;
  /** What each fact was told by, in words. */
  why: Partial<Record<FactName, string>>;
}

/** The picture a body is in: its width over its height, and where the learner says the horizon is, as a share of its height from the top. */
export interface AroundBody {
  aspect: number;
  horizon: number | undefined;
}

export interface BodyInPicture {
  points: readonly BodyPoint[];
  space: readonly (readonly [number, number, number])[];
  score: number;
}

/** Turns at which one view becomes the next, degrees: the model turns bodies a little toward the eye, so they are not the true ones. */
const VIEWS = [
  { until: 18, view: 'front' },
  { until: 60, view: 'three-quarter' },
  { until: 115, view: 'profile' },
  { until: 150, view: 'back three-quarter' },
  { until: 181, view: 'back' },
] as const;

/** Shares found right over rendered figures; see docs/picture-facts.md. */
const MEASURED: Record<'view' | 'facing' | 'eyeLevel' | 'extent' | 'difficulty' | 'foreshortened', number> = {
  view: 0.73,
  facing: 0.95,
  eyeLevel: 0.7,
  extent: 0.93,
  difficulty: 0.8,
  foreshortened: 0.85,
};
/** The same of heads alone. */
const HEAD_MEASURED = { view: 0.62, facing: 0.9 };
/** Of the times a family was said, how often it was the one its author meant: what stands can be meant in many ways. */
const FAMILY_MEASURED: Record<WholeFamily, number> = {
  'standing even': 0.25,
  'weight shifted': 0.3,
  'walking or running': 0.3,
  'reaching or pulling': 0.25,
  bending: 0.5,
  'kneeling or crouching': 0.8,
  seated: 0.5,
  reclining: 0.8,
  balancing: 0.55,
  'two-handed work': 0.15,
};

const deg = (value: number): string => `${String(Math.round(Math.abs(value)))}°`;

/** How the eye stands to the figure, from how its upright parts lean toward or away from it. */
function eyeElevation({ at, trunk, trunkDeg }: Posture): number | undefined {
  const head = at('nose');
  const feet = [at('left ankle'), at('right ankle')];
  const height: readonly [number, number, number] = [
    0,
    head[1] - (feet[0][1] + feet[1][1]) / 2,
    head[2] - (feet[0][2] + feet[1][2]) / 2,
  ];
  if (trunkDeg > 60 || height[1] < 0.6) return undefined;
  const lean = (v: readonly [number, number, number]): number => (Math.atan2(v[2], v[1]) * 180) / Math.PI;
  return 0.6 * lean(height) + 0.4 * lean(trunk);
}

const EYE = { below: 1, above: 21 };
/** How sure what is no more than a guess may be, whatever it comes to. */
const GUESS = 0.55;

const ENDS: readonly PointName[] = [
  'left ankle',
  'right ankle',
  'left knee',
  'right knee',
  'nose',
  'left hip',
  'right hip',
];

/** Of bodies seen with less than this, what leaves the picture was wrong in every third: their extent is a guess. */
const EXTENT_SURE_FROM = 0.75;
/** Hips or ankles nearer to the edge of a picture than this share of it may be on either side. */
const EDGE = 0.04;
const EXTENT_GUESS = 0.55;

/** How sure what leaves the picture is: less where the body was hardly seen, or ends at the very edge. */
function extentSureness(points: readonly BodyPoint[], score: number): number {
  const nearEdge = (name: PointName): boolean => {
    const { x, y } = pointOf(points, name);
    return [x, 1 - x, y, 1 - y].some((inside) => Math.abs(inside) < EDGE);
  };
  const doubtful = score < EXTENT_SURE_FROM || (['left hip', 'right hip'] as const).every(nearEdge);
  return doubtful ? EXTENT_GUESS : MEASURED.extent;
}

/** Whether all of the figure is in the picture, and what leaves it. */
function extentOf(points: readonly BodyPoint[]): { extent: 'whole' | 'cropped' | 'part'; why: string } {
  const out = ENDS.filter((name) => isOutside(pointOf(points, name)));
  if (out.length === 0) return { extent: 'whole', why: 'head, hips, knees and ankles lie inside the picture' };
  const hips = out.some((name) => name.endsWith('hip'));
  return hips
    ? { extent: 'part', why: 'the hips lie outside the picture' }
    : { extent: 'cropped', why: `outside the picture: ${out.join(', ')}` };
}

/** A limb shorter than this in the picture, relative to its length, counts as foreshortened. */
const FORESHORTENED = 0.55;

/** The facts of a head alone: no pose, and eye level only by the horizon. */
function readHead({ points, space }: BodyInPicture, { aspect, horizon }: AroundBody): BodyReading {
  const { turnDeg, tiltDeg } = headTurn(points, space, aspect);
  const eye = horizon === undefined ? undefined : eyeLevelByHorizon(horizon, points, aspect);
  const { view, facing } = headView(turnDeg);
  const turned = `the head is turned ${deg(turnDeg)} to the ${turnDeg > 0 ? 'right' : 'left'} of the picture`;
  return {
    facts: { subject: 'parts/head', extent: 'part', view, facing, ...(eye && { eyeLevel: eye.eyeLevel }) },
    sure: { subject: 0.9, extent: 0.95, ...HEAD_MEASURED, ...(eye && { eyeLevel: eye.sure }) },
    why: {
      subject: 'a face is large in the picture, and no elbow, hip or knee is seen',
      extent: 'no more than head and shoulders is in the picture',
      view: `${turned}, and the line of its eyes tilts ${deg(tiltDeg)}${Math.abs(tiltDeg) < 1 ? '' : `, lower on the ${tiltDeg > 0 ? 'right' : 'left'}`}`,
      facing: turned,
      ...(eye && { eyeLevel: eye.why }),
    },
  };
}

/**
 * A body seen with less than this may be none: the back of a head, a chair. Of seven whole figures so seen one had its view read right, and of 49 heads 22 were
 * taken for bodies (docs/picture-facts.md). All that is read of it is a guess.
 */
const HARDLY_SEEN = 0.6;

/**
 * The facts of a body, each with what tells it.
 * @param people How many bodies are in the picture.
 * @param around With a horizon the eye level is known; without one only guessed, from how the body leans.
 */
export function readBody(body: BodyInPicture, people: number, around: AroundBody): BodyReading {
  const { points, space, score } = body;
  if (people === 1 && isHeadAlone(points)) return readHead(body, around);
  const posture = postureOf(space);
  const facts: FactValues = {};
  const sure: BodyReading['sure'] = {};
  const why: BodyReading['why'] = {};
  const core = (['left shoulder', 'right shoulder', 'left hip', 'right hip'] as const).map(
    (name) => pointOf(points, name).seen,
  );
  // Points that are guessed rather than seen weaken everything read from them, and so does a body that was hardly seen as one: of what was
  // read from those seen with less than 0.7, 71 % was right, of all others 76 % (docs/picture-facts.md).
  const trust = (0.75 + 0.25 * clamp(score, 0, 1)) * (0.6 + 0.4 * Math.min(...core));
  const set = (name: FactName, value: string, share: number, words: string): void => {
    facts[name] = value;
    sure[name] = Math.round(100 * Math.min(share * trust, score < HARDLY_SEEN ? GUESS : 1)) / 100;
    why[name] = words;
  };
  set(
    'subject',
    people > 1 ? 'people/two or more' : 'people/one figure',
    0.95,
    people > 1 ? `${String(people)} bodies were found; this is read from the one you look at` : 'one body was found',
  );
  const { extent, why: extentWhy } = extentOf(points);
  set('extent', extent, extentSureness(points, score), extentWhy);

  const turn = Math.abs(posture.turnDeg);
  const step = VIEWS.findIndex(({ until }) => turn < until);
  const edges = [VIEWS[step].until, step > 0 ? VIEWS[step - 1].until : -20];
  const margin = Math.min(...edges.map((edge) => Math.abs(turn - edge)));
  const side = posture.turnDeg > 0 ? 'right' : 'left';
  set(
    'view',
    VIEWS[step].view,
    MEASURED.view + clamp(margin / 12 - 1, -0.25, 0.2),
    `shoulders and hips are turned ${deg(posture.turnDeg)} to the ${side}`,
  );
  set(
    'facing',
    turn < 10 ? 'toward you' : turn > 170 ? 'away' : side,
    MEASURED.facing - (turn < 18 || turn > 162 ? 0.35 : 0),
    `it is turned ${deg(posture.turnDeg)} to the ${side} of the picture`,
  );

  const { family, why: familyWhy } = guessFamily(posture);
  const legsOut = extent !== 'whole';
  set('family', family, FAMILY_MEASURED[family] * (legsOut ? 0.6 : 1), familyWhy);

  const eye = family === 'reclining' ? undefined : eyeElevation(posture);
  if (around.horizon !== undefined) {
    const { eyeLevel, sure: share, why: words } = eyeLevelByHorizon(around.horizon, points, around.aspect);
    facts.eyeLevel = eyeLevel;
    sure.eyeLevel = share;
    why.eyeLevel = words;
  } else if (eye !== undefined) {
    const eyeLevel = eye < EYE.below ? 'from below' : eye > EYE.above ? 'from above' : 'at eye level';
    const near = Math.min(Math.abs(eye - EYE.below), Math.abs(eye - EYE.above));
    set(
      'eyeLevel',
      eyeLevel,
      // The lean of a body tells the lean of the camera only in figures that hold themselves straight.
      clamp(MEASURED.eyeLevel + near / 40 - 0.2, 0.3, GUESS),
      `the upright of the body leans ${deg(eye)} ${eye >= 0 ? 'toward' : 'away from'} you; draw the horizon and it is known`,
    );
  }

  const short = posture.ratios.filter(({ ratio }) => ratio < FORESHORTENED).sort((a, b) => a.ratio - b.ratio);
  set(
    'foreshortened',
    short.length > 0 ? 'yes' : 'no',
    MEASURED.foreshortened,
    short.length > 0
      ? `the ${short[0].name} shows ${String(Math.round(short[0].ratio * 100))} % of its length`
      : 'every limb shows more than half its length',
  );
  const reasons = [
    ...(short.length > 0
      ? [{ points: Math.min(2, short.length / 2), words: `${String(short.length)} foreshortened` }]
      : []),
    ...(posture.twistDeg > 25 ? [{ points: 1, words: `twisted ${deg(posture.twistDeg)}` }] : []),
    ...(['reclining', 'balancing', 'bending'].includes(family) ? [{ points: 1, words: family }] : []),
    ...(facts.eyeLevel === 'from above' || facts.eyeLevel === 'from below'
      ? [{ points: 1, words: `seen ${facts.eyeLevel}` }]
      : []),
    ...(people > 1 ? [{ points: 1, words: 'more than one figure' }] : []),
  ];
  set(
    'difficulty',
    String(Math.round(clamp(1 + reasons.reduce((sum, r) => sum + r.points, 0), 1, 5))),
    MEASURED.difficulty,
    reasons.length > 0 ? reasons.map((r) => r.words).join(', ') : 'nothing about it is unusual',
  );
  return { facts, sure, why };
}
