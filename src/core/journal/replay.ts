import { withChoices } from '../clock/choices';
import { stateOnTimeline } from '../clock/run';
import type { Visit } from '../clock/visit';
import type { Plan } from '../practice/plan/schema';
import { expandPlan, type Laid } from '../practice/time/timeline';
import type { Session } from './session';

export interface Replay {
  /** The plan as it was drawn: with the exercises chosen on the way. */
  plan: Plan;
  timeline: Laid;
  visits: readonly Visit[];
}

const replays = new WeakMap<Session, Replay>();

/** Replays a session's log on its plan; worked out once for each session that was read. */
export function replayOf(session: Session): Replay {
  const known = replays.get(session);
  if (known) return known;
  const timeline = expandPlan(session.plan);
  const { visits, changes } = stateOnTimeline(timeline, session.log, session.lastSeenMs);
  const replay = { timeline, visits, plan: withChoices(session.plan, changes) };
  replays.set(session, replay);
  return replay;
}
