import { evenly } from '../../hand/pace';
import { lineLength } from '../../hand/stroke';
import type { Point } from '../../figure/facts/actionLine';
import { apart } from '../../plane';
import type { Mark } from '../inkStroke';

/** A mark along another is no farther from it than this on the way, millimeters, and for so much of its own length. */
const BESIDE_MM = 6;
const ALONG = 0.6;
/** A whole stroke is at least so long, millimeters; a shorter one beside another is a scratch. */
const WHOLE_MM = 25;
/** Scratches follow one another within so long, milliseconds, and there are so many of them at least. */
const SOON_MS = 600;
const LEAST_SCRATCHES = 3;
const STEP_MM = 3;

const lineOf = ({ points }: Mark): Point[] =>
  evenly(
    points.map(([x, y]): Point => [x, y]),
    STEP_MM,
  );

/** Whether a line runs along another for most of its length. */
function runsAlong(line: readonly Point[], other: readonly Point[]): boolean {
  const near = line.filter((p) => other.some((q) => apart(p, q) <= BESIDE_MM));
  return near.length >= ALONG * line.length;
}

export interface Restated {
  /** Whole strokes drawn again along one that was there. */
  restated: number;
  /** Short strokes put back and forth over the same place, one right after the other. */
  scratched: number;
}

/**
 * Restated against scratched: a line said again whole, or rubbed at in pieces.
 * @param marks In the order they were made.
 */
export function restatedOf(marks: readonly Mark[]): Restated {
  const lines = marks.map(lineOf);
  const lengths = marks.map(({ points }) => lineLength(points));
  const before: number[] = [];
  let restated = 0;
  marks.forEach((_, i) => {
    if (lengths[i] < WHOLE_MM) return;
    if (before.some((j) => runsAlong(lines[i], lines[j]))) restated++;
    before.push(i);
  });
  let scratched = 0;
  let run = 0;
  for (let i = 0; i <= marks.length; i++) {
    const scratch =
      i > 0 &&
      i < marks.length &&
      lengths[i] < WHOLE_MM &&
      lengths[i - 1] < WHOLE_MM &&
      marks[i].points[0][2] - marks[i - 1].points[marks[i - 1].points.length - 1][2] <= SOON_MS &&
      runsAlong(lines[i], lines[i - 1]);
    if (scratch) run = run === 0 ? 2 : run + 1;
    else {
      if (run >= LEAST_SCRATCHES) scratched += run;
      run = 0;
    }
  }
  return { restated, scratched };
}
