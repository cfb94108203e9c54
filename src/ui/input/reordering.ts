import {
  type Announcements,
  closestCenter,
  type DndContextProps,
  KeyboardSensor,
  type Over,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type SortableData, sortableKeyboardCoordinates } from '@dnd-kit/sortable';

type ReorderingSpoken = NonNullable<DndContextProps['accessibility']>;

/**
 * Returns the props of a list that is sorted by dragging or by keys (Space, arrows, Space), with announcements for screen readers.
 * @param nameOf Returns an item's name on the screen from its id.
 */
export function useReordering(
  nameOf: (id: string) => string,
): Required<Pick<DndContextProps, 'sensors' | 'collisionDetection' | 'accessibility'>> {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  return { sensors, collisionDetection: closestCenter, accessibility: reorderingSpoken(nameOf) };
}

/** Returns what a screen reader hears while an item is picked up, moved and dropped: its name and its position. */
export function reorderingSpoken(nameOf: (id: string) => string): ReorderingSpoken {
  const name = ({ id }: { id: string | number }): string => nameOf(String(id));
  const placeOf = (item: Over): string => {
    const place = item.data.current?.sortable as SortableData['sortable'] | undefined;
    return place
      ? `position ${String(place.index + 1)} of ${String(place.items.length)}`
      : `the place of ${name(item)}`;
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Picked up ${name(active)}.`,
    onDragOver: ({ active, over }) => (over ? `${name(active)}: ${placeOf(over)}.` : undefined),
    onDragEnd: ({ active, over }) =>
      over && over.id !== active.id
        ? `Dropped ${name(active)} at ${placeOf(over)}.`
        : `${name(active)} stays where it was.`,
    onDragCancel: ({ active }) => `Canceled. ${name(active)} stays where it was.`,
  };
  return {
    announcements,
    screenReaderInstructions: {
      draggable: 'Press Space to pick it up, the arrow keys to move it, Space to drop it, Escape to cancel.',
    },
  };
}
