import type { Plan } from '../practice/schema';
import { expandPlan, segmentMs, type Timeline } from '../practice/timeline';
import type { HoldReason, RunEvent } from './log';

/** One stay in a segment. Going back or restarting opens another one; nothing recorded is overwritten. */
export interface Visit {
  segmentIndex: number;
  startMs: number;
  /** Equal to "now" while it lasts. */
  endMs: number;
  /** Time on hold within it. */
  heldMs: number;
  /** Planned length with what was added. */
  lengthMs: number;
  /** How it ended; undefined while it lasts. */
  ended?: 'time' | 'next' | 'back' | 'restart' | 'stop';
  /** More time on a pose that had been finished or begun before. */
  extra: boolean;
  peeksAtMs: number[];
}

export interface RunState {
  phase: 'ready' | 'running' | 'held' | 'done';
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
  /** When the current segment ends if nothing happens; undefined when held, open or done. */
  deadlineMs?: number;
  visits: Visit[];
  /** False when the learner stopped before the end. */
  completed: boolean;
}

/** The reducer's memory: where it is, and since when, with holds already taken out. */
interface Replay {
  timeline: Timeline;
  phase: RunState['phase'];
  visits: Visit[];
  holdReason: HoldReason | undefined;
  holdBeganMs: number;
  /** Up to when the current hold is booked to its visit. */
  heldSinceMs: number;
  /** What the current visit had been held before the current hold. */
  heldBeforeMs: number;
  lastMs: number;
}

const current = (r: Replay): Visit => r.visits[r.visits.length - 1];
const spentMs = (visit: Visit, atMs: number): number => atMs - visit.startMs - visit.heldMs;

function enter(r: Replay, segmentIndex: number, atMs: number, extra = false): void {
  if (segmentIndex >= r.timeline.segments.length) {
    r.phase = 'done';
    return;
  }
  const lengthMs = segmentMs(r.timeline.segments[segmentIndex]);
  r.heldBeforeMs = 0;
  r.visits.push({ segmentIndex, startMs: atMs, endMs: atMs, heldMs: 0, lengthMs, extra, peeksAtMs: [] });
}

function leave(r: Replay, atMs: number, ended: NonNullable<Visit['ended']>): void {
  Object.assign(current(r), { endMs: atMs, ended });
}

/** Let time pass up to `atMs`: boundaries fall exactly where they are due, however late the call. */
function advance(r: Replay, atMs: number): void {
  while (r.phase === 'running') {
    const visit = current(r);
    const dueMs = visit.startMs + visit.heldMs + visit.lengthMs;
    if (r.timeline.segments[visit.segmentIndex].open || dueMs > atMs) {
      visit.endMs = Math.max(visit.startMs, atMs);
      return;
    }
    leave(r, dueMs, 'time');
    enter(r, visit.segmentIndex + 1, dueMs);
  }
}

/** A command given while on hold takes effect on hold: the hold so far is booked, and goes on in the new segment. */
function bookHold(r: Replay, atMs: number): void {
  if (r.phase !== 'held') return;
  current(r).heldMs += atMs - r.heldSinceMs;
  r.heldSinceMs = atMs;
}

/** The drawing (or page of lines) before the current segment, or the current one if it is a drawing already begun and there is none. */
function drawingBefore(r: Replay): number {
  const { segments } = r.timeline;
  for (let i = current(r).segmentIndex - 1; i >= 0; i--)
    if (segments[i].kind === 'draw' || segments[i].kind === 'page') return i;
  return current(r).segmentIndex;
}

function apply(r: Replay, event: RunEvent): void {
  const atMs = Math.max(event.atMs, r.lastMs);
  advance(r, atMs);
  r.lastMs = atMs;
  if (event.type === 'start') {
    if (r.phase !== 'ready') return;
    r.phase = 'running';
    enter(r, 0, atMs);
    return;
  }
  if (r.phase === 'ready' || r.phase === 'done') return;
  bookHold(r, atMs);
  switch (event.type) {
    case 'hold':
      if (r.phase === 'running')
        Object.assign(r, { phase: 'held', holdBeganMs: atMs, heldSinceMs: atMs, heldBeforeMs: current(r).heldMs });
      r.holdReason = event.reason;
      break;
    case 'resume':
      resume(r, event.counted);
      advance(r, atMs);
      break;
    case 'next': {
      const from = current(r).segmentIndex;
      leave(r, atMs, 'next');
      enter(r, from + 1, atMs);
      break;
    }
    case 'back': {
      const to = drawingBefore(r);
      leave(r, atMs, 'back');
      enter(r, to, atMs, true);
      break;
    }
    case 'restart': {
      const to = current(r).segmentIndex;
      leave(r, atMs, 'restart');
      enter(r, to, atMs, true);
      break;
    }
    case 'extend':
      current(r).lengthMs += event.byMs;
      break;
    case 'peek':
      current(r).peeksAtMs.push(atMs);
      break;
    case 'stop':
      leave(r, atMs, 'stop');
      r.phase = 'done';
  }
}

function resume(r: Replay, counted: boolean): void {
  if (r.phase !== 'held') return;
  r.phase = 'running';
  r.holdReason = undefined;
  if (counted) current(r).heldMs = r.heldBeforeMs;
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
    completed: done && current(r).ended !== 'stop',
  };
  if (r.phase === 'ready') return state;
  if (done) return { ...state, segmentIndex: r.timeline.segments.length };
  bookHold(r, atMs);
  const visit = current(r);
  visit.endMs = atMs;
  const { open } = r.timeline.segments[visit.segmentIndex];
  const elapsedMs = spentMs(visit, atMs);
  return {
    ...state,
    segmentIndex: visit.segmentIndex,
    elapsedMs,
    lengthMs: visit.lengthMs,
    leftMs: open ? 0 : Math.max(0, visit.lengthMs - elapsedMs),
    ...(r.phase === 'held' && { holdReason: r.holdReason ?? 'paused', heldSinceMs: r.holdBeganMs }),
    ...(r.phase === 'running' && !open && { deadlineMs: visit.startMs + visit.heldMs + visit.lengthMs }),
  };
}

/**
 * What is on screen at a moment: a pure function of the plan, the log and the time.
 * @param nowMs On the session clock. Events after it have not happened yet.
 */
export function runStateAt(plan: Plan, log: readonly RunEvent[], nowMs: number): RunState {
  return stateOnTimeline(expandPlan(plan), log, nowMs);
}

/** runStateAt for a plan that is already laid out; used where it is asked many times a second. */
export function stateOnTimeline(timeline: Timeline, log: readonly RunEvent[], nowMs: number): RunState {
  const r: Replay = {
    timeline,
    phase: 'ready',
    visits: [],
    holdReason: undefined,
    holdBeganMs: 0,
    heldSinceMs: 0,
    heldBeforeMs: 0,
    lastMs: 0,
  };
  for (const event of log) {
    if (event.atMs > nowMs) break;
    apply(r, event);
  }
  const atMs = Math.max(nowMs, r.lastMs);
  advance(r, atMs);
  return describe(r, atMs);
}
