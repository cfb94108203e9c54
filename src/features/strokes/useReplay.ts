'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { wantsStill } from '@/ui/wantsStill';

/** How many times as fast as it was drawn. */
export const SPEEDS = [1, 2, 4, 8, 16] as const;
/** Between two words about how far it is, milliseconds. */
const TELL_MS = 100;

export interface Replay {
  playing: boolean;
  speed: number;
  /** How far it is, milliseconds of drawing time, told ten times a second. */
  atMs: number;
  play: () => void;
  stop: () => void;
  goTo: (ms: number) => void;
  setSpeed: (speed: number) => void;
  /** Have something follow it, frame by frame. */
  follow: (show: (ms: number) => void) => () => void;
}

/** A drawing's time run through again, for as many as follow it. @param tookMs How long it is. */
export function useReplay(tookMs: number): Replay {
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<number>(() => (wantsStill() ? 1 : 4));
  const [atMs, setAtMs] = useState(tookMs);
  const now = useRef(tookMs);
  const shows = useRef(new Set<(ms: number) => void>());
  const show = useCallback((ms: number): void => {
    now.current = ms;
    for (const one of shows.current) one(ms);
  }, []);
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let last = performance.now();
    let toldAt = last;
    const step = (at: number): void => {
      const ms = Math.min(tookMs, now.current + Math.max(0, at - last) * speed);
      last = at;
      show(ms);
      if (ms >= tookMs || at - toldAt > TELL_MS) {
        toldAt = at;
        setAtMs(ms);
      }
      if (ms < tookMs) frame = requestAnimationFrame(step);
      else setPlaying(false);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [playing, speed, tookMs, show]);
  const goTo = useCallback(
    (ms: number): void => {
      setPlaying(false);
      setAtMs(ms);
      show(ms);
    },
    [show],
  );
  const play = useCallback((): void => {
    if (now.current >= tookMs) show(0);
    setPlaying(true);
  }, [tookMs, show]);
  const stop = useCallback((): void => {
    setPlaying(false);
    setAtMs(now.current);
  }, []);
  const follow = useCallback((one: (ms: number) => void): (() => void) => {
    shows.current.add(one);
    one(now.current);
    return () => shows.current.delete(one);
  }, []);
  return { playing, speed, atMs, play, stop, goTo, setSpeed, follow };
}
