'use client';
import { useRef } from 'react';
import { loadSetting, saveSetting } from '@/storage/settings';
import { useStored } from '@/storage/useStored';
import { type CueSchedule, createCueSchedule, setVolume, unlockSound } from '@/ui/sound/cuePlayer';

/** How loud the cues are; at nothing, the edge of the picture still shows them. */
export function CueVolume() {
  const stored = useStored(async () => (await loadSetting('volume')) ?? 0.7, ['settings'], []);
  const cues = useRef<CueSchedule>(undefined);
  const volume = stored.value ?? 0.7;
  const hear = (): void => {
    unlockSound();
    setVolume(volume);
    cues.current ??= createCueSchedule();
    const key = String(Date.now());
    // The audio device takes a moment to start the first time.
    setTimeout(() => {
      cues.current?.arrange(`${key}a`, 'start', false, 0);
      cues.current?.arrange(`${key}b`, 'warning', false, 900);
      cues.current?.arrange(`${key}c`, 'end', false, 1800);
      cues.current?.arrange(`${key}d`, 'start', true, 3000);
      cues.current?.arrange(`${key}e`, 'end', true, 4600);
    }, 150);
  };
  return (
    <section aria-labelledby="cue-heading">
      <h2 id="cue-heading" className="text-[20px]">
        Cue sounds
      </h2>
      <p className="mt-1">
        Start, warning and end; calm ones for slow looking. Each also shows at the edge of the picture.
      </p>
      <div className="mt-3 flex items-center gap-4">
        <input
          type="range"
          className="range w-[220px] range-sm"
          min={0}
          max={1}
          step={0.1}
          aria-label="Volume of the cues"
          value={volume}
          onChange={(event) => void saveSetting('volume', Number(event.target.value))}
        />
        <button type="button" className="btn-quiet btn btn-sm" onClick={hear}>
          Hear them
        </button>
      </div>
    </section>
  );
}
