import { clamp } from '../../clamp';
import { AIMS, wantsBroad, type Wish } from '../start/aims';
import type { Aim } from '../start/aimIds';
import { clockDigits, durationWords } from '../time/duration';
import { DURATION_STEPS_MS } from '../time/durationSteps';
import { exerciseById, ONE_POSE } from '../exercises';
import type { Exercise } from '../exercises/exercise';
import { atSheetMs, fitSets, type Run, type Stretch } from './fitSets';
import { mediumById } from '../paper/materials';
import { bodyBlock, CHANGE_MS, LEAD_IN_MS, linesBlock, lookBackBlock, posesBlock, restBlock } from '../edit/newBlock';
import {
  blockIds,
  type PlainBlock,
  plainBlockMs,
  type PosesRecipe,
  type Recipe,
  type RecipeBlock,
  rowLengths,
} from '../plan/recipe';
import { layOutRecipe } from '../plan/layOut';
import { sumPlan } from '../time/sums';
import { USUAL_SHEET, type Sheet } from '../paper/sheet';

/** How lengths run through a session. */
export const SHAPES = ['climb', 'descend', 'level', 'arch'] as const;
export type Shape = (typeof SHAPES)[number];

export interface FitRequest {
  availableMs: number;
  aim: Aim;
  shape: Shape;
  /** Exercises wanted and their weights, in the order they should come; missing is as the aim has it. */
  wishes?: readonly Wish[];
  medium?: string;
  sheet?: Sheet;
  /** Poses are called to a person: longer changes, breaks by the model's clock, no pictures. */
  liveModel?: boolean;
  /** Length at which the learner gets the whole figure down, by exercise, as the journal knows it. */
  workingMs?: ReadonlyMap<string, number>;
  /** Lengths that drawings of an exercise may have, where not all its own may be. */
  mayLast?: (exerciseId: string, ms: number) => boolean;
  /** Missing before the first session. */
  daysSinceLast?: number;
  /** No page of lines, even after a week away. */
  withoutLines?: boolean;
  /** Neither body nor lines: the first pose comes at once. */
  withoutWarmUp?: boolean;
  setId: string;
  seed: number;
  /** Exercises of the learner's own. */
  exercises?: readonly Exercise[];
}

export interface FitResult {
  recipe: Recipe;
  usedMs: number;
  /** Never less than 0. */
  leftMs: number;
  /** What would fill what is left, in words. */
  filler: string;
  /** The objective reached, in seconds; see docs/fit.md. */
  score: number;
}

const SECOND = 1000;
const MINUTE = 60 * SECOND;
/** Below this a session is one or two exercises. */
const SHORT_MS = 10 * MINUTE;
/** Below this an exercise may have two lengths, since a session so short can ill afford to lose seconds. */
const TIGHT_MS = 20 * MINUTE;
/** At most this long at the sheet without a rest. */
const SET_MS = 25 * MINUTE;
const MODEL_CHANGE_MS = 15 * SECOND;

/** Where between the shortest (0) and the longest (1) lengths a moment of the session stands. */
const HEIGHT: Record<Shape, (x: number) => number> = {
  climb: (x) => x,
  descend: (x) => 1 - x,
  level: () => 0.5,
  arch: (x) => 1 - Math.abs(2 * x - 1),
};
function idealLength(exercise: Exercise, x: number, request: FitRequest): number {
  const { availableMs, shape, workingMs } = request;
  const short = clamp(availableMs / 40, 15 * SECOND, 45 * SECOND);
  const long = clamp(availableMs / 7, MINUTE, 20 * MINUTE);
  const wished = short * (long / short) ** HEIGHT[shape](x);
  const working = workingMs?.get(exercise.id);
  const able = working === undefined ? wished : clamp(wished, working / 1.5, working * 2);
  return clamp(able, exercise.shortestMs, exercise.longestMs);
}

/**
 * Exercises in the order they come, weights brought to a sum of 1; under ten minutes the two that count most. One whose part of the time
 * would not hold a single drawing is left out.
 */
function wishesOf({ wishes, aim, shape, availableMs, exercises }: FitRequest): Wish[] {
  const asked: readonly Wish[] = wishes?.some((w) => w.weight > 0)
    ? wishes.filter((w) => w.weight > 0)
    : AIMS[aim].wishes;
  const total = asked.reduce((sum, w) => sum + w.weight, 0);
  const holds = ({ exercise, weight }: Wish): boolean =>
    exerciseById(exercise, exercises).shortestMs <= (1.2 * availableMs * weight) / total;
  const all = asked.some(holds) ? asked.filter(holds) : asked;
  const most = availableMs < SHORT_MS ? 2 : all.length;
  const heaviest = all.toSorted((a, b) => b.weight - a.weight).slice(0, most);
  const kept = all.filter((w) => heaviest.includes(w));
  const sum = kept.reduce((t, w) => t + w.weight, 0);
  const ordered = shape === 'descend' && !wishes ? kept.toReversed() : kept;
  return ordered.map((w) => ({ ...w, weight: w.weight / sum }));
}

/** A part of a set smaller than this is too short to be of use. */
const SLIVER = 0.12;

/** The wishes cut into sets of equal time, with what each stretch should get. A sliver too short to be of use is left out. */
function stretchesOf(request: FitRequest, setCount: number, roomMs: number, changeMs: number): Stretch[][] {
  const wishes = wishesOf(request);
  const live = request.liveModel ?? false;
  const { mayLast } = request;
  const sets: Stretch[][] = Array.from({ length: setCount }, () => []);
  let from = 0;
  for (const { exercise: id, weight } of wishes) {
    const exercise = exerciseById(id, request.exercises);
    const to = from + weight;
    const parts = sets.map((_, s): [low: number, high: number] => [
      Math.max(from, s / setCount),
      Math.min(to, (s + 1) / setCount),
    ]);
    const widest = Math.max(...parts.map(([low, high]) => high - low));
    for (let s = 0; s < setCount; s++) {
      const [low, high] = parts[s];
      // A sliver is left out, but never all there is of a wish.
      if (high <= low || (high - low < Math.min(weight, SLIVER / setCount) && high - low < widest)) continue;
      const idealMs = idealLength(exercise, (low + high) / 2, request);
      const sheet = atSheetMs(exercise, idealMs, live);
      const wantedMs = ((high - low) * roomMs * sheet) / (sheet + LEAD_IN_MS + changeMs);
      sets[s].push({
        exercise,
        wantedMs,
        idealMs,
        mayLast: mayLast && ((ms) => mayLast(id, ms)),
        wished: s === parts.findIndex(([l, h]) => h - l === widest),
      });
    }
    from = to;
  }
  return sets;
}

/** Body, then lines: from ten minutes on, more with more time; after a week away lines come even into a short session. */
function warmUp(
  { availableMs, daysSinceLast = 0, withoutLines, withoutWarmUp, liveModel }: FitRequest,
  newId: () => string,
): PlainBlock[] {
  if (withoutWarmUp) return [];
  const minutes = availableMs / MINUTE;
  const rusty = daysSinceLast >= 7;
  const moveMs = (minutes < 20 ? 5 : minutes < 60 ? 10 : 15) * SECOND;
  const wanted =
    minutes >= 90 ? 5 : minutes >= 40 ? 3 : minutes >= 20 ? 2 : minutes >= 12 || (rusty && minutes >= 5) ? 1 : 0;
  // A model is not kept waiting by our warm-up.
  const pages = withoutLines || liveModel ? 0 : wanted;
  return [
    ...(minutes >= 10 && !liveModel ? [bodyBlock(newId(), moveMs)] : []),
    ...(pages > 0 ? [linesBlock(newId(), pages)] : []),
  ];
}

const lookBackMs = (availableMs: number): number =>
  availableMs >= 60 * MINUTE ? 3 * MINUTE : availableMs >= 20 * MINUTE ? MINUTE : 0;

/** More poses at the end of a block; of another length they make it a list of its own. */
function addPoses(block: PosesRecipe, count: number, drawMs: number): void {
  const row = rowLengths(block);
  const listMs = [...row, ...Array.from({ length: count }, () => drawMs)];
  const level = listMs.every((ms) => ms === drawMs);
  block.count = listMs.length;
  block.lengths = level
    ? { order: 'level', fromMs: drawMs, toMs: drawMs, listMs: [] }
    : { order: 'own list', fromMs: Math.min(...listMs), toMs: Math.max(...listMs), listMs };
}

/** The blocks of a set; neighbors that ask for the same become one. */
function blocksOf(
  stretches: readonly Stretch[],
  chosen: readonly Run[][],
  request: FitRequest,
  newId: () => string,
): PosesRecipe[] {
  const { medium = '', liveModel, exercises } = request;
  const blocks: PosesRecipe[] = [];
  chosen.forEach((runs, i) => {
    const { exercise } = stretches[i];
    if (runs.length === 0) return;
    const ordered = request.shape === 'descend' ? runs.toReversed() : runs;
    const [{ count, drawMs }, ...more] = ordered;
    const last = blocks.at(-1);
    if (last?.exercise === exercise.id && last.lengths.order === 'level' && last.lengths.fromMs === drawMs) {
      for (const run of ordered) addPoses(last, run.count, run.drawMs);
      return;
    }
    const block = posesBlock(newId(), exercise.id, count, drawMs, exercises);
    if (liveModel)
      Object.assign(block, {
        changeMs: MODEL_CHANGE_MS,
        lookMs: 0,
        lookAgainMs: 0,
        againMs: 0,
        source: { ...block.source, kind: 'live model' },
      });
    for (const run of more) addPoses(block, run.count, run.drawMs);
    if (medium && wantsBroad(exercise, mediumById(medium))) block.settings = { medium: 'charcoal' };
    blocks.push(block);
  });
  return blocks;
}

/** When nothing wished for fits, one quick pose as long as there is room for. */
function onePose(availableMs: number, { liveModel }: FitRequest, newId: () => string): PosesRecipe {
  const room = availableMs - LEAD_IN_MS;
  const drawMs = DURATION_STEPS_MS.findLast((ms) => ms <= room) ?? Math.max(SECOND, Math.floor(room / SECOND) * SECOND);
  const block = posesBlock(newId(), ONE_POSE, 1, drawMs);
  return {
    ...block,
    leadInMs: Math.min(LEAD_IN_MS, Math.max(0, availableMs - drawMs)),
    ...(liveModel && { source: { ...block.source, kind: 'live model' } }),
  };
}

/** What would fill the time that is left. */
function fillerWords(
  leftMs: number,
  cheapest: { name: string; costMs: number; drawMs: number } | undefined,
  hasRest: boolean,
): string {
  if (leftMs < SECOND) return 'To the second.';
  if (!cheapest) return `${clockDigits(leftMs)} is left.`;
  const more = `${durationWords(cheapest.drawMs)} of ${cheapest.name.toLowerCase()}`;
  if (cheapest.costMs <= leftMs) return `${clockDigits(leftMs)} is left: ${more} more would fit.`;
  return `${clockDigits(leftMs)} is left. Another ${more} takes ${clockDigits(cheapest.costMs)} with its lead-in and change; ${hasRest ? 'a longer rest' : 'a look back'} would fill it.`;
}

interface Attempt {
  sets: Stretch[][];
  chosen: Run[][][];
  score: number;
  usedMs: number;
  restMs: number;
}

/** The best session with so many sets; undefined when the rests alone take all the time. */
function attempt(request: FitRequest, setCount: number, roomMs: number): Attempt | undefined {
  const restMs = request.liveModel || request.availableMs > 60 * MINUTE ? 5 * MINUTE : 2 * MINUTE;
  const changeMs = request.liveModel ? MODEL_CHANGE_MS : CHANGE_MS;
  const forSets = roomMs - (setCount - 1) * restMs;
  if (forSets < 15 * SECOND) return undefined;
  const sets = stretchesOf(request, setCount, forSets, changeMs);
  return {
    sets,
    restMs,
    ...fitSets(sets, forSets, SET_MS, changeMs, request.liveModel, request.availableMs < TIGHT_MS ? 2 : 1),
  };
}

/**
 * The session that uses the time best and never exceeds it, changes, lead-ins and rests included. For every number of sets that can hold
 * the time, the best counts and lengths are found exactly (`fitSets`); the best of those is taken. What is left goes to the rests, or is
 * told with what would fill it. The objective is explained in docs/fit.md.
 */
export function fitPlan(request: FitRequest): FitResult {
  const { availableMs, aim, seed, setId, daysSinceLast } = request;
  const newId = blockIds(seed);
  const head = warmUp(request, newId);
  let backMs = lookBackMs(availableMs);
  const roomMs = availableMs - head.reduce((sum, b) => sum + plainBlockMs(b), 0) - backMs;
  const fewest = Math.max(1, Math.ceil((roomMs + 2 * MINUTE) / (SET_MS + 5 * MINUTE)));
  let best: Attempt | undefined;
  for (let setCount = fewest; setCount <= fewest + 1; setCount++) {
    const next = attempt(request, setCount, roomMs);
    if (next && (!best || next.score > best.score)) best = next;
  }
  const sets = (best?.sets ?? [])
    .map((stretches, i) => blocksOf(stretches, best?.chosen[i] ?? [], request, newId))
    .filter((b) => b.length > 0);
  const blocks: RecipeBlock[] = [...head];
  if (best && sets.length > 0) {
    const gaps = sets.length - 1;
    const leftOver = roomMs - best.usedMs - gaps * best.restMs;
    // Nothing grows beyond half as long again: what is left then is told, with what would fill it.
    const more = (ms: number, share: number): number => Math.floor(Math.min(share, ms / 2) / SECOND) * SECOND;
    const stretched = gaps > 0 ? best.restMs + more(best.restMs, leftOver / gaps) : 0;
    let spareMs = leftOver - gaps * (stretched - best.restMs);
    const longerBackMs = more(backMs, spareMs);
    backMs += longerBackMs;
    spareMs -= longerBackMs;
    for (const body of head)
      if (body.kind === 'body')
        body.moves = body.moves.map((m) => ({
          ...m,
          durationMs: m.durationMs + more(m.durationMs, spareMs / body.moves.length),
        }));
    blocks.splice(0, head.length, ...head);
    sets.forEach((set, i) => blocks.push(...(i > 0 ? [restBlock(newId(), stretched)] : []), ...set));
  } else blocks.push(onePose(roomMs, request, newId));
  if (backMs > 0) blocks.push(lookBackBlock(newId(), backMs));
  if ((daysSinceLast ?? Infinity) >= 2) {
    const first = blocks.find((b) => b.kind === 'poses');
    if (first) first.source = { ...first.source, gentleFirst: true };
  }
  const cheapest = blocks
    .filter((b) => b.kind === 'poses')
    .map((b) => ({
      name: exerciseById(b.exercise, request.exercises).name,
      drawMs: b.lengths.fromMs,
      costMs: b.leadInMs + b.lookMs + b.lengths.fromMs + b.againMs + b.lookAgainMs + b.changeMs,
    }))
    .sort((a, b) => a.costMs - b.costMs)[0];
  const recipe: Recipe = {
    version: 1,
    title: `${durationWords(availableMs)} of ${AIMS[aim].name === 'a bit of everything' ? 'practice' : AIMS[aim].name}`,
    why: '',
    seed,
    availableMs,
    startsAtMinute: null,
    setId,
    medium: request.medium ?? 'charcoal pencil',
    grade: '',
    sheet: request.sheet ?? USUAL_SHEET,
    restRule: null,
    audience: false,
    blocks,
    exercises: [...(request.exercises ?? [])],
  };
  const usedMs = sumPlan(layOutRecipe(recipe, {}).plan).totalMs;
  const leftMs = availableMs - usedMs;
  return { recipe, usedMs, leftMs, filler: fillerWords(leftMs, cheapest, sets.length > 1), score: best?.score ?? 0 };
}
