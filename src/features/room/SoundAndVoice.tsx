'use client';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { CUE_KINDS, type CueKind } from '@/core/clock/cues';
import { loadSetting, saveSetting } from '@/storage/settings';
import type { RoomProps } from './roomProps';
import { useStored } from '@/storage/hooks/useStored';
import { type CueSchedule, createCueSchedule, setVolume, unlockSound } from '@/ui/sound/cuePlayer';
import { hasVoice, say } from '@/ui/sound/voice';
import { Check, Choice } from './Choice';

const CUE_WORDS: Record<CueKind, string> = {
  start: 'Begin',
  look: 'Look',
  warning: 'Warning',
  stage: 'Next stage',
  beat: 'A mark',
  reminder: 'Look up, slower',
  change: 'Turn the sheet',
  rest: 'Rest',
  end: 'Time',
};
const CALM_ONES: readonly CueKind[] = ['start', 'warning', 'end'];
const LOOK_BACKS = [0, 10_000, 20_000, 30_000, 60_000];
/** The audio device takes a moment to start the first time. */
const WAKING_MS = 150;

const subscribeVoices = (listener: () => void): (() => void) => {
  if (typeof speechSynthesis === 'undefined') return () => undefined;
  speechSynthesis.addEventListener('voiceschanged', listener);
  return () => speechSynthesis.removeEventListener('voiceschanged', listener);
};

/** Cues, their loudness, and the voice; each cue can be heard here and is also seen at the edge of the picture. */
export function SoundAndVoice({ room, onChange }: RoomProps) {
  const stored = useStored(async () => (await loadSetting('volume')) ?? 0.7, ['settings'], []);
  const volume = stored.value ?? 0.7;
  const cues = useRef<CueSchedule>(undefined);
  const [count, setCount] = useState(0);
  const voice = useSyncExternalStore(subscribeVoices, hasVoice, () => false);
  useEffect(() => setVolume(volume), [volume]);
  const hear = (kind: CueKind, calm: boolean): void => {
    unlockSound();
    cues.current ??= createCueSchedule();
    setCount(count + 1);
    setTimeout(() => cues.current?.arrange(`hear ${String(count)}`, kind, calm, 0), WAKING_MS);
  };
  return (
    <section aria-labelledby="room-sound">
      <h2 id="room-sound" className="text-[20px]">
        What you hear
      </h2>
      <p className="mt-1">Cues are mixed over your music. Each is also seen at the edge of the picture.</p>
      <label className="mt-3 flex items-center gap-4">
        <span className="font-semibold">Volume</span>
        <input
          type="range"
          className="range w-[220px]"
          min={0}
          max={1}
          step={0.1}
          aria-label="Volume of the cues"
          value={volume}
          onChange={(event) => void saveSetting('volume', Number(event.target.value))}
        />
        <span className="text-quiet">{volume === 0 ? 'off' : `${String(Math.round(volume * 100))} %`}</span>
      </label>
      <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Hear a cue">
        {CUE_KINDS.map((kind) => (
          <button key={kind} type="button" className="btn-quiet btn btn-sm" onClick={() => hear(kind, false)}>
            {CUE_WORDS[kind]}
          </button>
        ))}
        {CALM_ONES.map((kind) => (
          <button key={`calm ${kind}`} type="button" className="btn-quiet btn btn-sm" onClick={() => hear(kind, true)}>
            {CUE_WORDS[kind]}, calm
          </button>
        ))}
      </div>
      <div className="mt-4 grid gap-1">
        <Check on={room.beats} onChange={(beats) => onChange({ beats })}>
          A soft beat for each mark where marks are limited; the last falls on the end
        </Check>
        <Check on={room.stages} onChange={(stages) => onChange({ stages })}>
          Stages of a pose: ticks at the edge and a soft cue
        </Check>
        <Check on={room.endWithoutClock} onChange={(endWithoutClock) => onChange({ endWithoutClock })}>
          Ring the end also when the clock is put away
        </Check>
        <Check on={room.vibrate} onChange={(vibrate) => onChange({ vibrate })}>
          Buzz with the cues, where the device can
        </Check>
        <label className="flex items-center gap-3">
          Remind me to look up
          <select
            className="select w-auto select-sm"
            value={room.lookBackMs}
            onChange={(event) => onChange({ lookBackMs: Number(event.target.value) })}
          >
            {LOOK_BACKS.map((ms) => (
              <option key={ms} value={ms}>
                {ms === 0 ? 'never' : `every ${String(ms / 1000)} s`}
              </option>
            ))}
          </select>
        </label>
      </div>
      <Choice
        legend="A voice says what begins and what is left"
        name="voice"
        value={room.voice}
        options={[
          { value: 'never', words: 'never' },
          { value: 'blind work', words: 'in blind and eyes-closed work' },
          { value: 'always', words: 'always' },
        ]}
        onChange={(next) => onChange({ voice: next })}
      />
      {voice ? (
        <button type="button" className="btn-quiet btn mt-2 btn-sm" onClick={() => say('One minute left.', volume)}>
          Hear the voice
        </button>
      ) : (
        <p className="mt-1 text-[14px] text-quiet">This browser has no voice. The tones say it all.</p>
      )}
    </section>
  );
}
