import type { CueKind } from '@/core/clock/cues';

interface Note {
  hz: number;
  afterS: number;
  lengthS: number;
}
interface Sound {
  notes: readonly Note[];
  /** 0 to 1, before the learner's volume. */
  loudness: number;
}
const note = (hz: number, lengthS: number, afterS = 0): Note => ({ hz, afterS, lengthS });

/** Crisp cues are struck like a temple block; those that only accompany the work are half as loud. */
const CRISP: Record<CueKind, Sound> = {
  start: { notes: [note(587, 0.16), note(880, 0.3, 0.11)], loudness: 0.42 },
  look: { notes: [note(659, 0.2)], loudness: 0.42 },
  warning: { notes: [note(740, 0.22)], loudness: 0.42 },
  stage: { notes: [note(523, 0.1), note(523, 0.14, 0.12)], loudness: 0.2 },
  beat: { notes: [note(988, 0.05)], loudness: 0.12 },
  reminder: { notes: [note(440, 0.35)], loudness: 0.16 },
  change: { notes: [note(740, 0.16), note(587, 0.16, 0.12), note(494, 0.3, 0.24)], loudness: 0.42 },
  rest: { notes: [note(494, 0.3), note(370, 0.8, 0.2)], loudness: 0.42 },
  end: { notes: [note(740, 0.18), note(494, 0.42, 0.13)], loudness: 0.42 },
};
/** Calm cues swell like a bowl. What is not here sounds as the crisp one does. */
const CALM: Partial<Record<CueKind, Sound>> = {
  start: { notes: [note(392, 1.1)], loudness: 0.5 },
  look: { notes: [note(392, 0.7)], loudness: 0.5 },
  warning: { notes: [note(330, 1.6)], loudness: 0.5 },
  stage: { notes: [note(349, 0.6)], loudness: 0.2 },
  reminder: { notes: [note(262, 1.2)], loudness: 0.22 },
  end: { notes: [note(294, 1.6), note(441, 1.1, 0.02)], loudness: 0.5 },
};

const SILENT = 0.0001;

/**
 * Put a cue on an audio clock.
 * @param atS When it begins, on the clock of the context.
 * @returns Takes it off again.
 */
export function renderCue(
  audio: BaseAudioContext,
  kind: CueKind,
  calm: boolean,
  atS: number,
  volume: number,
): () => void {
  const gentle = calm ? CALM[kind] : undefined;
  const { notes, loudness } = gentle ?? CRISP[kind];
  const out = audio.createGain();
  out.gain.value = volume * loudness;
  out.connect(audio.destination);
  const oscillators = notes.map(({ hz, afterS, lengthS }) => {
    const oscillator = audio.createOscillator();
    oscillator.type = gentle ? 'sine' : 'triangle';
    oscillator.frequency.value = hz;
    const shape = audio.createGain();
    const from = atS + afterS;
    shape.gain.setValueAtTime(SILENT, from);
    shape.gain.exponentialRampToValueAtTime(1, from + (gentle ? 0.09 : 0.006));
    shape.gain.exponentialRampToValueAtTime(SILENT, from + lengthS);
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
