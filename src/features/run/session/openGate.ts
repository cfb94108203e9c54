import type { Session } from '@/core/journal/session';
import { storageProblem } from '@/storage/problems';
import { runningSession } from '@/storage/sessions/sessions';
import { loadSetting } from '@/storage/settings';
import { claimStart } from '@/storage/sessions/startSession';
import { setVolume } from '@/ui/sound/cuePlayer';
import { openRun, type Run } from './controller';
import { acquireRunLockSoon, type RunLock } from '@/storage/sessions/runLock';

type GateState =
  | { at: 'opening' | 'nothing to run' | 'in another tab' | 'taken over' }
  | { at: 'problem'; sentence: string }
  | { at: 'running'; session: Session; run: Run };

export interface Gate {
  state: () => GateState;
  subscribe: (listener: () => void) => () => void;
  /** Get the one right to run (by force, if asked) and pick the session up. */
  enter: (steal: boolean) => void;
  /** Leave for another place: the session goes on hold and the right is given back. */
  leave: () => void;
}

const DEFAULT_VOLUME = 0.7;

export function createGate(): Gate {
  let state: GateState = { at: 'opening' };
  let open: { run: Run; lock: RunLock } | undefined;
  let turn = 0;
  const listeners = new Set<() => void>();
  const show = (next: GateState): void => {
    state = next;
    listeners.forEach((listener) => listener());
  };

  const pickUp = async (steal: boolean, mine: number): Promise<void> => {
    const lock = await acquireRunLockSoon(steal);
    if (!lock) {
      if (mine === turn) show({ at: 'in another tab' });
      return;
    }
    // Until the run is open, every way out gives the lock back: also a page left while something was read, and a failed read.
    const [session, volume] = await Promise.all([runningSession(), loadSetting('volume')]).catch((error: unknown) => {
      lock.release();
      throw error;
    });
    if (!session || mine !== turn) {
      lock.release();
      if (mine === turn) show({ at: 'nothing to run' });
      return;
    }
    setVolume(volume ?? DEFAULT_VOLUME);
    const run = openRun(session, claimStart(session.id) ? undefined : steal ? 'moved' : 'closed');
    open = { run, lock };
    void lock.lost.then(() => {
      if (open?.lock !== lock) return;
      open = undefined;
      void run.close(undefined);
      show({ at: 'taken over' });
    });
    show({ at: 'running', session, run });
  };

  return {
    state: () => state,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    enter: (steal) => {
      const mine = ++turn;
      if (state.at !== 'opening') show({ at: 'opening' });
      pickUp(steal, mine).catch((error: unknown) => {
        if (mine === turn) show({ at: 'problem', sentence: storageProblem(error) });
      });
    },
    leave: () => {
      turn++;
      const left = open;
      open = undefined;
      void left?.run.close('paused').finally(left.lock.release);
    },
  };
}
