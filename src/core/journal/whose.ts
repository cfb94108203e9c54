import { DEMO_LEARNER, isDemoSession } from '../demoLearner';
import type { Session } from './session';

/** The learner's own sessions: all that habits, rules and usual times may be read from. */
export const ownSessions = (sessions: readonly Session[]): Session[] => sessions.filter(({ id }) => !isDemoSession(id));

/** Sessions that are looked at, and whose they are where they are not the learner's. */
export interface Whose {
  sessions: Session[];
  /** The demo learner's first name while hers are shown. */
  of: string | undefined;
}

/** The learner's own sessions as soon as there is one; until then the demo learner's, named as hers. */
export function lookedAt(sessions: readonly Session[]): Whose {
  const own = ownSessions(sessions);
  if (own.length > 0 || sessions.length === 0) return { sessions: own, of: undefined };
  return { sessions: [...sessions], of: DEMO_LEARNER.split(' ')[0] };
}

/** Sessions of the one whose session this is. */
export const sameLearner = (sessions: readonly Session[], { id }: Pick<Session, 'id'>): Session[] =>
  sessions.filter((s) => isDemoSession(s.id) === isDemoSession(id));
