import type { RunState } from '@/core/clock/run';
import type { Run } from './controller';

/** Digits and playheads move this often at most: five times a second, all together. */
const TICK_MS = 200;

interface Ticker {
  listeners: Set<(state: RunState) => void>;
  handle: ReturnType<typeof setInterval>;
}
const tickers = new WeakMap<Run, Ticker>();

/** Be told how a run stands, several times a second, for what moves while nothing happens. One look at the run serves all. */
export function onTick(run: Run, listener: (state: RunState) => void): () => void {
  let ticker = tickers.get(run);
  if (!ticker) {
    const listeners = new Set<(state: RunState) => void>();
    const handle = setInterval(() => {
      const state = run.state();
      listeners.forEach((tell) => tell(state));
    }, TICK_MS);
    tickers.set(run, (ticker = { listeners, handle }));
  }
  const { listeners, handle } = ticker;
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    clearInterval(handle);
    tickers.delete(run);
  };
}
