import { wishesOf } from '../../references/wishes';
import { lengthsOf, type PosesRecipe, type Recipe, type RecipeBlock, poseLengths, rowLengths } from '../plan/recipe';
import { shiftLength } from '../fit/refit';
import { freshBlock } from './newBlock';
import { FAMILY_HOLD_LIMIT_MS } from '../rules/holds';
import { BREATHS } from '../start/warmUp';
import { without } from '../../without';
import { LONGEST_MS } from '../time/duration';

/** Changes to a recipe: each gives a new one and leaves the old as it is. */

/** A recipe with one block changed; as it was where no block has that id. */
export const updateBlock = (recipe: Recipe, id: string, change: (block: RecipeBlock) => RecipeBlock): Recipe => ({
  ...recipe,
  blocks: recipe.blocks.map((b) => (b.id === id ? change(b) : b)),
});

/** Change every block of poses among those given. */
export const updatePoses = (
  recipe: Recipe,
  ids: readonly string[],
  change: (block: PosesRecipe) => PosesRecipe,
): Recipe => ({
  ...recipe,
  blocks: recipe.blocks.map((b) => (ids.includes(b.id) && b.kind === 'poses' ? change(b) : b)),
});

/** Put blocks in before a place; at the end when there is no such place. */
export const insertBlocks = (recipe: Recipe, blocks: readonly RecipeBlock[], at: number): Recipe => ({
  ...recipe,
  blocks: [...recipe.blocks.slice(0, at), ...blocks, ...recipe.blocks.slice(at)],
});

/** Where something new goes: behind the last block chosen; without one before the look back, which stays the end, or at the end. */
export function placeForNew({ blocks }: Recipe, chosen: readonly string[]): number {
  const last = blocks.findLastIndex((b) => chosen.includes(b.id));
  const end = blocks.at(-1);
  return last >= 0 ? last + 1 : end?.kind === 'rest' && end.purpose === 'look back' ? blocks.length - 1 : blocks.length;
}

/** Takes blocks out. A plan may be empty while it is being built. */
export const removeBlocks = (recipe: Recipe, ids: readonly string[]): Recipe => ({
  ...recipe,
  blocks: recipe.blocks.filter((b) => !ids.includes(b.id)),
});

/**
 * Exchanges a block's exercise. What was set for its poses stays: how many, its own lengths, hands, pairs, medium and clock; what belongs
 * to the old exercise (its rule, stages, labels) goes.
 */
export function withExercise(recipe: Recipe, block: PosesRecipe, exerciseId: string): PosesRecipe {
  const fresh = freshBlock(block.id, exerciseId, recipe.sheet, recipe.exercises);
  // An exercise of several parts on one drawing has its own.
  if (fresh.labels.length > 0) return { ...fresh, pinned: block.pinned, changeMs: block.changeMs };
  const keepsLengths = block.lengths.order !== 'level';
  const { order, setId, pairs, odd, gentleFirst, pins } = block.source;
  const { medium, grade, second, atZero, softCapMs, potMs, potEndsSoftly, startsBy } = block.settings;
  return {
    ...fresh,
    pinned: block.pinned,
    count: block.count,
    ...(keepsLengths && { lengths: block.lengths }),
    changeMs: block.changeMs,
    leadInMs: block.leadInMs,
    bothHands: block.bothHands,
    ...(block.handsInTurn !== undefined && { handsInTurn: block.handsInTurn }),
    source: defined({ ...fresh.source, order, setId, pairs, odd, gentleFirst, pins, ...wishesOf(block.source) }),
    settings: defined({ ...fresh.settings, medium, grade, second, atZero, softCapMs, potMs, potEndsSoftly, startsBy }),
  };
}

/** An object without the fields that are undefined. */
const defined = <T extends object>(value: { [K in keyof T]: T[K] | undefined }): T =>
  Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined)) as T;

/** Copies right behind the last of the blocks given. */
export function duplicateBlocks(recipe: Recipe, ids: readonly string[], newId: () => string): Recipe {
  const chosen = recipe.blocks.filter((b) => ids.includes(b.id));
  const last = recipe.blocks.findLastIndex((b) => ids.includes(b.id));
  return insertBlocks(
    recipe,
    chosen.map((b) => ({ ...b, id: newId() })),
    last + 1,
  );
}

/** Move blocks together, in their order, so that they come before the block now at `to`. */
export function moveBlocks(recipe: Recipe, ids: readonly string[], to: number): Recipe {
  const moving = recipe.blocks.filter((b) => ids.includes(b.id));
  const before = recipe.blocks.slice(0, to).filter((b) => !ids.includes(b.id));
  const after = recipe.blocks.slice(to).filter((b) => !ids.includes(b.id));
  return { ...recipe, blocks: [...before, ...moving, ...after] };
}

/** A block cut in two after so many of its poses or pages; undefined where there is nothing to cut. */
export function splitBlock(recipe: Recipe, id: string, after: number, newId: () => string): Recipe | undefined {
  const at = recipe.blocks.findIndex((b) => b.id === id);
  const block = recipe.blocks[at];
  if (block?.kind === 'lines' && after > 0 && after < block.pages.length) {
    const halves = [block.pages.slice(0, after), block.pages.slice(after)];
    const blocks = halves.map((pages, i) => ({ ...block, pages, id: i === 0 ? id : newId() }));
    return { ...recipe, blocks: recipe.blocks.toSpliced(at, 1, ...blocks) };
  }
  if (block?.kind !== 'poses' || block.bothHands || after < 1 || after >= poseLengths(block).length) return undefined;
  const lengths = rowLengths(block);
  const part = (from: number, to: number, partId: string): PosesRecipe => {
    const rowMs = lengths.slice(from, to);
    return {
      ...block,
      id: partId,
      count: rowMs.length,
      lengths: lengthsOf(rowMs),
      labels: block.labels.slice(from, to),
      source: {
        ...block.source,
        pins: block.source.pins.slice(from, to),
        odd: block.source.odd && to === lengths.length,
      },
    };
  };
  const blocks = [part(0, after, id), part(after, lengths.length, newId())];
  return { ...recipe, blocks: recipe.blocks.toSpliced(at, 1, ...blocks) };
}

const within = (ms: number): number => Math.min(LONGEST_MS, Math.max(1000, ms));

/** One pose of a block gets another length: the block has a list of its own from then on, unless it has only this one. */
export function setPoseLength(block: PosesRecipe, pose: number, ms: number): PosesRecipe {
  const row = rowLengths(block);
  const at = pose % row.length;
  if (row.length === 1)
    return { ...block, lengths: { ...block.lengths, order: 'level', fromMs: within(ms), toMs: within(ms) } };
  const listMs = row.map((length, i) => (i === at ? within(ms) : length));
  return { ...block, count: listMs.length, lengths: { ...block.lengths, order: 'own list', listMs } };
}

/** No pose of a block is longer than so many milliseconds. */
export function capLengths(block: PosesRecipe, mostMs: number): PosesRecipe {
  const rowMs = rowLengths(block).map((ms) => Math.min(ms, mostMs));
  return { ...block, count: rowMs.length, lengths: lengthsOf(rowMs) };
}

/** All poses of a block get another length: level ones alike, others move along the duration steps together. */
export function setBlockLength(block: PosesRecipe, pose: number, ms: number): PosesRecipe {
  if (block.lengths.order === 'level')
    return { ...block, lengths: { ...block.lengths, fromMs: within(ms), toMs: within(ms) } };
  return setPoseLength(block, pose, ms);
}

/** Lengths of a block one duration step longer (1) or shorter (-1). */
export function stepBlock(block: RecipeBlock, step: 1 | -1): RecipeBlock {
  const shift = (ms: number): number => within(shiftLength(ms, step));
  switch (block.kind) {
    case 'poses': {
      const { lengths } = block;
      return {
        ...block,
        lengths: {
          ...lengths,
          fromMs: shift(lengths.fromMs),
          toMs: shift(lengths.toMs),
          listMs: lengths.listMs.map(shift),
        },
      };
    }
    case 'rest':
      return { ...block, durationMs: shift(block.durationMs) };
    case 'body':
      return {
        ...block,
        moves: block.moves.map((m) => ({ ...m, durationMs: Math.max(1000, m.durationMs + step * 1000) })),
      };
    case 'lines':
      return { ...block, pages: block.pages.map((p) => ({ ...p, nominalMs: shift(p.nominalMs) })) };
  }
}

/** Another order of lengths; a list of one's own begins as what there was. */
export function withOrder(block: PosesRecipe, order: PosesRecipe['lengths']['order']): PosesRecipe {
  const row = rowLengths(block);
  const [low, high] = [Math.min(...row), Math.max(...row)];
  const toMs = low === high && order !== 'level' ? within(shiftLength(low, 2)) : high;
  const count = order !== 'level' && order !== 'own list' && row.length === 1 ? 4 : row.length;
  return {
    ...block,
    count,
    lengths: {
      order,
      // In turn the longer comes first: a slow one loosens into a fast one.
      fromMs: order === 'level' ? row[0] : order === 'in turn' ? toMs : low,
      toMs: order === 'level' ? row[0] : order === 'in turn' ? low : toMs,
      listMs: order === 'own list' ? row : [],
    },
  };
}

/** How many poses; a list of its own is cut, or goes on with its last length. */
export function withCount(block: PosesRecipe, count: number): PosesRecipe {
  const { lengths } = block;
  if (lengths.order !== 'own list') return { ...block, count };
  const row = rowLengths(block);
  const listMs = Array.from({ length: count }, (_, i) => row[i] ?? row[row.length - 1]);
  return { ...block, count, lengths: { ...lengths, listMs } };
}

/** What changing hands takes where nothing else is said, milliseconds. */
const HAND_CHANGE_MS = 10_000;

/** Both hands draw in turn, with time to change them; or the usual one alone. */
export function withHandsInTurn(block: PosesRecipe, on: boolean): PosesRecipe {
  if (!on) return { ...without(block, 'handsInTurn'), settings: without(block.settings, 'handChangeMs') };
  const settings = { ...block.settings, handChangeMs: block.settings.handChangeMs ?? HAND_CHANGE_MS };
  return { ...block, bothHands: false, handsInTurn: true, settings };
}

/** Ticking what was missing takes a change of at least so long, milliseconds. */
const TICKING_MS = 12_000;

/** What was missing is ticked after every pose, with time for it; or not. */
export const withTicks = (block: PosesRecipe, on: boolean): PosesRecipe => ({
  ...block,
  ...(on && { changeMs: Math.max(TICKING_MS, block.changeMs) }),
  settings: { ...without(block.settings, 'tickEach'), ...(on && { tickEach: true }) },
});

/** A sitter of the family rests so long after each pose, milliseconds. */
const FAMILY_REST_MS = 30_000;

/** Somebody of the family sits: short holds, and a rest after each; or a model again, as usual. */
export function withFamily(block: PosesRecipe, on: boolean): PosesRecipe {
  const settings = without(block.settings, 'familySits', 'holdLimitMs');
  if (!on) return { ...block, settings };
  const spared = setLengthsAtMost(block, FAMILY_HOLD_LIMIT_MS);
  return {
    ...spared,
    changeMs: Math.max(FAMILY_REST_MS, block.changeMs),
    settings: { ...settings, familySits: true, holdLimitMs: FAMILY_HOLD_LIMIT_MS },
  };
}

/** Every length of a block, at most so long. */
function setLengthsAtMost(block: PosesRecipe, mostMs: number): PosesRecipe {
  const { lengths } = block;
  const most = (ms: number): number => Math.min(mostMs, ms);
  return {
    ...block,
    lengths: { ...lengths, fromMs: most(lengths.fromMs), toMs: most(lengths.toMs), listMs: lengths.listMs.map(most) },
  };
}

type BodyBlock = Extract<RecipeBlock, { kind: 'body' }>;

/** So many paced breaths before the moves, each so long, milliseconds; none takes them out, unless nothing else would be left. */
export function withBreaths(block: BodyBlock, count: number, breathMs: number): BodyBlock {
  const moves = block.moves.filter((move) => move.breathMs === undefined);
  if (count < 1) return moves.length === 0 ? block : { ...block, moves };
  return { ...block, moves: [{ ...BREATHS, durationMs: count * breathMs, breathMs }, ...moves] };
}

/** The same again in another medium, and only that changed. */
export function inMedium(recipe: Recipe, medium: string): Recipe {
  return {
    ...recipe,
    medium,
    grade: '',
    title: `${recipe.title.replace(/, in .*$/, '').slice(0, 90)}, in ${medium.slice(0, 24)}`,
    blocks: recipe.blocks.map((b) => {
      if (b.kind !== 'poses') return b;
      return { ...b, settings: without(b.settings, 'medium', 'grade') };
    }),
  };
}
