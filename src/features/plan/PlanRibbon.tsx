'use client';
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type CSSProperties, type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import { clockDigits, durationWords, spokenDuration } from '@/core/practice/time/duration';
import { nearestDurationStepMs } from '@/core/practice/time/durationSteps';
import { moveBlocks, setBlockLength, setPoseLength, updateBlock } from '@/core/practice/edit/edit';
import type { RecipeBlock } from '@/core/practice/plan/recipe';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { minuteOfDay } from '@/core/practice/time/clockTime';
import { reorderingSpoken } from '@/ui/input/reordering';
import type { PlacedBlock, PlacedCell } from '@/ui/ribbon/layout';
import { Ribbon, type RibbonPlace } from '@/ui/ribbon/Ribbon';
import { Standing } from './Standing';
import type { PlanEditor } from './usePlanEditor';

interface Dragged {
  blockId: string;
  pose: number;
  /** Scale when the drag began, so that the edge stays under the pointer. */
  pxPerMs: number;
  fromX: number;
  fromMs: number;
  ms: number;
  /** Only this pose, not the whole of a level block. */
  single: boolean;
}

export interface PlanRibbonProps {
  editor: PlanEditor;
  /** Minutes after midnight at which it begins. */
  startsAt: number;
  zoom: number;
  /** Keys that act on the chosen blocks. @returns whether the key was one of them. */
  onKey: (event: KeyboardEvent) => boolean;
  onInspect: () => void;
}

/** The ribbon as an editor: blocks are chosen, dragged and worked by keys; edges of cells are dragged along the duration steps. */
export function PlanRibbon({ editor, startsAt, zoom, onKey, onInspect }: PlanRibbonProps) {
  const { plan, origins, recipe, selected } = editor;
  const blocks = useMemo(() => plannedRibbon(plan), [plan]);
  const [dragged, setDragged] = useState<Dragged>();
  const [focused, setFocused] = useState<string>();
  const list = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const ids = recipe.blocks.map((b) => b.id);
  const labelOf = (id: string): string => blocks.find((b) => origins[b.blockIndex].blockId === id)?.label ?? 'a block';
  const tabStop = focused && ids.includes(focused) ? focused : (selected[0] ?? ids[0]);

  const focus = (id: string | undefined): void => {
    if (id === undefined) return;
    setFocused(id);
    list.current?.querySelector<HTMLElement>(`[data-block="${id}"]`)?.focus();
  };
  const toggle = (id: string, extend: boolean): void => {
    if (!extend) return editor.select([id]);
    editor.select(selected.includes(id) ? selected.filter((s) => s !== id) : [...selected, id]);
  };
  const onBlockKey = (event: KeyboardEvent, id: string): void => {
    const at = ids.indexOf(id);
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step !== undefined && !event.altKey && !event.ctrlKey && !event.metaKey) {
      const next = ids[at + step];
      if (event.shiftKey && next !== undefined) editor.select([...new Set([...selected, id, next])]);
      else if (next !== undefined) editor.select([next]);
      focus(next);
    } else if (event.key === 'Home') focus(ids[0]);
    else if (event.key === 'End') focus(ids[ids.length - 1]);
    else if (event.key === ' ') toggle(id, event.shiftKey || event.ctrlKey || event.metaKey);
    else if (event.key === 'Enter') {
      editor.select([id]);
      onInspect();
    } else {
      if (!onKey(event)) return;
      // What was done may have moved or removed the block under the focus. Whoever has gone elsewhere meanwhile is left there.
      requestAnimationFrame(() => {
        const focusedNow = document.activeElement;
        if (focusedNow !== document.body && !list.current?.contains(focusedNow)) return;
        const here = list.current?.querySelector<HTMLElement>(`[data-block="${id}"]`);
        (here ?? list.current?.querySelector<HTMLElement>('[data-block]'))?.focus();
      });
    }
    event.preventDefault();
    event.stopPropagation();
  };

  const resize = (to: Dragged): void => {
    setDragged(to);
    editor.change('Length', (r) =>
      updateBlock(r, to.blockId, (b) => {
        if (b.kind === 'poses') return to.single ? setPoseLength(b, to.pose, to.ms) : setBlockLength(b, to.pose, to.ms);
        if (b.kind === 'rest') return { ...b, durationMs: to.ms };
        if (b.kind === 'lines')
          return { ...b, pages: b.pages.map((p, i) => (i === to.pose ? { ...p, nominalMs: to.ms } : p)) };
        return {
          ...b,
          moves: b.moves.map((m) => ({
            ...m,
            durationMs: Math.max(1000, Math.round(to.ms / b.moves.length / 1000) * 1000),
          })),
        };
      }),
    );
  };
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || over.id === active.id) return;
    const moving = selected.includes(String(active.id)) ? selected : [String(active.id)];
    const from = ids.indexOf(String(active.id));
    const to = ids.indexOf(String(over.id));
    editor.change('Moved', (r) => moveBlocks(r, moving, to > from ? to + 1 : to));
  };

  const overlay = (line: readonly PlacedBlock[], place: RibbonPlace) => {
    return line.map((placed) => {
      const origin = origins[placed.block.blockIndex];
      if (origin.blockId === null) return null;
      const { blockId } = origin;
      const block = recipe.blocks.find((b) => b.id === blockId) as RecipeBlock;
      // A block can go on in the next line, or after a rest of the rest rule: its first piece stands for it.
      const before = placed.block.cells.indexOf(placed.cells[0].cell);
      const first = origin.firstPose === 0 && before === 0;
      return (
        <BlockOption
          key={`${blockId} ${String(origin.firstPose + before)}`}
          placed={placed}
          place={place}
          block={block}
          words={first ? optionWords(placed, block, startsAt) : ''}
          first={first}
          isSelected={selected.includes(blockId)}
          isTabStop={first && blockId === tabStop}
          onSelect={(extend) => {
            setFocused(blockId);
            toggle(blockId, extend);
          }}
          onKeyDown={(event) => onBlockKey(event, blockId)}
          dragged={dragged?.blockId === blockId ? dragged : undefined}
          onGrab={(pose, drawMs, event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            editor.select([blockId]);
            const { pxPerMs } = place;
            setDragged({
              blockId,
              pose: origin.firstPose + before + pose,
              pxPerMs,
              fromX: event.clientX,
              fromMs: drawMs,
              ms: drawMs,
              single: event.shiftKey,
            });
          }}
          onPull={(event) => {
            if (!dragged) return;
            const wanted = dragged.fromMs + (event.clientX - dragged.fromX) / dragged.pxPerMs;
            const ms = nearestDurationStepMs(Math.max(5000, wanted));
            if (ms !== dragged.ms) resize({ ...dragged, ms, single: event.shiftKey });
          }}
          onLetGo={() => setDragged(undefined)}
        />
      );
    });
  };
  return (
    <div className="overflow-x-auto overflow-y-hidden pb-1" ref={list}>
      <DndContext
        id="plan-ribbon"
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={reorderingSpoken(labelOf)}
        onDragEnd={onDragEnd}
      >
        <div
          role="listbox"
          aria-multiselectable
          aria-orientation="horizontal"
          aria-label="Blocks of the session, in order"
          style={{ width: `${String(zoom * 100)}%` }}
        >
          <Ribbon
            blocks={blocks}
            size="plan"
            label=""
            times={(ms) => minuteOfDay(startsAt + ms / 60_000)}
            overlay={overlay}
            standing={(cell, i) => <Standing referenceId={cell.cell.referenceId} width={cell.width} every={i} />}
            {...(dragged && { pxPerMs: dragged.pxPerMs })}
          />
        </div>
      </DndContext>
    </div>
  );
}

function optionWords({ block, cells }: PlacedBlock, { pinned }: RecipeBlock, startsAt: number): string {
  const ms = cells.reduce((sum, c) => sum + c.cell.lengthMs, 0);
  return `${block.label}, ${block.measure}, ${spokenDuration(ms)}, from ${minuteOfDay(startsAt + cells[0].cell.startMs / 60_000)}${pinned ? ', pinned' : ''}`;
}

/** What the edge of a cell changes: the drawing, not what comes with it. */
function drawnLength(block: RecipeBlock, placed: PlacedBlock, pose: number, cell: PlacedCell): number {
  if (block.kind === 'rest') return block.durationMs;
  if (block.kind === 'body') return placed.cells.reduce((sum, c) => sum + c.cell.lengthMs, 0);
  if (block.kind === 'lines') return block.pages[pose]?.nominalMs ?? cell.cell.lengthMs;
  const around = block.leadInMs + block.lookMs + block.againMs + block.lookAgainMs;
  const last = pose === placed.cells.length - 1;
  const length = cell.cell.lengthMs - around - (last ? 0 : block.changeMs);
  return Math.max(1000, Math.round(length / 1000) * 1000);
}

interface BlockOptionProps {
  placed: PlacedBlock;
  place: RibbonPlace;
  block: RecipeBlock;
  words: string;
  /** Its first piece: the one that is read out and dragged. */
  first: boolean;
  isSelected: boolean;
  isTabStop: boolean;
  onSelect: (extend: boolean) => void;
  onKeyDown: (event: KeyboardEvent) => void;
  dragged: Dragged | undefined;
  onGrab: (pose: number, drawMs: number, event: PointerEvent<HTMLElement>) => void;
  onPull: (event: PointerEvent) => void;
  onLetGo: () => void;
}
function BlockOption(props: BlockOptionProps) {
  const {
    placed,
    place,
    block,
    words,
    first,
    isSelected,
    isTabStop,
    onSelect,
    onKeyDown,
    dragged,
    onGrab,
    onPull,
    onLetGo,
  } = props;
  const drag = useDraggable({ id: block.id, disabled: !first });
  const drop = useDroppable({ id: block.id, disabled: !first });
  const box: CSSProperties = {
    left: placed.x - 4,
    top: place.above - 8,
    width: placed.width + 8,
    height: place.band + 16,
  };
  const shift = drag.transform ? `translate(${String(drag.transform.x)}px, 0)` : undefined;
  return (
    <>
      <div
        ref={(node) => {
          drag.setNodeRef(node);
          drop.setNodeRef(node);
        }}
        role={first ? 'option' : undefined}
        aria-selected={first ? isSelected : undefined}
        aria-label={first ? words : undefined}
        aria-hidden={!first}
        data-block={first ? block.id : undefined}
        tabIndex={isTabStop ? 0 : -1}
        className={`absolute cursor-grab rounded-[3px] outline-offset-2 ${isSelected ? 'border-x-2 border-ink' : ''} ${drop.isOver && !drag.isDragging ? 'bg-russet/25' : ''} ${drag.isDragging ? 'z-10 border-2 border-ink bg-sheet/70' : ''}`}
        style={{ ...box, ...(shift && { transform: shift }) }}
        {...drag.listeners}
        onClick={(event) => onSelect(event.shiftKey || event.ctrlKey || event.metaKey)}
        onKeyDown={onKeyDown}
      >
        {block.pinned && first && (
          <span
            aria-hidden
            className="absolute -top-1 left-1 h-3 w-3 rounded-full border-2 border-ground bg-ink"
            title="Pinned"
          />
        )}
      </div>
      {placed.cells.map((cell, pose) => (
        <span
          key={pose}
          aria-hidden
          title={`Drag to change the length${block.kind === 'poses' ? '; with Shift, of this pose only' : ''}`}
          className="absolute z-[5] w-3 cursor-ew-resize touch-none"
          style={{ left: cell.x + cell.width - 6, top: place.above - 4, height: place.band + 8 }}
          onPointerDown={(event) => {
            event.stopPropagation();
            onGrab(pose, drawnLength(block, placed, pose, cell), event);
          }}
          onPointerMove={onPull}
          onPointerUp={onLetGo}
          onPointerCancel={onLetGo}
        />
      ))}
      {dragged && first && (
        <output
          className="pointer-events-none absolute z-20 rounded-[3px] bg-ink px-2 py-[2px] text-[14px] font-semibold whitespace-nowrap text-ground"
          style={{ left: Math.max(0, placed.x), top: Math.max(0, place.above - 36) }}
        >
          {durationWords(dragged.ms)} <span className="font-normal">({clockDigits(dragged.ms)})</span>
        </output>
      )}
    </>
  );
}
