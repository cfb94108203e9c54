const LOCK = 'fox-minute-run';

export interface RunLock {
  release: () => void;
  /** Resolves when another tab took over. */
  lost: Promise<void>;
}

/**
 * Hold the right to run a session, which one tab has at a time; it is given back when the tab goes, however it goes.
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
      .catch(() => reportLost());
  });
}
