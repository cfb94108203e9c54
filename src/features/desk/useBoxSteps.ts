'use client';
import { useRef, useState } from 'react';
import type { SheetDrawing } from '@/core/desk/sheet';
import { afterDoing, afterRedoing, afterUndoing, NO_STEPS, type Steps } from '@/core/undo';

interface Step {
  /** What was done: said when it is undone. */
  words: string;
  /** The drawings on the other side of the step. */
  other: readonly SheetDrawing[];
}

/** So many steps can be undone, and the same words within so long are one step, such as a drag. */
const MOST_STEPS = 60;
const ONE_STEP_MS = 900;

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
  const last = useRef({ words: '', atMs: 0 });
  const turned = ({ words }: Step): Step => ({ words, other: drawings });
  return {
    change: (next, words) => {
      const atMs = performance.now();
      const same = last.current.words === words && atMs - last.current.atMs < ONE_STEP_MS;
      last.current = { words, atMs };
      if (!same || steps.past.length === 0) setSteps(afterDoing(steps, { words, other: drawings }, MOST_STEPS));
      put(next);
    },
    undo: () => {
      const step = steps.past.at(-1);
      if (!step) return;
      last.current = { words: '', atMs: 0 };
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
