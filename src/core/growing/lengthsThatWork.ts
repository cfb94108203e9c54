import type { Session } from '../journal/session';
import { usualTimes } from '../journal/usualTimes';
import { nearestDurationStepMs } from '../practice/time/durationSteps';
import { workingTimes } from './workingTime';

/** How long drawings of each exercise take the learner, ms: the step nearest to the working time where it is known, else the usual length. */
export const lengthsThatWork = (sessions: readonly Session[]): Map<string, number> =>
  new Map([
    ...usualTimes(sessions),
    ...[...workingTimes(sessions)].map(([id, ms]): [string, number] => [id, nearestDurationStepMs(ms)]),
  ]);
