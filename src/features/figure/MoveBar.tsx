'use client';
import { Redo2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import type { Holding } from './useHolding';

/** What can be done with a figure whose joints are moved. */
export function MoveBar({
  holding: { told, failed, settle },
  balanced,
  onBalanced,
  undo,
  redo,
  name,
  onKeep,
  onDone,
}: {
  holding: Holding;
  balanced: boolean;
  onBalanced: (balanced: boolean) => void;
  /** Missing where there is nothing to undo or to do again. */
  undo: (() => void) | undefined;
  redo: (() => void) | undefined;
  /** What the pose is called until it has a name of its own. */
  name: string;
  /** Keep it as a pose of one's own; missing while nothing was moved. */
  onKeep: ((name: string) => void) | undefined;
  onDone: () => void;
}) {
  const [own, setOwn] = useState('');
  const button = 'btn-quiet btn max-sm:h-14';
  return (
    <section aria-label="Moving joints" className="no-print mt-3 border border-rule bg-sheet p-3">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-3">
        <button type="button" className={button} onClick={settle}>
          Settle
        </button>
        <button type="button" className={button} disabled={!undo} onClick={undo}>
          <Undo2 size={17} aria-hidden /> Undo
        </button>
        <button type="button" className={button} disabled={!redo} onClick={redo}>
          <Redo2 size={17} aria-hidden /> Again
        </button>
        <label className="flex items-center gap-2 px-2 max-sm:h-14">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={balanced}
            onChange={(event) => onBalanced(event.target.checked)}
          />
          Weight over the feet
        </label>
        <button type="button" className={`${button} ml-auto`} onClick={onDone}>
          Done
        </button>
      </div>
      <p role="status" className="mt-2 min-h-[22px] text-[14px] text-quiet">
        {failed
          ? 'It could not be moved here. Nothing is lost: go on without moving it, or open the page again.'
          : (told ?? 'Drag a ring, or choose one with Tab and move it with the arrow keys.')}
      </p>
      {onKeep && (
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            onKeep(own.trim() || name);
            setOwn('');
          }}
        >
          <label className="max-sm:grow">
            <span className="block text-[14px]">Keep it among your own poses as</span>
            <input
              className="input mt-1 w-full"
              maxLength={80}
              placeholder={name}
              value={own}
              onChange={(event) => setOwn(event.target.value)}
            />
          </label>
          <button type="submit" className="btn max-sm:h-14">
            Keep
          </button>
        </form>
      )}
    </section>
  );
}
