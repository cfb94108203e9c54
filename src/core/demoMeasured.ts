import { addHours, differenceInCalendarDays } from 'date-fns';
import { demoErrors } from './demoPages';
import { posesDrawn } from './journal/drawings';
import { freshKeptDrawing, type KeptDrawing } from './journal/keptDrawing';
import type { Measured } from './journal/measured';
import type { Session } from './journal/session';
import { seededRandom } from './random';

/** So many drawings of an evening she has measured. */
const A_SESSION = 3;
/** How much her drawings differ from each other, and how well they are measured; shares, and degrees for tilts. */
const DIFFER = 0.04;
const SIGMA = 0.03;
const DIFFER_DEG = 1.5;

/** A normal number, by the transform of Box and Muller. */
const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * What the demo learner has measured of her longer evenings: off by what she gets wrong at the time (`demoErrors`), with noise.
 * @param sessions Hers.
 */
export function demoMeasured(sessions: readonly Session[], nowMs: number, seed = 7): KeptDrawing[] {
  const random = seededRandom(seed * 19 + 3);
  return sessions.flatMap((session): KeptDrawing[] => {
    const evening = posesDrawn(session).filter(
      ({ exercise, referenceId }) => referenceId !== null && exercise.family === 'quick' && !exercise.form?.notWhole,
    );
    if (session.plan.blocks.length < 3) return [];
    const { head, legs, waist, tilts } = demoErrors(differenceInCalendarDays(nowMs, session.startedAtMs));
    const share = (id: 'head' | 'legs' | 'waist', seen: number, off: number): Measured['of'][number] => ({
      id,
      seen,
      off: off + DIFFER * normal(random),
      sigma: SIGMA,
    });
    const tilt = (id: 'tilt of the shoulders' | 'tilt of the hips'): Measured['of'][number] => {
      const seen = (random() < 0.5 ? -1 : 1) * (5 + 13 * random());
      return { id, seen, off: (tilts - 1) * seen + DIFFER_DEG * normal(random), sigma: 1 };
    };
    return evening.slice(0, A_SESSION).map(({ drawing }) => ({
      ...freshKeptDrawing(session.id, drawing),
      measured: {
        atMs: addHours(session.startedAtMs, 2).getTime(),
        of: [
          share('head', 0.13, head),
          share('legs', 0.47, legs),
          share('waist', 0.14, waist),
          tilt('tilt of the shoulders'),
          tilt('tilt of the hips'),
        ],
      },
    }));
  });
}
