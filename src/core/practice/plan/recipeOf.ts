import { without } from '../../without';
import { blockIds, lengthsOf, type PosesRecipe, type Recipe, type RecipeBlock } from './recipe';
import type { Plan, PosePlan, PosesBlock } from './schema';
import { posesBlock } from '../edit/newBlock';
import { USUAL_SHEET } from '../paper/sheet';

const same = (list: readonly unknown[]): boolean => list.every((x) => x === list[0]);

/** Poses that differ in more than their length cannot share a block of a recipe. */
const kindOfPose = (p: PosePlan): string =>
  [
    p.leadInMs,
    p.lookMs,
    p.againMs ?? 0,
    p.lookAgainMs,
    p.openLook ?? false,
    p.openDraw ?? false,
    p.exercise ?? '',
    p.hand ?? '',
  ].join('|');

type SourceKind = PosesRecipe['source']['kind'];
/** What poses are drawn from, as far as a plan tells. @param usual What their exercise is drawn from where nothing is said. */
function kindOfSource(
  { settings }: PosesBlock,
  ids: readonly (string | null)[],
  one: boolean,
  usual: SourceKind,
): SourceKind {
  if (settings?.model) return 'live model';
  if (one) return 'same picture';
  if (ids.some((id) => id !== null)) return 'pictures';
  // Whether it was the own hand, the head or nothing is not in a plan; that it was no picture is.
  return usual === 'own hand' || usual === 'imagination' ? usual : 'none';
}

/** Exercises or hands that take turns, in at least two pairs; undefined where the poses differ in another way, or not at all. */
function turnsOf(
  { exercise }: PosesBlock,
  poses: readonly PosePlan[],
): Pick<PosesRecipe, 'alternate' | 'handsInTurn'> | undefined {
  const kinds = poses.map(kindOfPose);
  if (poses.length < 4 || kinds[0] === kinds[1] || kinds.some((kind, i) => kind !== kinds[i % 2])) return undefined;
  const [first, second] = poses;
  const rest = (pose: PosePlan): string => kindOfPose({ ...pose, exercise: undefined, hand: undefined });
  if (rest(first) !== rest(second) || second.hand) return undefined;
  const other = second.exercise ?? exercise;
  return {
    alternate: other === (first.exercise ?? exercise) ? null : other,
    ...(first.hand && { handsInTurn: true }),
  };
}

function posesRecipe(
  id: string,
  block: PosesBlock,
  poses: readonly PosePlan[],
  plan: Plan,
  keepPictures: boolean,
): PosesRecipe {
  const [first] = poses;
  const lengths = poses.map((p) => p.drawMs);
  const base = posesBlock(id, first.exercise ?? block.exercise, poses.length, lengths[0], plan.exercises);
  const ids = poses.map((p) => p.referenceId);
  const one = poses.length > 1 && ids[0] !== null && same(ids);
  const turns = poses.length > 1 ? turnsOf(block, poses) : undefined;
  return {
    ...base,
    lengths: lengthsOf(lengths),
    leadInMs: first.leadInMs,
    lookMs: first.lookMs,
    againMs: first.againMs ?? 0,
    lookAgainMs: first.lookAgainMs,
    openLook: first.openLook ?? false,
    openDraw: first.openDraw ?? false,
    changeMs: block.changeMs,
    labels: poses.map((p) => p.label ?? ''),
    source: {
      ...base.source,
      kind: kindOfSource(block, ids, one, base.source.kind),
      odd: poses.some((p) => p.odd),
      pins: keepPictures ? (one ? ids.slice(0, 1) : ids) : [],
    },
    ...turns,
    settings: {
      ...without(block.settings ?? {}, 'model'),
      ...(!turns && first.hand && { rule: { ...block.settings?.rule, hand: first.hand } }),
    },
  };
}

/** A recipe that gives a plan again; with or without the pictures that were in it. */
export function recipeOf(plan: Plan, setId: string, keepPictures: boolean): Recipe {
  const newId = blockIds(plan.seed + 1);
  const blocks = plan.blocks.flatMap((block): RecipeBlock[] => {
    if (block.kind !== 'poses') return [{ ...block, id: newId(), pinned: false }];
    if (turnsOf(block, block.poses)) return [posesRecipe(newId(), block, block.poses, plan, keepPictures)];
    const runs: PosePlan[][] = [];
    for (const pose of block.poses) {
      const last = runs.at(-1);
      if (last && kindOfPose(last[0]) === kindOfPose(pose)) last.push(pose);
      else runs.push([pose]);
    }
    return runs.map((poses) => posesRecipe(newId(), block, poses, plan, keepPictures));
  });
  const settings = plan.blocks.find((b) => b.kind === 'poses')?.settings;
  return {
    version: 1,
    title: plan.title,
    why: plan.why,
    seed: plan.seed,
    availableMs: plan.availableMs,
    startsAtMinute: null,
    setId,
    medium: settings?.medium ?? 'charcoal pencil',
    grade: settings?.grade ?? '',
    sheet: { ...USUAL_SHEET, ...plan.sheet },
    restRule: null,
    audience: plan.audience ?? false,
    blocks,
    exercises: plan.exercises ?? [],
    ...(plan.cause && { cause: plan.cause }),
  };
}
