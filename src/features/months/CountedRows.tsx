'use client';
import { sum } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { useMemo, useState } from 'react';
import { hoursWords } from '@/core/growing/lifetime';
import type { Piece } from '@/core/growing/pieces';
import { COUNTED_BY, type CountedBy, tallies, type Tally, total } from '@/core/growing/tally';
import { monthAndYear } from '@/core/dateWords';
import { clockDigits, wholeSeconds } from '@/core/practice/time/duration';
import { brushBand } from '@/ui/brush';

const LABEL: Record<CountedBy, string> = {
  exercise: 'Exercise',
  medium: 'Medium',
  family: 'Pose',
  hand: 'Hand',
  month: 'Month',
};
/** More months than a year and a half has are folded to those, until all are asked for. */
const MOST_ROWS = 18;
const BAR_W = 260;
const BAR_H = 12;

const shownName = (by: CountedBy, name: string): string =>
  by === 'month' && /^\d{4}-\d\d$/.test(name) ? monthAndYear(new Date(`${name}-15`)) : name;

/** The latest months, or the rows with most time, and all others together as one row: they add up to the same. */
function folded(rows: readonly Tally[], by: CountedBy): readonly Tally[] {
  if (rows.length <= MOST_ROWS) return rows;
  const kept = by === 'month' ? rows.slice(1 - MOST_ROWS) : rows.slice(0, MOST_ROWS - 1);
  const others = rows.filter((row) => !kept.includes(row));
  const together: Tally = {
    name: by === 'month' ? `Before ${shownName(by, kept[0].name)}` : `${String(others.length)} others`,
    drawings: sum(others, (row) => row.drawings),
    spentMs: sum(others, (row) => row.spentMs),
  };
  return by === 'month' ? [together, ...kept] : [...kept, together];
}

/** What the rows say, in words: the most of it, as a plain share. */
function rowWords(by: CountedBy, rows: readonly Tally[], spentMs: number): string {
  const most = rows.toSorted((a, b) => b.spentMs - a.spentMs)[0];
  if (!most || spentMs === 0) return 'No time was drawn yet.';
  const share = Math.round((100 * most.spentMs) / spentMs);
  return `Most of the time went to ${shownName(by, most.name)}: ${hoursWords(most.spentMs)}, ${String(share)} % of it.`;
}

/** Drawings and time by one property, as brushed bars in a table; every way of counting adds up to the same. */
export function CountedRows({
  pieces,
  familyOf,
}: {
  pieces: readonly Piece[];
  familyOf: (referenceId: string) => string | undefined;
}) {
  const [by, setBy] = useState<CountedBy>('exercise');
  const [unfolded, setUnfolded] = useState(false);
  const everyRow = useMemo(() => tallies(pieces, by, familyOf), [pieces, by, familyOf]);
  const rows = useMemo(() => (unfolded ? everyRow : folded(everyRow, by)), [everyRow, unfolded, by]);
  const all = total(pieces);
  const seconds = wholeSeconds(rows.map((row) => row.spentMs));
  const length = scaleLinear([0, Math.max(1, ...rows.map((row) => row.spentMs))], [0, BAR_W]);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <h2 id="counted" className="text-[20px]">
          Counted by
        </h2>
        <div role="group" aria-labelledby="counted" className="no-print row-sideways flex gap-2 max-sm:w-full">
          {COUNTED_BY.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={one === by}
              className={`btn min-h-10 px-3 btn-sm max-sm:min-h-12 ${one === by ? 'bg-ink/10' : 'btn-quiet'}`}
              onClick={() => {
                setBy(one);
                setUnfolded(false);
              }}
            >
              {LABEL[one]}
            </button>
          ))}
        </div>
      </div>
      <p className="mt-2" role="status">
        {rowWords(by, everyRow, all.spentMs)}
      </p>
      <table className="mt-3 w-full max-w-[860px] table-fixed border-collapse [contain:layout_paint]">
        <thead className="text-left text-[14px] text-quiet">
          <tr>
            <th scope="col" className="py-1 font-normal">
              {LABEL[by]}
            </th>
            <td className="w-[290px] max-sm:hidden" />
            <th scope="col" className="w-[110px] text-right font-normal max-sm:w-[80px]">
              Drawings
            </th>
            <th scope="col" className="w-[130px] text-right font-normal max-sm:w-[110px]">
              Time drawing
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i} className="border-t border-hairline">
              <th scope="row" className="py-1.5 pr-4 text-left font-normal">
                {shownName(by, row.name)}
              </th>
              <td className="max-sm:hidden" aria-hidden>
                <svg width={BAR_W + 6} height={BAR_H + 6} viewBox={`-3 -3 ${BAR_W + 6} ${BAR_H + 6}`} className="block">
                  <path
                    d={brushBand({
                      x: 0,
                      y: 0,
                      width: Math.max(2, length(row.spentMs)),
                      height: BAR_H,
                      seed: i + 3,
                    })}
                    fill="var(--charcoal)"
                  />
                </svg>
              </td>
              <td className="text-right tabular-nums">{row.drawings}</td>
              <td className="text-right tabular-nums">{clockDigits(seconds[i] * 1000)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr className="border-t border-ink font-semibold">
            <th scope="row" className="py-1.5 text-left">
              Together
            </th>
            <td className="max-sm:hidden" />
            <td className="text-right tabular-nums">{all.drawings}</td>
            <td className="text-right tabular-nums">{clockDigits(seconds.reduce((sum, s) => sum + s, 0) * 1000)}</td>
          </tr>
        </tfoot>
      </table>
      {rows.length < everyRow.length && (
        <button type="button" className="no-print link-quiet mt-2 py-1" onClick={() => setUnfolded(true)}>
          Each of all {everyRow.length}
        </button>
      )}
    </>
  );
}
