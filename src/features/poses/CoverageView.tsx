'use client';
import { scaleSqrt } from 'd3-scale';
import { useMemo, useState } from 'react';
import { FAMILIES, PART_FAMILIES } from '@/core/figure/catalogue/families';
import { drawingHistory } from '@/core/journal/history';
import { lookedAt } from '@/core/journal/whose';
import { coverage, type CoverageRow, type ReferenceFacts, TURNS, turnOf } from '@/core/references/coverage';
import { BUILT_IN_SET_ID, LIBRARY_ID } from '@/core/references/picture';
import { oneStepAway, oneStepWords } from '@/core/references/oneStep';
import { counted } from '@/core/words';
import { shippedReferences } from '@/core/references/referenceFacts';
import { factsOf, referencesOf } from '@/storage/references/choices';
import { listSessions } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { PickFor, type PickTarget } from './pick/PickFor';

interface Covered {
  /** Whose drawings they are, where they are not the learner's. */
  of: string | undefined;
  drawn: ReferenceFacts[];
  available: ReferenceFacts[];
}
async function load(): Promise<Covered> {
  const [sessions, library] = await Promise.all([listSessions(), referencesOf(LIBRARY_ID)]);
  const { sessions: shown, of } = lookedAt(sessions);
  const { drawn } = drawingHistory(shown, Date.now());
  return {
    of,
    drawn: await factsOf(drawn),
    available: [...library, ...(shippedReferences(BUILT_IN_SET_ID) ?? [])],
  };
}

/** Whole figures, then heads, hands, feet and trunks. */
const ALL_FAMILIES = [...FAMILIES, ...PART_FAMILIES];

type Key = 'family' | 'eyeLevel' | 'extent';
const CELL_PX = 54;

/** What has been drawn as disks, pose by pose and side by side; an empty ring where there is something to draw and none was. */
export function CoverageView() {
  const stored = useStored(load, ['sessions', 'pictures'], []);
  const [cell, setCell] = useState<{ key: Key; name: string; turn: number }>();
  const [target, setTarget] = useState<PickTarget>();
  const { value } = stored;
  const counts = useMemo(() => value && coverage(value.drawn, value.available, ALL_FAMILIES), [value]);
  const step = useMemo(() => value && oneStepAway(value.drawn, value.available, ALL_FAMILIES), [value]);
  if (stored.problem) return <Notice>{stored.problem}</Notice>;
  if (!value || !counts) return <div className="mt-4 h-[400px] skeleton" aria-label="Counting" />;
  const pool = cell ? value.available.filter((r) => (r[cell.key] ?? '') === cell.name && turnOf(r) === cell.turn) : [];
  const gaps = value.available.filter((r) => {
    const turn = turnOf(r);
    const row = counts.byFamily.find((f) => f.name === r.family);
    return row !== undefined && turn !== undefined && row.drawn[turn] === 0;
  });
  const empty = counts.byFamily.reduce(
    (sum, row) => sum + row.drawn.filter((n, t) => n === 0 && row.available[t] > 0).length,
    0,
  );
  return (
    <section aria-label="What you have drawn" className="py-4">
      <div className="flex flex-wrap items-center gap-4">
        <p className="max-w-[66ch] flex-1 max-sm:basis-full">
          {counts.total === 0
            ? 'Nothing is drawn yet. Everything there is to draw shows as a ring.'
            : [
                `${counted(counts.total, 'drawing')}${value.of ? ` of ${value.of}’s` : ''}${
                  counts.foreshortened > 0
                    ? `, ${String(counts.foreshortened)} of them (${String(Math.round((100 * counts.foreshortened) / counts.total))} %) foreshortened`
                    : ''
                }. The larger a disk, the more were drawn in its group.`,
                empty > 0 &&
                  `${counted(empty, 'ring')}: there are pictures of the pose from that side, and none was drawn.`,
                counts.unknown > 0 &&
                  `${counted(counts.unknown, 'drawing')} of pictures whose side is not known ${counts.unknown === 1 ? 'is' : 'are'} not in it.`,
              ]
                .filter(Boolean)
                .join(' ')}
        </p>
        <button
          type="button"
          className="btn max-sm:h-14"
          disabled={gaps.length === 0}
          onClick={() => setTarget({ name: 'never drawn sides', references: gaps, order: 'widen' })}
        >
          Draw what is missing
        </button>
      </div>
      {step && (
        <p className="mt-3 flex flex-wrap items-baseline gap-x-3">
          {oneStepWords(step, value.of)}
          <button
            type="button"
            className="link-quiet"
            onClick={() => setTarget({ name: 'one step away', references: step.references })}
          >
            Draw that
          </button>
        </p>
      )}
      <div className="mt-4 overflow-x-auto">
        <table className="border-collapse text-[14px]">
          <thead>
            <tr>
              <td />
              {TURNS.map(({ words }) => (
                <th key={words} scope="col" className="w-[68px] px-1 pb-2 align-bottom leading-tight font-normal">
                  {words}
                </th>
              ))}
            </tr>
          </thead>
          {(
            [
              ['family', 'Pose', counts.byFamily],
              ['eyeLevel', 'Seen', counts.byEyeLevel],
              ['extent', 'In the picture', counts.byExtent],
            ] as const
          ).map(([key, title, rows]) => (
            <tbody key={key}>
              <tr>
                <th
                  scope="rowgroup"
                  colSpan={TURNS.length + 1}
                  className="border-b border-hairline pt-3 text-left font-serif text-[17px]"
                >
                  {title}
                </th>
              </tr>
              {rows.map((row) => (
                <Row
                  key={row.name}
                  row={row}
                  most={Math.max(1, ...rows.flatMap((r) => r.drawn))}
                  onOpen={(turn) => setCell({ key, name: row.name, turn })}
                />
              ))}
            </tbody>
          ))}
        </table>
      </div>
      {cell && (
        <div
          className="sticky bottom-0 mt-4 flex flex-wrap items-center gap-4 border border-ink bg-ground px-4 py-3"
          role="status"
        >
          <p className="flex-1">
            <b>
              {cell.name}, {TURNS[cell.turn].words}
            </b>
            : {counted(pool.length, 'reference')} to draw from.
          </p>
          <button
            type="button"
            className="btn"
            disabled={pool.length === 0}
            onClick={() => setTarget({ name: `${cell.name}, ${TURNS[cell.turn].words}`, references: pool })}
          >
            Draw these
          </button>
          <button type="button" className="btn border-0 btn-ghost" onClick={() => setCell(undefined)}>
            Close
          </button>
        </div>
      )}
      {target && <PickFor target={target} onClose={() => setTarget(undefined)} />}
    </section>
  );
}

function Row({ row, most, onOpen }: { row: CoverageRow; most: number; onOpen: (turn: number) => void }) {
  const radius = scaleSqrt().domain([0, most]).range([0, 20]);
  return (
    <tr>
      <th scope="row" className="pr-4 text-left font-normal whitespace-nowrap">
        {row.name}
      </th>
      {TURNS.map(({ words }, turn) => {
        const drawn = row.drawn[turn];
        const available = row.available[turn];
        return (
          <td key={words} className="p-0 text-center">
            <button
              type="button"
              disabled={drawn === 0 && available === 0}
              aria-label={`${row.name}, ${words}: ${String(drawn)} drawn, ${String(available)} to draw from`}
              title={`${String(drawn)} drawn, ${String(available)} to draw from`}
              onClick={() => onOpen(turn)}
              className="grid h-[44px] w-full place-items-center enabled:hover:bg-sheet"
            >
              <svg
                width={CELL_PX}
                height={44}
                viewBox={`${String(-CELL_PX / 2)} -22 ${String(CELL_PX)} 44`}
                aria-hidden
              >
                {drawn > 0 ? (
                  <>
                    <circle r={Math.max(3, radius(drawn))} fill="var(--charcoal)" />
                    <text
                      y={radius(drawn) > 10 ? 4.5 : -7 - radius(drawn) / 2}
                      textAnchor="middle"
                      fontSize={13}
                      fill={radius(drawn) > 10 ? 'var(--ground)' : 'var(--ink)'}
                    >
                      {drawn}
                    </text>
                  </>
                ) : available > 0 ? (
                  <circle r={6} fill="none" stroke="var(--rule)" strokeWidth={1.5} strokeDasharray="3 2.5" />
                ) : (
                  <path d="M-3 0H3" stroke="var(--hairline)" strokeWidth={1.5} />
                )}
              </svg>
            </button>
          </td>
        );
      })}
    </tr>
  );
}
