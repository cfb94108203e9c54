import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

interface FakeOscillator {
  startsAt: number;
  stopped: boolean;
}
/** An audio clock that stands where it is put. */
class FakeAudio {
  static made: FakeAudio | undefined;
  state: AudioContextState = 'suspended';
  currentTime = 10;
  destination = {};
  oscillators: FakeOscillator[] = [];
  constructor() {
    FakeAudio.made = this;
  }
  resume(): Promise<void> {
    this.state = 'running';
    return Promise.resolve();
  }
  suspend(): Promise<void> {
    this.state = 'suspended';
    return Promise.resolve();
  }
  createGain() {
    const node = {
      gain: { value: 0, setValueAtTime() {}, exponentialRampToValueAtTime() {} },
      connect: () => node,
      disconnect() {},
    };
    return node;
  }
  createOscillator() {
    const record: FakeOscillator = { startsAt: 0, stopped: false };
    this.oscillators.push(record);
    const node = {
      type: '',
      frequency: { value: 0 },
      connect: (next: unknown) => next,
      start: (at: number) => (record.startsAt = at),
      stop: (at?: number) => {
        if (at === undefined) record.stopped = true;
      },
    };
    return node;
  }
}

const player = async () => import('@/ui/sound/cuePlayer');
const sounding = (): number[] => (FakeAudio.made?.oscillators ?? []).filter((o) => !o.stopped).map((o) => o.startsAt);

beforeEach(() => {
  vi.resetModules();
  vi.stubGlobal('AudioContext', FakeAudio);
});
afterEach(() => vi.unstubAllGlobals());

describe('the cue player', () => {
  it('is silent until a click unlocks it', async () => {
    const { createCueSchedule, soundIsOn, unlockSound } = await player();
    createCueSchedule().arrange('a', 'warning', false, 500);
    expect([soundIsOn(), FakeAudio.made]).toEqual([false, undefined]);
    unlockSound();
    expect(soundIsOn()).toBe(true);
  });
  it('counts as off at no volume', async () => {
    const { setVolume, soundIsOn, unlockSound } = await player();
    unlockSound();
    setVolume(0);
    expect(soundIsOn()).toBe(false);
  });
  it('puts a cue at its time on the audio clock, once', async () => {
    const { createCueSchedule, unlockSound } = await player();
    unlockSound();
    const cues = createCueSchedule();
    cues.arrange('a', 'warning', false, 1200);
    cues.arrange('a', 'warning', false, 1200);
    expect(sounding()).toEqual([11.2]);
  });
  it('follows the session clock when the two clocks slip apart, but not within a tenth of a second', async () => {
    const { createCueSchedule, unlockSound } = await player();
    unlockSound();
    const cues = createCueSchedule();
    cues.arrange('a', 'warning', false, 1200);
    cues.arrange('a', 'warning', false, 1100); // the audio clock is 0.1 s late
    expect(sounding().map((t) => t.toFixed(2))).toEqual(['11.10']);
    FakeAudio.made!.currentTime = 11.05;
    cues.arrange('a', 'warning', false, 200);
    expect(sounding().map((t) => t.toFixed(2))).toEqual(['11.10']);
  });
  it('plays a cue that is a little late at once, and drops one that is a second late', async () => {
    const { createCueSchedule, unlockSound } = await player();
    unlockSound();
    const cues = createCueSchedule();
    cues.arrange('late', 'warning', false, -300);
    cues.arrange('too late', 'warning', false, -1200);
    expect(sounding()).toEqual([10]);
  });
  it('silences what has not begun when the session is put on hold', async () => {
    const { createCueSchedule, unlockSound } = await player();
    unlockSound();
    const cues = createCueSchedule();
    cues.arrange('now', 'warning', false, 0);
    cues.arrange('soon', 'end', true, 900);
    cues.cancel();
    expect(sounding()).toEqual([10]);
    cues.arrange('soon', 'warning', false, 1900);
    expect(sounding()).toEqual([10, 11.9]);
  });
  it('rests when nothing is heard for a while, counts as on, and is woken by the next cue in time', async () => {
    const { createCueSchedule, soundIsOn, unlockSound } = await player();
    unlockSound();
    const audio = FakeAudio.made!;
    const cues = createCueSchedule();
    cues.arrange('a', 'warning', false, 1000);
    audio.currentTime = 14.9; // 3.9 s after it began
    cues.nothingComes();
    expect(audio.state).toBe('running');
    audio.currentTime = 15.1;
    cues.nothingComes();
    expect(audio.state).toBe('suspended');
    expect(soundIsOn()).toBe(true);
    // The first look finds it resting and wakes it; the cue stands at its time by the next.
    cues.arrange('b', 'warning', false, 1500);
    expect(audio.state).toBe('running');
    cues.arrange('b', 'warning', false, 1400);
    expect(sounding().at(-1)).toBeCloseTo(16.5, 6);
    // A press wakes it too.
    audio.currentTime = 30;
    cues.nothingComes();
    expect(audio.state).toBe('suspended');
    unlockSound();
    expect(audio.state).toBe('running');
    // Then it stays awake a while: presses often come one after another.
    cues.nothingComes();
    expect(audio.state).toBe('running');
    audio.currentTime = 34.1;
    cues.nothingComes();
    expect(audio.state).toBe('suspended');
  });
});
