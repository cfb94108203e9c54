'use client';
import { useContext, useEffect, useRef } from 'react';
import type { RunState } from '@/core/clock/run';
import { RunContext } from '@/features/run/session/runContext';
import { onTick } from '@/features/run/session/ticks';

/** One breath in and out where nothing else is said, and the most that a wave shows. */
const BREATH_MS = 10_000;
const MOST_SHOWN = 6;
const WIDTH = 480;
const HEIGHT = 52;

/** How far the wave is breathed, pixels. */
const widthAt = (wavesMs: number, again: boolean, { elapsedMs }: RunState): number =>
  (WIDTH * (again ? elapsedMs % wavesMs : Math.min(wavesMs, elapsedMs))) / wavesMs + 4;

/** A wave to breathe along: in over the rise, out over the fall; what is behind is drawn dark. */
export function Breathing({ state, breathMs }: { state: RunState; breathMs?: number | undefined }) {
  const run = useContext(RunContext);
  const breathed = useRef<SVGRectElement>(null);
  const pace = breathMs ?? BREATH_MS;
  const breaths = Math.max(1, Math.min(MOST_SHOWN, Math.floor(state.lengthMs / pace)));
  const wavesMs = breaths * pace;
  // Paced breaths go on, wave after wave; in a rest the wave is breathed once.
  const again = breathMs !== undefined;
  useEffect(() => {
    if (!run) return;
    return onTick(run, (now) => breathed.current?.setAttribute('width', String(widthAt(wavesMs, again, now))));
  }, [run, wavesMs, again]);
  const step = WIDTH / breaths;
  const wave = Array.from({ length: breaths }, (_, i) => {
    const x = i * step;
    return `M${x} ${HEIGHT - 4}C${x + step * 0.22} ${HEIGHT - 4} ${x + step * 0.24} 4 ${x + step * 0.5} 4S${x + step * 0.78} ${HEIGHT - 4} ${x + step} ${HEIGHT - 4}`;
  }).join('');
  return (
    <div aria-hidden className="w-full max-w-[480px]">
      <svg viewBox={`-3 0 ${WIDTH + 6} ${HEIGHT}`} className="w-full">
        <path d={wave} fill="none" stroke="var(--hairline)" strokeWidth={2} />
        <clipPath id="breathed">
          <rect ref={breathed} x={-4} y={0} width={widthAt(wavesMs, again, state)} height={HEIGHT} />
        </clipPath>
        <path
          d={wave}
          fill="none"
          stroke="var(--moss)"
          strokeWidth={5}
          strokeLinecap="round"
          clipPath="url(#breathed)"
        />
      </svg>
      <p className="text-quiet">in over the rise, out over the fall</p>
    </div>
  );
}
