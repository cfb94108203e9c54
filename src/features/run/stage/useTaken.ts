'use client';
import { type RefObject, useLayoutEffect, useState } from 'react';
import type { Rect } from '@/core/seeing/place';

/**
 * Measures the words and digits that lie over a stage, marked with `data-over`. Measured once for each moment, so that the picture
 * never moves while it is drawn from.
 * @param moment Names the moment.
 * @returns Their boxes in the stage's coordinates.
 */
export function useTaken(stage: RefObject<HTMLElement | null>, moment: string): readonly Rect[] {
  const [taken, setTaken] = useState<readonly Rect[]>([]);
  useLayoutEffect(() => {
    const from = stage.current?.getBoundingClientRect();
    const around = stage.current?.parentElement;
    if (!from || !around) return;
    // eslint-disable-next-line react-hooks/set-state-in-effect -- only what is laid out can be measured; React renders again before it paints
    setTaken(
      [...around.querySelectorAll('[data-over]')].map((element) => {
        const { left, top, width, height } = element.getBoundingClientRect();
        return { x: left - from.left, y: top - from.top, width, height };
      }),
    );
  }, [stage, moment]);
  return taken;
}
