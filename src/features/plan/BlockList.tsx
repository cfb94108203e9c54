'use client';
import { DndContext, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical, Pin } from 'lucide-react';
import { type KeyboardEvent, useId, useMemo } from 'react';
import { clockDigits } from '@/core/practice/time/duration';
import { moveBlocks } from '@/core/practice/edit/edit';
import { plannedRibbon, type RibbonFamily } from '@/core/practice/time/ribbon';
import { sumPlan } from '@/core/practice/time/sums';
import { minuteOfDay } from '@/core/practice/time/clockTime';
import { useReordering } from '@/ui/input/reordering';
import { FAMILY_COLOR, isNotch, RibbonPatterns } from '@/ui/ribbon/patterns';
import type { PlanEditor } from './usePlanEditor';

interface ListRow {
  /** Null for a rest of the rest rule. */
  id: string | null;
  label: string;
  measure: string;
  family: RibbonFamily;
  lengthMs: number;
  startMs: number;
  open: boolean;
  pinned: boolean;
}

/** Blocks of the plan as rows; what the rest rule cut in two is one row again. */
function rowsOf({ plan, origins, recipe }: PlanEditor): ListRow[] {
  const rows: ListRow[] = [];
  for (const { blockIndex, label, measure, family, cells } of plannedRibbon(plan)) {
    const id = origins[blockIndex].blockId;
    const lengthMs = cells.reduce((sum, c) => sum + c.lengthMs, 0);
    const open = cells.some((c) => c.open);
    const before = id === null ? undefined : rows.find((r) => r.id === id);
    if (before) {
      before.lengthMs += lengthMs;
      before.measure += `, ${measure}`;
      continue;
    }
    const pinned = recipe.blocks.some((b) => b.id === id && b.pinned);
    rows.push({ id, label, measure, family, lengthMs, startMs: cells[0].startMs, open, pinned });
  }
  return rows;
}

/** The blocks as a list: the same as the ribbon, for reading, sorting and choosing. */
export function BlockList({
  editor,
  startsAt,
  onKey,
}: {
  editor: PlanEditor;
  startsAt: number;
  /** What a key does to the chosen blocks; the same keys as on the ribbon. */
  onKey: (event: KeyboardEvent) => boolean;
}) {
  const { recipe, plan, selected } = editor;
  const rows = useMemo(() => rowsOf(editor), [editor]);
  const { totalMs, atLeastMs } = sumPlan(plan);
  const reordering = useReordering((id) => rows.find((r) => r.id === id)?.label ?? 'a block');
  const ids = recipe.blocks.map((b) => b.id);
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || over.id === active.id) return;
    const to = ids.indexOf(String(over.id));
    editor.change('Moved', (r) =>
      moveBlocks(r, [String(active.id)], to > ids.indexOf(String(active.id)) ? to + 1 : to),
    );
  };
  const patternId = useId();
  return (
    <section aria-labelledby="blocks-heading">
      <h2 id="blocks-heading" className="text-[20px]">
        Blocks
      </h2>
      <svg width="0" height="0" aria-hidden className="absolute">
        <RibbonPatterns id={patternId} />
      </svg>
      <DndContext id="plan-list" {...reordering} onDragEnd={onDragEnd}>
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ol className="mt-1">
            {rows.map((row, i) =>
              row.id === null ? (
                <li
                  key={`rest ${String(i)}`}
                  className="flex items-center gap-2 border-t border-hairline py-[3px] pl-7 text-[14px] text-quiet"
                >
                  Rest, by the rest rule <span className="ml-auto tabular-nums">{clockDigits(row.lengthMs)}</span>
                </li>
              ) : (
                <SortableRow
                  key={row.id}
                  row={row}
                  id={row.id}
                  patternId={patternId}
                  time={minuteOfDay(startsAt + row.startMs / 60_000)}
                  isSelected={selected.includes(row.id)}
                  onKey={(event) => {
                    const id = row.id as string;
                    // Keys act on what is chosen: a row that is not is chosen first.
                    if (!selected.includes(id)) editor.select([id]);
                    else if (onKey(event)) event.preventDefault();
                  }}
                  onSelect={(extend) => {
                    const id = row.id as string;
                    if (!extend) editor.select([id]);
                    else editor.select(selected.includes(id) ? selected.filter((s) => s !== id) : [...selected, id]);
                  }}
                />
              ),
            )}
          </ol>
        </SortableContext>
      </DndContext>
      <p className="flex gap-3 border-t border-ink py-1 font-semibold">
        <span className="pl-7">Sum</span>
        <span className="ml-auto tabular-nums">
          {atLeastMs < totalMs && 'about '}
          {clockDigits(totalMs)}
        </span>
        <span className="w-[44px] text-right font-normal text-quiet tabular-nums">
          {minuteOfDay(startsAt + totalMs / 60_000)}
        </span>
      </p>
    </section>
  );
}

interface SortableRowProps {
  row: ListRow;
  id: string;
  patternId: string;
  time: string;
  isSelected: boolean;
  onSelect: (extend: boolean) => void;
  onKey: (event: KeyboardEvent) => void;
}
function SortableRow({ row, id, patternId, time, isSelected, onSelect, onKey }: SortableRowProps) {
  const { setNodeRef, transform, transition, attributes, listeners, isDragging } = useSortable({ id });
  const style = { transform: CSS.Translate.toString(transform), transition };
  const notch = isNotch(row.family);
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={`flex items-center gap-2 border-t border-hairline text-[15px] ${isSelected ? 'bg-sheet shadow-[inset_3px_0_0_var(--charcoal)]' : ''} ${isDragging ? 'relative z-10 bg-sheet' : ''}`}
    >
      <button
        type="button"
        className="min-h-6 min-w-6 cursor-grab py-[3px] pl-[6px] text-rule"
        {...attributes}
        {...listeners}
        aria-label={`Move ${row.label}`}
      >
        <GripVertical size={15} aria-hidden />
      </button>
      <button
        type="button"
        aria-pressed={isSelected}
        className="flex min-w-0 flex-1 items-center gap-2 py-[3px] text-left"
        data-row={id}
        onClick={(event) => onSelect(event.shiftKey || event.ctrlKey || event.metaKey)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ' && event.key !== 'Tab') onKey(event);
        }}
      >
        <svg width="30" height="16" aria-hidden className="shrink-0">
          <rect
            y={notch ? 11 : 1}
            width="30"
            height={notch ? 5 : 14}
            fill={`url(#${patternId}-${row.family})`}
            stroke={notch || row.family === 'quick' ? 'none' : FAMILY_COLOR[row.family]}
          />
        </svg>
        {/* The measure goes below a name that leaves it no room. */}
        <span className="flex min-w-0 flex-1 flex-wrap items-center gap-x-2">
          <span className={isSelected ? 'font-semibold' : ''}>{row.label}</span>
          {row.pinned && <Pin size={13} aria-label="pinned" className="shrink-0" />}
          <span className="ml-auto text-[14px] text-quiet">{row.measure}</span>
        </span>
        <span className="w-[48px] shrink-0 text-right tabular-nums">
          {row.open && '≈'}
          {clockDigits(row.lengthMs)}
        </span>
        <span className="w-[44px] shrink-0 pr-1 text-right text-[14px] text-quiet tabular-nums">{time}</span>
      </button>
    </li>
  );
}
