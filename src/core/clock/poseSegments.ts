import type { Segment, SegmentKind } from '../practice/time/timeline';

/** Whether a segment, if there is one, belongs to the pose of another. */
export const samePose = (a: Segment | undefined, b: Segment): boolean =>
  a !== undefined && a.blockIndex === b.blockIndex && a.poseIndex === b.poseIndex;

/** The first segment of the pose that a segment belongs to. */
export function firstOfPose(segments: readonly Segment[], index: number): number {
  let first = index;
  while (first > 0 && samePose(segments[first - 1], segments[index])) first--;
  return first;
}

const GAPS: readonly SegmentKind[] = ['change', 'rest', 'lookBack'];
const BEGINNINGS: readonly SegmentKind[] = ['leadIn', 'look', 'draw'];

/** The first segment of the pose that a lead-in or a gap leads to; undefined while a pose is at hand, and where none follows. */
export function poseAhead(segments: readonly Segment[], index: number): Segment | undefined {
  const segment = segments[index];
  if (segment?.kind === 'leadIn') return segment;
  if (!segment || !GAPS.includes(segment.kind)) return undefined;
  return segments.find((s, i) => i > index && BEGINNINGS.includes(s.kind));
}
