import { FAMILIES, PART_FAMILIES } from '../../figure/catalogue/families';
import { BUILT_IN_SET_ID, builtInFamilySetId } from '../../references/picture';
import { counted } from '../../words';
import { exerciseById } from '../exercises';
import { MEDIA } from '../paper/materials';
import { poseLengths, type PosesRecipe, type Recipe, type RecipeBlock } from '../plan/recipe';
import type { NamedSet } from './vocabulary';

/** "30 s", "1 min", "2:30", "1:05:00": a length as a line is read. */
function lengthWords(ms: number): string {
  const seconds = Math.round(ms / 1000);
  if (seconds < 60) return `${seconds} s`;
  if (seconds % 60 === 0 && seconds < 3600) return `${seconds / 60} min`;
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  const two = (n: number): string => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

function setName(id: string, sets: readonly NamedSet[]): string | undefined {
  if (id === BUILT_IN_SET_ID) return 'figures';
  return (
    [...FAMILIES, ...PART_FAMILIES].find((family) => builtInFamilySetId(family) === id) ??
    sets.find((set) => set.id === id)?.name.toLowerCase()
  );
}

function posesWords(block: PosesRecipe, { exercises }: Recipe, sets: readonly NamedSet[]): string {
  const row = poseLengths(block);
  const level = row.every((ms) => ms === row[0]);
  const length = level ? lengthWords(row[0]) : row.map(lengthWords).join('/');
  const medium = MEDIA.find((m) => m.id === block.settings.medium)?.name;
  const set = block.source.setId === null ? undefined : setName(block.source.setId, sets);
  return [
    level && row.length > 1 ? `${row.length} x ${length}` : level ? `1 x ${length}` : length,
    exerciseById(block.exercise, exercises).name.toLowerCase(),
    ...(medium ? [`in ${medium}`] : []),
    ...(set ? [`from ${set}`] : []),
  ].join(' ');
}

function blockWords(block: RecipeBlock, recipe: Recipe, sets: readonly NamedSet[]): string {
  switch (block.kind) {
    case 'rest':
      return `${block.purpose === 'look back' ? 'look back' : 'break'} ${lengthWords(block.durationMs)}`;
    case 'body':
      return `body ${lengthWords(block.moves.reduce((sum, m) => sum + m.durationMs, 0))}`;
    case 'lines':
      return `${counted(block.pages.length, 'page')} of lines`;
    case 'poses':
      return posesWords(block, recipe, sets);
  }
}

/**
 * Says a plan as a line that reads back as the same plan: numbers, lengths, exercises, media, sets, rests and warm-up. What a line cannot
 * say (pins, rules of its own, soft ends) is left out.
 * @param sets The learner's own sets, by name.
 * @param usual What the session is drawn with and from where the line does not say; missing says neither.
 */
export function sayLine(
  recipe: Recipe,
  sets: readonly NamedSet[] = [],
  usual: Pick<Recipe, 'setId' | 'medium'> = recipe,
): string {
  const medium = recipe.medium === usual.medium ? undefined : MEDIA.find((m) => m.id === recipe.medium)?.name;
  const set = recipe.setId === usual.setId ? undefined : setName(recipe.setId, sets);
  return [
    ...(set ? [set] : []),
    ...(medium ? [medium] : []),
    ...recipe.blocks.map((block) => blockWords(block, recipe, sets)),
  ].join(', ');
}
