import type { RunState } from '@/core/clock/run';
import type { Run } from './controller';

/**
 * Digits, playheads and the edge are moved this often, all in one go: each time the window is painted costs, whatever moved in it.
 * To the eye the edge moves at five steps a second; digits change once a second.
 */
const TICK_MS = 200;

interface Ticker {
  listeners: Set<(state: RunState) => void>;
  stop: () => void;
}
const tickers = new WeakMap<Run, Ticker>();

/** Tick while the run goes on; on hold nothing moves, and nothing is looked at. */
function startTicking(run: Run, listeners: Ticker['listeners']): () => void {
  let handle: ReturnType<typeof setInterval> | undefined;
  const tick = (): void => {
    const state = run.state();
    listeners.forEach((tell) => tell(state));
    if (state.phase === 'running') handle ??= setInterval(tick, TICK_MS);
    else if (handle !== undefined) {
      clearInterval(handle);
      handle = undefined;
    }
  };
  const stopListening = run.subscribe(tick);
  tick();
  return () => {
    stopListening();
    clearInterval(handle);
  };
}

/** Be told how a run stands, for what moves while nothing happens. One look at the run serves all. */
export function onTick(run: Run, listener: (state: RunState) => void): () => void {
  let ticker = tickers.get(run);
  if (!ticker) {
    const listeners = new Set<(state: RunState) => void>();
    tickers.set(run, (ticker = { listeners, stop: startTicking(run, listeners) }));
  }
  const { listeners, stop } = ticker;
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    stop();
    tickers.delete(run);
  };
}
