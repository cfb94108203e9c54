'use client';
import { type Dispatch, type RefObject, type SetStateAction, useCallback, useState } from 'react';
import { type FigureReference, figureReferenceId, splitFigureReference } from '@/core/figure/catalogue/referenceId';
import type { Appearance } from '@/core/figure/picture/appearance';
import { afterDoing, afterRedoing, afterUndoing, NO_STEPS, type Steps } from '@/core/undo';
import { type Holding, useHolding } from './useHolding';
import type { LiveTurn } from './useLiveTurn';

/** So many moves can be undone. */
const MOST = 100;

export interface Joints {
  /** Whether the figure is held by its joints. */
  on: boolean;
  toggle: () => void;
  holding: Holding;
  balanced: boolean;
  setBalanced: (balanced: boolean) => void;
  /** Missing where there is nothing to undo or to do again. */
  undo: (() => void) | undefined;
  redo: (() => void) | undefined;
  /** Whether its pose is one of its own. */
  moved: boolean;
}

/** Moving a figure's joints: held, with what was done kept for undoing. */
export function useJoints(
  canvas: RefObject<HTMLCanvasElement | null>,
  live: LiveTurn,
  reference: FigureReference,
  appearance: Appearance,
  setReference: Dispatch<SetStateAction<FigureReference>>,
): Joints {
  const [on, setOn] = useState(false);
  const [balanced, setBalanced] = useState(true);
  const [steps, setSteps] = useState<Steps<string>>(NO_STEPS);
  const id = figureReferenceId(reference);
  const { poseId } = reference;
  const { end } = live;
  const onMoved = useCallback(
    (movedTo: string): void => {
      const next = splitFigureReference(movedTo)?.poseId;
      if (next === undefined) return;
      setSteps((before) => afterDoing(before, poseId, MOST));
      setReference((r) => ({ ...r, poseId: next }));
    },
    [poseId, setReference],
  );
  const holding = useHolding(canvas, live, id, appearance, on, balanced, onMoved);
  const step = (other: string | undefined, take: typeof afterUndoing): (() => void) | undefined =>
    other === undefined
      ? undefined
      : () => {
          end();
          setSteps((before) => take(before, () => poseId));
          setReference((r) => ({ ...r, poseId: other }));
        };
  return {
    on,
    toggle: () => setOn((before) => !before),
    holding,
    balanced,
    setBalanced,
    undo: step(steps.past.at(-1), afterUndoing),
    redo: step(steps.future.at(-1), afterRedoing),
    moved: poseId.startsWith('moved.'),
  };
}
