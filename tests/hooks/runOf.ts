import { act } from '@testing-library/react';
import { vi } from 'vitest';
import type { Cue } from '@/core/clock/cues';
import type { RunEvent } from '@/core/clock/log';
import { stateOnTimeline } from '@/core/clock/run';
import type { Plan } from '@/core/practice/plan/schema';
import { expandPlan } from '@/core/practice/time/timeline';
import { momentKey, type Run } from '@/features/run/session/controller';

/** A run on a clock turned by hand, with what of it the screen reads. */
export function runOf(plan: Plan) {
  const timeline = expandPlan(plan);
  let nowMs = 0;
  let log: readonly RunEvent[] = [{ type: 'start', atMs: 0 }];
  const listeners = new Set<() => void>();
  let shown = '';
  const looks = vi.fn();
  const [command, say] = [vi.fn(), vi.fn()];
  const cueListeners = new Set<(cue: Pick<Cue, 'kind'>) => void>();
  const state = () => {
    looks();
    return stateOnTimeline(timeline, log, nowMs);
  };
  const tell = (): void => {
    const key = momentKey(stateOnTimeline(timeline, log, nowMs));
    if (key === shown) return;
    shown = key;
    listeners.forEach((listener) => listener());
  };
  const run = {
    timeline,
    state,
    nowMs: () => nowMs,
    command,
    say,
    onCue: (listener: (cue: Pick<Cue, 'kind'>) => void) => {
      cueListeners.add(listener);
      return () => cueListeners.delete(listener);
    },
    subscribe: (listener: () => void) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  } as unknown as Run;
  return {
    run,
    looks,
    /** What it was told to do, and told of. */
    command,
    say,
    rings: (kind: Cue['kind']) => cueListeners.forEach((listener) => listener({ kind })),
    /** Time passes, a quarter of a second at a time. */
    live: (ms: number) => {
      for (let t = 0; t < ms; t += 250) {
        nowMs += 250;
        act(() => {
          tell();
          vi.advanceTimersByTime(250);
        });
      }
    },
    happens: (event: RunEvent) => {
      log = [...log, { ...event, atMs: nowMs }];
      act(tell);
    },
  };
}
