'use client';
import { useEffect, useRef, useState } from 'react';
import { toast } from '@/ui/toast/toast';
import { clockDigits } from '@/core/practice/time/duration';
import { loadSetting, saveSetting } from '@/storage/settings';
import { createCueSchedule, unlockSound } from '@/ui/sound/cuePlayer';

/** Choosing for longer than this takes time from drawing. */
const BUDGET_MS = 5 * 60_000;
const TICK_MS = 1000;
const KEEP_EVERY = 5;
/** Without a sign of life for this long, nobody is choosing. */
const AWAY_MS = 60_000;

/**
 * Counts the time spent choosing pictures since the last session; after five minutes it rings once, gently, and offers to begin with what
 * there is. Time away from the page does not count.
 */
export function ChoosingClock({ onStart }: { onStart: () => void }) {
  const [ms, setMs] = useState<number>();
  const start = useRef(onStart);
  useEffect(() => {
    start.current = onStart;
  }, [onStart]);
  useEffect(() => {
    let total: number | undefined;
    let ticks = 0;
    let lastSign = Date.now();
    const sign = (): void => {
      lastSign = Date.now();
      unlockSound();
    };
    loadSetting('choosingMs').then(
      (kept) => {
        total = kept ?? 0;
        setMs(total);
      },
      () => undefined,
    );
    const ring = (): void => {
      createCueSchedule().arrange('budget', 'warning', true, 0);
      toast('Five minutes of choosing.', {
        duration: 20_000,
        action: { label: 'Start with what you have', onClick: () => start.current() },
      });
    };
    const timer = setInterval(() => {
      if (total === undefined || document.visibilityState !== 'visible' || Date.now() - lastSign > AWAY_MS) return;
      const before = total;
      total += TICK_MS;
      setMs(total);
      if (before < BUDGET_MS && total >= BUDGET_MS) ring();
      ticks++;
      if (ticks % KEEP_EVERY === 0) void saveSetting('choosingMs', total).catch(() => undefined);
    }, TICK_MS);
    window.addEventListener('pointermove', sign);
    window.addEventListener('pointerdown', sign);
    window.addEventListener('keydown', sign);
    window.addEventListener('scroll', sign, { passive: true });
    return () => {
      clearInterval(timer);
      window.removeEventListener('pointermove', sign);
      window.removeEventListener('pointerdown', sign);
      window.removeEventListener('keydown', sign);
      window.removeEventListener('scroll', sign);
    };
  }, []);
  if (ms === undefined) return null;
  return (
    <span
      className={`text-[14px] tabular-nums ${ms >= BUDGET_MS ? 'font-semibold' : 'text-quiet'}`}
      title="Time spent choosing since your last session; it is counted in the journal"
    >
      choosing {clockDigits(ms)}
    </span>
  );
}
