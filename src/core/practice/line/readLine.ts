import { builtInFamilySetId } from '../../references/picture';
import { clamp } from '../../clamp';
import { counted, listPhrases } from '../../words';
import { bodyBlock, linesBlock, lookBackBlock, posesBlock, restBlock } from '../edit/newBlock';
import type { Exercise } from '../exercises/exercise';
import { fitPlan } from '../fit/fit';
import {
  blockIds,
  lengthsOf,
  MAX_COUNT,
  overTheMost,
  type PosesRecipe,
  type Recipe,
  type RecipeBlock,
  recipeSchema,
} from '../plan/recipe';
import { layOutRecipe } from '../plan/layOut';
import { USUAL_SHEET } from '../paper/sheet';
import { BODY_MOVES, LINE_PAGE_MS } from '../start/warmUp';
import { durationWords, LONGEST_MS } from '../time/duration';
import { sumPlan } from '../time/sums';
import { FIRST_PHRASE, type Item, readItem } from './items';
import { bareLength, type LineLength } from './numbers';
import { sayLine } from './sayLine';
import { type Meaning, type NamedSet, phrasesOf, plainLine } from './vocabulary';

const MINUTE_MS = 60_000;
/** Longer lines are not read: nobody says a session in more. */
export const LONGEST_LINE = 400;
const MOST_REPEATS = 50;

/** What a line is read with: what was drawn with and from last, and what it may name. */
export interface LineContext {
  setId: string;
  medium: string;
  sheet?: Recipe['sheet'];
  exercises?: readonly Exercise[];
  sets?: readonly NamedSet[];
  /** The exercise for poses of a length, where the line names none. */
  exerciseFor?: ((lengthMs: number) => string | undefined) | undefined;
  seed: number;
  /** Now, minutes after midnight: for "until 21:30". */
  nowMinute: number;
}

export interface ReadLine {
  recipe: Recipe;
  /** The line said back in full, as it was understood. */
  understood: string;
  /** Words that were not understood and are left out. */
  unknown: string[];
  /** When it is to end, minutes after midnight; undefined where the line does not say. */
  untilMinute: number | undefined;
}

/** The usual exercise for a length: the lines of the pose in seconds, its masses in minutes, then a study. */
function usualFor(lengthMs: number): string {
  if (lengthMs <= 15_000) return 'action-line';
  if (lengthMs <= 2 * MINUTE_MS) return 'flowing-gesture';
  return lengthMs <= 5 * MINUTE_MS ? 'structural-gesture' : 'tone-study';
}

/** Exercises for what a set of parts holds. */
const FOR_SET: Readonly<Record<string, string>> = {
  [builtInFamilySetId('heads')]: 'quick-head',
  [builtInFamilySetId('hands')]: 'hands-and-feet',
  [builtInFamilySetId('feet')]: 'hands-and-feet',
};

/** "ones" without a number: about eight minutes of them, two to five, or ten of half a minute. */
const severalOf = (lengthMs: number): number =>
  lengthMs < MINUTE_MS ? 10 : clamp(Math.round((8 * MINUTE_MS) / lengthMs), 2, 5);

const msOf = (length: LineLength | undefined, usualMs: number, count = 1): number =>
  length === undefined ? usualMs : 'ms' in length ? length.ms : bareLength(length.bare, count);

/** Whole seconds shared out evenly, the first ones a second longer where that is left over. */
function evenly(totalMs: number, parts: number): number[] {
  const seconds = Math.max(parts, Math.round(totalMs / 1000));
  return Array.from({ length: parts }, (_, i) => (Math.floor(seconds / parts) + (i < seconds % parts ? 1 : 0)) * 1000);
}

function bodyOf(id: string, totalMs: number): RecipeBlock {
  const shares = evenly(totalMs, BODY_MOVES.length);
  const block = bodyBlock(id, shares[0]);
  return block.kind === 'body'
    ? { ...block, moves: block.moves.map((m, i) => ({ ...m, durationMs: shares[i] })) }
    : block;
}

/** A warm-up of a length: about half of it body, the rest pages of lines. */
function warmUpOf(newId: () => string, totalMs: number): RecipeBlock[] {
  const pages = clamp(Math.round(totalMs / 2 / LINE_PAGE_MS), 1, 10);
  const bodyMs = totalMs - pages * LINE_PAGE_MS;
  return bodyMs < BODY_MOVES.length * 2000
    ? [linesBlock(newId(), Math.max(1, Math.round(totalMs / LINE_PAGE_MS)))]
    : [bodyOf(newId(), bodyMs), linesBlock(newId(), pages)];
}

function posesOf(item: Item, context: LineContext, setId: string, newId: () => string): PosesRecipe {
  const { exercises = [], exerciseFor } = context;
  const named = item.exercise;
  const count = clamp(item.count ?? 1, 1, MAX_COUNT);
  const rough = item.lengths.length > 0 ? msOf(item.lengths[0], MINUTE_MS, count) : undefined;
  const exercise =
    named ??
    FOR_SET[item.setId ?? setId] ??
    (rough === undefined ? undefined : exerciseFor?.(rough)) ??
    usualFor(rough ?? MINUTE_MS);
  const block = posesBlock(newId(), exercise, 1, undefined, exercises);
  const usualMs = block.lengths.fromMs;
  const row =
    item.lengths.length > 1
      ? item.lengths.map((length) => msOf(length, usualMs))
      : Array.from({ length: countOf(item, rough, count) }, () => msOf(item.lengths[0], usualMs, count));
  const lengths = row.slice(0, MAX_COUNT).map((ms) => clamp(Math.round(ms / 1000) * 1000, 1000, LONGEST_MS));
  return {
    ...block,
    count: lengths.length,
    lengths: lengthsOf(lengths),
    ...(block.againMs > 0 && { againMs: lengths[0] }),
    source: { ...block.source, ...(item.setId !== undefined && { setId: item.setId }) },
    settings: item.medium === undefined ? {} : { medium: item.medium },
  };
}

function countOf(item: Item, lengthMs: number | undefined, count: number): number {
  if (item.count !== undefined) return count;
  if (lengthMs === undefined) return 3;
  return item.several ? severalOf(lengthMs) : 1;
}

function blocksOf(item: Item, context: LineContext, setId: string, newId: () => string): RecipeBlock[] {
  const [length] = item.lengths;
  switch (item.kind) {
    case 'rest':
      return [restBlock(newId(), clamp(msOf(length, 5 * MINUTE_MS), 1000, LONGEST_MS))];
    case 'look back':
      return [lookBackBlock(newId(), clamp(msOf(length, MINUTE_MS), 1000, LONGEST_MS))];
    case 'body':
      return [bodyOf(newId(), clamp(msOf(length, 80_000), 8000, 3600_000))];
    case 'warm-up':
      return warmUpOf(newId, clamp(msOf(length, 5 * MINUTE_MS), 40_000, 3600_000));
    case 'lines': {
      const pages =
        item.count ?? (length === undefined ? 1 : 'bare' in length ? length.bare : length.ms / LINE_PAGE_MS);
      return [linesBlock(newId(), clamp(Math.round(pages), 1, 40))];
    }
    case 'no warm-up':
    case 'repeat':
      return [];
    case 'poses':
      return [posesOf(item, context, setId, newId)];
  }
}

/** A line with its phrases put in as one character each. */
function withPhrases(line: string, context: LineContext): { text: string; meanings: Meaning[] } {
  const meanings: Meaning[] = [];
  let text = line;
  for (const [phrase, meaning] of phrasesOf(context.exercises ?? [], context.sets ?? [])) {
    const escaped = phrase.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`).replace(/\s+/g, String.raw`\s+`);
    const pattern = new RegExp(String.raw`(?<![\p{L}\d\ue000-\uf8ff])${escaped}(?![\p{L}\d])`, 'gu');
    text = text.replace(pattern, () => ` ${String.fromCharCode(FIRST_PHRASE + meanings.push(meaning) - 1)} `);
  }
  return { text, meanings };
}

const SEPARATORS = /\s*(?:[,;\n|]|\bthen\b|\band\b|\+|&|->)\s*/;

/** A part of the line that is repeated as a whole: "3 x (…)" or "(…) x 3". */
interface Group {
  times: number;
  parts: (string | Group)[];
}

/** Reads parentheses; one that is never closed ends with the line. */
function groupsOf(text: string): (string | Group)[] {
  const open = text.indexOf('(');
  if (open === -1) return text.split(SEPARATORS).filter((part) => part.trim() !== '');
  let depth = 0;
  let close = open;
  for (; close < text.length; close++) {
    if (text[close] === '(') depth++;
    if (text[close] === ')' && --depth === 0) break;
  }
  const before = text.slice(0, open);
  const after = text.slice(close + 1);
  const leading = /(\d{1,3})\s*(?:x|times)\s*:?\s*$/.exec(before);
  const trailing = /^\s*(?:x\s*(\d{1,3})|(\d{1,3})\s*(?:x|times))(?![\d:])/.exec(after);
  const times = clamp(Number(leading?.[1] ?? trailing?.[1] ?? trailing?.[2] ?? 1), 1, MOST_REPEATS);
  return [
    ...groupsOf(leading ? before.slice(0, leading.index) : before),
    { times, parts: groupsOf(text.slice(open + 1, close)) },
    ...groupsOf(trailing && !leading ? after.slice(trailing[0].length) : after),
  ];
}

const flat = (parts: readonly (string | Group)[]): string[] =>
  parts.flatMap((part) =>
    typeof part === 'string' ? [part] : Array.from({ length: part.times }, () => flat(part.parts)).flat(),
  );

/** Items in order, with "repeat" carried out: everything before it once more, or as often as it says in all. */
function unrolled(items: readonly Item[]): Item[] {
  const out: Item[] = [];
  for (const item of items) {
    if (item.kind !== 'repeat') {
      out.push(item);
      continue;
    }
    const once = [...out];
    for (let i = 1; i < clamp(item.count ?? 2, 1, MOST_REPEATS); i++) out.push(...once);
  }
  return out;
}

const saysPoses = ({ kind, count, lengths, exercise }: Item): boolean =>
  kind === 'poses' && (count !== undefined || lengths.length > 0 || exercise !== undefined);

const EXAMPLE = 'Try “10 x 30 s, 5 x 1 min, break 5, 2 x 10 min”.';

/**
 * Reads a session said in a line, as people do: "10x30s, 5x1, break 5, 2x10", "ones, twos, fives and a ten", "5 min warm-up then 3x20".
 * Bare numbers are minutes where that makes a session. A time alone is a session of that length.
 * @returns The plan and what was understood, or a sentence where there is nothing to plan.
 */
export function readLine(typed: string, context: LineContext): ReadLine | { problem: string } {
  if (typed.trim() === '') return { problem: `Say a session in a line. ${EXAMPLE}` };
  if (typed.length > LONGEST_LINE)
    return { problem: `That line is too long to read. Keep it under ${LONGEST_LINE} characters.` };
  const { text, meanings } = withPhrases(plainLine(typed), context);
  const items = unrolled(flat(groupsOf(text.replace(/:(?!\d)/g, ' '))).map((part) => readItem(part, meanings)));
  const unknown = [...new Set(items.flatMap((item) => item.unknown))];
  const untilMinute = items.find((item) => item.untilMinute !== undefined)?.untilMinute;
  // A part that names only a set or a medium is about the whole session.
  const whole = items.filter((item) => item.kind === 'poses' && !saysPoses(item));
  const setId = whole.find((item) => item.setId !== undefined)?.setId ?? context.setId;
  const medium = whole.find((item) => item.medium !== undefined)?.medium ?? context.medium;
  const said = items.filter((item) => !whole.includes(item));
  const recipe =
    fittedTo(said, untilMinute, { ...context, setId, medium }) ??
    builtOf(said, untilMinute, { ...context, setId, medium });
  if (recipe === undefined)
    return {
      problem:
        unknown.length > 0
          ? `I didn’t understand ${quoted(unknown)}. ${EXAMPLE}`
          : `There is nothing to draw in that line. ${EXAMPLE}`,
    };
  const tooMuch = overTheMost(recipe.blocks);
  if (tooMuch) return { problem: tooMuch };
  const understood = sayLine(recipe, context.sets, context);
  const { totalMs } = sumPlan(layOutRecipe(recipe, {}).plan);
  const parsed = recipeSchema.safeParse({
    ...recipe,
    title:
      understood.length > 100 ? `${counted(recipe.blocks.length, 'block')} in ${durationWords(totalMs)}` : understood,
    why: `You asked for ${understood}.`.slice(0, 600),
    availableMs: Math.max(1000, totalMs),
  });
  return parsed.success
    ? { recipe: parsed.data, understood, unknown, untilMinute }
    : { problem: 'That is more than one plan can hold. Shorten it.' };
}

const quoted = (words: readonly string[]): string => listPhrases(words.slice(0, 5).map((word) => `“${word}”`));

/** Minutes until a time of day, the next day's where it is past. */
const minutesUntil = (untilMinute: number, nowMinute: number): number =>
  (untilMinute - nowMinute + 1440) % 1440 || 1440;

/** A session for a time: where the line says no more than how long, or until when. */
function fittedTo(said: readonly Item[], untilMinute: number | undefined, context: LineContext): Recipe | undefined {
  const withPoses = said.filter(saysPoses);
  const [only] = withPoses;
  const plain = said.every((item) => item === only || item.kind === 'no warm-up' || !saysPoses(item));
  const isTime =
    withPoses.length === 0
      ? untilMinute !== undefined && said.every((item) => item.kind === 'poses' || item.kind === 'no warm-up')
      : withPoses.length === 1 &&
        said.length === (said.some((i) => i.kind === 'no warm-up') ? 2 : 1) &&
        plain &&
        only.count === undefined &&
        only.exercise === undefined &&
        !only.several &&
        only.lengths.length === 1;
  if (!isTime) return undefined;
  const availableMs =
    only === undefined ? minutesUntil(untilMinute ?? 0, context.nowMinute) * MINUTE_MS : msOf(only.lengths[0], 0);
  // A minute or two is a pose, not a session.
  if (availableMs < 3 * MINUTE_MS || availableMs > 12 * 3600_000) return undefined;
  const { setId = context.setId, medium = context.medium } = only ?? {};
  const { recipe } = fitPlan({
    availableMs,
    aim: 'everything',
    shape: 'climb',
    setId,
    medium,
    seed: context.seed,
    ...(context.sheet && { sheet: context.sheet }),
  });
  if (!said.some((item) => item.kind === 'no warm-up')) return recipe;
  return { ...recipe, blocks: recipe.blocks.filter((b) => b.kind !== 'body' && b.kind !== 'lines') };
}

/** A session of the blocks that the line says. */
function builtOf(said: readonly Item[], untilMinute: number | undefined, context: LineContext): Recipe | undefined {
  const newId = blockIds(context.seed);
  const blocks = said.flatMap((item) => blocksOf(item, context, context.setId, newId));
  if (!blocks.some((b) => b.kind === 'poses' || b.kind === 'lines' || b.kind === 'body')) return undefined;
  const recipe: Recipe = {
    version: 1,
    title: 'A session',
    why: '',
    seed: context.seed,
    availableMs: 60_000,
    startsAtMinute: null,
    setId: context.setId,
    medium: context.medium,
    grade: '',
    sheet: context.sheet ?? USUAL_SHEET,
    restRule: null,
    audience: false,
    blocks,
    exercises: [...(context.exercises ?? [])],
  };
  return untilMinute === undefined
    ? recipe
    : filledUntil(recipe, said, minutesUntil(untilMinute, context.nowMinute) * MINUTE_MS);
}

/** The last poses without a number are as many as fit until the end. */
function filledUntil(recipe: Recipe, said: readonly Item[], availableMs: number): Recipe {
  const last = said.findLast(saysPoses);
  const at = recipe.blocks.findLastIndex((b) => b.kind === 'poses');
  const block = recipe.blocks[at];
  if (
    !last ||
    last.count !== undefined ||
    last.lengths.length > 1 ||
    block?.kind !== 'poses' ||
    block.count > MAX_COUNT
  )
    return recipe;
  const withCount = (count: number): Recipe => ({
    ...recipe,
    blocks: recipe.blocks.map((b, i) => (i === at ? { ...block, count } : b)),
  });
  const total = (count: number): number => sumPlan(layOutRecipe(withCount(count), {}).plan).totalMs;
  const eachMs = total(2) - total(1);
  return withCount(clamp(Math.floor((availableMs - total(1)) / eachMs) + 1, 1, MAX_COUNT));
}
