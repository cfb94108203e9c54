import { type Laid, segmentMs, type Timeline } from '../practice/time/timeline';
import type { HoldReason, HoldWhy, RunEvent } from './log';
import { firstOfPose, samePose } from './poseSegments';
import type { Extra, Visit } from './visit';
import { poseKey } from '../practice/plan/planPoses';
import { NO_CHANGES, type PlanChanges } from './choices';
import { indexAfter, leftInPotMs, outOfPotMs, potLengthMs, potOf, potOfBlockMs } from './pot';

/** A time on hold. */
export interface Hold {
  fromMs: number;
  /** Equal to "now" while it lasts. */
  toMs: number;
  reason: HoldReason;
  why?: HoldWhy;
  /** It was drawn through after all. */
  counted: boolean;
}

/** A glance that was only tapped, not held, is taken to have lasted this long. */
export const GLANCE_MS = 1000;

export type Phase = 'ready' | 'running' | 'held' | 'done';

/** The reducer's memory: where it is, and since when, with holds already taken out. */
export interface Replay {
  timeline: Timeline;
  phase: Phase;
  visits: Visit[];
  holds: Hold[];
  lengths: Map<number, number>;
  shares: Map<number, number>;
  /** What stays that are over took out of the pots, milliseconds by block. */
  potsMs: Map<number, number>;
  oneMore: boolean;
  holdReason: HoldReason | undefined;
  holdBeganMs: number;
  /** Up to when the current hold is booked to its visit. */
  heldSinceMs: number;
  /** What the current visit had been held before the current hold. */
  heldBeforeMs: number;
  lastMs: number;
  changes: PlanChanges;
}

/** The visit that goes on. */
export const current = (r: Replay): Visit => r.visits[r.visits.length - 1];
export const spentMs = (visit: Visit, atMs: number): number => atMs - visit.startMs - visit.heldMs;

/** Book what lies beyond the length of a visit whose end waits for an answer. */
export function bookWait(r: Replay, visit: Visit, atMs: number): void {
  if (r.timeline.segments[visit.segmentIndex].answered)
    visit.waitedMs = Math.max(0, spentMs(visit, atMs) - visit.lengthMs);
}

function enter(r: Replay, segmentIndex: number, atMs: number, extra?: Extra): void {
  if (segmentIndex >= r.timeline.segments.length) {
    r.phase = 'done';
    return;
  }
  const segment = r.timeline.segments[segmentIndex];
  const lengthMs =
    segment.potMs === undefined
      ? lengthOf(r.timeline, r.lengths, segmentIndex)
      : potLengthMs(r.timeline, potLeft(r, segmentIndex), segmentIndex, r.shares.get(segment.blockIndex));
  r.heldBeforeMs = 0;
  r.visits.push({
    segmentIndex,
    startMs: atMs,
    endMs: atMs,
    heldMs: 0,
    waitedMs: 0,
    lengthMs,
    ...(extra && { extra }),
    peeks: [],
    lifts: 0,
  });
}

function leave(r: Replay, atMs: number, ended: NonNullable<Visit['ended']>): void {
  bookWait(r, current(r), atMs);
  const visit = Object.assign(current(r), { endMs: atMs, ended });
  const { blockIndex } = r.timeline.segments[visit.segmentIndex];
  r.potsMs.set(blockIndex, (r.potsMs.get(blockIndex) ?? 0) + outOfPotMs(r.timeline, visit));
}

/** What is left in the pot of a segment, the stay at hand up to its end so far counted in, milliseconds. */
function potLeft(r: Replay, segmentIndex: number): number {
  const { blockIndex } = r.timeline.segments[segmentIndex];
  const visit = r.visits.at(-1);
  const runs = visit && visit.ended === undefined && r.timeline.segments[visit.segmentIndex].blockIndex === blockIndex;
  return leftInPotMs(
    potOfBlockMs(r.timeline, segmentIndex),
    (r.potsMs.get(blockIndex) ?? 0) + (runs ? outOfPotMs(r.timeline, visit) : 0),
  );
}

/** Length of a segment as planned, or as changed on the way, milliseconds. */
export const lengthOf = (timeline: Laid, lengths: ReadonlyMap<number, number>, segmentIndex: number): number =>
  lengths.get(segmentIndex) ?? segmentMs(timeline.segments[segmentIndex]);

/** Go on after a segment: where one more of its pose was asked for, to the beginning of the pose again. */
function goOn(r: Replay, atMs: number): void {
  const { segments } = r.timeline;
  const { segmentIndex, extra } = current(r);
  const potIsEmpty = segments[segmentIndex].potMs !== undefined && potLeft(r, segmentIndex) === 0;
  const next = indexAfter(r.timeline, segmentIndex, potIsEmpty);
  const poseEnds = !samePose(segments[next], segments[segmentIndex]) || segments[next].kind === 'change';
  if (poseEnds && r.oneMore && segments[segmentIndex].kind !== 'change') {
    r.oneMore = false;
    enter(r, firstOfPose(segments, segmentIndex), atMs, 'one more');
  } else enter(r, next, atMs, extra === 'one more' && !poseEnds ? extra : undefined);
}

const toggled = (list: readonly string[], key: string): string[] =>
  list.includes(key) ? list.filter((k) => k !== key) : [...list, key];

/** Exchange the exercise of the pose at hand; in a change, of the one that comes. */
function choose(r: Replay): void {
  const { segments } = r.timeline;
  const at = current(r).segmentIndex;
  const segment = segments[at].kind === 'change' ? (segments[at + 1] ?? segments[at]) : segments[at];
  r.changes = { ...r.changes, others: toggled(r.changes.others, poseKey(segment)) };
}

/** Let time pass up to `atMs`: boundaries fall exactly where they are due, however late the call. */
export function advance(r: Replay, atMs: number): void {
  while (r.phase === 'running') {
    const visit = current(r);
    const { open, overMs } = r.timeline.segments[visit.segmentIndex];
    const dueMs = visit.startMs + visit.heldMs + visit.lengthMs + overMs;
    if (open || dueMs > atMs) {
      visit.endMs = Math.max(visit.startMs, atMs);
      return;
    }
    leave(r, dueMs, 'time');
    goOn(r, dueMs);
  }
}

/** A command given while on hold takes effect on hold: the hold so far is booked, and goes on in the new segment. */
export function bookHold(r: Replay, atMs: number): void {
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

/** Adds a change of picture, medium or hand. */
function changedBy(
  changes: PlanChanges,
  event: Extract<RunEvent, { type: 'picture' | 'medium' | 'hand' }>,
): PlanChanges {
  if (event.type === 'hand') return { ...changes, hands: toggled(changes.hands, poseKey(event)) };
  return { ...changes, swaps: [...changes.swaps, event] };
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
  if (r.phase === 'ready') return;
  if (r.phase === 'done') {
    noteDrawing(r, event);
    return;
  }
  bookHold(r, atMs);
  endHold(r, atMs);
  switch (event.type) {
    case 'hold':
      // A pause, a closed tab or sleep ends the wait for a picture and starts a hold of its own.
      if (r.holdReason === 'picture' && event.reason !== 'picture') resume(r, false);
      if (r.phase === 'running') beginHold(r, event.reason, atMs);
      r.holdReason = event.reason;
      break;
    case 'resume':
      resume(r, event.counted);
      advance(r, atMs);
      break;
    case 'next': {
      leave(r, atMs, 'next');
      goOn(r, atMs);
      break;
    }
    case 'back': {
      const to = drawingBefore(r);
      leave(r, atMs, 'back');
      enter(r, to, atMs, 'more time');
      break;
    }
    case 'restart': {
      const to = current(r).segmentIndex;
      leave(r, atMs, 'restart');
      enter(r, to, atMs, 'again');
      break;
    }
    case 'extend':
      current(r).lengthMs += event.byMs;
      break;
    case 'length':
      setLength(r, event.segmentIndex, event.lengthMs, atMs);
      break;
    case 'oneMore':
      oneMore(r, atMs);
      break;
    case 'shareOut':
      shareOut(r, atMs);
      break;
    case 'why': {
      const hold = r.holds.at(-1);
      if (r.phase === 'held' && hold) hold.why = event.why;
      break;
    }
    case 'peek':
      current(r).peeks.push(event.forMs ?? GLANCE_MS);
      break;
    case 'lift':
      current(r).lifts++;
      break;
    case 'intoRoom':
      current(r).intoRoom = true;
      break;
    case 'startPoint':
      current(r).startPoint = [event.x, event.y];
      break;
    case 'flowLine':
      current(r).flowLine = event.points;
      break;
    case 'focal':
      current(r).focal = [event.x, event.y];
      break;
    case 'rubbedOut':
      current(r).rubbedOut = (current(r).rubbedOut ?? 0) + 1;
      break;
    case 'wholeIn':
      wholeIn(r, atMs);
      break;
    case 'whole':
    case 'marks':
    case 'missing':
    case 'focalKept':
    case 'line':
      noteDrawing(r, event);
      break;
    case 'choose':
      choose(r);
      break;
    case 'picture':
    case 'medium':
    case 'hand':
      r.changes = changedBy(r.changes, event);
      break;
    case 'stop':
      leave(r, atMs, 'stop');
      r.phase = 'done';
  }
}

/** Notes what the learner says of the drawing made last: between two poses, and after the session for the last one. */
function noteDrawing(r: Replay, event: RunEvent): void {
  const drawn = r.visits.findLast((v) => r.timeline.segments[v.segmentIndex].kind === 'draw');
  if (!drawn) return;
  if (event.type === 'whole') drawn.whole = event.down;
  else if (event.type === 'focalKept') drawn.focalKept = event.kept;
  else if (event.type === 'line') drawn.line = event.line;
  else if (event.type === 'marks') drawn.marks = event.count;
  else if (event.type === 'missing') drawn.missing = event.elements;
}

/** The whole figure is in, the first time that it is said in a drawing: so it is down. */
function wholeIn(r: Replay, atMs: number): void {
  const visit = current(r);
  if (r.timeline.segments[visit.segmentIndex].kind !== 'draw' || visit.wholeInMs !== undefined) return;
  visit.wholeInMs = spentMs(visit, atMs);
  visit.whole = true;
}

/** Another length for a drawing that runs or comes; never less than what has been drawn of it, and never of a pot. */
function setLength(r: Replay, segmentIndex: number, lengthMs: number, atMs: number): void {
  const segment = r.timeline.segments[segmentIndex];
  const visit = current(r);
  if (segment?.potMs !== undefined || segment?.kind !== 'draw') return;
  r.lengths.set(segmentIndex, lengthMs);
  if (visit.segmentIndex === segmentIndex) visit.lengthMs = Math.max(lengthMs, spentMs(visit, atMs));
}

/** What is left of a pot is shared out evenly among the drawings to come, the one at hand among them. */
function shareOut(r: Replay, atMs: number): void {
  const visit = current(r);
  visit.endMs = atMs;
  const { segmentIndex } = visit;
  const pot = potOf(r.timeline, segmentIndex, potLeft(r, segmentIndex));
  if (!pot) return;
  const { blockIndex, potMs } = r.timeline.segments[visit.segmentIndex];
  r.shares.set(blockIndex, pot.eachMs);
  // The last one has all that is left, to the millisecond.
  if (potMs !== undefined) visit.lengthMs = spentMs(visit, atMs) + (pot.drawings === 1 ? pot.leftMs : pot.eachMs);
}

/** In a pose, it comes again when it ends; between poses, the one before comes again now. */
function oneMore(r: Replay, atMs: number): void {
  const { segments } = r.timeline;
  const at = current(r).segmentIndex;
  const before = segments[at].kind === 'change' || segments[at].kind === 'rest' || segments[at].kind === 'lookBack';
  if (!before && segments[at].kind !== 'leadIn') {
    // Pages and body moves have no copy.
    if (segments[at].kind !== 'page' && segments[at].kind !== 'body') r.oneMore = !r.oneMore;
    return;
  }
  const last = segments.findLastIndex((s, i) => i < at && s.kind === 'draw');
  if (last === -1) return;
  leave(r, atMs, 'back');
  enter(r, firstOfPose(segments, last), atMs, 'one more');
}

function beginHold(r: Replay, reason: HoldReason, atMs: number): void {
  r.holds.push({ fromMs: atMs, toMs: atMs, reason, counted: false });
  Object.assign(r, { phase: 'held', holdBeganMs: atMs, heldSinceMs: atMs, heldBeforeMs: current(r).heldMs });
}

/** The hold that goes on ends; where none does, nothing happens. */
export function endHold(r: Replay, atMs: number): void {
  const hold = r.holds.at(-1);
  if (r.phase === 'held' && hold) hold.toMs = atMs;
}

function resume(r: Replay, counted: boolean): void {
  if (r.phase !== 'held') return;
  r.phase = 'running';
  r.holdReason = undefined;
  const hold = r.holds.at(-1);
  if (hold) hold.counted = counted;
  if (counted) current(r).heldMs = r.heldBeforeMs;
}

/** A log gone through from its beginning, up to a moment on the session clock. */
export function replay(timeline: Timeline, log: readonly RunEvent[], nowMs: number): Replay {
  const r: Replay = {
    timeline,
    phase: 'ready',
    visits: [],
    holds: [],
    lengths: new Map(),
    shares: new Map(),
    potsMs: new Map(),
    oneMore: false,
    holdReason: undefined,
    holdBeganMs: 0,
    heldSinceMs: 0,
    heldBeforeMs: 0,
    lastMs: 0,
    changes: NO_CHANGES,
  };
  for (const event of log) {
    if (event.atMs > nowMs) break;
    apply(r, event);
  }
  return r;
}

/** A replay that can go on by itself: what is over is shared, what still changes is its own. */
export function branch(r: Replay): Replay {
  const last = r.visits.at(-1);
  const hold = r.holds.at(-1);
  return {
    ...r,
    visits: last ? [...r.visits.slice(0, -1), { ...last }] : [],
    holds: hold ? [...r.holds.slice(0, -1), { ...hold }] : [],
    potsMs: new Map(r.potsMs),
  };
}
