import { ONE_POSE } from '../exercises';
import { durationWords } from '../time/duration';
import type { Plan } from './schema';

/** A session of one flowing gesture from one reference. */
export function singlePosePlan(referenceId: string, drawMs: number): Plan {
  return {
    version: 1,
    title: `One pose, ${durationWords(drawMs)}`,
    why: 'You chose this view.',
    seed: 0,
    availableMs: drawMs + 5000,
    blocks: [
      {
        kind: 'poses',
        exercise: ONE_POSE,
        changeMs: 0,
        poses: [{ referenceId, leadInMs: 5000, lookMs: 0, drawMs, lookAgainMs: 0 }],
      },
    ],
  };
}
