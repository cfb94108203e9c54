'use client';
import { useMemo, useState } from 'react';
import { drawByHand } from '@/core/hand/draw';
import { mannerOf } from '@/core/hand/manners';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { EXERCISE_PICTURES } from '@/core/practice/exercises/pictures';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { HandDrawn } from '@/ui/hand/HandDrawn';
import { wantsStill } from '@/ui/wantsStill';

/** The whole drawing is shown in so long, whatever it takes. */
const SHOWN_MS = 7000;
const HEIGHT = 300;

/** The exercise drawn once by the program's hand, from a figure of its own: never from the pose that comes. */
export function ShownOnce({ exercise }: { exercise: Exercise }) {
  const key = useDrawnKey(EXERCISE_PICTURES[exercise.id]?.reference ?? null, true);
  const [still] = useState(wantsStill);
  const drawing = useMemo(
    () => key && drawByHand({ key, manner: mannerOf(exercise), drawMs: exercise.usualMs, seed: 1 }),
    [key, exercise],
  );
  if (!drawing) return <div className="skeleton" style={{ height: HEIGHT, width: HEIGHT * 0.6 }} />;
  return (
    <HandDrawn
      drawing={drawing}
      fromMs={still ? drawing.tookMs : 0}
      speed={still ? 0 : drawing.tookMs / SHOWN_MS}
      onAt={() => undefined}
      height={HEIGHT}
      label={`${exercise.name}, drawn once by the program’s hand`}
    />
  );
}
