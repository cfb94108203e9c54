import { EXERCISES } from '../practice/exercises';
import type { Plan } from '../practice/schema';
import type { Segment, Timeline } from '../practice/timeline';
import { segmentMs } from '../practice/timeline';
import type { RunState } from './run';

type CueKind = 'start' | 'warning' | 'end' | 'look';
export interface Cue {
  /** The same cue of the same visit always has the same key, so that it is never scheduled twice. */
  key: string;
  kind: CueKind;
  /** Calm cues tell, crisp ones hurry. */
  calm: boolean;
  atMs: number;
}

/** How long before the end of a drawing the warning comes: a minute, half a minute on three; nothing below a minute. */
export function warningBeforeEndMs(drawMs: number): number | undefined {
  if (drawMs < 60_000) return undefined;
  if (drawMs < 120_000) return 15_000;
  return drawMs === 180_000 ? 30_000 : 60_000;
}

const START_CUE: Partial<Record<Segment['kind'], CueKind>> = {
  draw: 'start',
  page: 'start',
  look: 'look',
  lookAgain: 'look',
};
const HAS_END_CUE: readonly Segment['kind'][] = ['draw', 'rest', 'body'];

function isCalm(plan: Plan, segment: Segment): boolean {
  const block = plan.blocks[segment.blockIndex];
  return block.kind !== 'poses' || EXERCISES[block.exercise].rule.sound === 'calm';
}

/**
 * The cues due from now until now + horizon if nothing happens. A cue of the running segment that is already past is not listed, except
 * within `graceMs`, so that one that fell between two looks is still caught.
 */
export function upcomingCues(
  plan: Plan,
  timeline: Timeline,
  state: RunState,
  nowMs: number,
  horizonMs: number,
  graceMs = 1000,
): Cue[] {
  if (state.phase !== 'running') return [];
  const cues: Cue[] = [];
  const visit = state.visits[state.visits.length - 1];
  let fromMs = visit.startMs + visit.heldMs;
  let lengthMs = visit.lengthMs;
  for (let i = state.segmentIndex; i < timeline.segments.length && fromMs <= nowMs + horizonMs; i++) {
    const segment = timeline.segments[i];
    if (i > state.segmentIndex) lengthMs = segmentMs(segment);
    const calm = isCalm(plan, segment);
    const number = state.visits.length + (i - state.segmentIndex);
    const put = (kind: CueKind, atMs: number): void => {
      if (atMs >= nowMs - graceMs && atMs <= nowMs + horizonMs)
        cues.push({ key: `${number}:${kind}:${lengthMs}`, kind, calm, atMs });
    };
    const start = START_CUE[segment.kind];
    // After a hold the start is past: only a visit never held rings its start.
    if (start && (i > state.segmentIndex || visit.heldMs === 0)) put(start, fromMs);
    if (segment.open) break;
    const warning = segment.kind === 'draw' ? warningBeforeEndMs(lengthMs) : undefined;
    if (warning !== undefined) put('warning', fromMs + lengthMs - warning);
    if (HAS_END_CUE.includes(segment.kind)) put('end', fromMs + lengthMs);
    fromMs += lengthMs;
  }
  return cues;
}
