// @vitest-environment jsdom
import { act, cleanup, fireEvent, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Plan } from '@/core/practice/plan/schema';
import { waitsForWhole } from '@/core/practice/rules/poseStages';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import { acquireRunLock } from '@/storage/sessions/runLock';
import { useRunKeys } from '@/features/run/steer/useRunKeys';
import { useVoice } from '@/features/run/words/useVoice';
import { listenToPedals, SIMULATED_PEDAL } from '@/ui/input/pedals';
import { lines, planOf, poses, rest } from '../core/plans';
import { runOf } from './runOf';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** The keys of a run at one of its segments. */
function keysAt(
  plan: Plan,
  kind: string,
  learned: Record<string, string> = {},
  asks: 'whole' | 'focal' | undefined = 'whole',
) {
  const made = runOf(plan);
  const segment = made.run.timeline.segments.find((s) => s.kind === kind);
  if (!segment) throw new Error(`no ${kind} in the plan`);
  made.live(segment.startMs + 250);
  const [onPauseOrGo, onStop, onScreenKey, onScreenRelease] = [vi.fn(), vi.fn(), vi.fn(() => false), vi.fn()];
  const exercise = poseExercise(plan, segment);
  const hook = renderHook(() =>
    useRunKeys({
      run: made.run,
      segment,
      exercise,
      waitsForWhole: waitsForWhole(plan, segment),
      asks,
      learned,
      onPauseOrGo,
      onStop,
      onScreenKey,
      onScreenRelease,
    }),
  );
  const tap = (key: string): void => {
    fireEvent.keyDown(document.body, { key });
    fireEvent.keyUp(document.body, { key });
  };
  return { ...made, segment, hook, tap, onPauseOrGo, onStop, onScreenKey, onScreenRelease };
}

describe('the keys of a session', () => {
  const plan = planOf(poses(2, 60_000));
  it('steer it: next, back, more, less, again, one more, stop', () => {
    const { tap, command, say, onStop } = keysAt(plan, 'draw');
    for (const key of ['ArrowRight', 'ArrowLeft', '+', '-', 'r']) tap(key);
    expect(command.mock.calls.flat()).toEqual(['next', 'back', 'more', 'less', 'restart']);
    tap('n');
    expect(say).toHaveBeenLastCalledWith({ type: 'oneMore' });
    tap('/');
    expect(say).toHaveBeenLastCalledWith({ type: 'shareOut' });
    tap('x');
    expect(onStop).toHaveBeenCalledOnce();
  });
  it('mean the same on a presenter, a pedal, and where they were put', () => {
    const { tap, command, onPauseOrGo } = keysAt(plan, 'draw', { F9: 'ArrowRight' });
    tap('PageDown');
    tap('F9');
    expect(command.mock.calls.flat()).toEqual(['next', 'next']);
    act(() => void window.dispatchEvent(new Event(SIMULATED_PEDAL)));
    tap(' ');
    expect(onPauseOrGo).toHaveBeenCalledTimes(2);
  });
  it('of the screen go to the screen, coming down and up', () => {
    const { tap, onScreenKey, onScreenRelease, hook } = keysAt(plan, 'draw');
    tap('g');
    expect(onScreenKey).toHaveBeenCalledWith('g');
    expect(onScreenRelease).toHaveBeenCalledWith('g');
    expect(hook.result.current('g')).toBe(false);
    expect(hook.result.current('n')).toBe(true);
  });
  it('with the one key: on hold and on while it runs by itself, next where it waits for the learner', () => {
    const running = keysAt(plan, 'draw');
    running.tap('Enter');
    expect([running.onPauseOrGo.mock.calls.length, running.command.mock.calls.length]).toEqual([1, 0]);
    cleanup();
    const page = keysAt(planOf(lines(1)), 'page');
    page.tap('Enter');
    expect(page.command).toHaveBeenCalledExactlyOnceWith('next');
    page.happens({ type: 'hold', atMs: 0, reason: 'paused' });
    page.tap('Enter');
    expect(page.onPauseOrGo).toHaveBeenCalledOnce();
    cleanup();
    const overtime = keysAt(planOf(poses(1, 30_000, { exercise: 'eyes-closed' })), 'draw');
    expect(overtime.segment.overMs).toBeGreaterThan(0);
    overtime.tap('Enter');
    expect(overtime.command).not.toHaveBeenCalled();
    overtime.live(31_000);
    overtime.tap('Enter');
    expect(overtime.command).toHaveBeenCalledExactlyOnceWith('next');
  });
  it('tell of a peek where eyes stay on the edge: tapped, or as long as it was held', () => {
    const { tap, say, live } = keysAt(planOf(poses(1, 60_000, { exercise: 'blind-contour' })), 'draw');
    tap('i');
    expect(say).toHaveBeenLastCalledWith({ type: 'peek' });
    fireEvent.keyDown(document.body, { key: 'i' });
    live(2000);
    fireEvent.keyUp(document.body, { key: 'i' });
    expect(say).toHaveBeenLastCalledWith({ type: 'peek', forMs: 2000 });
    expect(say).toHaveBeenCalledTimes(2);
  });
  it('tell of a lift where the pen stays down, and of nothing where it may lift', () => {
    const line = keysAt(planOf(poses(1, 60_000, { exercise: 'continuous-line' })), 'draw');
    line.tap('i');
    expect(line.say).toHaveBeenCalledExactlyOnceWith({ type: 'lift' });
    cleanup();
    const free = keysAt(plan, 'draw');
    free.tap('i');
    expect(free.say).not.toHaveBeenCalled();
  });
  it('ask about the last pose only between poses', () => {
    const between = keysAt(planOf(poses(1), rest()), 'rest');
    for (const key of ['y', 't', '1', '2']) between.tap(key);
    expect(between.say.mock.calls.flat()).toEqual([
      { type: 'whole', down: true },
      { type: 'whole', down: false },
      { type: 'line', line: 'loose' },
      { type: 'line', line: 'tight' },
    ]);
    cleanup();
    const drawing = keysAt(plan, 'draw');
    for (const key of ['y', 't', '1', '2', 'o']) drawing.tap(key);
    expect([drawing.say.mock.calls.length, drawing.command.mock.calls.length]).toEqual([0, 0]);
    cleanup();
    const whole = keysAt(planOf(poses(2, 60_000, { settings: { wholeFirst: 0.5 } })), 'draw');
    for (const key of ['y', '0']) whole.tap(key);
    expect(whole.say.mock.calls.flat()).toEqual([{ type: 'wholeIn' }, { type: 'rubbedOut' }]);
    cleanup();
    const leadIn = keysAt(plan, 'leadIn');
    leadIn.tap('o');
    expect(leadIn.command).toHaveBeenCalledExactlyOnceWith('choose');
  });
});

describe('pedals', () => {
  it('of a gamepad are heard once a press, and no longer when nobody listens', () => {
    const buttons = [false, false, false].map((pressed) => ({ pressed }));
    vi.stubGlobal('navigator', { getGamepads: () => [null, { index: 1, buttons }] });
    const heard = vi.fn();
    const stop = listenToPedals(heard);
    vi.advanceTimersByTime(100);
    buttons[2].pressed = true;
    vi.advanceTimersByTime(200);
    expect(heard).toHaveBeenCalledExactlyOnceWith('gamepad:2');
    buttons[2].pressed = false;
    vi.advanceTimersByTime(100);
    stop();
    buttons[2].pressed = true;
    vi.advanceTimersByTime(200);
    expect(heard).toHaveBeenCalledOnce();
  });
  it('that are plugged in later are heard from then on', () => {
    let pads: unknown[] = [];
    vi.stubGlobal('navigator', { getGamepads: () => pads });
    const heard = vi.fn();
    const stop = listenToPedals(heard);
    const button = { pressed: false };
    pads = [{ index: 0, buttons: [button] }];
    window.dispatchEvent(new Event('gamepadconnected'));
    vi.advanceTimersByTime(100);
    button.pressed = true;
    vi.advanceTimersByTime(100);
    expect(heard).toHaveBeenCalledExactlyOnceWith('gamepad:0');
    stop();
  });
  it('over MIDI are heard where that was allowed before, and are not asked for', async () => {
    const input = new EventTarget();
    const requestMIDIAccess = vi.fn(() => Promise.resolve({ inputs: new Map([['a', input]]) }));
    const query = vi.fn(() => Promise.resolve({ state: 'prompt' }));
    vi.stubGlobal('navigator', { requestMIDIAccess, permissions: { query } });
    const heard = vi.fn();
    listenToPedals(heard)();
    await vi.advanceTimersByTimeAsync(1);
    expect(requestMIDIAccess).not.toHaveBeenCalled();
    query.mockResolvedValue({ state: 'granted' });
    const stop = listenToPedals(heard);
    await vi.advanceTimersByTimeAsync(1);
    const press = (data: number[]): boolean =>
      input.dispatchEvent(Object.assign(new Event('midimessage'), { data: Uint8Array.from(data) }));
    press([0xb0, 64, 127]);
    press([0xb0, 64, 0]);
    expect(heard).toHaveBeenCalledExactlyOnceWith('midi:control:64');
    stop();
    press([0xb0, 64, 127]);
    expect(heard).toHaveBeenCalledOnce();
  });
  it('of a headset are next, back and go', () => {
    const handlers = new Map<string, (() => void) | null>();
    vi.stubGlobal('navigator', {
      mediaSession: { setActionHandler: (action: string, does: (() => void) | null) => handlers.set(action, does) },
    });
    const heard = vi.fn();
    const stop = listenToPedals(heard);
    for (const action of ['play', 'pause', 'nexttrack', 'previoustrack']) handlers.get(action)?.();
    expect(heard.mock.calls.flat()).toEqual(['headset:play', 'headset:play', 'headset:next', 'headset:previous']);
    stop();
    expect([...handlers.values()]).toEqual([null, null, null, null]);
  });
});

describe('the voice', () => {
  const spoken: string[] = [];
  beforeEach(() => {
    spoken.length = 0;
    vi.stubGlobal(
      'SpeechSynthesisUtterance',
      class {
        constructor(public text: string) {}
      },
    );
    vi.stubGlobal('speechSynthesis', {
      getVoices: () => [{}],
      cancel: () => undefined,
      speak: ({ text }: { text: string }) => spoken.push(text),
    });
  });
  const hear = (plan: Plan, voice: 'always' | 'blind work' | 'never') => {
    const made = runOf(plan);
    const hook = renderHook(() => useVoice(made.run, plan, made.run.state(), voice, 0.5));
    const live = (ms: number): void => {
      made.live(ms);
      hook.rerender();
    };
    return { ...made, live };
  };
  it('says what begins, the warning and the end, once each', () => {
    const { live, rings } = hear(planOf(poses(1, 60_000)), 'always');
    expect(spoken).toEqual(['Next: Flowing gesture, pose 1 of 1.']);
    live(3000);
    live(250);
    expect(spoken.slice(1)).toEqual(['Draw for 1 minute.']);
    live(49_750);
    act(() => rings('warning'));
    expect(spoken.slice(2)).toEqual(['10 seconds left.']);
    act(() => rings('end'));
    act(() => rings('beat'));
    expect(spoken.slice(3)).toEqual(['Time.']);
  });
  it('speaks only in blind work where that was chosen, and tells it to go slower', () => {
    const seen = hear(planOf(poses(1)), 'blind work');
    seen.live(4000);
    act(() => seen.rings('warning'));
    expect(spoken).toEqual([]);
    cleanup();
    const blind = hear(planOf(poses(1, 60_000, { exercise: 'blind-contour' })), 'blind work');
    expect(spoken).toHaveLength(1);
    blind.live(10_000);
    act(() => blind.rings('reminder'));
    expect(spoken.at(-1)).toBe('Slower.');
  });
  it('is silent where it is not wanted, and on hold', () => {
    hear(planOf(poses(1)), 'never').live(4000);
    expect(spoken).toEqual([]);
    cleanup();
    const held = hear(planOf(poses(1)), 'always');
    held.happens({ type: 'hold', atMs: 0, reason: 'paused' });
    const before = spoken.length;
    held.live(20_000);
    expect(spoken.length).toBe(before);
  });
});

describe('the right to run a session', () => {
  /** Web Locks of one name: who holds it, and who stole it. */
  function locks() {
    let holder: { lose: (error: Error) => void } | undefined;
    return {
      request(_name: string, options: { steal?: boolean }, work: (lock: unknown) => Promise<void>): Promise<void> {
        if (holder && !options.steal) return work(null);
        holder?.lose(new DOMException('stolen', 'AbortError'));
        return new Promise((resolve, reject) => {
          const mine = { lose: reject };
          holder = mine;
          void work({}).then(() => {
            if (holder === mine) holder = undefined;
            resolve();
          });
        });
      },
    };
  }
  it('is had by one tab at a time, given back, and can be taken over', async () => {
    vi.stubGlobal('navigator', { locks: locks() });
    const first = await acquireRunLock(false);
    expect(first).toBeDefined();
    expect(await acquireRunLock(false)).toBeUndefined();
    const lost = vi.fn();
    void first?.lost.then(lost);
    const second = await acquireRunLock(true);
    await vi.advanceTimersByTimeAsync(1);
    expect(lost).toHaveBeenCalledOnce();
    second?.release();
    await vi.advanceTimersByTimeAsync(1);
    expect(await acquireRunLock(false)).toBeDefined();
  });
});
