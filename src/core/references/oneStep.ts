import { capital } from '../words';
import { coverage, type ReferenceFacts, TURNS, turnOf } from './coverage';

/** Something never drawn that shares its pose or its side with what is drawn most. */
export interface OneStep {
  family: string;
  turn: number;
  /** What of it is known, and how often that was drawn. */
  known: { what: 'pose' | 'side'; times: number };
  references: ReferenceFacts[];
}

/** Fewer drawings of a pose or side are no habit to step away from. */
const FEWEST_KNOWN = 3;

/**
 * What is new and yet near: of all poses from a side that were never drawn and could be, the one that shares the most drawings with what
 * is known, by its pose or by its side; of equals the first.
 * @param families In the order of a list.
 * @returns undefined where nothing was drawn often enough, or nothing new is there.
 */
export function oneStepAway(
  drawn: readonly ReferenceFacts[],
  available: readonly ReferenceFacts[],
  families: readonly string[],
): OneStep | undefined {
  const { byFamily } = coverage(drawn, available, families);
  const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);
  const bySide = TURNS.map((_, turn) => sum(byFamily.map((row) => row.drawn[turn])));
  let best: Omit<OneStep, 'references'> | undefined;
  for (const row of byFamily)
    row.drawn.forEach((times, turn) => {
      if (times > 0 || row.available[turn] === 0) return;
      const [pose, side] = [sum(row.drawn), bySide[turn]];
      const known = pose >= side ? ({ what: 'pose', times: pose } as const) : ({ what: 'side', times: side } as const);
      if (known.times >= FEWEST_KNOWN && known.times > (best?.known.times ?? 0))
        best = { family: row.name, turn, known };
    });
  if (!best) return undefined;
  const { family, turn } = best;
  return { ...best, references: available.filter((r) => r.family === family && turnOf(r) === turn) };
}

/** "Seated, back: one step away. You have drawn this pose 12 times, never from this side." */
export const oneStepWords = ({ family, turn, known }: OneStep, of?: string): string =>
  `${capital(family)}, ${TURNS[turn].words}, is one step away: ${of ? `${of} has` : 'you have'} drawn this ${known.what} ${String(known.times)} times, never ${known.what === 'pose' ? 'from this side' : 'in this pose'}.`;
