import { upcomingCues } from '@/core/clock/cues';
import type { HoldReason, RunEvent } from '@/core/clock/log';
import { type RunState, stateOnTimeline } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { nextDurationStepMs } from '@/core/practice/exercises';
import { expandPlan, type Timeline } from '@/core/practice/timeline';
import { storageProblem } from '@/storage/problems';
import { appendEvents, finishSession, heartbeat } from '@/storage/sessions';
import { createCueSchedule } from '@/ui/sound/cuePlayer';
import { startClock } from '@/workers/clients';
import { createSessionClock } from './sessionClock';

const HEARTBEAT_MS = 5000;
const LOOK_AHEAD_MS = 1500;

type Command = 'pause' | 'resume' | 'resume counted' | 'next' | 'back' | 'restart' | 'more' | 'peek' | 'stop';

export interface Run {
  timeline: Timeline;
  nowMs: () => number;
  state: () => RunState;
  command: (command: Command) => void;
  /** Changes of state and problems; ticks that change nothing are not told. */
  subscribe: (listener: () => void) => () => void;
  /** A sentence when the log could not be written. */
  problem: () => string | undefined;
  /** Resolves when everything so far is on disk. */
  settled: () => Promise<void>;
  /** Leave the session on hold and stop ticking. */
  close: (reason: HoldReason | undefined) => Promise<void>;
}

/**
 * Runs a session: ticks, writes its log, rings its cues. What is on screen is always computed from plan, log and time.
 * @param cameBackFrom Why it is picked up on hold; undefined when it begins here and now.
 */
export function openRun(session: Session, cameBackFrom: HoldReason | undefined): Run {
  const { plan, id } = session;
  const timeline = expandPlan(plan);
  let log = session.log;
  const clock = createSessionClock(session.startedAtMs, Math.max(session.lastSeenMs, log.at(-1)?.atMs ?? 0));
  const cues = createCueSchedule();
  const listeners = new Set<() => void>();
  let problem: string | undefined;
  let writing = Promise.resolve();
  let lastHeartbeatMs = clock.nowMs();
  let shown = '';
  let over = false;

  const state = (): RunState => stateOnTimeline(timeline, log, clock.nowMs());
  const tell = (): void => listeners.forEach((listener) => listener());
  const write = (job: () => Promise<void>): void => {
    writing = writing.then(job).then(
      () => {
        if (problem) {
          problem = undefined;
          tell();
        }
      },
      (error: unknown) => {
        problem = storageProblem(error);
        tell();
      },
    );
  };
  let unwritten: readonly RunEvent[] = [];
  const push = (event: RunEvent): void => {
    log = [...log, event];
    unwritten = [...unwritten, event];
    // Events that failed to be written go along with the next one.
    write(async () => {
      const batch = unwritten;
      if (batch.length === 0) return;
      await appendEvents(id, batch, batch.some((e) => e.type === 'stop') ? 'kept' : 'running');
      unwritten = unwritten.slice(batch.length);
    });
    cues.cancel();
    refresh();
  };

  const refresh = (): void => {
    const now = state();
    if (now.phase === 'done' && !over) {
      over = true;
      if (now.completed) {
        const endMs = now.visits[now.visits.length - 1].endMs;
        write(() => finishSession(id, endMs));
      }
    }
    const key = `${now.phase} ${now.segmentIndex} ${now.visits.length} ${now.lengthMs} ${now.holdReason ?? ''} ${now.visits.at(-1)?.peeksAtMs.length ?? 0}`;
    if (key === shown) return;
    shown = key;
    tell();
  };

  if (cameBackFrom) {
    const lastMs = Math.max(session.lastSeenMs, log.at(-1)?.atMs ?? 0);
    // What counts is how it stood at the last sign of life, not how far the clock has gone since. On hold, it stays so.
    if (stateOnTimeline(timeline, log, lastMs).phase === 'running')
      push({ type: 'hold', atMs: lastMs, reason: cameBackFrom });
  }

  const stopClock = startClock((stamp) => {
    const { gap, lastSeenMs } = clock.tick(stamp);
    if (over) return;
    if (gap === 'asleep' && stateOnTimeline(timeline, log, lastSeenMs).phase === 'running')
      push({ type: 'hold', atMs: lastSeenMs, reason: 'asleep' });
    const nowMs = clock.nowMs();
    for (const cue of upcomingCues(plan, timeline, state(), nowMs, LOOK_AHEAD_MS))
      cues.arrange(cue.key, cue.kind, cue.calm, cue.atMs - nowMs);
    if (nowMs - lastHeartbeatMs >= HEARTBEAT_MS) {
      lastHeartbeatMs = nowMs;
      write(() => heartbeat(id, nowMs));
    }
    refresh();
  });

  const command = (name: Command): void => {
    const now = state();
    if (over || now.phase === 'done') return;
    const atMs = clock.nowMs();
    switch (name) {
      case 'pause':
        if (now.phase === 'running') push({ type: 'hold', atMs, reason: 'paused' });
        break;
      case 'resume':
      case 'resume counted':
        if (now.phase === 'held') push({ type: 'resume', atMs, counted: name === 'resume counted' });
        break;
      case 'more': {
        // An open page takes as long as it takes anyway.
        if (timeline.segments[now.segmentIndex].open) break;
        const byMs = nextDurationStepMs(now.lengthMs) - now.lengthMs;
        push({ type: 'extend', atMs, byMs });
        break;
      }
      case 'stop':
        push({ type: 'stop', atMs });
        break;
      default:
        push({ type: name, atMs });
    }
  };

  return {
    timeline,
    nowMs: clock.nowMs,
    state,
    command,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    problem: () => problem,
    settled: () => {
      refresh(); // the screen may see the end before the next tick does
      return writing;
    },
    close: async (reason) => {
      if (reason) refresh();
      if (reason && !over && state().phase === 'running') push({ type: 'hold', atMs: clock.nowMs(), reason });
      over = true;
      stopClock();
      cues.cancel();
      await writing;
    },
  };
}
