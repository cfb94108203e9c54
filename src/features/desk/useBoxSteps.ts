'use client';
import { useRef, useState } from 'react';
import type { SheetDrawing } from '@/core/desk/sheet';
import { afterDoing, afterRedoing, afterUndoing, goesOn, NO_STEPS, NOTHING_DONE, type Steps } from '@/core/undo';

interface Step {
  /** What was done: said when it is undone. */
  words: string;
  /** The drawings on the other side of the step. */
  other: readonly SheetDrawing[];
}

/** So many steps can be undone. */
const MOST_STEPS = 60;

export interface BoxSteps {
  change: (next: SheetDrawing[], words: string) => void;
  undo: () => void;
  redo: () => void;
  undoWords: string | undefined;
  redoWords: string | undefined;
}

/** Changes of a sheet's drawings that can be undone. */
export function useBoxSteps(drawings: readonly SheetDrawing[], put: (drawings: SheetDrawing[]) => void): BoxSteps {
  const [steps, setSteps] = useState<Steps<Step>>(NO_STEPS);
  const last = useRef(NOTHING_DONE);
  const turned = ({ words }: Step): Step => ({ words, other: drawings });
  return {
    change: (next, words) => {
      const now = { what: words, atMs: performance.now() };
      const same = goesOn(last.current, now);
      last.current = now;
      if (!same || steps.past.length === 0) setSteps(afterDoing(steps, { words, other: drawings }, MOST_STEPS));
      put(next);
    },
    undo: () => {
      const step = steps.past.at(-1);
      if (!step) return;
      last.current = NOTHING_DONE;
      setSteps(afterUndoing(steps, turned));
      put([...step.other]);
    },
    redo: () => {
      const step = steps.future.at(-1);
      if (!step) return;
      setSteps(afterRedoing(steps, turned));
      put([...step.other]);
    },
    undoWords: steps.past.at(-1)?.words,
    redoWords: steps.future.at(-1)?.words,
  };
}
