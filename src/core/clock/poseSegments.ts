import type { Segment } from '../practice/time/timeline';

/** Whether a segment, if there is one, belongs to the pose of another. */
export const samePose = (a: Segment | undefined, b: Segment): boolean =>
  a !== undefined && a.blockIndex === b.blockIndex && a.poseIndex === b.poseIndex;

/** The first segment of the pose that a segment belongs to. */
export function firstOfPose(segments: readonly Segment[], index: number): number {
  let first = index;
  while (first > 0 && samePose(segments[first - 1], segments[index])) first--;
  return first;
}
