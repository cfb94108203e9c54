import { csvFormatRows } from 'd3-dsv';
import { format } from 'date-fns';
import type { MeasuredDrawing } from './biases';
import type { Piece } from './pieces';

const HEAD = ['date', 'session', 'exercise', 'medium', 'hand', 'pose', 'drawing', 'seconds'];

/** What a spreadsheet would take for a formula is marked as text. */
const asText = (cell: string): string => (/^\s*[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);

/**
 * Every piece as a row of a table, oldest first, for a spreadsheet.
 * @param familyOf The pose family of a reference, where it is known.
 * @returns Text with a head, each row on a line.
 */
export function piecesCsv(pieces: readonly Piece[], familyOf: (referenceId: string) => string | undefined): string {
  const rows = pieces
    .toSorted((a, b) => a.atMs - b.atMs)
    .map(({ atMs, sessionId, exercise, medium = '', hand, referenceId, drawing, spentMs }) => [
      format(atMs, 'yyyy-MM-dd'),
      sessionId,
      exercise,
      medium,
      hand,
      (referenceId !== null && familyOf(referenceId)) || '',
      drawing ? 'yes' : 'no',
      String(Math.round(spentMs / 1000)),
    ]);
  return csvFormatRows([HEAD, ...rows.map((row) => row.map(asText))]);
}

/** Every number that was measured as a row of a table, oldest drawing first: shares of what is seen, tilts in degrees. */
export function measuredCsv(measured: readonly (MeasuredDrawing & { sessionId: string })[]): string {
  const rows = measured
    .toSorted((a, b) => a.atMs - b.atMs)
    .flatMap(({ atMs, sessionId, measured: { of, squeezed } }) =>
      of.map(({ id, seen, off, sigma }) => [
        format(atMs, 'yyyy-MM-dd'),
        sessionId,
        id,
        seen.toFixed(4),
        off.toFixed(4),
        sigma.toFixed(4),
        squeezed ? 'yes' : 'no',
      ]),
    );
  return csvFormatRows([
    ['date', 'session', 'measure', 'seen', 'off', 'standard deviation', 'squeezed at the edge'],
    ...rows.map((row) => row.map((cell, i) => (i < 3 ? asText(cell) : cell))),
  ]);
}
