import { describe, expect, it, vi } from 'vitest';
import { exerciseById } from '@/core/practice/exercises';
import { allowedAids, filterOfAids, NO_AIDS, pressAid, withView } from '@/features/run/stage/aids';
import { midiCode, pressedSince } from '@/ui/input/pedals';
import { keyFor, keyName, STEERABLE } from '@/ui/input/steering';

const flowing = exerciseById('flowing-gesture');
const blind = exerciseById('blind-contour');
const middle = [0.5, 0.5] as const;

describe('keys and pedals', () => {
  it('mean what was learned, else what they usually do, else themselves', () => {
    expect(keyFor('PageDown', {})).toBe('ArrowRight');
    expect(keyFor('PageDown', { PageDown: 'n' })).toBe('n');
    expect(keyFor('b', {})).toBe(' ');
    expect(keyFor('gamepad:5', { 'gamepad:5': 'Enter' })).toBe('Enter');
    expect(keyFor('gamepad:5', {})).toBe('gamepad:5');
    expect(keyName({ key: 'G' })).toBe('g');
    expect(keyName({ key: 'PageUp' })).toBe('PageUp');
    expect(new Set(STEERABLE.map((s) => s.key)).size).toBe(STEERABLE.length);
  });
  it('hear a MIDI pedal go down, not up', () => {
    expect(midiCode([0xb3, 64, 127])).toBe('midi:control:64');
    expect(midiCode([0xb0, 64, 0])).toBeUndefined();
    expect(midiCode([0x90, 60, 80])).toBe('midi:note:60');
    expect(midiCode([0x90, 60, 0])).toBeUndefined();
    expect(midiCode([0xf8])).toBeUndefined();
  });
  it('hear a gamepad button once', () => {
    expect(pressedSince([false, false], [true, false])).toEqual([0]);
    expect(pressedSince([true, false], [true, true])).toEqual([1]);
    expect(pressedSince([true], [false])).toEqual([]);
  });
});

describe('aids', () => {
  it('go on and off by their keys', () => {
    const press = (...keys: string[]) =>
      keys.reduce((aids, key) => {
        const next = pressAid(aids, key, flowing, middle);
        return next === undefined || next === 'locked' ? aids : next;
      }, NO_AIDS);
    expect(press('g', 'g')).toEqual(NO_AIDS);
    expect(press('v', 'v').values).toBe(3);
    expect(press('v', 'v', 'v', 'v').values).toBe(0);
    expect(press('p').plumb).toEqual([0.5, 0.5]);
    expect(press('p', 'p').plumb).toBeNull();
    expect(press(...Array.from({ length: 30 }, () => ']')).threshold).toBeCloseTo(0.9);
    expect(pressAid(NO_AIDS, 'y', flowing, middle)).toBeUndefined();
  });
  it('keep measuring shut where nothing is measured, also what was open before', () => {
    for (const key of ['p', 'd', 'e']) expect(pressAid(NO_AIDS, key, blind, middle)).toBe('locked');
    const open = { ...NO_AIDS, plumb: middle, grid: 'thirds', envelope: true, pace: true } as const;
    expect(allowedAids(open, blind)).toMatchObject({ plumb: null, grid: 'none', envelope: false, pace: true });
    expect(allowedAids(open, flowing)).toMatchObject({ plumb: middle, grid: 'thirds', envelope: true, pace: false });
  });
  it('lie over the view the exercise asks for', () => {
    expect(withView(NO_AIDS, 'two values').values).toBe(2);
    expect(withView({ ...NO_AIDS, values: 5 }, 'two values').values).toBe(5);
    expect(withView({ ...NO_AIDS, mirrored: true }, 'mirrored').mirrored).toBe(false);
    expect(withView(NO_AIDS, 'squint')).toMatchObject({ squint: true, gray: true });
    expect(withView(NO_AIDS, undefined)).toBe(NO_AIDS);
  });
  it('are one filter for the compositor', () => {
    expect(filterOfAids(NO_AIDS, 'x')).toBeUndefined();
    expect(filterOfAids({ ...NO_AIDS, lift: 1, gray: true, squint: true, values: 3 }, 'run-values-3')).toBe(
      'brightness(1.370) grayscale(1) blur(1.2cqh) url(#run-values-3)',
    );
  });
});

describe('a voice', () => {
  it('that does not begin in time is stopped, and none is no error', async () => {
    vi.useFakeTimers();
    const { say } = await import('@/ui/sound/voice');
    expect(() => say('Time.', 1)).not.toThrow();
    const cancel = vi.fn();
    const speak = vi.fn();
    vi.stubGlobal('speechSynthesis', { getVoices: () => [{}], cancel, speak });
    vi.stubGlobal('SpeechSynthesisUtterance', vi.fn());
    say('Time.', 1);
    expect(speak).toHaveBeenCalledOnce();
    vi.advanceTimersByTime(1100);
    expect(cancel).toHaveBeenCalledTimes(2);
    say('Time.', 0);
    expect(speak).toHaveBeenCalledOnce();
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });
});
