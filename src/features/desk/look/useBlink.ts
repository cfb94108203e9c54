'use client';
import { useEffect, useState } from 'react';
import { wantsStill } from '@/ui/wantsStill';

/** The eye keeps a picture about as long as this before the other comes, milliseconds. */
const BLINK_MS = 900;

/** Turns to and fro while it is wanted; for those who want less motion, slowly. */
export function useBlink(on: boolean): boolean {
  const [turn, setTurn] = useState(false);
  useEffect(() => {
    if (!on) return;
    const still = wantsStill();
    const handle = setInterval(() => setTurn((before) => !before), still ? 3 * BLINK_MS : BLINK_MS);
    return () => clearInterval(handle);
  }, [on]);
  return on && turn;
}
