import { RunningElsewhereError } from '@/storage/problems';

const LOCK = 'fox-minute-run';
const RETRIES = 4;
const RETRY_MS = 120;

export interface RunLock {
  release: () => void;
  /** Resolves when another tab took over. */
  lost: Promise<void>;
}

/**
 * Acquires the right to run a session. One tab holds it at a time; the browser frees it when that tab closes or crashes.
 * @param steal Take it from the tab that has it.
 * @returns undefined when another tab has it.
 */
export function acquireRunLock(steal: boolean): Promise<RunLock | undefined> {
  return new Promise((resolve) => {
    let release = (): void => undefined;
    let reportLost = (): void => undefined;
    const held = new Promise<void>((done) => {
      release = done;
    });
    const lost = new Promise<void>((done) => {
      reportLost = done;
    });
    navigator.locks
      .request(LOCK, steal ? { steal: true } : { ifAvailable: true }, async (lock) => {
        if (!lock) {
          resolve(undefined);
          return;
        }
        resolve({ release, lost });
        await held;
      })
      .catch(() => {
        // Where the browser denies locks, as it may deny storage, no other tab can be told of this one: it runs on its own.
        resolve({ release, lost: new Promise(() => undefined) });
        reportLost();
      });
  });
}

/** Acquires the run lock, waiting up to half a second for a page just left to finish its last write and release it. */
export async function acquireRunLockSoon(steal = false): Promise<RunLock | undefined> {
  for (let tries = 0; ; tries++) {
    const lock = await acquireRunLock(steal);
    if (lock || tries === RETRIES) return lock;
    await new Promise((r) => setTimeout(r, RETRY_MS));
  }
}

/**
 * Does work that writes to the session in progress, holding the run lock.
 * @throws RunningElsewhereError when another tab is running a session.
 */
export async function withRunLock<T>(work: () => Promise<T>): Promise<T> {
  const lock = await acquireRunLockSoon();
  if (!lock) throw new RunningElsewhereError();
  try {
    return await work();
  } finally {
    lock.release();
  }
}

/** Whether any tab, this one included, is running a session now. */
export async function isSessionRunning(): Promise<boolean> {
  const { held = [] } = await navigator.locks.query();
  return held.some(({ name }) => name === LOCK);
}
