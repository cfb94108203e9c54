'use client';
import { useContext, useEffect, useRef } from 'react';
import type { RunState } from '@/core/clock/run';
import { RunContext } from '@/features/run/session/runContext';
import { onTick } from '@/features/run/session/ticks';

/** Words that change with the time alone: written into the page as it passes, without the screen being worked out anew. */
export function Ticking({ state, words }: { state: RunState; words: (state: RunState) => string }) {
  const run = useContext(RunContext);
  const place = useRef<HTMLSpanElement>(null);
  const latest = useRef(words);
  useEffect(() => {
    latest.current = words;
  });
  useEffect(() => {
    if (!run) return;
    return onTick(run, (now) => {
      const text = latest.current(now);
      // Written beside React: it writes its own text again at the next moment of the run.
      if (place.current && place.current.textContent !== text) place.current.textContent = text;
    });
  }, [run]);
  return (
    <span ref={place} suppressHydrationWarning>
      {words(state)}
    </span>
  );
}
