import { exerciseById } from '../exercises';
import type { Exercise } from '../exercises/exercise';
import type { PlainBlock, PosesRecipe, Source } from '../plan/recipe';
import type { Sheet } from '../paper/sheet';
import { BODY_MOVES, LINE_MOTIFS, LINE_PAGE_MS } from '../start/warmUp';

/** What the two drawings of a line and then its tone are called. */
export const LINE_AND_TONE = ['line', 'tone'] as const;

export const LEAD_IN_MS = 5000;
export const CHANGE_MS = 5000;

const sourceFor = (exercise: Exercise): Source => ({
  kind:
    exercise.rule.reference === 'none'
      ? exercise.id === 'from-imagination'
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

/** How many poses a block has as it is first put in. */
const USUAL_COUNT = 4;
const LINE_MS = 30_000;
const TONE_MS = 110_000;

/** A block as it is first put into a plan: some exercises have a form of their own. */
export function freshBlock(
  id: string,
  exerciseId: string,
  sheet: Pick<Sheet, 'size'>,
  own?: readonly Exercise[],
): PosesRecipe {
  const block = posesBlock(id, exerciseId, USUAL_COUNT, undefined, own);
  if (exerciseId === 'small-plans') return { ...block, settings: { ...block.settings, framesFor: sheet.size } };
  if (exerciseId === 'line-then-tone')
    return {
      ...block,
      count: 2,
      lengths: { order: 'own list', fromMs: LINE_MS, toMs: TONE_MS, listMs: [LINE_MS, TONE_MS] },
      labels: [...LINE_AND_TONE],
      // The tone is put to the line that is there already.
      settings: { ...block.settings, perSheet: 2, overlap: true },
    };
  return block;
}

export const restBlock = (id: string, durationMs: number): PlainBlock => ({
  id,
  pinned: false,
  kind: 'rest',
  durationMs,
});
export const lookBackBlock = (id: string, durationMs: number): PlainBlock => ({
  id,
  pinned: false,
  kind: 'rest',
  durationMs,
  purpose: 'look back',
});
export const linesBlock = (id: string, pages: number): PlainBlock => ({
  id,
  pinned: false,
  kind: 'lines',
  pages: Array.from({ length: pages }, (_, i) => ({
    motif: LINE_MOTIFS[i % LINE_MOTIFS.length],
    nominalMs: LINE_PAGE_MS,
  })),
});
export const bodyBlock = (id: string, moveMs: number): PlainBlock => ({
  id,
  pinned: false,
  kind: 'body',
  moves: BODY_MOVES.map((move) => ({ ...move, durationMs: moveMs })),
});
