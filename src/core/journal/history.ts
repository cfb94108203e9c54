import { differenceInCalendarDays, eachDayOfInterval, endOfWeek, isSameDay, startOfWeek } from 'date-fns';
import { visitSpentMs, MIN_PIECE_MS } from '../clock/account';
import { stateOnTimeline } from '../clock/run';
import { expandPlan } from '../practice/timeline';
import { accountSession, type Session } from './session';

/** References drawn in a session, in order; one drawn on twice counts once. */
export function drawnReferences({ plan, log, lastSeenMs }: Session): string[] {
  const timeline = expandPlan(plan);
  const spent = new Map<number, number>();
  for (const visit of stateOnTimeline(timeline, log, lastSeenMs).visits)
    if (timeline.segments[visit.segmentIndex].kind === 'draw')
      spent.set(visit.segmentIndex, (spent.get(visit.segmentIndex) ?? 0) + visitSpentMs(visit));
  return [...spent].flatMap(([index, ms]) => {
    const { blockIndex, poseIndex } = timeline.segments[index];
    const block = plan.blocks[blockIndex];
    const id = block.kind === 'poses' ? block.poses[poseIndex].referenceId : null;
    return ms >= MIN_PIECE_MS && id !== null ? [id] : [];
  });
}

export interface DrawingHistory {
  daysSinceLast?: number;
  /** Newest last. */
  drawn: string[];
  timesDrawn: Map<string, number>;
}

/** What all sessions together say about the learner's habits. */
export function drawingHistory(sessions: readonly Session[], nowMs: number): DrawingHistory {
  const inOrder = [...sessions].sort((a, b) => a.startedAtMs - b.startedAtMs);
  const drawn = inOrder.flatMap(drawnReferences);
  const timesDrawn = new Map<string, number>();
  for (const id of drawn) timesDrawn.set(id, (timesDrawn.get(id) ?? 0) + 1);
  const last = inOrder.at(-1);
  return {
    ...(last && { daysSinceLast: Math.max(0, differenceInCalendarDays(nowMs, last.startedAtMs)) }),
    drawn,
    timesDrawn,
  };
}

export interface WeekDay {
  date: Date;
  drawingMs: number;
  sessions: number;
}

/** Monday to Sunday of the week a moment lies in, in local time. */
export function weekOf(sessions: readonly Session[], nowMs: number): WeekDay[] {
  const options = { weekStartsOn: 1 } as const;
  return eachDayOfInterval({ start: startOfWeek(nowMs, options), end: endOfWeek(nowMs, options) }).map((date) => {
    const that = sessions.filter((s) => isSameDay(s.startedAtMs, date));
    return { date, sessions: that.length, drawingMs: that.reduce((sum, s) => sum + accountSession(s).drawingMs, 0) };
  });
}
