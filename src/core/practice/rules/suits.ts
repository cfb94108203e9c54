import type { SubjectKind } from '../../references/subjectKind';
import type { Exercise, Needs } from '../exercises/exercise';

/** What a picture must show for an exercise to make sense: quick work needs a figure, everything else takes what there is. */
const needsOf = ({ family, form }: Pick<Exercise, 'family' | 'form'>): Needs =>
  form?.needs ?? (family === 'quick' ? 'figure' : 'anything');

const FITS: Readonly<Record<Exclude<Needs, 'anything'>, readonly SubjectKind[]>> = {
  figure: ['figure', 'animal', 'trunk'],
  head: ['head'],
  'hand or foot': ['hand or foot'],
};

/** Whether an exercise makes sense with what a picture shows; what nobody knows is given the benefit of the doubt. */
export function suits(exercise: Pick<Exercise, 'family' | 'form'>, kind: SubjectKind | undefined): boolean {
  const needs = needsOf(exercise);
  return kind === undefined || needs === 'anything' || FITS[needs].includes(kind);
}

/** The exercise for a kind of picture where the one that was meant needs another. */
export const EXERCISE_FOR: Readonly<Record<SubjectKind, string>> = {
  figure: 'flowing-gesture',
  trunk: 'flowing-gesture',
  animal: 'flowing-gesture',
  head: 'quick-head',
  'hand or foot': 'hands-and-feet',
  thing: 'timed-study',
};

/** Kinds of which there is a whole figure to ask for. */
export const isWhole = (kind: SubjectKind | undefined): boolean =>
  kind === undefined || kind === 'figure' || kind === 'animal';
