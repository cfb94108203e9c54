import { useEffect } from 'react';
import type { RunState } from '@/core/clock/run';
import type { Run } from '@/features/run/session/controller';
import type { Scene } from './scene';
import type { ReadyPicture } from './usePictures';

/** A wait shorter than this isn't booked. */
const AT_ONCE_MS = 250;

/**
 * Holds the clock from when a picture was due until it is on screen.
 * @returns Whether the pose at hand has no picture to be drawn from: it is awaited, or it is gone.
 */
export function useAwaitedPicture(
  run: Run,
  { phase, holdReason, segmentIndex }: RunState,
  { needsPicture, shownId }: Scene,
  pictures: ReadonlyMap<string, ReadyPicture>,
): boolean {
  const due = needsPicture && shownId !== null;
  const picture = due ? pictures.get(shownId) : undefined;
  const awaited = due && !picture;
  useEffect(() => {
    if (!awaited) {
      if (holdReason === 'picture') run.command('picture seen');
      return;
    }
    if (phase !== 'running') return;
    const timer = setTimeout(() => run.command('await picture'), AT_ONCE_MS);
    return () => clearTimeout(timer);
  }, [run, awaited, phase, holdReason, segmentIndex]);
  return awaited || picture?.kind === 'missing';
}
