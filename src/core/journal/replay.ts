import { stateOnTimeline } from '../clock/run';
import type { Visit } from '../clock/visit';
import { expandPlan, type Laid } from '../practice/time/timeline';
import type { Session } from './session';

export interface Replay {
  timeline: Laid;
  visits: readonly Visit[];
}

const replays = new WeakMap<Session, Replay>();

/** A session's plan as it was laid out, and where its log led. Worked out once for each session that was read. */
export function replayOf(session: Session): Replay {
  const known = replays.get(session);
  if (known) return known;
  const timeline = expandPlan(session.plan);
  const replay = { timeline, visits: stateOnTimeline(timeline, session.log, session.lastSeenMs).visits };
  replays.set(session, replay);
  return replay;
}
