import type { Plan } from '../practice/plan/schema';
import { expandPlan, type Timeline } from '../practice/time/timeline';
import type { PlanChanges } from './choices';
import type { HoldReason, RunEvent } from './log';
import {
  advance,
  bookHold,
  bookWait,
  branch,
  current,
  endHold,
  type Hold,
  type Phase,
  type Replay,
  replay,
  spentMs,
} from './replay';
import type { Visit } from './visit';

export interface RunState {
  phase: Phase;
  /** Index of the current segment; the number of segments when done. */
  segmentIndex: number;
  /** Time spent in the current segment, holds excluded. */
  elapsedMs: number;
  /** Planned length of the current segment with what was added. */
  lengthMs: number;
  /** Time left in it; for an open segment 0, it counts up. */
  leftMs: number;
  holdReason?: HoldReason;
  /** When the current hold began. */
  heldSinceMs?: number;
  /** When the current segment ends by itself; undefined when held, done, or when it waits for the learner. */
  deadlineMs?: number;
  visits: Visit[];
  holds: readonly Hold[];
  /** Lengths that were changed on the way, by segment. */
  lengths: ReadonlyMap<number, number>;
  /** What each drawing of a block has of its pot, where the learner has shared it out, milliseconds by block. */
  shares: ReadonlyMap<number, number>;
  /** The pose at hand is drawn once more when it ends. */
  oneMore: boolean;
  /** False when the learner stopped before the end. */
  completed: boolean;
  /** What was changed of the plan so far. */
  changes: PlanChanges;
}

function describe(r: Replay, atMs: number): RunState {
  const done = r.phase === 'done';
  const state: RunState = {
    phase: r.phase,
    segmentIndex: 0,
    elapsedMs: 0,
    lengthMs: 0,
    leftMs: 0,
    visits: r.visits,
    holds: r.holds,
    lengths: r.lengths,
    shares: r.shares,
    oneMore: r.oneMore,
    completed: done && current(r).ended !== 'stop',
    changes: r.changes,
  };
  if (r.phase === 'ready') return state;
  if (done) return { ...state, segmentIndex: r.timeline.segments.length };
  bookHold(r, atMs);
  endHold(r, atMs);
  const visit = current(r);
  visit.endMs = atMs;
  bookWait(r, visit, atMs);
  const { open, overMs } = r.timeline.segments[visit.segmentIndex];
  const endless = open || overMs === Infinity;
  const elapsedMs = spentMs(visit, atMs);
  return {
    ...state,
    segmentIndex: visit.segmentIndex,
    elapsedMs,
    lengthMs: visit.lengthMs,
    leftMs: open ? 0 : Math.max(0, visit.lengthMs - elapsedMs),
    ...(r.phase === 'held' && { holdReason: r.holdReason ?? 'paused', heldSinceMs: r.holdBeganMs }),
    ...(r.phase === 'running' && !endless && { deadlineMs: visit.startMs + visit.heldMs + visit.lengthMs + overMs }),
  };
}

/**
 * What is on screen at a moment: a pure function of the plan, the log and the time.
 * @param nowMs On the session clock. Events after it have not happened yet.
 */
export function runStateAt(plan: Plan, log: readonly RunEvent[], nowMs: number): RunState {
  return stateOnTimeline(expandPlan(plan), log, nowMs);
}

/** Whether the session needs no word from the learner to continue: it is running, or waiting for a picture. */
export const goesOn = ({ phase, holdReason }: Pick<RunState, 'phase' | 'holdReason'>): boolean =>
  phase === 'running' || (phase === 'held' && holdReason === 'picture');

/** A replay of all of a log, by the log itself, and how long it was then. */
const replayed = new WeakMap<readonly RunEvent[], { replay: Replay; events: number }>();

/** runStateAt for a plan that is already laid out; a log that has happened whole is replayed once, however often it is asked. */
export function stateOnTimeline(timeline: Timeline, log: readonly RunEvent[], nowMs: number): RunState {
  const whole = log.length === 0 || log[log.length - 1].atMs <= nowMs;
  let known = whole ? replayed.get(log) : undefined;
  if (whole && (known?.replay.timeline !== timeline || known.events !== log.length))
    replayed.set(log, (known = { replay: replay(timeline, log, nowMs), events: log.length }));
  const r = known ? branch(known.replay) : replay(timeline, log, nowMs);
  const atMs = Math.max(nowMs, r.lastMs);
  advance(r, atMs);
  return describe(r, atMs);
}
