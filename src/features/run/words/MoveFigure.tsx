'use client';
import { useContext, useEffect, useRef } from 'react';
import type { RunState } from '@/core/clock/run';
import { MOVE_PICTURES } from '@/core/practice/start/warmUp';
import { RunContext } from '@/features/run/session/runContext';
import { onTick } from '@/features/run/session/ticks';
import { MovePicture } from '@/ui/MovePicture';

/** Each pose of a move is held for a quarter of a slow breath, as one breathes in or out. */
const POSE_MS = 2500;

const shownAt = (frames: number, { elapsedMs }: RunState): number => Math.floor(elapsedMs / POSE_MS) % frames;

/**
 * What a move of the body looks like: its poses one after the other, with the breath; side by side and still for who wants no motion.
 * Nothing for a move of one's own.
 */
export function MoveFigure({ name, state, className = '' }: { name: string; state: RunState; className?: string }) {
  const run = useContext(RunContext);
  const place = useRef<HTMLDivElement>(null);
  const picture = Object.hasOwn(MOVE_PICTURES, name) ? MOVE_PICTURES[name] : undefined;
  const frames = picture?.frames ?? 0;
  useEffect(() => {
    if (!run || frames === 0) return;
    let shown = -1;
    return onTick(run, (now) => {
      const next = shownAt(frames, now);
      if (next === shown) return;
      shown = next;
      for (const [i, image] of [...(place.current?.children ?? [])].entries())
        image.toggleAttribute('data-shown', i === next);
    });
  }, [run, frames]);
  if (!picture) return null;
  const first = shownAt(frames, state);
  return (
    <div
      ref={place}
      aria-hidden
      className={`grid place-items-center motion-reduce:flex motion-reduce:gap-4 ${className}`}
    >
      {Array.from({ length: frames }, (_, i) => (
        <MovePicture
          key={`${picture.file} ${String(i)}`}
          move={name}
          frame={i}
          data-shown={i === first ? '' : undefined}
          suppressHydrationWarning
          className="col-start-1 row-start-1 h-full min-h-0 w-auto object-contain opacity-0 data-shown:opacity-100 motion-safe:transition-opacity motion-safe:duration-500 motion-reduce:opacity-100"
        />
      ))}
    </div>
  );
}
