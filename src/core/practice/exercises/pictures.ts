import type { DrawnKey } from '../../figure/facts/answerKey';
import pictures from './pictures.json';

/** By exercise: a figure of the sets and the marks that are drawn over it. Made by `npm run figures`. */
export type ExercisePictures = Record<string, { reference: string; file: string; layers: string[]; key: DrawnKey }>;
export const EXERCISE_PICTURES = pictures as unknown as ExercisePictures;
