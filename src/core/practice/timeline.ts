import type { Block, Plan } from './schema';

export type SegmentKind = 'body' | 'page' | 'leadIn' | 'look' | 'draw' | 'lookAgain' | 'change' | 'rest';

/** A stretch of a session during which one thing happens. */
export interface Segment {
  kind: SegmentKind;
  /** Milliseconds from the start of the session, whole numbers; each segment starts where the one before it ends. */
  startMs: number;
  endMs: number;
  blockIndex: number;
  /** Which pose, body move or page of its block; for a change, the pose it follows. */
  poseIndex: number;
  /** Ends when the learner says so, and counts up; its length here is only what is expected. */
  open: boolean;
}

export interface Timeline {
  segments: Segment[];
  totalMs: number;
}

export const segmentMs = (s: Segment): number => s.endMs - s.startMs;

type Put = (kind: SegmentKind, poseIndex: number, lengthMs: number, open?: boolean) => void;

function expandBlock(block: Block, next: Block | undefined, put: Put): void {
  switch (block.kind) {
    case 'body':
      block.moves.forEach((move, i) => put('body', i, move.durationMs));
      break;
    case 'lines':
      block.pages.forEach((page, i) => put('page', i, page.nominalMs, true));
      break;
    case 'rest':
      put('rest', 0, block.durationMs);
      break;
    case 'poses':
      block.poses.forEach((pose, i) => {
        put('leadIn', i, pose.leadInMs);
        put('look', i, pose.lookMs);
        put('draw', i, pose.drawMs);
        put('lookAgain', i, pose.lookAgainMs);
        if (i + 1 < block.poses.length || next?.kind === 'poses') put('change', i, block.changeMs);
      });
  }
}

/**
 * Lay a plan out in time without gaps. A change stands between two consecutive poses, across blocks too, but not where a rest or a
 * warm-up block lies between them, and not after the last; every pose has its lead-in. Parts of no length are left out.
 */
export function expandPlan(plan: Plan): Timeline {
  const segments: Segment[] = [];
  let at = 0;
  plan.blocks.forEach((block, blockIndex) => {
    expandBlock(block, plan.blocks[blockIndex + 1], (kind, poseIndex, lengthMs, open = false) => {
      if (lengthMs === 0) return;
      segments.push({ kind, startMs: at, endMs: at + lengthMs, blockIndex, poseIndex, open });
      at += lengthMs;
    });
  });
  return { segments, totalMs: at };
}
