'use client';
import { useCallback, useMemo, useRef } from 'react';
import { goesOn, type RunState } from '@/core/clock/run';
import { planSpentMs, sessionLeftMs } from '@/core/clock/sessionLeft';
import type { Plan } from '@/core/practice/plan/schema';
import { wallSeconds } from '@/core/practice/time/clockTime';
import { leftDigits } from '@/core/practice/time/duration';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import type { Run } from '@/features/run/session/controller';
import { onTick } from '@/features/run/session/ticks';
import { Ticking } from '@/features/run/words/Ticking';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { useBottomBar } from '@/ui/useBottomBar';
import { RunControls } from './RunControls';

export interface RunBarProps {
  plan: Plan;
  run: Run;
  state: RunState;
  wordsOn: 'left' | 'right';
  aidsShown: boolean;
  /** No clock anywhere: neither what is left nor how far it is. */
  clockAway: boolean;
  onKey: (key: string) => boolean;
}

/** Under the stage: the session as a ribbon, what is left of it, and what can be pressed. */
export function RunBar({ plan, run, state, wordsOn, aidsShown, clockAway, onKey }: RunBarProps) {
  const { segments } = run.timeline;
  const blocks = useMemo(() => plannedRibbon(plan), [plan]);
  const followPlayhead = useCallback(
    // Whole seconds: it moves when the digits do.
    (move: (ms: number) => void) => onTick(run, (now) => move(Math.floor(planSpentMs(segments, now) / 1000) * 1000)),
    [run, segments],
  );
  const bar = useRef<HTMLDivElement>(null);
  useBottomBar(bar);
  const leftOf = (now: RunState): string => leftDigits(sessionLeftMs(run.timeline, now));
  // What counts up has no end of its own: only what comes after it can be told.
  const isOpen = (now: RunState): boolean => now.phase !== 'done' && segments[now.segmentIndex].open;
  const leftWords = (now: RunState): string => {
    if (!isOpen(now)) return `${leftOf(now)} left`;
    const afterMs = sessionLeftMs(run.timeline, now, 'after this');
    return afterMs > 0 ? `${leftDigits(afterMs)} after this` : 'the last one';
  };
  const endWords = (now: RunState): string => {
    if (now.phase === 'held') return 'ends later';
    return isOpen(now) ? 'ends when you do' : `ends ${wallSeconds(Date.now() + sessionLeftMs(run.timeline, now))}`;
  };
  return (
    <div
      ref={bar}
      className={`flex items-center gap-5 border-t border-hairline bg-ground px-4 py-2 max-lg:flex-wrap max-sm:gap-2 max-sm:px-2 sm:px-10 lg:h-[80px] low:gap-2 low:px-3 low:py-1 sm:low:flex-nowrap ${wordsOn === 'left' ? '' : 'lg:flex-row-reverse'}`}
    >
      <div className="min-w-0 flex-1 max-lg:order-2 max-lg:basis-full low:hidden">
        {clockAway ? (
          <p className="text-[14px] text-quiet">No clock. C brings it back.</p>
        ) : (
          <Ribbon
            blocks={blocks}
            size="run"
            playheadMs={planSpentMs(segments, state)}
            followPlayhead={followPlayhead}
            label={isOpen(state) ? leftWords(state) : `${leftOf(state)} of the session left`}
          />
        )}
      </div>
      {!clockAway && (
        <p className="text-[14px] leading-5 max-lg:mr-auto max-sm:flex max-sm:w-full max-sm:justify-between lg:text-right low:mr-auto">
          <b className="tabular-nums">
            <Ticking state={state} words={leftWords} />
          </b>
          <br className="max-sm:hidden" />
          <span className="text-quiet">
            <Ticking state={state} words={endWords} />
          </span>
        </p>
      )}
      <RunControls
        held={state.phase === 'held' && !goesOn(state)}
        aidsShown={aidsShown}
        oneMore={state.oneMore}
        onKey={onKey}
      />
    </div>
  );
}
