'use client';
import { useEffect, useRef } from 'react';
import { HOLD_WHYS, type HoldWhy } from '@/core/clock/log';
import type { RunState } from '@/core/clock/run';
import { clockDigits, leftDigits } from '@/core/practice/time/duration';
import type { Segment } from '@/core/practice/time/timeline';
import { RunButton } from './RunButton';

interface Props {
  state: RunState;
  segment: Segment;
  stopping: boolean;
  nowMs: number;
  onGoOn: () => void;
  onCount: () => void;
  onStop: () => void;
  onWhy: (why: HoldWhy) => void;
}

/** On hold: why, what is safe, and the ways on. */
export function HeldCard({ state, segment, stopping, nowMs, onGoOn, onCount, onStop, onWhy }: Props) {
  const first = useRef<HTMLButtonElement>(null);
  const asleep = state.holdReason === 'asleep';
  // Space and Enter answer the card, and the keys go back to the session with it.
  useEffect(() => {
    first.current?.focus();
    return () => document.querySelector('main')?.focus({ preventScroll: true });
  }, [state.holdReason, stopping]);
  const left = segment.open
    ? `${clockDigits(state.elapsedMs)} ${segment.kind === 'page' ? 'on this page' : 'so far'}`
    : `${leftDigits(state.leftMs)} left`;
  const sentence = stopping
    ? 'Stop here and keep everything so far?'
    : {
        paused: 'On hold',
        picture: 'On hold',
        closed: 'Picked up where it was cut off',
        moved: 'Taken over from the other tab',
        asleep: `This machine slept for ${clockDigits(nowMs - (state.heldSinceMs ?? nowMs))}`,
      }[state.holdReason ?? 'paused'];
  const why = state.holds.at(-1)?.why;
  return (
    <section
      aria-label="On hold"
      className="absolute top-1/2 left-1/2 z-20 max-h-[calc(100%-0.5rem)] w-[min(500px,90%)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto border border-rule bg-sheet p-6 text-center low:p-3"
    >
      <p className="font-serif text-[26px] leading-tight">{sentence}</p>
      <p className="mt-1 text-quiet">
        {stopping ? 'Stopping here is fine: what is drawn is a whole record.' : `${left}. Nothing is lost.`}
      </p>
      <div className="mt-5 flex flex-wrap justify-center gap-3 low:mt-2">
        <button ref={first} type="button" className="btn h-12 max-sm:h-14" onClick={onGoOn}>
          {asleep ? 'Go on from where I was' : 'Go on'} <kbd className="kbd kbd-sm">Space</kbd>
        </button>
        {asleep && (
          <button type="button" className="btn-quiet btn h-12 max-sm:h-14" onClick={onCount}>
            Count it as drawn
          </button>
        )}
        <button type="button" className="btn-quiet btn h-12 max-sm:h-14" onClick={onStop}>
          Stop and keep {stopping && <kbd className="kbd kbd-sm">X</kbd>}
        </button>
      </div>
      {!stopping && state.holdReason === 'paused' && (
        <div role="group" aria-label="Why it is on hold" className="mt-5 border-t border-hairline pt-3">
          <p className="text-[14px] text-quiet">Why, if you like. It is kept apart from your drawing time.</p>
          <div className="mt-2 flex flex-wrap justify-center gap-2">
            {HOLD_WHYS.map((words) => (
              <RunButton
                key={words}
                pressed={why === words}
                className={`min-h-10 px-3 text-[15px] ${why === words ? '' : 'btn-quiet'}`}
                onPress={() => onWhy(words)}
              >
                {words}
              </RunButton>
            ))}
          </div>
        </div>
      )}
    </section>
  );
}
