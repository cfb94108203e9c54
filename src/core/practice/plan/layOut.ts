import { wishesOf } from '../../references/wishes';
import { needsPictures } from './needsPictures';
import { setsOfBlock } from './setsOfBlock';
import { without } from '../../without';
import type { Block, Plan, PosePlan, PosesBlock } from './schema';
import { leadInOf, poseLengths, type PosesRecipe, type Recipe } from './recipe';
import { perSheetOf } from '../paper/perSheet';

/** Where a block of a plan comes from: its block in the recipe (null for a rest the rest rule put in) and its first pose there. */
export interface Origin {
  blockId: string | null;
  firstPose: number;
}
export interface LaidOut {
  plan: Plan;
  origins: Origin[];
}

/** References by block id, pose by pose. */
export type Chosen = Readonly<Record<string, readonly (string | null)[]>>;

function posesOf(block: PosesRecipe, chosen: readonly (string | null)[]): PosePlan[] {
  const { lookMs, againMs, lookAgainMs, openLook, openDraw, alternate, bothHands, handsInTurn, labels, source } = block;
  const lengths = poseLengths(block);
  const row = bothHands ? lengths.length / 2 : lengths.length;
  return lengths.map((drawMs, i) => ({
    referenceId: chosen[i] ?? null,
    ...(source.odd && i === lengths.length - 1 && lengths.length > 1 && { odd: true }),
    ...(alternate !== null && i % 2 === 1 && { exercise: alternate }),
    ...((handsInTurn ? i % 2 === 0 : i >= row) && { hand: 'other' as const }),
    ...(labels[i] && { label: labels[i] }),
    leadInMs: leadInOf(block),
    lookMs,
    drawMs,
    ...(againMs > 0 && { againMs }),
    lookAgainMs,
    ...(openLook && { openLook }),
    ...(openDraw && { openDraw }),
  }));
}

const drawnMs = (pose: PosePlan): number => pose.drawMs + (pose.againMs ?? 0);

/** A plan from a recipe and the references chosen for it. The same recipe and references give the same plan. */
export function layOutRecipe(recipe: Recipe, chosen: Chosen): LaidOut {
  const blocks: Block[] = [];
  const origins: Origin[] = [];
  const put = (block: Block, origin: Origin): void => {
    blocks.push(block);
    origins.push(origin);
  };
  const { restRule, medium, grade, sheet } = recipe;
  const lastPoses = recipe.blocks.findLastIndex((b) => b.kind === 'poses');
  let sinceRest = 0;
  recipe.blocks.forEach((block, index) => {
    if (block.kind !== 'poses') {
      if (block.kind === 'rest') sinceRest = 0;
      put(without(block, 'id', 'pinned') as Block, { blockId: block.id, firstPose: 0 });
      return;
    }
    const settings = {
      medium,
      grade,
      perSheet: perSheetOf(block, sheet, recipe.exercises),
      ...block.settings,
      ...(block.source.kind === 'live model' && { model: true }),
      // A copy of a block is a drawing of its own.
      ...(block.settings.oneDrawing !== undefined && { oneDrawing: block.id, perSheet: poseLengths(block).length }),
    };
    const part = (poses: PosePlan[]): PosesBlock => ({
      kind: 'poses',
      exercise: block.exercise,
      changeMs: block.changeMs,
      poses,
      settings,
      ...(needsPictures(block) && { from: { sets: setsOfBlock(recipe, block), wishes: wishesOf(block.source) } }),
    });
    const poses = posesOf(block, chosen[block.id] ?? []);
    let from = 0;
    poses.forEach((pose, i) => {
      sinceRest += drawnMs(pose);
      const isLast = index === lastPoses && i === poses.length - 1;
      const restFollows = i === poses.length - 1 && recipe.blocks[index + 1]?.kind === 'rest';
      if (!restRule || sinceRest < restRule.everyMs || isLast || restFollows) return;
      put(part(poses.slice(from, i + 1)), { blockId: block.id, firstPose: from });
      put({ kind: 'rest', durationMs: restRule.restMs }, { blockId: null, firstPose: 0 });
      from = i + 1;
      sinceRest = 0;
    });
    if (from < poses.length) put(part(poses.slice(from)), { blockId: block.id, firstPose: from });
  });
  const { title, why, seed, availableMs, exercises, audience, cause } = recipe;
  const used = exercises.filter((e) =>
    recipe.blocks.some((b) => b.kind === 'poses' && [b.exercise, b.alternate, b.settings.orExercise].includes(e.id)),
  );
  return {
    plan: {
      version: 2,
      title,
      why,
      seed,
      availableMs,
      blocks,
      ...(used.length > 0 && { exercises: used }),
      ...(audience && { audience }),
      ...(cause && { cause }),
      sheet: { size: sheet.size, paper: sheet.paper },
    },
    origins,
  };
}
