'use client';
import { DndContext, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, horizontalListSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripHorizontal, Pin, PinOff } from 'lucide-react';
import { useState } from 'react';
import { useReordering } from '@/ui/input/reordering';
import { ChooseForSlot } from './ChooseForSlot';
import { Standing } from './Standing';

interface PinnedPicturesProps {
  /** Of each slot, as it is now. */
  shown: readonly (string | null)[];
  pins: readonly (string | null)[];
  /** What a slot may hold. */
  pool: readonly string[];
  /** "pose", "pair". */
  slotName: string;
  onPins: (pins: (string | null)[]) => void;
}

/** The pictures of a block: each can be pinned, another put into its slot, and dragged to another slot, which pins all of them there. */
export function PinnedPictures({ shown, pins, pool, slotName, onPins }: PinnedPicturesProps) {
  const [choosing, setChoosing] = useState<number>();
  const ids = shown.map((_, i) => `${slotName} ${String(i + 1)}`);
  const reordering = useReordering((id) => id);
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || over.id === active.id) return;
    onPins(arrayMove([...shown], ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  const withPin = (slot: number, id: string | null): (string | null)[] =>
    shown.map((_, i) => (i === slot ? id : (pins[i] ?? null)));
  return (
    <>
      <DndContext id="pinned-pictures" {...reordering} onDragEnd={onDragEnd}>
        <SortableContext items={ids} strategy={horizontalListSortingStrategy}>
          <ul className="flex max-h-[200px] flex-wrap gap-1 overflow-y-auto">
            {shown.map((id, i) => (
              <Slot
                key={ids[i]}
                id={ids[i]}
                referenceId={id}
                pinned={Boolean(pins[i])}
                name={ids[i]}
                onPin={() => onPins(withPin(i, pins[i] ? null : id))}
                onChoose={() => setChoosing(i)}
              />
            ))}
          </ul>
        </SortableContext>
      </DndContext>
      {choosing !== undefined && (
        <ChooseForSlot
          name={ids[choosing]}
          pool={pool}
          onChoose={(id) => {
            onPins(withPin(choosing, id));
            setChoosing(undefined);
          }}
          onClose={() => setChoosing(undefined)}
        />
      )}
    </>
  );
}

function Slot({
  id,
  referenceId,
  pinned,
  name,
  onPin,
  onChoose,
}: {
  id: string;
  referenceId: string | null;
  pinned: boolean;
  name: string;
  onPin: () => void;
  onChoose: () => void;
}) {
  const { setNodeRef, transform, transition, attributes, listeners, isDragging } = useSortable({ id });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`grid justify-items-center rounded-[3px] border ${pinned ? 'border-ink bg-sheet' : 'border-hairline'} ${isDragging ? 'relative z-10 bg-sheet' : ''}`}
    >
      <button
        type="button"
        aria-label={`Another picture for ${name}`}
        className="flex h-[50px] w-[46px] items-end justify-center overflow-hidden"
        onClick={onChoose}
      >
        <Standing referenceId={referenceId} width={38} every={0} />
      </button>
      <span className="flex">
        <button
          type="button"
          aria-label={`Move the picture of ${name}`}
          className="min-h-6 min-w-6 cursor-grab p-1 text-quiet"
          {...attributes}
          {...listeners}
        >
          <GripHorizontal size={14} aria-hidden />
        </button>
        <button
          type="button"
          aria-pressed={pinned}
          aria-label={`${pinned ? 'Unpin' : 'Pin'} the picture of ${name}`}
          className="p-1"
          onClick={onPin}
        >
          {pinned ? <Pin size={14} aria-hidden /> : <PinOff size={14} aria-hidden className="opacity-40" />}
        </button>
      </span>
    </li>
  );
}
