import type { Plan } from '../practice/plan/schema';
import { drawingKey } from '../practice/rules/holds';
import { wholeSeconds } from '../practice/time/duration';
import { expandPlan, type Laid, type SegmentKind } from '../practice/time/timeline';
import type { RunEvent } from './log';
import { stateOnTimeline } from './run';
import type { Visit } from './visit';

/** Where the time of a session went, milliseconds; the first six add up to `wallMs`. */
export interface RunAccount {
  preparingMs: number;
  lookingMs: number;
  drawingMs: number;
  /** Changes and lead-ins, and waits for the learner's answer. */
  changingMs: number;
  restingMs: number;
  heldMs: number;
  wallMs: number;
  /** Part of drawingMs that went into pages of lines. */
  linesMs: number;
  /** Drawings made: each worked on for at least MIN_DRAWING_MS, once, both of a pair, and each copy of one. */
  drawings: number;
  linePages: number;
  peeks: number;
  peekMs: number;
  lifts: number;
  /** Time added to poses that had been left or were drawn once more. */
  extraMs: number;
}

/** A pose left sooner than this was passed over, not drawn. */
export const MIN_DRAWING_MS = 5000;

type Sum = 'preparingMs' | 'lookingMs' | 'drawingMs' | 'changingMs' | 'restingMs';
const SUM_OF: Record<SegmentKind, Sum> = {
  body: 'preparingMs',
  page: 'drawingMs',
  leadIn: 'changingMs',
  look: 'lookingMs',
  draw: 'drawingMs',
  drawAgain: 'drawingMs',
  lookAgain: 'lookingMs',
  change: 'changingMs',
  rest: 'restingMs',
  lookBack: 'lookingMs',
};

/** Time that counts of a visit, ms: without holds and waiting. */
export const visitSpentMs = (visit: Visit): number => visit.endMs - visit.startMs - visit.heldMs - visit.waitedMs;

/** Whether what is done in a kind of segment counts as drawing time. */
const isDrawingTime = (kind: SegmentKind): boolean => SUM_OF[kind] === 'drawingMs';

/**
 * What each visit was spent on: visits with the same key are at one piece. A copy begun of a drawing is a piece of its own, and going back
 * to the drawing goes on with its last copy; pages of lines are one each; elsewhere nothing is made, and there is no key.
 */
export function pieceKeys(plan: Plan, { segments }: Laid, visits: readonly Visit[]): (string | undefined)[] {
  const copies = new Map<string, number>();
  return visits.map(({ segmentIndex, extra }) => {
    const segment = segments[segmentIndex];
    if (!isDrawingTime(segment.kind)) return undefined;
    if (segment.kind === 'page') return `page ${String(segmentIndex)}`;
    const drawing = drawingKey(plan, segment);
    if (extra === 'one more') copies.set(drawing, (copies.get(drawing) ?? 0) + 1);
    return `${drawing} ${String(copies.get(drawing) ?? 0)}`;
  });
}

/** Account for a session up to a moment (its end, when it has ended before). */
export function accountRun(plan: Plan, log: readonly RunEvent[], nowMs: number): RunAccount {
  const timeline = expandPlan(plan);
  const { visits } = stateOnTimeline(timeline, log, nowMs);
  const account: RunAccount = {
    preparingMs: 0,
    lookingMs: 0,
    drawingMs: 0,
    changingMs: 0,
    restingMs: 0,
    heldMs: 0,
    wallMs: visits.length > 0 ? visits[visits.length - 1].endMs - visits[0].startMs : 0,
    linesMs: 0,
    drawings: 0,
    linePages: 0,
    peeks: 0,
    peekMs: 0,
    lifts: 0,
    extraMs: 0,
  };
  const drawnMs = new Map<string, number>();
  const keys = pieceKeys(plan, timeline, visits);
  for (const [i, visit] of visits.entries()) {
    const segment = timeline.segments[visit.segmentIndex];
    const { kind } = segment;
    const spent = visitSpentMs(visit);
    account[SUM_OF[kind]] += spent;
    account.changingMs += visit.waitedMs;
    account.heldMs += visit.heldMs;
    account.peeks += visit.peeks.length;
    account.peekMs += visit.peeks.reduce((sum, peekMs) => sum + peekMs, 0);
    account.lifts += visit.lifts;
    if (kind === 'page') account.linesMs += spent;
    if (kind === 'page' && visit.ended === 'next') account.linePages++;
    const piece = keys[i];
    if (kind !== 'page' && piece) drawnMs.set(piece, (drawnMs.get(piece) ?? 0) + spent);
    if (visit.extra) account.extraMs += spent;
  }
  account.drawings = [...drawnMs.values()].filter((ms) => ms >= MIN_DRAWING_MS).length;
  return account;
}

const SIX = ['preparingMs', 'lookingMs', 'drawingMs', 'changingMs', 'restingMs', 'heldMs'] as const;

/** An account as it is shown: its six sums in whole seconds that add up to the whole, so that every screen says the same. */
export function inWholeSeconds(account: RunAccount): RunAccount {
  const seconds = wholeSeconds(SIX.map((name) => account[name]));
  const shown = Object.fromEntries(SIX.map((name, i) => [name, seconds[i] * 1000]));
  const linesMs = Math.min(Math.round(account.linesMs / 1000) * 1000, seconds[SIX.indexOf('drawingMs')] * 1000);
  return { ...account, ...shown, linesMs, wallMs: seconds.reduce((a, b) => a + b, 0) * 1000 };
}
