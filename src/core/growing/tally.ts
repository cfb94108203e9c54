import { sum } from 'd3-array';
import { monthOf, type Piece } from './pieces';

/** What drawings can be counted by. */
export const COUNTED_BY = ['exercise', 'medium', 'family', 'hand', 'month'] as const;
export type CountedBy = (typeof COUNTED_BY)[number];

/** Said of what nobody said, of a drawing without a reference, and of one whose pose is not known. */
export const NOT_SAID = 'not said';
export const NO_REFERENCE = 'no picture';
export const FAMILY_UNKNOWN = 'pose not known';

export interface Tally {
  name: string;
  drawings: number;
  spentMs: number;
}

/**
 * What a piece is counted as.
 * @param familyOf The pose family of a reference, where it is known.
 */
export function nameOf(piece: Piece, by: CountedBy, familyOf: (referenceId: string) => string | undefined): string {
  switch (by) {
    case 'exercise':
      return piece.exercise;
    case 'medium':
      return piece.medium ?? NOT_SAID;
    case 'hand':
      return piece.hand;
    case 'month':
      return monthOf(piece.atMs);
    case 'family':
      return piece.referenceId === null ? NO_REFERENCE : (familyOf(piece.referenceId) ?? FAMILY_UNKNOWN);
  }
}

/** All pieces together. */
export const total = (pieces: readonly Piece[]): Omit<Tally, 'name'> => ({
  drawings: sum(pieces, (piece) => (piece.drawing ? 1 : 0)),
  spentMs: sum(pieces, (piece) => piece.spentMs),
});

/**
 * Drawings and time by one of their properties: every piece is in one row, so the rows add up to the total however it is counted.
 * @returns Months as they follow each other, everything else by time, longest first.
 */
export function tallies(
  pieces: readonly Piece[],
  by: CountedBy,
  familyOf: (referenceId: string) => string | undefined,
): Tally[] {
  const rows = new Map<string, Tally>();
  for (const piece of pieces) {
    const name = nameOf(piece, by, familyOf);
    const row = rows.get(name) ?? { name, drawings: 0, spentMs: 0 };
    row.drawings += piece.drawing ? 1 : 0;
    row.spentMs += piece.spentMs;
    rows.set(name, row);
  }
  return [...rows.values()].sort((a, b) =>
    by === 'month' ? a.name.localeCompare(b.name) : b.spentMs - a.spentMs || a.name.localeCompare(b.name),
  );
}
