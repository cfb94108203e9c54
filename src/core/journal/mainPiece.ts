import { visitSpentMs } from '../clock/account';
import { clockDigits } from '../practice/time/duration';
import { poseExercise } from '../practice/rules/poseExercise';
import type { SegmentKind } from '../practice/time/timeline';
import { replayOf } from './replay';
import type { Session } from './session';

/** What warms up: the body, lines, and drawings before the main piece. */
const WARMS_UP: readonly SegmentKind[] = ['body', 'page', 'draw', 'drawAgain'];

/** Time spent warming up before a main piece and drawing on it, whole seconds in milliseconds; undefined where there was none. */
export function mainPieceApart(session: Session): { warmUpMs: number; mainMs: number } | undefined {
  const { plan, timeline, visits } = replayOf(session);
  const isMain = visits.map(
    ({ segmentIndex }) =>
      timeline.segments[segmentIndex].kind === 'draw' &&
      poseExercise(plan, timeline.segments[segmentIndex])?.form?.mainPiece === true,
  );
  const first = isMain.indexOf(true);
  if (first === -1) return undefined;
  const spent = (counts: (i: number) => boolean): number =>
    Math.round(visits.reduce((sum, visit, i) => sum + (counts(i) ? visitSpentMs(visit) : 0), 0) / 1000) * 1000;
  return {
    warmUpMs: spent((i) => i < first && WARMS_UP.includes(timeline.segments[visits[i].segmentIndex].kind)),
    mainMs: spent((i) => isMain[i]),
  };
}

/** "Warm-up 6:00, main piece 40:00." */
export const mainPieceWords = (session: Session): string | undefined => {
  const apart = mainPieceApart(session);
  if (!apart || apart.warmUpMs === 0) return undefined;
  return `Warm-up ${clockDigits(apart.warmUpMs)}, main piece ${clockDigits(apart.mainMs)}.`;
};
