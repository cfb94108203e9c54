import { type Asked, askedOf } from '../clock/asked';
import { replayOf } from './replay';
import type { Session } from './session';

/** The drawing a session ended with, where there is something to ask of it: no pose came after it in which it could have been asked. */
export function lastAsked(session: Session): Asked | undefined {
  const { plan, timeline, visits } = replayOf(session);
  const asked = askedOf(plan, timeline.segments, visits);
  if (!asked) return undefined;
  const after = visits.slice(visits.indexOf(asked.drawn) + 1);
  const hadGap = after.some(({ segmentIndex }) =>
    ['change', 'rest', 'lookBack'].includes(timeline.segments[segmentIndex].kind),
  );
  const asks = asked.asks !== undefined || asked.marks !== undefined || asked.ticked;
  return hadGap || !asks ? undefined : asked;
}
