import type { Session } from '@/core/journal/session';
import { storageProblem } from '@/storage/problems';
import { runningSession } from '@/storage/sessions/sessions';
import { loadSetting } from '@/storage/settings';
import { claimStart } from '@/storage/sessions/startSession';
import { setVolume } from '@/ui/sound/cuePlayer';
import { openRun, type Run } from './controller';
import { acquireRunLock, type RunLock } from './runLock';

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
const RETRIES = 4;
const RETRY_MS = 120;

/** A page just left, in this tab or another, gives the lock back once its last write is done: worth waiting a moment for. */
async function acquirePatiently(steal: boolean): Promise<RunLock | undefined> {
  for (let tries = 0; ; tries++) {
    const lock = await acquireRunLock(steal);
    if (lock || tries === RETRIES) return lock;
    await new Promise((r) => setTimeout(r, RETRY_MS));
  }
}

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
    const lock = await acquirePatiently(steal);
    if (!lock) {
      if (mine === turn) show({ at: 'in another tab' });
      return;
    }
    const session = await runningSession();
    if (!session || mine !== turn) {
      lock.release();
      if (mine === turn) show({ at: 'nothing to run' });
      return;
    }
    setVolume((await loadSetting('volume')) ?? DEFAULT_VOLUME);
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
      pickUp(steal, mine).catch((error: unknown) => show({ at: 'problem', sentence: storageProblem(error) }));
    },
    leave: () => {
      turn++;
      const left = open;
      open = undefined;
      void left?.run.close('paused').finally(left.lock.release);
    },
  };
}
