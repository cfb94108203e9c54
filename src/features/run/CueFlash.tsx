'use client';
import { useEffect, useRef } from 'react';
import type { CueKind } from '@/core/clock/cues';
import type { Run } from './session/controller';
import { wantsStill } from '@/ui/wantsStill';

interface Flash {
  opacity: number;
  lastsMs: number;
  className: string;
}
const STRONG = { opacity: 0.9, lastsMs: 900 };
const SOFT = { opacity: 0.5, lastsMs: 700 };
/** The visual twin of each cue: the whole edge, once, never blinking; beats only breathe at its foot. */
const FLASHES: Record<CueKind, Flash> = {
  start: { ...STRONG, className: 'border-[10px] border-russet' },
  look: { ...STRONG, className: 'border-[10px] border-russet' },
  warning: { ...STRONG, className: 'border-[10px] border-russet' },
  stage: { ...SOFT, className: 'border-y-[10px] border-charcoal' },
  reminder: { ...SOFT, className: 'border-x-[10px] border-charcoal' },
  beat: { opacity: 0.4, lastsMs: 260, className: 'border-b-[6px] border-charcoal' },
  change: { ...STRONG, className: 'border-[10px] border-moss' },
  rest: { ...STRONG, className: 'border-[10px] border-moss' },
  end: { ...STRONG, className: 'border-[10px] border-moss' },
};
const EVERY_CLASS = [...new Set(Object.values(FLASHES).flatMap((f) => f.className.split(' ')))];
/** How a phone in the pocket says it, milliseconds of buzzing and pause. */
const BUZZES: Partial<Record<CueKind, number[]>> = {
  start: [180],
  look: [90],
  warning: [60, 80, 60],
  change: [120, 80, 120],
  rest: [300],
  end: [120, 80, 120, 80, 300],
};

/** Cues as they are seen, and felt where that is wanted. */
export function CueFlash({ run, vibrate }: { run: Run; vibrate: boolean }) {
  const ref = useRef<HTMLDivElement>(null);
  const latest = useRef<Animation>(undefined);
  useEffect(
    () =>
      run.onCue(({ kind }) => {
        const { opacity, lastsMs, className } = FLASHES[kind];
        const element = ref.current;
        if (element) {
          element.classList.remove(...EVERY_CLASS);
          element.classList.add(...className.split(' '));
          element.dataset['cue'] = kind;
          // Seen no longer than it lasts: what is there and not seen is still put over the whole window.
          element.hidden = false;
          // Without motion it is simply there and then not.
          const still = wantsStill();
          const flash = element.animate([{ opacity }, { opacity: 0 }], {
            duration: lastsMs,
            easing: still ? 'steps(1, end)' : 'ease-out',
          });
          latest.current = flash;
          flash.onfinish = () => {
            if (latest.current === flash) element.hidden = true;
          };
        }
        const buzz = BUZZES[kind];
        if (vibrate && buzz && typeof navigator.vibrate === 'function') navigator.vibrate(buzz);
      }),
    [run, vibrate],
  );
  return <div ref={ref} aria-hidden hidden className="pointer-events-none absolute inset-0 opacity-0" />;
}
