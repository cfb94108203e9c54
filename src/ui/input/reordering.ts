import {
  type Announcements,
  closestCenter,
  type DndContextProps,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';

type ReorderingSpoken = NonNullable<DndContextProps['accessibility']>;

/**
 * What a list needs that is put in order by dragging or by keys (Space, arrows, Space), told aloud by name.
 * @param nameOf of an item by its id, as it is called on the screen
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

/** What is said to who listens while an item is taken up, moved and put down. */
export function reorderingSpoken(nameOf: (id: string) => string): ReorderingSpoken {
  const name = (item: { id: string | number } | null): string => (item ? nameOf(String(item.id)) : 'nowhere');
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Taken up: ${name(active)}.`,
    onDragOver: ({ active, over }) =>
      over?.id === active.id ? `${name(active)} is where it was.` : `${name(active)} is at ${name(over)}.`,
    onDragEnd: ({ active, over }) =>
      over && over.id !== active.id ? `Put down at ${name(over)}.` : `${name(active)} stays where it was.`,
    onDragCancel: ({ active }) => `${name(active)} stays where it was.`,
  };
  return {
    announcements,
    screenReaderInstructions: {
      draggable: 'Space takes it up, arrows move it, Space puts it down, Escape leaves it where it was.',
    },
  };
}
