import { hidesReference } from '../practice/exercises/exercise';
import { localDay } from '../moment';
import { type Drawing, posesDrawn } from './drawings';
import type { Session } from './session';

const referencesOf = (drawn: readonly Drawing[]): string[] => drawn.flatMap(({ referenceId }) => referenceId ?? []);

/** What was drawn in so many sessions is not drawn again at once, nor what is like it. */
const RECENT_SESSIONS = 2;

/** References drawn in a session, in order; one drawn on twice counts once. */
export const drawnReferences = (session: Session): string[] => referencesOf(posesDrawn(session));

export interface DrawingHistory {
  daysSinceLast?: number;
  /** Newest last. */
  drawn: string[];
  timesDrawn: Map<string, number>;
  /** How many of the last of `drawn` are of the last two sessions. */
  recent: number;
  /** Sessions in which something was drawn from memory. */
  memorySessions: number;
}

/** What all sessions together say about the learner's habits. Of the moment only its local day counts. */
export function drawingHistory(sessions: readonly Session[], nowMs: number): DrawingHistory {
  const inOrder = [...sessions].sort((a, b) => a.startedAtMs - b.startedAtMs);
  const poses = inOrder.map(posesDrawn);
  const drawn = poses.flatMap(referencesOf);
  const timesDrawn = new Map<string, number>();
  for (const id of drawn) timesDrawn.set(id, (timesDrawn.get(id) ?? 0) + 1);
  const last = inOrder.at(-1);
  return {
    ...(last && { daysSinceLast: Math.max(0, localDay(nowMs) - localDay(last.startedAtMs)) }),
    drawn,
    timesDrawn,
    recent: poses.slice(-RECENT_SESSIONS).flatMap(referencesOf).length,
    memorySessions: poses.filter((some) => some.some((d) => hidesReference(d.exercise))).length,
  };
}
