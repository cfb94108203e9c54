// @vitest-environment jsdom
import { cleanup, render, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { RunContext } from '@/features/run/session/runContext';
import type { TimeLeft } from '@/ui/EdgeClock';
import { onTick } from '@/features/run/session/ticks';
import { useRunState } from '@/features/run/session/useRun';
import { useTimeLeft } from '@/features/run/session/useTimeLeft';
import { useKeys } from '@/features/run/steer/useKeys';
import { Ticking } from '@/features/run/words/Ticking';
import { digitsOf, phraseIn } from '@/features/run/words/words';
import { lines, planOf, poses } from '../core/plans';
import { runOf } from './runOf';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('while nothing but time passes', () => {
  const plan = planOf(poses(2, 60_000));
  it('the screen is not worked out anew, and the digits go on', () => {
    const { run, live } = runOf(plan);
    const phrase = phraseIn(plan, run.timeline.segments);
    const drawn = vi.fn();
    function Screen() {
      const state = useRunState(run, phrase);
      drawn();
      return (
        <RunContext value={run}>
          <Ticking state={state} words={(now) => digitsOf(run.timeline.segments[now.segmentIndex], now)} />
        </RunContext>
      );
    }
    const { container } = render(<Screen />);
    live(4000);
    const before = drawn.mock.calls.length;
    expect(container.textContent).toBe('0:59');
    live(7000);
    expect(container.textContent).toBe('0:52');
    expect(drawn.mock.calls.length).toBe(before);
  });
  it('a stage is a moment of its own', () => {
    const staged = runOf(planOf(poses(1, 120_000)));
    const { result } = renderHook(() =>
      useRunState(staged.run, phraseIn(planOf(poses(1, 120_000)), staged.run.timeline.segments)),
    );
    staged.live(3250);
    const first = result.current;
    staged.live(15_000);
    expect(result.current).toBe(first);
    // The first stage is a fifth of two minutes.
    staged.live(11_000);
    expect(result.current).not.toBe(first);
    expect(result.current.elapsedMs).toBeGreaterThanOrEqual(24_000);
  });
  it('on hold nothing is looked at, and it goes on when it does', () => {
    const { run, looks, live, happens } = runOf(plan);
    const heard = vi.fn();
    const stop = onTick(run, heard);
    live(2000);
    happens({ type: 'hold', atMs: 0, reason: 'paused' });
    live(500);
    looks.mockClear();
    heard.mockClear();
    live(20_000);
    expect(looks).not.toHaveBeenCalled();
    expect(heard).not.toHaveBeenCalled();
    happens({ type: 'resume', atMs: 0, counted: false });
    live(2000);
    expect(heard.mock.calls.length).toBeGreaterThan(4);
    stop();
    looks.mockClear();
    live(3000);
    expect(looks).not.toHaveBeenCalled();
  });
  it('one look serves all that listen', () => {
    const { run, looks, live } = runOf(plan);
    const stops = [1, 2, 3, 4, 5].map(() => onTick(run, () => undefined));
    live(250);
    looks.mockClear();
    live(1000);
    expect(looks.mock.calls.length).toBeLessThanOrEqual(6);
    stops.forEach((stop) => stop());
  });
});

describe('the time that is left', () => {
  it('is a share of the segment, told at once and as it passes, and nothing burns while it counts up', () => {
    const { run, live } = runOf(planOf(poses(1, 60_000)));
    const { result } = renderHook(() => useTimeLeft(run));
    live(3000 + 15_000);
    const told: TimeLeft[] = [];
    const stop = result.current.followLeft((left) => told.push(left));
    expect(told).toHaveLength(1);
    expect(told[0].share).toBeCloseTo(0.75, 5);
    expect(result.current.spentShare()).toBeCloseTo(0.25, 5);
    live(1000);
    expect(told.length).toBeGreaterThanOrEqual(5);
    expect(told.at(-1)?.ms).toBeCloseTo(44_000, -2.5);
    live(60_000);
    expect(told.at(-1)).toEqual({ share: 0, ms: 0 });
    stop();
    const page = runOf(planOf(lines()));
    page.live(500);
    const first = vi.fn();
    renderHook(() => useTimeLeft(page.run)).result.current.followLeft(first)();
    expect(first).toHaveBeenCalledExactlyOnceWith({ share: 1, ms: Infinity });
  });
});

describe('keys', () => {
  const pressed = (key: string, more: KeyboardEventInit = {}, target: EventTarget = document.body): KeyboardEvent => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
    target.dispatchEvent(event);
    return event;
  };
  it('are heard once however long they are held, and what they mean is taken from the page', () => {
    const press = vi.fn((key: string) => key === 'n');
    renderHook(() => useKeys(press, () => undefined, {}));
    expect(pressed('n').defaultPrevented).toBe(true);
    expect(pressed('n', { repeat: true }).defaultPrevented).toBe(true);
    expect(pressed('j').defaultPrevented).toBe(false);
    expect(press.mock.calls.map(([key]) => key)).toEqual(['n', 'j']);
  });
  it('are left to fields, to focused buttons and to the browser where they are theirs', () => {
    const press = vi.fn(() => true);
    renderHook(() => useKeys(press, () => undefined, {}));
    const field = document.body.appendChild(document.createElement('input'));
    const button = document.body.appendChild(document.createElement('button'));
    pressed('n', {}, field);
    pressed(' ', {}, button);
    pressed('n', { ctrlKey: true });
    expect(press).not.toHaveBeenCalled();
    pressed('n', {}, button);
    expect(press).toHaveBeenCalledTimes(1);
  });
  it('mean what was learned, down and up, and nothing once the screen is gone', () => {
    const press = vi.fn(() => true);
    const release = vi.fn();
    const { unmount } = renderHook(() => useKeys(press, release, { b: 'ArrowRight' }));
    pressed('b');
    document.body.dispatchEvent(new KeyboardEvent('keyup', { key: 'b', bubbles: true }));
    expect(press).toHaveBeenCalledWith('ArrowRight');
    expect(release).toHaveBeenCalledWith('ArrowRight');
    unmount();
    pressed('b');
    expect(press).toHaveBeenCalledTimes(1);
  });
});
