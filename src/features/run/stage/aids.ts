import * as z from 'zod/mini';
import { type Exercise } from '@/core/practice/exercises/exercise';
import { measuringLocked } from '@/core/practice/rules/measuring';
import { EYE_LEVEL } from '@/core/seeing/perspectiveBox';

const VALUES = [0, 2, 3, 5] as const;
const LIFTS = [0, 0.5, 1, 1.5] as const;
const GRIDS = ['none', 'thirds', 'heads'] as const;

const share = z.number().check(z.minimum(0), z.maximum(1));
/** What helps to see, on the picture and off again. Sent to the second window. */
export const aidsSchema = z.object({
  squint: z.boolean(),
  gray: z.boolean(),
  values: z.literal(VALUES),
  /** Where light and dark part, 0 to 1. */
  threshold: share,
  /** Brightness lift, stops. */
  lift: z.literal(LIFTS),
  mirrored: z.boolean(),
  upsideDown: z.boolean(),
  grid: z.enum(GRIDS),
  /** Where the plumb line and the level cross, shares of the picture. */
  plumb: z.nullable(z.readonly(z.tuple([share, share]))),
  /** Horizon of the room drawn into where there is no picture, 0 the top to 1 the bottom; null for no room. */
  box: z.nullable(z.number()),
  envelope: z.boolean(),
  /** The middle and the levels of the face. */
  face: z.boolean(),
  /** A dot runs along the edge at the pace of the clock. */
  pace: z.boolean(),
  /** Put away by the learner's own wish. */
  hidden: z.boolean(),
});
export type Aids = z.infer<typeof aidsSchema>;
export const NO_AIDS: Aids = {
  squint: false,
  gray: false,
  values: 0,
  threshold: 0.5,
  lift: 0,
  mirrored: false,
  upsideDown: false,
  grid: 'none',
  plumb: null,
  box: null,
  envelope: false,
  face: false,
  pace: false,
  hidden: false,
};

/** The one after a value in a list, around. */
const after = <T>(list: readonly T[], value: T): T => list[(list.indexOf(value) + 1) % list.length];

const MEASURING = ['p', 'd', 'e', 'j'];
const STEP = 0.05;

/** There is no picture to divide, so there is a perspective box to draw into. */
export const drawsFromNothing = ({ rule }: Exercise): boolean => rule.reference === 'none';

/**
 * What a key does to the aids; undefined for a key that is none of theirs.
 * @param pointer Where the pointer is on the picture.
 */
export function pressAid(
  aids: Aids,
  key: string,
  exercise: Exercise | undefined,
  pointer: readonly [number, number],
): Aids | 'locked' | undefined {
  if (MEASURING.includes(key) && exercise && measuringLocked(exercise)) return 'locked';
  switch (key) {
    case 's':
      return { ...aids, squint: true };
    case 'g':
      return { ...aids, gray: !aids.gray };
    case 'v':
      return { ...aids, values: after(VALUES, aids.values) };
    case '[':
      return { ...aids, threshold: Math.max(0.1, aids.threshold - STEP) };
    case ']':
      return { ...aids, threshold: Math.min(0.9, aids.threshold + STEP) };
    case 'l':
      return { ...aids, lift: after(LIFTS, aids.lift) };
    case 'm':
      return { ...aids, mirrored: !aids.mirrored };
    case 'u':
      return { ...aids, upsideDown: !aids.upsideDown };
    case 'p':
      return { ...aids, plumb: aids.plumb ? null : pointer };
    case 'd':
      if (exercise && drawsFromNothing(exercise)) return { ...aids, box: aids.box === null ? EYE_LEVEL : null };
      return { ...aids, grid: after(GRIDS, aids.grid) };
    case 'e':
      return { ...aids, envelope: !aids.envelope };
    case 'j':
      return { ...aids, face: !aids.face };
    case 'a':
      return { ...aids, pace: !aids.pace };
    case 'h':
      return { ...aids, hidden: !aids.hidden };
    default:
      return undefined;
  }
}

/** The aids that an exercise lets through: measuring ones are shut where nothing is measured, the pace where nothing is slow. */
export function allowedAids(aids: Aids, exercise: Exercise | undefined): Aids {
  if (!exercise) return aids;
  const measuring = !measuringLocked(exercise);
  return {
    ...aids,
    grid: measuring ? aids.grid : 'none',
    plumb: measuring ? aids.plumb : null,
    box: drawsFromNothing(exercise) ? aids.box : null,
    envelope: measuring && aids.envelope,
    face: measuring && aids.face,
    pace: aids.pace && exercise.rule.pace === 'slow',
  };
}

const VIEW_VALUES = { 'two values': 2, 'three values': 3, 'five values': 5 } as const;

/** The aids with the view that the exercise asks for laid under them; mirrored twice is as it was. */
export function withView(aids: Aids, view: Exercise['rule']['view'] | undefined): Aids {
  if (view === undefined) return aids;
  const values = view in VIEW_VALUES ? VIEW_VALUES[view as keyof typeof VIEW_VALUES] : 0;
  return {
    ...aids,
    gray: aids.gray || view === 'gray' || view === 'squint',
    squint: aids.squint || view === 'squint',
    values: aids.values === 0 ? values : aids.values,
    mirrored: aids.mirrored !== (view === 'mirrored'),
  };
}

/** A stop is a doubling of light; of the screen's values, with their gamma of about 2.2, it is this much. */
const GAMMA = 2.2;

/** The CSS filter of the aids; all of it runs where pictures are put together, not in the page's own thread. */
export function filterOfAids({ squint, gray, values, lift }: Aids, valuesFilter: string): string | undefined {
  const parts = [
    ...(lift > 0 ? [`brightness(${(2 ** (lift / GAMMA)).toFixed(3)})`] : []),
    ...(gray ? ['grayscale(1)'] : []),
    ...(squint ? ['blur(1.2cqh)'] : []),
    ...(values > 0 ? [`url(#${valuesFilter})`] : []),
  ];
  return parts.length === 0 ? undefined : parts.join(' ');
}
