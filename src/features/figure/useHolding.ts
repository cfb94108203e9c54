'use client';
import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';
import { type Appearance, appearanceKey } from '@/core/figure/picture/appearance';
import type { HandleId } from '@/core/figure/skeleton/moveJoint';
import type { Vec3 } from '@/core/figure/skeleton/vector';
import type { Held } from '@/workers/heldFigure';
import type { LiveTurn } from './useLiveTurn';

export interface Holding {
  /** Where the handles are, as far as it is known. */
  handles: Held['handles'];
  /** Why the last move went no farther, or what came of settling. */
  told: string | undefined;
  failed: boolean;
  /** Move a handle to a point of the canvas; of several the last. */
  drag: (handle: HandleId, x: number, y: number) => void;
  /** The hand lets go: what was moved to is the figure from then on. */
  letGo: () => void;
  /** Move a handle across the view, up it and toward the eye, head heights. */
  nudge: (handle: HandleId, by: Vec3) => void;
  settle: () => void;
}

/**
 * Hold a figure by its joints.
 * @param canvas It is shown in.
 * @param on Whether it is held.
 * @param balanced Whether its weight is kept over its feet.
 * @param onMoved Receives the figure as it was moved to.
 */
export function useHolding(
  canvas: RefObject<HTMLCanvasElement | null>,
  { ask, shows }: Pick<LiveTurn, 'ask' | 'shows'>,
  id: string,
  appearance: Appearance,
  on: boolean,
  balanced: boolean,
  onMoved: (id: string) => void,
): Holding {
  const of = id + appearanceKey(appearance);
  const [known, setKnown] = useState<{ of: string; held: Held }>();
  const [told, setTold] = useState<string>();
  const [failed, setFailed] = useState(false);
  const wanted = useRef<{ handle: HandleId; x: number; y: number }>(undefined);
  const working = useRef<Promise<void>>(undefined);
  const moved = useRef<Held>(undefined);
  const latest = useRef({ of, appearance, balanced, onMoved, live: false });
  useEffect(() => {
    latest.current = { of, appearance, balanced, onMoved, live: shows !== undefined };
  });

  // Each figure is taken hold of anew: it is framed by how it lies now.
  useEffect(() => {
    const box = canvas.current?.getBoundingClientRect();
    if (!on || !box) return;
    let current = true;
    const { live } = latest.current;
    ask((api) => api.hold(id, appearance, { width: box.width, height: box.height }, live), live).then(
      (held) => {
        if (!current) return;
        setKnown({ of, held });
        setFailed(false);
      },
      () => current && setFailed(true),
    );
    return () => {
      current = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `of` says all that matters of id and appearance
  }, [on, of, ask, canvas]);

  /** Show what was moved; a picture that cannot be drawn live follows when the hand lets go. */
  const show = useCallback((held: Held): void => {
    moved.current = held;
    setKnown({ of: latest.current.of, held });
    setTold(held.told);
  }, []);
  const letGo = useCallback((): void => {
    void Promise.resolve(working.current).then(() => {
      const held = moved.current;
      moved.current = undefined;
      if (held) latest.current.onMoved(held.id);
    });
  }, []);
  const drag = useCallback(
    (handle: HandleId, x: number, y: number): void => {
      wanted.current = { handle, x, y };
      const work = async (): Promise<void> => {
        while (wanted.current) {
          const { handle: which, x: px, y: py } = wanted.current;
          wanted.current = undefined;
          const { appearance: shown, balanced: upright } = latest.current;
          show(await ask((api) => api.dragHeld(which, px, py, upright, shown), true));
        }
      };
      working.current ??= work()
        .catch(() => setFailed(true))
        .finally(() => {
          working.current = undefined;
        });
    },
    [ask, show],
  );
  const once = useCallback(
    (act: Parameters<typeof ask<Held>>[0]): void => {
      ask(act, true).then(
        (held) => {
          show(held);
          letGo();
        },
        () => setFailed(true),
      );
    },
    [ask, show, letGo],
  );
  const nudge = useCallback(
    (handle: HandleId, by: Vec3): void =>
      once((api) => api.nudgeHeld(handle, by, latest.current.balanced, latest.current.appearance)),
    [once],
  );
  const settle = useCallback((): void => once((api) => api.settleHeld(latest.current.appearance)), [once]);
  return { handles: on && known?.of === of ? known.held.handles : [], told, failed, drag, letGo, nudge, settle };
}
