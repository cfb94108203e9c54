import { AIMS } from './aims';
import type { Aim } from './aimIds';
import type { Shape } from '../fit/fit';
import { exerciseById } from '../exercises';
import type { Recipe } from '../plan/recipe';
import { counted, listPhrases } from '../../words';

const SHAPE_REASON: Record<Shape, string> = {
  climb: 'short poses before long ones',
  descend: 'long poses first, so that the short ones hold only what matters',
  level: 'all lengths alike',
  arch: 'short, then long, then short again',
};

/** Why a fitted plan is as it is, in one sentence. */
export function planWhy(recipe: Recipe, aim: Aim, shape: Shape, daysSinceLast: number | undefined): string {
  const names = [
    ...new Set(
      recipe.blocks.flatMap((b) =>
        b.kind === 'poses' ? [exerciseById(b.exercise, recipe.exercises).name.toLowerCase()] : [],
      ),
    ),
  ];
  const away = daysSinceLast ?? 0;
  const eased =
    away >= 7
      ? ` You have been away ${counted(away, 'day')}: it begins with a gentle pose where the set has one${recipe.blocks.some((b) => b.kind === 'lines') ? ', after a page of lines' : ''}.`
      : away >= 2
        ? ' After two days or more it begins with a gentle pose where the set has one.'
        : '';
  const after = aim === 'everything' ? 'A bit of everything' : `For ${AIMS[aim].name}`;
  return `${after}: ${listPhrases(names)}; ${SHAPE_REASON[shape]}.${eased}`;
}
