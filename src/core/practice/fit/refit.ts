import { gcd } from './gcd';
import { bestIndex, bestOptions, type Option } from './bestOptions';
import { nextDurationStepMs, previousDurationStepMs } from '../time/durationSteps';
import { MISLENGTH, MISPLACED } from './fitSets';
import { layOutRecipe } from '../plan/layOut';
import {
  goesByTwos,
  handChanges,
  leadInOf,
  MAX_COUNT,
  plainBlockMs,
  type PosesRecipe,
  type Recipe,
  type RecipeBlock,
  poseLengths,
  rowLengths,
} from '../plan/recipe';
import { sumPlan } from '../time/sums';

const SECOND = 1000;
/** How far lengths may move along the duration steps. */
const MOST_STEPS = 4;
/** What a second loses for each doubling or halving of how many there are; less than for their length. */
const MISCOUNT = 0.1;
/** A second of rest is worth this much of one at the sheet: rests give way, but not gladly. */
const REST_WORTH = 0.6;

/** A length moved along the duration steps; negative is shorter. */
export function shiftLength(ms: number, steps: number): number {
  let at = ms;
  for (let i = 0; i < Math.abs(steps); i++) at = steps > 0 ? nextDurationStepMs(at) : previousDurationStepMs(at);
  return at;
}

/** `count` of a list, evenly taken from it, or gone round again. */
const resample = <T>(list: readonly T[], count: number): T[] =>
  Array.from({ length: count }, (_, i) =>
    count <= list.length ? list[Math.floor((i * list.length) / count)] : list[i % list.length],
  );

/** A block with other lengths and another count, in the same order and with the same rule. */
export function reshapePoses(block: PosesRecipe, steps: number, count: number): PosesRecipe {
  const { lengths, settings } = block;
  const listMs = lengths.order === 'own list' ? resample(rowLengths(block), count) : lengths.listMs;
  return {
    ...block,
    count,
    lengths: {
      ...lengths,
      fromMs: shiftLength(lengths.fromMs, steps),
      toMs: shiftLength(lengths.toMs, steps),
      listMs: listMs.map((ms) => shiftLength(ms, steps)),
    },
    settings:
      settings.atZero === 'pot' && settings.potMs
        ? { ...settings, potMs: Math.max(SECOND, Math.round((settings.potMs * count) / block.count / SECOND) * SECOND) }
        : settings,
  };
}

interface Measured {
  /** Without a change after its last pose. */
  costMs: number;
  /** Looking and drawing. */
  sheetMs: number;
  changeMs: number;
}
/** How long a block takes by itself, as `expandPlan` lays it out; counted here, since thousands of variants are compared. */
function measure(block: RecipeBlock): Measured {
  if (block.kind !== 'poses') {
    const costMs = plainBlockMs(block);
    return { costMs, sheetMs: block.kind === 'lines' ? costMs : 0, changeMs: 0 };
  }
  const leadInMs = leadInOf(block);
  const { settings, lookMs, againMs, lookAgainMs, changeMs } = block;
  const lengths = poseLengths(block);
  const count = lengths.length;
  const drawMs = settings.atZero === 'pot' && settings.potMs ? settings.potMs : lengths.reduce((a, b) => a + b, 0);
  const sheetMs = drawMs + count * (lookMs + againMs + lookAgainMs);
  const leadMs = settings.startsBy === 'hand' ? Math.max(1000, leadInMs) : leadInMs;
  const sharpened = settings.sharpenEvery ? Math.floor((count - 1) / settings.sharpenEvery) : 0;
  const costMs =
    sheetMs +
    count * leadMs +
    (count - 1) * changeMs +
    sharpened * (settings.sharpenMs ?? 0) +
    handChanges(block) * (settings.handChangeMs ?? 0);
  // Sharpening may fall on the change after the last pose.
  const last = settings.sharpenEvery && count % settings.sharpenEvery === 0 ? (settings.sharpenMs ?? 0) : 0;
  return { costMs, sheetMs, changeMs: changeMs + last };
}

/** Ways a block may be changed, itself first. */
function variants(block: RecipeBlock, ratio: number): { block: RecipeBlock; steps: number }[] {
  if (block.pinned) return [{ block, steps: 0 }];
  switch (block.kind) {
    case 'poses': {
      const out: { block: RecipeBlock; steps: number }[] = [];
      const most = Math.min(MAX_COUNT, Math.max(block.count + 2, Math.ceil(block.count * ratio * 2)));
      const { order, listMs } = block.lengths;
      const spread =
        order === 'descend' ||
        order === 'arch' ||
        (order === 'own list' && new Set(listMs).size > 1) ||
        block.source.kind === 'same picture';
      // A ladder keeps its rungs: only their lengths move.
      const every = goesByTwos(block) ? 2 : 1;
      const counts = spread
        ? [block.count]
        : Array.from({ length: Math.ceil(most / every) }, (_, i) => (i + 1) * every);
      const shortest = Math.min(...rowLengths(block));
      for (let steps = -MOST_STEPS; steps <= MOST_STEPS; steps++) {
        if (steps < 0 && shiftLength(shortest, steps) === shiftLength(shortest, steps + 1)) continue;
        for (const count of counts) out.push({ block: reshapePoses(block, steps, count), steps });
      }
      return out;
    }
    case 'lines':
      return block.pages.map((_, i) => ({ block: { ...block, pages: block.pages.slice(0, i + 1) }, steps: 0 }));
    case 'body':
      return [5, 10, 15, 20].map((s) => ({
        block: { ...block, moves: block.moves.map((m) => ({ ...m, durationMs: s * SECOND })) },
        steps: 0,
      }));
    case 'rest':
      return [0.5, 0.6, 0.75, 1, 1.25, 1.5].map((share) => ({
        block: {
          ...block,
          durationMs: Math.max(5 * SECOND, Math.round((block.durationMs * share) / (5 * SECOND)) * 5 * SECOND),
        },
        steps: 0,
      }));
  }
}

const countOf = (block: RecipeBlock): number =>
  block.kind === 'poses' ? block.count : block.kind === 'lines' ? block.pages.length : 1;

/** The worth of a changed block, in seconds: as `stretchValue`, with what it was as what is wanted. */
function valueOf(
  before: RecipeBlock,
  wantedMs: number,
  variant: { block: RecipeBlock; steps: number },
  m: Measured,
): number {
  if (before.kind === 'rest' || before.kind === 'body') {
    const spent = m.costMs / SECOND;
    return REST_WORTH * (Math.min(spent, wantedMs / SECOND) - MISPLACED * Math.max(0, spent - wantedMs / SECOND));
  }
  const spent = m.sheetMs / SECOND;
  const wanted = wantedMs / SECOND;
  const counts = Math.abs(Math.log2(countOf(variant.block) / countOf(before)));
  return (
    spent -
    MISPLACED * Math.abs(spent - wanted) -
    (MISLENGTH * Math.abs(variant.steps) * 0.6 + MISCOUNT * counts) * spent
  );
}

const totalOf = (recipe: Recipe): number => sumPlan(layOutRecipe(recipe, {}).plan).totalMs;

export interface RefitResult {
  recipe: Recipe;
  usedMs: number;
  leftMs: number;
}

/** The best changed recipe within so much time, by the same dynamic programming as `fitPlan`; undefined when nothing fits. */
function fitWithin(recipe: Recipe, roomMs: number, ratio: number): Recipe | undefined {
  const lists = recipe.blocks.map((block) => {
    const own = measure(block);
    const wantedMs = block.kind === 'rest' || block.kind === 'body' ? own.costMs : own.sheetMs * ratio;
    return variants(block, ratio).map((variant) => {
      const measured = measure(variant.block);
      return { ...variant, measured, value: valueOf(block, wantedMs, variant, measured) };
    });
  });
  const unitMs = lists.flat().reduce((u, v) => gcd(gcd(u, v.measured.costMs), v.measured.changeMs), 0);
  const capacity = Math.floor(roomMs / unitMs);
  const slots = lists.map((list) => ({
    change: 0,
    options: list.map(({ block, measured, value }): Option => ({
      cost: measured.costMs / unitMs,
      value,
      kind: block.kind === 'poses' ? 'poses' : 'break',
      change: measured.changeMs / unitMs,
    })),
  }));
  const best = bestOptions(slots, capacity);
  const at = bestIndex(best.values);
  if (best.values[at] === -Infinity) return undefined;
  const choice = best.choiceAt(at);
  return { ...recipe, blocks: lists.map((list, i) => list[choice[i]].block) };
}

/** Give the seconds that are left to the rests that may change, each at most half as long again. */
function withLongerRests(recipe: Recipe, spareMs: number): RefitResult {
  const rests = recipe.blocks.filter((b) => b.kind === 'rest' && !b.pinned).length;
  const share = rests === 0 ? 0 : Math.floor(spareMs / rests / SECOND) * SECOND;
  const blocks = recipe.blocks.map((b) =>
    b.kind === 'rest' && !b.pinned
      ? { ...b, durationMs: b.durationMs + Math.min(share, Math.floor(b.durationMs / 2 / SECOND) * SECOND) }
      : b,
  );
  const longer = { ...recipe, blocks };
  const usedMs = totalOf(longer);
  return { recipe: longer, usedMs, leftMs: recipe.availableMs - usedMs };
}

/**
 * Fit what is built into another time, keeping its character: the order of blocks, what each is for, the run of its lengths, and every
 * pinned block as it is. Counts and lengths change so that each block keeps its part of the drawing time. Where a rest rule adds rests of
 * its own, room is made for them.
 * @returns undefined when even the smallest form is longer.
 */
export function refit(recipe: Recipe, availableMs: number): RefitResult | undefined {
  const ratio = availableMs / totalOf(recipe);
  let roomMs = availableMs;
  for (let tries = 0; tries < 20; tries++) {
    const fitted = fitWithin(recipe, roomMs, ratio);
    if (!fitted) return undefined;
    const usedMs = totalOf(fitted);
    if (usedMs <= availableMs) return withLongerRests({ ...fitted, availableMs }, availableMs - usedMs);
    roomMs -= usedMs - availableMs;
    if (roomMs <= 0) return undefined;
  }
  return undefined;
}
