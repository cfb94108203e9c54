import { needsPictures } from '../plan/needsPictures';
import type { ReferenceFacts } from '../../references/coverage';
import { LIBRARY_ID, parsePictureReference } from '../../references/picture';
import { capital, counted } from '../../words';
import { wantsBroad } from '../start/aims';
import {
  FIRST_MEMORY_SESSIONS,
  HELD_SHARE,
  keepsToEasyParts,
  LONG_POSE_MS,
  picturesWanted,
  poolOf,
  type ReferencePools,
} from '../start/chooseReferences';
import { clockDigits, durationWords } from '../time/duration';
import { exerciseById } from '../exercises';
import { capLengths, setPoseLength } from './edit';
import { paperProblems } from './paperProblems';
import type { Problem } from './problem';
import { mostMarks } from '../rules/marks';
import { USUAL_HOLD_LIMIT_MS } from '../rules/holds';
import type { Chosen } from '../plan/layOut';
import { mediumById } from '../paper/materials';
import { posesAsked } from '../paper/sheets';
import { poseLengths, type PosesRecipe, type Recipe } from '../plan/recipe';
import { MAX_PLAN_MS, type Plan } from '../plan/schema';
import { sumPlan } from '../time/sums';
import { expandPlan } from '../time/timeline';

/** Seconds for each mark; below this it is rushing. */
const RUSHED_MARK_MS = 1500;
/** Ordinary poses are held this long at most, and strenuous ones much shorter. */
const HARD_HOLD_MS = 2 * 60_000;
const MANY_POSES = 20;

/** Milliseconds for each mark of an allowance. */
const perMarkMs = (drawMs: number, marks: number): number => drawMs / marks;

function blockProblems(recipe: Recipe, block: PosesRecipe, pools: ReferencePools, chosen: Chosen): Problem[] {
  const problems: Problem[] = [];
  const say = (words: string, stops = false): void => void problems.push({ blockId: block.id, stops, words });
  const lengths = poseLengths(block);
  const exercise = exerciseById(block.exercise, recipe.exercises);
  const { settings, source } = block;
  if (settings.atZero === 'pot') {
    const shortest = Math.min(...lengths);
    if ((settings.potMs ?? 0) < shortest)
      say(
        `The pot of ${clockDigits(settings.potMs ?? 0)} is smaller than one pose of ${durationWords(shortest)}. Make it larger, or the pose shorter.`,
        true,
      );
  }
  const marks = mostMarks({ marks: settings.rule?.marks ?? exercise.rule.marks });
  if (marks !== undefined && perMarkMs(Math.min(...lengths), marks) < RUSHED_MARK_MS)
    say(
      `${counted(marks, 'mark')} in ${durationWords(Math.min(...lengths))} is rushing: ${(perMarkMs(Math.min(...lengths), marks) / 1000).toFixed(1)} s for each. Allow fewer marks rather than faster ones.`,
    );
  if (wantsBroad(exercise, mediumById(settings.medium ?? recipe.medium)))
    say(
      `${exercise.name} wants something broad, laid on its side. With ${settings.medium ?? recipe.medium} it is another exercise; you may.`,
    );
  if (needsPictures(block)) problems.push(...pictureProblems(recipe, block, pools, chosen));
  if (source.kind === 'live model') problems.push(...longHolds(block, lengths));
  return problems;
}

/** Poses that whoever poses would hold for longer than is asked of them: said once for all of them. */
function longHolds(block: PosesRecipe, lengths: readonly number[]): Problem[] {
  const { holdLimitMs: limitMs = USUAL_HOLD_LIMIT_MS, oneDrawing, familySits } = block.settings;
  const long = lengths.flatMap((ms, i) => (ms > limitMs ? [i + 1] : []));
  if (long.length === 0) return [];
  const name = oneDrawing === undefined ? 'pose' : 'hold';
  const which =
    long.length === 1
      ? `${capital(name)} ${String(long[0])}`
      : long.length === lengths.length
        ? `All ${counted(lengths.length, name)}`
        : `${String(long.length)} of ${counted(lengths.length, name)}`;
  return [
    {
      blockId: block.id,
      stops: false,
      words: `${which}: ${durationWords(Math.max(...lengths))} is long to hold. Up to ${durationWords(limitMs)}, then a ${familySits ? 'rest; they sit as a favor' : 'break; the model decides'}.`,
      ways: [{ label: `${durationWords(limitMs)} at most`, take: (b) => capLengths(b, limitMs) }],
    },
  ];
}

function pictureProblems(recipe: Recipe, block: PosesRecipe, pools: ReferencePools, chosen: Chosen): Problem[] {
  const problem = (words: string, stops = false): Problem => ({ blockId: block.id, stops, words });
  const set = block.source.setId ?? recipe.setId;
  if (!pools.bySet.has(set))
    return [
      problem('The set this block draws from is no longer here. Choose another; nothing else has changed.', true),
    ];
  const pool = poolOf(recipe, block, pools);
  const pinned = block.source.pins.some((id) => id !== null);
  if (pool.length === 0 && !pinned)
    return [problem('No picture in this set is as asked for. Widen what is wanted, or choose another set.', true)];
  const out: Problem[] = [];
  if (keepsToEasyParts(recipe, block, pools))
    out.push(
      problem(
        `Drawing from memory is new here: easy pictures first, parts where there are any, for ${String(FIRST_MEMORY_SESSIONS)} sessions. Set “Hardest” under its pictures to have others.`,
      ),
    );
  const wanted = picturesWanted(block);
  if (pool.length < wanted && !pinned)
    out.push(
      problem(
        `${counted(pool.length, 'picture')} for ${block.source.pairs ? counted(wanted, 'pair') : counted(wanted, 'pose')}: ${counted(wanted - pool.length, block.source.pairs ? 'pair' : 'pose')} will show one again.`,
      ),
    );
  const { form, name } = exerciseById(block.exercise, recipe.exercises);
  const isFigure = (id: string | null | undefined): boolean =>
    typeof id === 'string' && parsePictureReference(id) === undefined;
  if (form?.copies && chosen[block.id]?.some(isFigure))
    out.push({
      ...problem(
        `${name} is for drawings by somebody; figures are none. Take such drawings in under Poses, or draw from your own pictures.`,
      ),
      ways: [
        {
          label: 'From all your pictures',
          take: (b) => ({ ...b, source: { ...b.source, setId: LIBRARY_ID, pins: [] } }),
        },
      ],
    });
  const hard = hardestLong(block, [...pools.bySet.values()].flat(), chosen[block.id] ?? []);
  if (hard) out.push(hard);
  return out;
}

/** A pose in a long slot that nobody could hold for a small part of it: the longer look belongs to a gentler one. */
function hardestLong(
  block: PosesRecipe,
  known: readonly ReferenceFacts[],
  ids: readonly (string | null)[],
): Problem | undefined {
  const facts = new Map(known.map((r) => [r.id, r]));
  const lengths = poseLengths(block);
  const at = lengths.findIndex(
    (ms, i) => ms >= LONG_POSE_MS && (facts.get(ids[i] ?? '')?.holdS ?? Infinity) * 1000 < HELD_SHARE * ms,
  );
  if (at < 0 || block.settings.hardAllowed || block.source.kind === 'same picture') return undefined;
  return {
    blockId: block.id,
    stops: true,
    words: `A model could hold pose ${String(at + 1)} for about ${durationWords((facts.get(ids[at] ?? '')?.holdS ?? 0) * 1000)}, and it is planned for ${durationWords(lengths[at])}. Draw a gentler one that long, or keep this one to ${durationWords(HARD_HOLD_MS)}.`,
    ways: [
      {
        label: 'Gentler poses here',
        take: (b) => ({ ...b, source: { ...b.source, pins: [] } }),
      },
      {
        label: `Only ${durationWords(HARD_HOLD_MS)} for it`,
        take: (b) => setPoseLength(b, at, HARD_HOLD_MS),
      },
      {
        label: `Keep it for ${durationWords(lengths[at])}`,
        take: (b) => ({ ...b, settings: { ...b.settings, hardAllowed: true } }),
      },
    ],
  };
}

/** Long stretches at the sheet without a rest. */
function unbroken(plan: Plan): number {
  let since = 0;
  let longest = 0;
  for (const s of expandPlan(plan).segments) {
    since = s.kind === 'rest' ? 0 : since + (s.endMs - s.startMs);
    longest = Math.max(longest, since);
  }
  return longest;
}

/** Everything worth saying about a recipe before it is run; what stops it first. */
export function findProblems(recipe: Recipe, plan: Plan, pools: ReferencePools, chosen: Chosen): Problem[] {
  const whole = (words: string, stops = false): Problem => ({ blockId: null, stops, words });
  const problems: Problem[] = [];
  const { totalMs } = sumPlan(plan);
  if (totalMs > MAX_PLAN_MS)
    problems.push(
      whole(`This is ${clockDigits(totalMs)}: longer than a day. Take something out; nothing is lost meanwhile.`, true),
    );
  const poses = recipe.blocks.filter((b) => b.kind === 'poses');
  if (poses.length === 0 && !recipe.blocks.some((b) => b.kind === 'lines'))
    problems.push(whole('Nothing to draw yet. Add poses, or say a session in a line.', true));
  const called = poses.filter((b) => b.source.kind === 'live model').reduce((sum, b) => sum + posesAsked(b), 0);
  if (called > MANY_POSES)
    problems.push(
      whole(
        `${String(called)} poses are asked of the model: many for one evening. Ask first; longer poses ask for fewer.`,
      ),
    );
  if (called > 0 && unbroken(plan) > USUAL_HOLD_LIMIT_MS + 5 * 60_000)
    problems.push(
      whole('The model has no break for more than half an hour. About five minutes are due after 20 to 25.'),
    );
  problems.push(...poses.flatMap((b) => blockProblems(recipe, b, pools, chosen)), ...paperProblems(recipe, chosen));
  return problems.toSorted((a, b) => Number(b.stops) - Number(a.stops));
}
