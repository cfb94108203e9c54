import type { FacingCount, ReferenceFacts } from '../../references/coverage';
import { pick, sourceOf } from '../../references/pick';
import { UNKNOWN_DIFFICULTY } from '../../references/coverage';
import { fulfills } from '../../references/wishes';
import { exerciseById } from '../exercises';
import { hidesReference } from '../exercises/exercise';
import type { Chosen } from '../plan/layOut';
import { needsPictures } from '../plan/needsPictures';
import { setsOfBlock } from '../plan/setsOfBlock';
import { poseLengths, type PosesRecipe, type Recipe } from '../plan/recipe';

export interface ReferencePools {
  /** Everything a set holds, in its own order; missing when the set is gone or not loaded. */
  bySet: ReadonlyMap<string, readonly ReferenceFacts[]>;
  timesDrawn: ReadonlyMap<string, number>;
  /** Facings of the last drawings where they show a habit. */
  level?: FacingCount | undefined;
  /** Times drawn by coverage cell, for widening. */
  cells?: ReadonlyMap<string, number> | undefined;
  /** Facts of what was drawn in the last two sessions: what is like them is avoided. */
  recent?: readonly ReferenceFacts[] | undefined;
  /** Sessions so far in which something was drawn from memory; missing where that is not known. */
  memorySessions?: number;
}

/** In so many first sessions, drawing from memory keeps to easy parts. */
export const FIRST_MEMORY_SESSIONS = 3;
const EASY = 2;

/** Drawing from memory is still new. */
export const memoryIsNew = (memorySessions = FIRST_MEMORY_SESSIONS): boolean => memorySessions < FIRST_MEMORY_SESSIONS;

/** Whether a block keeps to easy parts because drawing from memory is new; what the learner asks for comes first. */
export function keepsToEasyParts(recipe: Recipe, { exercise, source }: PosesRecipe, pools: ReferencePools): boolean {
  const asked = source.hardest !== undefined || source.extent !== undefined;
  return memoryIsNew(pools.memorySessions) && !asked && hidesReference(exerciseById(exercise, recipe.exercises));
}

/**
 * Parts of the body that are easy; easy figures where those are too few for so many drawings; the easiest there are where these are too
 * few as well, so that none returns before the round is used up. Nothing where nothing is easy.
 */
export function easyParts(pool: readonly ReferenceFacts[], count: number): readonly ReferenceFacts[] {
  const easy = pool.filter((r) => (r.difficulty ?? UNKNOWN_DIFFICULTY) <= EASY);
  if (easy.length === 0) return [];
  const parts = easy.filter((r) => r.extent === 'part');
  if (parts.length >= count) return parts;
  if (easy.length >= count) return easy;
  return pool
    .toSorted((a, b) => (a.difficulty ?? UNKNOWN_DIFFICULTY) - (b.difficulty ?? UNKNOWN_DIFFICULTY))
    .slice(0, Math.max(count, easy.length));
}

/** From this length on a pose should be one that can be held. */
export const LONG_POSE_MS = 10 * 60_000;
/** Somebody rests and takes a pose up again: what cannot be held for this share of its time is left to shorter looks. */
export const HELD_SHARE = 0.1;

/** Poses that can be held for a drawing of some length; all of them where none can, or where the learner wants them. */
export function holdable(
  pool: readonly ReferenceFacts[],
  longestMs: number,
  { hardAllowed }: { hardAllowed?: boolean | undefined } = {},
): readonly ReferenceFacts[] {
  if (longestMs < LONG_POSE_MS || hardAllowed) return pool;
  const held = pool.filter(({ holdS = Infinity }) => holdS * 1000 >= HELD_SHARE * longestMs);
  return held.length > 0 ? held : pool;
}

/** What a block may be drawn from: its set, narrowed by its own filter. */
export function poolOf(recipe: Recipe, block: PosesRecipe, pools: ReferencePools): readonly ReferenceFacts[] {
  const all = setsOfBlock(recipe, block).flatMap((set) => pools.bySet.get(set) ?? []);
  const pool = all.filter((r) => fulfills(r, block.source));
  const easy = keepsToEasyParts(recipe, block, pools) ? easyParts(pool, poseLengths(block).length) : [];
  return easy.length > 0 ? easy : holdable(pool, Math.max(...poseLengths(block)), block.settings);
}

/** How many pictures a block draws from, if each serves as often as it may. */
export function picturesWanted(block: PosesRecipe): number {
  const count = poseLengths(block).length;
  const row = block.bothHands ? count / 2 : count;
  return block.source.kind === 'same picture' ? 1 : block.source.pairs ? Math.ceil(row / 2) : row;
}

/**
 * References for every pose of a recipe. What an earlier block took comes last for the later ones; pins stay where they are; one picture
 * serves a whole block that is about the same picture again.
 */
export function chooseReferences(recipe: Recipe, pools: ReferencePools): Chosen {
  const timesDrawn = new Map(pools.timesDrawn);
  const chosen: Record<string, (string | null)[]> = {};
  const everything = [...pools.bySet.values()].flat();
  /** Chosen so far, for all blocks together. */
  const beside: ReferenceFacts[] = [];
  recipe.blocks.forEach((block, index) => {
    if (block.kind !== 'poses') return;
    const count = poseLengths(block).length;
    if (!needsPictures(block)) {
      chosen[block.id] = Array.from({ length: count }, () => null);
      return;
    }
    const { source } = block;
    const pool = poolOf(recipe, block, pools);
    const same = source.kind === 'same picture';
    const wanted = picturesWanted(block);
    const pins = source.pins.slice(0, wanted).flatMap((id, slot) => (id === null ? [] : [{ id, slot }]));
    // A pinned picture stays even when the filter or the set has changed.
    const known = new Set(pool.map((r) => r.id));
    const withPins = [...pool, ...pins.filter((p) => !known.has(p.id)).map(({ id }): ReferenceFacts => ({ id }))];
    const inPool = new Set(withPins.map((r) => r.id));
    const picks = pick({
      pool: withPins,
      count: wanted,
      order: source.order,
      seed: recipe.seed * 31 + index,
      timesDrawn,
      pins,
      gentleStart: source.gentleFirst,
      beside,
      ...(pools.recent && { recent: pools.recent }),
      ...(pools.level && { level: pools.level }),
      ...(pools.cells && { cells: pools.cells }),
      ...(source.odd && !same && { oddPool: everything.filter((r) => !inPool.has(r.id)) }),
    });
    const facts = new Map(withPins.map((r) => [r.id, r]));
    for (const p of picks) {
      const source = sourceOf(p);
      timesDrawn.set(source, (timesDrawn.get(source) ?? 0) + 1);
      beside.push(facts.get(source) ?? { id: source });
    }
    const slot = (i: number): number => (same ? 0 : (source.pairs ? Math.floor(i / 2) : i) % wanted);
    chosen[block.id] = Array.from({ length: count }, (_, i) => picks[slot(i)]?.id ?? null);
  });
  return chosen;
}
