'use client';
import { Dialog } from '@/ui/Dialog';

const KEYS: readonly [keys: string, what: string][] = [
  ['Tab, then Left and Right', 'go from block to block on the ribbon'],
  ['Shift and an arrow, or Shift and a press', 'choose several'],
  ['Enter', 'to the fields of the block'],
  ['+ and −', 'longer, shorter, along the duration steps'],
  [']  and  [', 'one pose more, one fewer'],
  ['Alt and an arrow', 'move the block'],
  ['D', 'duplicate'],
  ['S', 'split in two'],
  ['P', 'pin: left as it is when fitting'],
  ['Delete', 'delete'],
  ['N', 'add a block'],
  ['Ctrl+Z, Ctrl+Y', 'undo, redo'],
  ['Drag an edge', 'length, along the duration steps; with Shift, of that pose only'],
];

export function Keys({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys of the planner" onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
        {KEYS.map(([keys, what]) => (
          <div key={keys} className="contents">
            <dt className="font-semibold">{keys}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
