import type { CueKind } from '@/core/clock/cues';
import { renderCue } from './cueSounds';

let context: AudioContext | undefined;
let volume = 0.7;
/** The audio clock stands because nothing was to be heard for a while. */
let resting = false;
/** When it was woken last, by itself. */
let wokenAtS = 0;

/** Call inside a click or key press: browsers keep audio off until then. */
export function unlockSound(): void {
  if (typeof AudioContext === 'undefined') return;
  context ??= new AudioContext({ latencyHint: 'interactive' });
  if (context.state !== 'running' || resting) wake(context);
}

function wake(audio: AudioContext): void {
  resting = false;
  wokenAtS = audio.currentTime;
  void audio.resume().catch(() => undefined);
}

/** Whether a cue would be heard now. */
export const soundIsOn = (): boolean => (context?.state === 'running' || resting) && volume > 0;

export function setVolume(next: number): void {
  volume = next;
}

export const cueVolume = (): number => volume;

interface Scheduled {
  startsAtS: number;
  stop: () => void;
}

export interface CueSchedule {
  /** Arrange a cue `inMs` from now; asking again moves it while it is more than a tenth of a second away. */
  arrange: (key: string, kind: CueKind, calm: boolean, inMs: number) => void;
  /** Silence everything that has not begun. */
  cancel: () => void;
  /**
   * Nothing is to be heard in the next second and a half. When that is so for a while the audio clock rests, which costs as much as the
   * rest of a quiet run together; it is woken by the next cue that comes into view.
   */
  nothingComes: () => void;
}

/** Off by more than this it is set anew; the audio clock itself moves in blocks of 3 ms. */
const SLIP_S = 0.005;
const SETTLED_S = 0.1;
const TOO_LATE_MS = -1000;
/** The audio clock rests so long after the last cue began: the longest has died away by then. */
const REST_AFTER_S = 4;

/** Keeps cues on the audio clock, mapping session time to audio time afresh whenever it is asked. */
export function createCueSchedule(): CueSchedule {
  const scheduled = new Map<string, Scheduled>();
  let neededAtS = context?.currentTime ?? 0;
  return {
    arrange(key, kind, calm, inMs) {
      if (context && resting) wake(context);
      if (context?.state !== 'running' || inMs < TOO_LATE_MS) return;
      const now = context.currentTime;
      const startsAtS = now + Math.max(0, inMs / 1000);
      const known = scheduled.get(key);
      if (known) {
        const settled = known.startsAtS - now < SETTLED_S;
        if (settled || Math.abs(known.startsAtS - startsAtS) < SLIP_S) return;
        known.stop();
      }
      neededAtS = Math.max(neededAtS, startsAtS);
      scheduled.set(key, { startsAtS, stop: renderCue(context, kind, calm, startsAtS, volume) });
    },
    cancel() {
      const now = context?.currentTime ?? 0;
      for (const [key, cue] of scheduled) {
        if (cue.startsAtS <= now) continue;
        cue.stop();
        scheduled.delete(key);
      }
    },
    nothingComes() {
      if (context?.state !== 'running' || resting) return;
      if (context.currentTime - Math.max(neededAtS, wokenAtS) < REST_AFTER_S) return;
      resting = true;
      void context.suspend().catch(() => (resting = false));
    },
  };
}
