'use client';
import { useCallback, useRef } from 'react';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { countsPeeks } from '@/core/practice/exercises/exercise';
import type { Segment } from '@/core/practice/time/timeline';
import type { Run } from '@/features/run/session/controller';
import { plainKey } from './plainKey';
import { useKeys } from './useKeys';

/** A key held shorter than this was tapped. */
const HELD_MS = 300;

export interface RunKeys {
  run: Run;
  segment: Segment;
  exercise: Exercise | undefined;
  /** The drawing waits for the whole figure to be in. */
  waitsForWhole: boolean;
  /** What is asked of the drawing made last. */
  asks: 'whole' | 'focal' | undefined;
  learned: Readonly<Record<string, string>>;
  onPauseOrGo: () => void;
  onStop: () => void;
  /** Keys of the screen itself: clock, aids, windows. Returns whether it was one. */
  onScreenKey: (key: string) => boolean;
  onScreenRelease: (key: string) => void;
}

/** Whether the session waits for the learner: an open part, overtime, or an end to be answered. */
function waits(run: Run, segment: Segment): boolean {
  const state = run.state();
  return segment.open || (segment.overMs > 0 && state.elapsedMs >= state.lengthMs);
}

/** The keys of a session. @returns Press one by hand. */
export function useRunKeys(keys: RunKeys): (key: string) => boolean {
  const {
    run,
    segment,
    exercise,
    waitsForWhole: whole,
    asks,
    learned,
    onPauseOrGo,
    onStop,
    onScreenKey,
    onScreenRelease,
  } = keys;
  /** Since when the key of a peek is held, on the session clock. */
  const peekingSince = useRef<number>(undefined);
  const drawing = segment.kind === 'draw';
  const peeks = drawing && exercise !== undefined && countsPeeks(exercise);
  const lifts = drawing && exercise?.rule.lifts === 'none';
  const between = segment.kind === 'change' || segment.kind === 'rest' || segment.kind === 'lookBack';
  const gap = segment.kind === 'leadIn' || segment.kind === 'change';

  const press = useCallback(
    (key: string): boolean => {
      switch (key) {
        case ' ':
          onPauseOrGo();
          return true;
        case 'Enter':
          if (run.state().phase === 'running' && waits(run, segment)) run.command('next');
          else onPauseOrGo();
          return true;
        case 'n':
          run.say({ type: 'oneMore' });
          return true;
        case 'i':
          if (peeks) peekingSince.current = run.nowMs();
          else if (lifts) run.say({ type: 'lift' });
          return true;
        case 'o':
          if (gap) run.command('choose');
          return true;
        case '/':
          run.say({ type: 'shareOut' });
          return true;
        case '0':
          if (drawing) run.say({ type: 'rubbedOut' });
          return true;
        case 'y':
        case 't':
          if (whole && key === 'y') run.say({ type: 'wholeIn' });
          if (between)
            run.say(asks === 'focal' ? { type: 'focalKept', kept: key === 'y' } : { type: 'whole', down: key === 'y' });
          return true;
        case '1':
        case '2':
          if (between) run.say({ type: 'line', line: key === '1' ? 'loose' : 'tight' });
          return true;
        case 'x':
          onStop();
          return true;
        default:
          return plainKey(run, key) || onScreenKey(key);
      }
    },
    [run, segment, whole, asks, drawing, peeks, lifts, gap, between, onPauseOrGo, onStop, onScreenKey],
  );
  const release = useCallback(
    (key: string): void => {
      if (key === 'i' && peekingSince.current !== undefined) {
        const forMs = run.nowMs() - peekingSince.current;
        peekingSince.current = undefined;
        run.say(forMs < HELD_MS ? { type: 'peek' } : { type: 'peek', forMs });
      }
      onScreenRelease(key);
    },
    [run, onScreenRelease],
  );
  useKeys(press, release, learned);
  return press;
}
