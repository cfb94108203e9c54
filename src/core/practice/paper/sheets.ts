import { exerciseById } from '../exercises';
import type { Chosen } from '../plan/layOut';
import { mediumById, piecesToSharpen, sheetsFor, withSpares } from './materials';
import { perSheetOf } from './perSheet';
import { poseLengths, type PosesRecipe, type Recipe } from '../plan/recipe';
import { needsPictures } from '../plan/needsPictures';
import { wantsBroad } from '../start/aims';
import type { SheetSize } from './sheet';

/** One sheet of paper and what goes on it. */
export interface PlannedSheet {
  /** Null for a page of lines. */
  blockId: string | null;
  name: string;
  referenceIds: readonly (string | null)[];
  overlap: boolean;
  /** Small plans for a sheet of this size, each in a frame. */
  framesFor: SheetSize | undefined;
}

/** Every sheet of a session in order: each block begins a new one. */
export function sheetsOf(recipe: Recipe, chosen: Chosen): PlannedSheet[] {
  return recipe.blocks.flatMap((block): PlannedSheet[] => {
    if (block.kind === 'lines')
      return block.pages.map((p) => ({
        blockId: null,
        name: p.motif.toLowerCase(),
        referenceIds: [],
        overlap: false,
        framesFor: undefined,
      }));
    if (block.kind !== 'poses') return [];
    const count = posesAsked(block);
    const exercise = exerciseById(block.exercise, recipe.exercises);
    const per = perSheetOf(block, recipe.sheet, recipe.exercises);
    const ids = chosen[block.id] ?? [];
    const overlap = block.settings.overlap ?? exercise.form?.overlaps ?? false;
    const sheetWith = (referenceIds: readonly (string | null)[]): PlannedSheet => ({
      blockId: block.id,
      name: exercise.name,
      referenceIds,
      overlap,
      framesFor: block.settings.framesFor,
    });
    // Drawn twice, each drawing has a sheet to itself.
    if (block.againMs > 0)
      return Array.from({ length: 2 * count }, (_, i) => sheetWith([ids[Math.floor(i / 2)] ?? null]));
    return Array.from({ length: sheetsFor(count, per) }, (_, i) =>
      sheetWith(Array.from({ length: Math.min(per, count - i * per) }, (_, k) => ids[i * per + k] ?? null)),
    );
  });
}

export interface Materials {
  sheets: number;
  /** What to sharpen or have ready, by medium. */
  media: { name: string; grades: string; pieces: number; piece: string; drawingMs: number }[];
  erasing: 'out of reach' | 'at hand' | 'only where it is allowed';
  pictures: number;
  picturesWithSpares: number;
  posesOfModel: number;
  cautions: string[];
}

/** Poses asked of whoever poses: holds of one pose are one. */
export const posesAsked = (block: PosesRecipe): number =>
  block.settings.oneDrawing === undefined ? poseLengths(block).length : 1;

const drawnMs = (block: PosesRecipe): number =>
  poseLengths(block).reduce((a, b) => a + b, 0) + poseLengths(block).length * block.againMs;

/** Returns the media of a block, each with its share of the drawing time. */
function mediaOfBlock(
  { medium, grade }: Recipe,
  { settings }: PosesRecipe,
): { id: string; share: number; grade: string }[] {
  const id = settings.medium ?? medium;
  const { second } = settings;
  const first = { id, share: second ? 1 - second.share : 1, grade: settings.grade ?? (id === medium ? grade : '') };
  return second ? [first, { id: second.medium, share: second.share, grade: '' }] : [first];
}

/** What to lay out, sharpen and cut for a session, with the cautions that apply to it. */
export function materialsOf(recipe: Recipe, chosen: Chosen, totalMs: number): Materials {
  const poses = recipe.blocks.filter((b) => b.kind === 'poses');
  const byMedium = new Map<string, { ms: number; grades: Set<string> }>();
  for (const block of poses) {
    for (const { id, share, grade } of mediaOfBlock(recipe, block)) {
      const at = byMedium.get(id) ?? { ms: 0, grades: new Set<string>() };
      at.ms += Math.round(drawnMs(block) * share);
      if (grade) at.grades.add(grade);
      byMedium.set(id, at);
    }
  }
  const media = [...byMedium].map(([id, { ms, grades }]) => {
    const medium = mediumById(id);
    return {
      name: medium.name,
      grades: [...grades].join(', '),
      pieces: piecesToSharpen(medium, ms),
      piece: medium.piece,
      drawingMs: ms,
    };
  });
  const erases = poses.map(
    (b) =>
      ({ ...exerciseById(b.exercise, recipe.exercises).rule, ...b.settings.rule }).erasing === 'free' &&
      mediaOfBlock(recipe, b).some(({ id }) => mediumById(id).erases),
  );
  const pictures = new Set(poses.filter(needsPictures).flatMap((b) => (chosen[b.id] ?? []).filter((id) => id !== null)))
    .size;
  const posesOfModel = poses.filter((b) => b.source.kind === 'live model').reduce((sum, b) => sum + posesAsked(b), 0);
  return {
    sheets: sheetsOf(recipe, chosen).length,
    media,
    erasing: erases.every(Boolean) ? 'at hand' : erases.some(Boolean) ? 'only where it is allowed' : 'out of reach',
    pictures,
    picturesWithSpares: pictures === 0 ? 0 : withSpares(pictures),
    posesOfModel,
    cautions: cautionsOf(recipe, poses, totalMs, posesOfModel),
  };
}

function cautionsOf(recipe: Recipe, poses: readonly PosesRecipe[], totalMs: number, posesOfModel: number): string[] {
  const media = [...new Set(poses.flatMap((b) => mediaOfBlock(recipe, b).map(({ id }) => id)))].map(mediumById);
  const other = poses.some(
    (b) => b.bothHands || { ...exerciseById(b.exercise, recipe.exercises).rule, ...b.settings.rule }.hand === 'other',
  );
  return [
    ...new Set(media.flatMap((m) => m.cautions ?? [])),
    ...(totalMs > 40 * 60_000
      ? ['Change posture now and then; about every 20 minutes look far away for 20 seconds.']
      : []),
    ...(other ? ['The other hand: loosely, and stop if it cramps.'] : []),
    ...(posesOfModel > 0
      ? [
          'The model decides. Agree on each pose before; a warm room, steady support, sides changed; no touching, and no photographs unless agreed.',
        ]
      : []),
    ...(poses.some((b) => exerciseById(b.exercise, recipe.exercises).form?.traced && needsPictures(b))
      ? [
          'Trace on thin paper, and only for practice: a traced copy of somebody’s drawing is theirs, not yours to show.',
        ]
      : []),
    ...(poses.some((b) => exerciseById(b.exercise, recipe.exercises).form?.copies)
      ? ['A copy is for practice: once you begin, what you copy is noted as that, unless you have said otherwise.']
      : []),
    ...(poses.some((b) =>
      mediaOfBlock(recipe, b).every(({ id }) => wantsBroad(exerciseById(b.exercise, recipe.exercises), mediumById(id))),
    )
      ? ['Have something broad at hand for the masses.']
      : []),
  ];
}
