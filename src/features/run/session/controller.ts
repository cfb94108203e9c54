import { withChoices } from '@/core/clock/choices';
import { ALL_CUES, type Cue, type CueChoices, upcomingCues } from '@/core/clock/cues';
import { lengthsToEnd } from '@/core/clock/keepToEnd';
import type { HoldReason, RunEvent } from '@/core/clock/log';
import { goesOn, type RunState, stateOnTimeline } from '@/core/clock/run';
import type { Session } from '@/core/journal/session';
import { holdLimitOf } from '@/core/practice/rules/holds';
import { nextDurationStepMs, previousDurationStepMs } from '@/core/practice/time/durationSteps';
import { expandPlan, type Laid, type Timeline } from '@/core/practice/time/timeline';
import { createCueSchedule } from '@/ui/sound/cuePlayer';
import { holdDatabase } from '@/storage/db';
import { startClock, type Ticks } from '@/workers/clients';
import { createListeners } from './listeners';
import { createRunWriter } from './runWriter';
import { createSessionClock } from './sessionClock';

const HEARTBEAT_MS = 5000;
const LOOK_AHEAD_MS = 1500;
/** What comes is worked out this often, and at once when something happens. */
const LOOK_EVERY_MS = 500;
/** What showing an exercise once takes beyond a lead-in. */
const SHOWN_ONCE_MS = 8000;
/** A deadline nearer than this is waited for by a timer of its own. */
const SOON_MS = 1500;
/** Ticks are never farther apart while the machine is awake: a tenth of a second in a run, a second on hold. */
const BETWEEN_TICKS_MS = 2000;
/** A cue is told to the screen up to this late; later it is past. */
const TOLD_LATE_MS = 1000;

export const COMMANDS = [
  'pause',
  'resume',
  'resume counted',
  'next',
  'back',
  'restart',
  'more',
  'less',
  'choose',
  'wait',
  'await picture',
  'picture seen',
  'stop',
] as const;
export type Command = (typeof COMMANDS)[number];

type Without<T, K extends string> = T extends unknown ? Omit<T, K> : never;
/** What the learner tells the log without moving the session along. */
export type Said = Without<
  Extract<
    RunEvent,
    {
      type:
        | 'why'
        | 'peek'
        | 'lift'
        | 'intoRoom'
        | 'startPoint'
        | 'flowLine'
        | 'focal'
        | 'focalKept'
        | 'whole'
        | 'wholeIn'
        | 'marks'
        | 'missing'
        | 'rubbedOut'
        | 'line'
        | 'oneMore'
        | 'shareOut'
        | 'picture'
        | 'medium'
        | 'hand';
    }
  >,
  'atMs'
>;

export interface Run {
  timeline: Timeline;
  nowMs: () => number;
  state: () => RunState;
  command: (command: Command) => void;
  say: (said: Said) => void;
  /** Everything that happened so far. */
  log: () => readonly RunEvent[];
  /** Changes of state and problems; ticks that change nothing are not told. */
  subscribe: (listener: () => void) => () => void;
  /** Cues as they are due, for what is seen or felt with them. */
  onCue: (listener: (cue: Cue) => void) => () => void;
  /** What rings from now on. */
  setChoices: (choices: CueChoices) => void;
  /** A sentence when the log could not be written. */
  problem: () => string | undefined;
  /** Something on screen is not on disk yet, for longer than a tenth of a second. */
  unsaved: () => boolean;
  /** Resolves when everything so far is on disk. */
  settled: () => Promise<void>;
  /** Leave the session on hold and stop ticking. */
  close: (reason: HoldReason | undefined) => Promise<void>;
}

/** What tells one moment of a run from another: a screen that shows the same key shows the same. */
export function momentKey(state: RunState): string {
  const visit = state.visits.at(-1);
  return [
    state.phase,
    state.segmentIndex,
    state.visits.length,
    state.lengthMs,
    state.holdReason,
    state.holds.at(-1)?.why,
    state.oneMore,
    visit?.peeks.length,
    visit?.lifts,
    visit?.startPoint,
    visit?.flowLine,
    visit?.focal,
    [...state.lengths.values()],
    state.visits.at(-2)?.whole,
    state.visits.at(-2)?.focalKept,
    state.visits.at(-2)?.line,
    ...[visit, state.visits.at(-2), state.visits.at(-3)].flatMap((v) => [
      v?.marks,
      v?.missing,
      v?.rubbedOut,
      v?.wholeInMs,
    ]),
    [...state.shares.values()],
    state.changes.others,
    state.changes.hands,
    state.changes.swaps.length,
    visit?.intoRoom,
  ].join(' ');
}

/** The drawing whose length can be changed now: the one that runs, or the one that a lead-in or a change leads to. */
export function adjustableSegment({ segments }: Laid, state: RunState): number | undefined {
  const kind = segments[state.segmentIndex]?.kind;
  if (kind === 'draw') return state.segmentIndex;
  if (kind !== 'leadIn' && kind !== 'change' && kind !== 'look') return undefined;
  const next = segments.findIndex((s, i) => i > state.segmentIndex && s.kind === 'draw');
  return next === -1 ? undefined : next;
}

/**
 * Runs a session: ticks, writes its log, rings its cues. What is on screen is always computed from plan, log and time.
 * @param cameBackFrom Why it is picked up on hold; undefined when it begins here and now.
 */
export function openRun(session: Session, cameBackFrom: HoldReason | undefined): Run {
  const { plan } = session;
  const timeline = expandPlan(plan);
  let log = session.log;
  const clock = createSessionClock(session.startedAtMs, Math.max(session.lastSeenMs, log.at(-1)?.atMs ?? 0));
  const cues = createCueSchedule();
  const listeners = createListeners();
  const cueListeners = createListeners<[Cue]>();
  const told = new Set<string>();
  let choices = ALL_CUES;
  let lastHeartbeatMs = clock.nowMs();
  let shown = '';
  let held = false;
  /** Set once the clock ticks. */
  let setStill: Ticks['setStill'] = () => undefined;
  /** The cues that come, as they were worked out last, and when that was. */
  let coming: { cues: readonly Cue[]; atMs: number } | undefined;
  let over = false;

  const state = (): RunState => stateOnTimeline(timeline, log, clock.nowMs());
  const letDatabaseGo = holdDatabase();
  const writer = createRunWriter(session, () => listeners.tell());
  const push = (...events: RunEvent[]): void => {
    log = [...log, ...events];
    writer.add(events);
    cues.cancel();
    coming = undefined;
    refresh();
  };

  /** Where it is to end at a time, the drawings to come give way, or gain, so that it does. */
  const keepToEnd = (now: RunState): void => {
    if (plan.finishAtMs === undefined || over) return;
    const atMs = clock.nowMs();
    const events = lengthsToEnd(timeline, now, atMs, plan.finishAtMs - session.startedAtMs).map((change): RunEvent => ({
      type: 'length',
      atMs,
      ...change,
    }));
    if (events.length > 0) push(...events);
  };

  // The worker's ticks find a change of segment a tenth of a second late at most; this timer finds it in time while the page is seen.
  let deadline: ReturnType<typeof setTimeout> | undefined;
  const refresh = (): void => {
    const now = state();
    clearTimeout(deadline);
    if (now.deadlineMs !== undefined && !over) {
      const inMs = now.deadlineMs - clock.nowMs();
      if (inMs < SOON_MS) deadline = setTimeout(refresh, Math.max(0, inMs));
    }
    if (now.phase === 'done' && !over) {
      over = true;
      if (now.completed) writer.finish(now.visits[now.visits.length - 1].endMs);
    }
    if (held !== (now.phase === 'held')) {
      held = !held;
      setStill(held);
    }
    const key = momentKey(now);
    if (key === shown) return;
    shown = key;
    keepToEnd(now);
    coming = undefined;
    listeners.tell();
  };

  if (cameBackFrom) {
    const lastMs = Math.max(session.lastSeenMs, log.at(-1)?.atMs ?? 0);
    // What counts is how it stood at the last sign of life, not how far the clock has gone since. On hold, it stays so.
    if (goesOn(stateOnTimeline(timeline, log, lastMs))) push({ type: 'hold', atMs: lastMs, reason: cameBackFrom });
  }

  const ringCues = (now: RunState, nowMs: number): void => {
    if (!coming || nowMs - coming.atMs >= LOOK_EVERY_MS)
      coming = {
        cues: upcomingCues(
          withChoices(plan, now.changes),
          timeline,
          now,
          nowMs,
          LOOK_AHEAD_MS + LOOK_EVERY_MS,
          TOLD_LATE_MS,
          choices,
        ),
        atMs: nowMs,
      };
    if (coming.cues.length === 0) cues.nothingComes();
    for (const cue of coming.cues) {
      if (cue.atMs - nowMs > LOOK_AHEAD_MS) continue;
      cues.arrange(cue.key, cue.kind, cue.calm, cue.atMs - nowMs);
      if (cue.atMs > nowMs || told.has(cue.key)) continue;
      told.add(cue.key);
      cueListeners.tell(cue);
    }
  };

  const ticks = startClock((stamp) => {
    const { gap, lastSeenMs } = clock.tick(stamp);
    writer.retry();
    if (over) return;
    if (gap === 'asleep') {
      // What was pressed since the last tick was pressed awake; what was pressed longer after it came after the sleep.
      const pressedMs = log.findLast(({ atMs }) => atMs <= lastSeenMs + BETWEEN_TICKS_MS)?.atMs ?? 0;
      const awakeMs = Math.max(lastSeenMs, pressedMs);
      if (goesOn(stateOnTimeline(timeline, log, awakeMs))) push({ type: 'hold', atMs: awakeMs, reason: 'asleep' });
    }
    const nowMs = clock.nowMs();
    // On hold nothing rings and nothing ends.
    if (held) cues.nothingComes();
    else ringCues(state(), nowMs);
    // A hold is in the log: it needs no sign of life.
    if (!held && nowMs - lastHeartbeatMs >= HEARTBEAT_MS) {
      lastHeartbeatMs = nowMs;
      writer.heartbeat(nowMs);
    }
    if (!held) refresh();
  });
  setStill = ticks.setStill;
  setStill(held);

  /** A step longer or shorter: of the drawing that runs or comes; of anything else that runs, longer only. */
  const adjust = (now: RunState, longer: boolean): void => {
    const atMs = clock.nowMs();
    const segmentIndex = adjustableSegment(timeline, now);
    if (segmentIndex === undefined || timeline.segments[segmentIndex].potMs !== undefined) {
      // An open page takes as long as it takes anyway.
      if (longer && !timeline.segments[now.segmentIndex].open)
        push({ type: 'extend', atMs, byMs: nextDurationStepMs(now.lengthMs) - now.lengthMs });
      return;
    }
    if (timeline.segments[segmentIndex].open) return;
    const running = segmentIndex === now.segmentIndex;
    const { startMs, endMs } = timeline.segments[segmentIndex];
    const lengthMs = running ? now.lengthMs : (now.lengths.get(segmentIndex) ?? endMs - startMs);
    const limitMs = holdLimitOf(plan, timeline.segments[segmentIndex]) ?? Infinity;
    const wantedMs = longer ? Math.min(limitMs, nextDurationStepMs(lengthMs)) : previousDurationStepMs(lengthMs);
    if (longer && wantedMs <= lengthMs) return;
    // What has been drawn stays drawn: it is never made shorter than that.
    if (running && wantedMs <= now.elapsedMs) return;
    push({ type: 'length', atMs, segmentIndex, lengthMs: wantedMs });
  };

  const command = (name: Command): void => {
    const now = state();
    if (over || now.phase === 'done') return;
    const atMs = clock.nowMs();
    switch (name) {
      case 'pause':
        if (goesOn(now)) push({ type: 'hold', atMs, reason: 'paused' });
        break;
      case 'resume':
      case 'resume counted':
        if (now.phase === 'held') push({ type: 'resume', atMs, counted: name === 'resume counted' });
        break;
      case 'await picture':
        // Starts when the picture was due, or at the last event since then.
        if (now.phase === 'running')
          push({
            type: 'hold',
            atMs: Math.max(log.at(-1)?.atMs ?? 0, now.visits.at(-1)?.startMs ?? 0),
            reason: 'picture',
          });
        break;
      case 'picture seen':
        if (now.phase === 'held' && now.holdReason === 'picture') push({ type: 'resume', atMs, counted: false });
        break;
      case 'wait':
        push({ type: 'extend', atMs, byMs: SHOWN_ONCE_MS });
        break;
      case 'more':
      case 'less':
        adjust(now, name === 'more');
        break;
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
    say: (said) => {
      if (!over && state().phase !== 'done') push({ ...said, atMs: clock.nowMs() });
    },
    log: () => log,
    subscribe: listeners.add,
    onCue: cueListeners.add,
    setChoices: (next) => {
      choices = next;
      cues.cancel();
      coming = undefined;
    },
    problem: writer.problem,
    unsaved: writer.unsaved,
    settled: () => {
      refresh(); // the screen may see the end before the next tick does
      return writer.settled();
    },
    close: async (reason) => {
      if (reason) refresh();
      if (reason && !over && goesOn(state())) push({ type: 'hold', atMs: clock.nowMs(), reason });
      over = true;
      clearTimeout(deadline);
      ticks.stop();
      cues.cancel();
      await writer.settled();
      letDatabaseGo();
    },
  };
}
