/** Short synthesized cues on the audio clock, mixed over whatever else plays. */
type CueSound = 'start' | 'warning' | 'end' | 'look';

interface Note {
  hz: number;
  afterS: number;
  lengthS: number;
}
/** Crisp cues are struck like a temple block; calm ones swell like a bowl. */
const CRISP: Record<CueSound, readonly Note[]> = {
  start: [
    { hz: 587, afterS: 0, lengthS: 0.16 },
    { hz: 880, afterS: 0.11, lengthS: 0.3 },
  ],
  warning: [{ hz: 740, afterS: 0, lengthS: 0.22 }],
  end: [
    { hz: 740, afterS: 0, lengthS: 0.18 },
    { hz: 494, afterS: 0.13, lengthS: 0.42 },
  ],
  look: [{ hz: 659, afterS: 0, lengthS: 0.2 }],
};
const CALM: Record<CueSound, readonly Note[]> = {
  start: [{ hz: 392, afterS: 0, lengthS: 1.1 }],
  warning: [{ hz: 330, afterS: 0, lengthS: 1.6 }],
  end: [
    { hz: 294, afterS: 0, lengthS: 1.6 },
    { hz: 441, afterS: 0.02, lengthS: 1.1 },
  ],
  look: [{ hz: 392, afterS: 0, lengthS: 0.7 }],
};

let context: AudioContext | undefined;
let volume = 0.7;

/** Call inside a click or key press: browsers keep audio off until then. */
export function unlockSound(): void {
  if (typeof AudioContext === 'undefined') return;
  context ??= new AudioContext({ latencyHint: 'interactive' });
  if (context.state !== 'running') void context.resume().catch(() => undefined);
}

/** Whether a cue would be heard now. */
export const soundIsOn = (): boolean => context?.state === 'running' && volume > 0;

export function setVolume(next: number): void {
  volume = next;
}

interface Scheduled {
  startsAtS: number;
  stop: () => void;
}

function play(audio: AudioContext, notes: readonly Note[], calm: boolean, atS: number): () => void {
  const out = audio.createGain();
  out.gain.value = volume * (calm ? 0.5 : 0.42);
  out.connect(audio.destination);
  const oscillators = notes.map(({ hz, afterS, lengthS }) => {
    const oscillator = audio.createOscillator();
    oscillator.type = calm ? 'sine' : 'triangle';
    oscillator.frequency.value = hz;
    const shape = audio.createGain();
    const from = atS + afterS;
    shape.gain.setValueAtTime(0.0001, from);
    shape.gain.exponentialRampToValueAtTime(1, from + (calm ? 0.09 : 0.006));
    shape.gain.exponentialRampToValueAtTime(0.0001, from + lengthS);
    oscillator.connect(shape).connect(out);
    oscillator.start(from);
    oscillator.stop(from + lengthS + 0.05);
    return oscillator;
  });
  return () => {
    oscillators.forEach((o) => o.stop());
    out.disconnect();
  };
}

export interface CueSchedule {
  /** Arrange a cue `inMs` from now; asking again moves it while it is more than a tenth of a second away. */
  arrange: (key: string, sound: CueSound, calm: boolean, inMs: number) => void;
  /** Silence everything that has not begun. */
  cancel: () => void;
}

const SLIP_S = 0.02;
const SETTLED_S = 0.1;
const TOO_LATE_MS = -1000;

/** Keeps cues on the audio clock, mapping session time to audio time afresh whenever it is asked. */
export function createCueSchedule(): CueSchedule {
  const scheduled = new Map<string, Scheduled>();
  return {
    arrange(key, sound, calm, inMs) {
      if (context?.state !== 'running' || inMs < TOO_LATE_MS) return;
      const now = context.currentTime;
      const startsAtS = now + Math.max(0, inMs / 1000);
      const known = scheduled.get(key);
      if (known) {
        const settled = known.startsAtS - now < SETTLED_S;
        if (settled || Math.abs(known.startsAtS - startsAtS) < SLIP_S) return;
        known.stop();
      }
      scheduled.set(key, { startsAtS, stop: play(context, (calm ? CALM : CRISP)[sound], calm, startsAtS) });
    },
    cancel() {
      const now = context?.currentTime ?? 0;
      for (const [key, cue] of scheduled) {
        if (cue.startsAtS <= now) continue;
        cue.stop();
        scheduled.delete(key);
      }
    },
  };
}
