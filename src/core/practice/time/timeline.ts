import { poseExercise } from '../rules/poseExercise';
import type { Plan, PosesBlock } from '../plan/schema';

export type SegmentKind =
  'body' | 'page' | 'leadIn' | 'look' | 'draw' | 'drawAgain' | 'lookAgain' | 'change' | 'rest' | 'lookBack';

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
  /** How far it may run over its length before it ends by itself: 0 when strict, Infinity without a cap. */
  overMs: number;
  /** Its end is signaled until the learner answers; that wait is not drawing. */
  answered?: boolean;
  /** Drawings of the block share this much time: the segment lasts until the learner goes on or the pot is empty. */
  potMs?: number;
}

export interface Timeline {
  segments: Segment[];
  totalMs: number;
}

/** What is enough to know of a timeline where its total does not matter. */
export type Laid = { segments: readonly Segment[] };

/** Planned length of a segment, ms. */
export const segmentMs = (s: Segment): number => s.endMs - s.startMs;

type Put = (kind: SegmentKind, poseIndex: number, lengthMs: number, more?: Partial<Segment>) => void;

/** How drawing ends in a block: with the eyes closed, when the learner has heard it. */
function drawEnds({ settings = {} }: PosesBlock, eyesClosed: boolean, openDraw = false): Partial<Segment> {
  const { atZero, softCapMs = Infinity, potMs, potEndsSoftly } = settings;
  const strict = !openDraw && (atZero === undefined || atZero === 'strict');
  if (eyesClosed && strict) return { overMs: Infinity, answered: true };
  if (atZero === 'pot' && potMs) return { potMs, overMs: potEndsSoftly ? softCapMs : 0 };
  return { open: openDraw || atZero === 'open', overMs: atZero === 'soft' ? softCapMs : 0 };
}

/** The change after a pose, longer where sharpening is due and where the other hand takes over. */
function changeAfter({ changeMs, poses, settings = {} }: PosesBlock, poseIndex: number): number {
  const { sharpenEvery, sharpenMs = 0, handChangeMs = 0 } = settings;
  const next = poses.at(poseIndex + 1);
  const sharpens = sharpenEvery && (poseIndex + 1) % sharpenEvery === 0;
  return changeMs + (sharpens ? sharpenMs : 0) + (next && next.hand !== poses[poseIndex].hand ? handChangeMs : 0);
}

function expandPoses(plan: Plan, blockIndex: number, block: PosesBlock, put: Put): void {
  const followed = plan.blocks[blockIndex + 1]?.kind === 'poses';
  const { settings = {}, poses } = block;
  const potShare = settings.atZero === 'pot' && settings.potMs ? sharePot(settings.potMs, poses.length) : undefined;
  const byHand = settings.startsBy === 'hand';
  // Hundreds of poses share one or two exercises: each is looked up once.
  const closed = new Map<string, boolean>();
  const eyesClosedIn = (poseIndex: number): boolean => {
    const { exercise = '', hand = '' } = poses[poseIndex];
    const key = `${exercise} ${hand}`;
    let known = closed.get(key);
    if (known === undefined)
      closed.set(key, (known = poseExercise(plan, { blockIndex, poseIndex })?.rule.gaze === 'eyes closed'));
    return known;
  };
  poses.forEach((pose, i) => {
    const { leadInMs, lookMs, drawMs, againMs = 0, lookAgainMs, openLook = false, openDraw } = pose;
    const eyesClosed = eyesClosedIn(i);
    put('leadIn', i, byHand ? Math.max(1000, leadInMs) : leadInMs, { open: byHand });
    if (lookMs > 0) put('look', i, lookMs, { open: openLook });
    put('draw', i, potShare?.[i] ?? drawMs, drawEnds(block, eyesClosed, openDraw));
    if (againMs > 0)
      put('drawAgain', i, againMs, drawEnds({ ...block, settings: { ...settings, potMs: 0 } }, eyesClosed, openDraw));
    put('lookAgain', i, lookAgainMs);
    if (i + 1 < poses.length || followed) put('change', i, changeAfter(block, i));
  });
}

/** A pot shared evenly, in whole milliseconds. */
const sharePot = (potMs: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => Math.floor((potMs * (i + 1)) / count) - Math.floor((potMs * i) / count));

function expandBlock(plan: Plan, blockIndex: number, put: Put): void {
  const block = plan.blocks[blockIndex];
  switch (block.kind) {
    case 'body':
      block.moves.forEach((move, i) => put('body', i, move.durationMs));
      break;
    case 'lines':
      block.pages.forEach((page, i) => put('page', i, page.nominalMs, { open: true }));
      break;
    case 'rest':
      put(block.purpose === 'look back' ? 'lookBack' : 'rest', 0, block.durationMs);
      break;
    case 'poses':
      expandPoses(plan, blockIndex, block, put);
  }
}

/**
 * Lay a plan out in time without gaps. A change stands between two consecutive poses, across blocks too, but not where a rest or a
 * warm-up block lies between them, and not after the last; every pose has its lead-in. Parts of no length are left out.
 */
export function expandPlan(plan: Plan): Timeline {
  const segments: Segment[] = [];
  let at = 0;
  plan.blocks.forEach((_block, blockIndex) => {
    expandBlock(plan, blockIndex, (kind, poseIndex, lengthMs, more) => {
      if (lengthMs === 0) return;
      segments.push({
        kind,
        startMs: at,
        endMs: at + lengthMs,
        blockIndex,
        poseIndex,
        open: false,
        overMs: 0,
        ...more,
      });
      at += lengthMs;
    });
  });
  return { segments, totalMs: at };
}
