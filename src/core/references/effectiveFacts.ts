import type { FactName, FactValues } from './facts';
import type { Picture } from './picture';

/** Two taps of one kind move the difficulty by one. */
const TAPS_A_STEP = 2;

/** Difficulty, 1 to 5, moved by how the picture turned out to be; undefined where nothing is known. */
function feltDifficulty(value: string | undefined, felt: number): string | undefined {
  if (value === undefined) return felt === 0 ? undefined : feltDifficulty('3', felt);
  return String(Math.min(5, Math.max(1, Number(value) + Math.trunc(felt / TAPS_A_STEP))));
}

/** What holds of a picture: what was found, unless the learner said otherwise, and difficulty as it felt. */
export function effectiveFacts({ found, corrected, felt }: Pick<Picture, 'found' | 'corrected' | 'felt'>): FactValues {
  const facts = { ...found, ...corrected };
  const difficulty = feltDifficulty(facts.difficulty, felt);
  return difficulty === undefined ? facts : { ...facts, difficulty };
}

/** What is less sure than this is a guess: it may be looked at, but nothing is counted by it. */
export const SAID_FROM = 0.6;

/** How sure a fact is: certain where the learner said so. */
export const sureness = ({ sure, corrected }: Pick<Picture, 'sure' | 'corrected'>, name: FactName): number =>
  corrected[name] === undefined ? (sure[name] ?? 0) : 1;

/** Whether a fact is said of a picture, rather than guessed. What felt hard or gentle was said by drawing it; what has no certainty was not guessed. */
export const isSaid = (picture: Pick<Picture, 'sure' | 'corrected' | 'felt'>, name: FactName): boolean =>
  picture.corrected[name] !== undefined ||
  (name === 'difficulty' && picture.felt !== 0) ||
  (picture.sure[name] ?? 1) >= SAID_FROM;
