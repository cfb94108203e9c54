import { clamp } from '../../clamp';
import { exerciseById } from '../exercises';
import type { Exercise } from '../exercises/exercise';
import type { PlainBlock, PosesRecipe, Source } from '../plan/recipe';
import type { Sheet } from '../paper/sheet';
import { BODY_MOVES, LINE_MOTIFS, LINE_PAGE_MS } from '../start/warmUp';

export const LEAD_IN_MS = 5000;
export const CHANGE_MS = 5000;

const sourceFor = (exercise: Exercise): Source => ({
  kind:
    exercise.rule.reference === 'none'
      ? exercise.form?.imagined
        ? 'imagination'
        : 'none'
      : exercise.rule.repeat === 'same picture again'
        ? 'same picture'
        : 'pictures',
  setId: null,
  order: 'gentle to hard',
  odd: false,
  gentleFirst: false,
  pins: [],
});

/** A block of one exercise as it is usually worked. */
export function posesBlock(
  id: string,
  exerciseId: string,
  count: number,
  drawMs?: number,
  own: readonly Exercise[] = [],
): PosesRecipe {
  const exercise = exerciseById(exerciseId, own);
  const { rule, usualMs, lookMs, lookAgainMs } = exercise;
  const lengthMs = drawMs ?? usualMs;
  return {
    id,
    pinned: false,
    kind: 'poses',
    exercise: exerciseId,
    alternate: null,
    count,
    lengths: { order: 'level', fromMs: lengthMs, toMs: lengthMs, listMs: [] },
    leadInMs: LEAD_IN_MS,
    lookMs,
    againMs: rule.reference === 'shown then hidden' ? lengthMs : 0,
    lookAgainMs,
    openLook: false,
    openDraw: false,
    changeMs: CHANGE_MS,
    bothHands: false,
    labels: [],
    source: sourceFor(exercise),
    settings: {},
  };
}

/** How many poses a block has as it is first put in, where there is room. */
const USUAL_COUNT = 4;

/** How many poses of a length there is room for, one to the usual number. @param roomMs Time that is left in the plan. */
export function countThatFits({ lookMs, lookAgainMs, rule }: Exercise, lengthMs: number, roomMs: number): number {
  const againMs = rule.reference === 'shown then hidden' ? lengthMs : 0;
  const eachMs = LEAD_IN_MS + lookMs + lengthMs + againMs + lookAgainMs + CHANGE_MS;
  return clamp(Math.floor(roomMs / eachMs), 1, USUAL_COUNT);
}

/** A block as it is first put into a plan: some exercises have a form of their own. */
export function freshBlock(
  id: string,
  exerciseId: string,
  sheet: Pick<Sheet, 'size'>,
  own?: readonly Exercise[],
  { count = USUAL_COUNT, lengthMs }: { count?: number; lengthMs?: number } = {},
): PosesRecipe {
  const block = posesBlock(id, exerciseId, count, lengthMs, own);
  const { framed, parts } = exerciseById(exerciseId, own).form ?? {};
  if (framed) return { ...block, settings: { ...block.settings, framesFor: sheet.size } };
  if (!parts || parts.length === 0) return block;
  const listMs = parts.map((p) => p.drawMs);
  return {
    ...block,
    count: parts.length,
    lengths: { order: 'own list', fromMs: Math.min(...listMs), toMs: Math.max(...listMs), listMs },
    labels: parts.map((p) => p.label),
    // Each is put to what is there already.
    settings: { ...block.settings, perSheet: parts.length, overlap: true },
  };
}

/** A rest of a length. */
export const restBlock = (id: string, durationMs: number): PlainBlock => ({
  id,
  pinned: false,
  kind: 'rest',
  durationMs,
});
/** Time to look back at what was drawn. */
export const lookBackBlock = (id: string, durationMs: number): PlainBlock => ({
  id,
  pinned: false,
  kind: 'rest',
  durationMs,
  purpose: 'look back',
});
/** Pages of lines. */
export const linesBlock = (id: string, pages: number): PlainBlock => ({
  id,
  pinned: false,
  kind: 'lines',
  pages: Array.from({ length: pages }, (_, i) => ({
    motif: LINE_MOTIFS[i % LINE_MOTIFS.length],
    nominalMs: LINE_PAGE_MS,
  })),
});
/** Movements before drawing, each so long. */
export const bodyBlock = (id: string, moveMs: number): PlainBlock => ({
  id,
  pinned: false,
  kind: 'body',
  moves: BODY_MOVES.map((move) => ({ ...move, durationMs: moveMs })),
});
