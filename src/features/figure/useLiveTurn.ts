'use client';
import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';
import type { Appearance } from '@/core/figure/picture/appearance';
import { splitFigureReference } from '@/core/figure/catalogue/referenceId';
import type { View } from '@/core/figure/picture/view';
import { type Client, handOver, startFigureWorker } from '@/workers/clients';
import type { FigureApi } from '@/workers/figure.worker';

export interface LiveTurn {
  /** The view that is drawn live; undefined while nothing is. */
  shows: View | undefined;
  /** Make it ready, for somebody's hand comes near. */
  prepare: () => void;
  /** Draw this view as soon as can be; of several the last. @returns Whether it can be drawn live at all. */
  turn: (view: View) => boolean;
  /** The hand has let go and another picture is there. */
  end: () => void;
  /** Ask the same worker for something else; what it drew meanwhile is shown if it says so. */
  ask: <T>(work: (api: Client<FigureApi>['api']) => Promise<T>, drawn: boolean) => Promise<T>;
}

/**
 * Turning a figure live, in a worker of its own: where there is no WebGL, nothing is drawn and the caller goes on as without it.
 * @param canvas It is drawn into, always there and seen only while it turns.
 * @param id Of the figure; its view does not matter.
 */
export function useLiveTurn(canvas: RefObject<HTMLCanvasElement | null>, id: string, appearance: Appearance): LiveTurn {
  const worker = useRef<Client<FigureApi>>(undefined);
  const opened = useRef<Promise<void>>(undefined);
  const cannot = useRef(false);
  const wanted = useRef<View>(undefined);
  const drawing = useRef(false);
  const now = useRef({ id, appearance });
  const [shows, setShows] = useState<View>();
  useEffect(() => {
    now.current = { id, appearance };
  });
  useEffect(
    () => () => {
      worker.current?.stop();
      worker.current = undefined;
    },
    [],
  );
  const prepare = useCallback((): void => {
    const element = canvas.current;
    if (opened.current || cannot.current || !element) return;
    const { width, height } = element.getBoundingClientRect();
    worker.current = startFigureWorker();
    opened.current = worker.current.api
      .openLive(handOver(element), width, height, Math.min(2, window.devicePixelRatio))
      .catch(() => {
        cannot.current = true;
      });
  }, [canvas]);
  const draw = useCallback(async (): Promise<void> => {
    if (drawing.current) return;
    drawing.current = true;
    try {
      await opened.current;
      while (wanted.current && !cannot.current) {
        const view = wanted.current;
        wanted.current = undefined;
        await worker.current?.api.turnLive(now.current.id, now.current.appearance, view);
        setShows(view);
      }
    } catch {
      cannot.current = true;
      setShows(undefined);
    } finally {
      drawing.current = false;
    }
  }, []);
  const turn = useCallback(
    (view: View): boolean => {
      prepare();
      if (cannot.current) return false;
      wanted.current = view;
      void draw();
      return true;
    },
    [prepare, draw],
  );
  const end = useCallback((): void => {
    wanted.current = undefined;
    setShows(undefined);
  }, []);
  const ask = useCallback(
    async <T>(work: (api: Client<FigureApi>['api']) => Promise<T>, drawn: boolean): Promise<T> => {
      prepare();
      await opened.current;
      if (!worker.current) throw new Error('no worker');
      const view = splitFigureReference(now.current.id)?.view;
      const result = await work(worker.current.api);
      if (drawn && !cannot.current) setShows(view);
      return result;
    },
    [prepare],
  );
  // The window may change between two turns.
  useEffect(() => {
    const resized = (): void => {
      const box = canvas.current?.getBoundingClientRect();
      if (box && opened.current && !cannot.current) void worker.current?.api.resizeLive(box.width, box.height);
    };
    window.addEventListener('resize', resized);
    return () => window.removeEventListener('resize', resized);
  }, [canvas]);
  return { shows, prepare, turn, end, ask };
}
