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

type Draft = Pick<Segment, 'kind' | 'poseIndex' | 'open'> & { lengthMs: number };
const closed = (kind: SegmentKind, poseIndex: number, lengthMs: number): Draft => ({
  kind,
  poseIndex,
  lengthMs,
  open: false,
});

function expandBlock(block: Block, next: Block | undefined): Draft[] {
  switch (block.kind) {
    case 'body':
      return block.moves.map((move, i) => closed('body', i, move.durationMs));
    case 'lines':
      return block.pages.map((page, i) => ({ kind: 'page', poseIndex: i, lengthMs: page.nominalMs, open: true }));
    case 'rest':
      return [closed('rest', 0, block.durationMs)];
    case 'poses':
      return block.poses.flatMap((pose, i) => {
        const another = i + 1 < block.poses.length || next?.kind === 'poses';
        return [
          closed('leadIn', i, pose.leadInMs),
          closed('look', i, pose.lookMs),
          closed('draw', i, pose.drawMs),
          closed('lookAgain', i, pose.lookAgainMs),
          closed('change', i, another ? block.changeMs : 0),
        ];
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
    for (const { lengthMs, ...draft } of expandBlock(block, plan.blocks[blockIndex + 1])) {
      if (lengthMs === 0) continue;
      segments.push({ ...draft, blockIndex, startMs: at, endMs: at + lengthMs });
      at += lengthMs;
    }
  });
  return { segments, totalMs: at };
}
