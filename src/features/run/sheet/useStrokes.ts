'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { StrokePoint } from '@/core/hand/stroke';
import { type InkStroke, inkStrokeId, packed } from '@/core/strokes/inkStroke';
import type { SheetPlace } from '@/core/strokes/sheetOf';
import { storageProblem } from '@/storage/problems';
import { keepStroke, strokesOf } from '@/storage/sessions/strokes';

export interface NewStroke extends Pick<InkStroke, 'tool' | 'by' | 'movedMm' | 'side' | 'lying'> {
  place: SheetPlace;
  /** Millimeters; milliseconds since it began. */
  points: readonly StrokePoint[];
}

export interface Strokes {
  /** Undefined until those of before are read. */
  all: readonly InkStroke[] | undefined;
  /** The same at this very moment, between two renders too. */
  now: () => readonly InkStroke[];
  /** Keep a stroke that is finished. */
  add: (stroke: NewStroke) => void;
  /** Take the last stroke of a drawing back, if there is one. */
  undo: (place: Pick<SheetPlace, 'drawing' | 'attempt'>) => void;
  /** How often one was taken back: then a sheet is laid anew. */
  undone: number;
  /** A sentence when a stroke could not be written. */
  problem: string | undefined;
}

/** A failed write is tried again after this long. */
const RETRY_MS = 1000;

/** The strokes of a session as it is drawn: each is on disk as soon as it is finished. */
export function useStrokes(sessionId: string): Strokes {
  const [all, setAll] = useState<readonly InkStroke[]>();
  const [undone, setUndone] = useState(0);
  const [problem, setProblem] = useState<string>();
  // A second stroke may come before the next render.
  const now = useRef<readonly InkStroke[] | undefined>(undefined);
  const set = useCallback((strokes: readonly InkStroke[]): void => {
    now.current = strokes;
    setAll(strokes);
  }, []);
  const failed = useCallback((error: unknown): void => setProblem(storageProblem(error)), []);
  // Strokes that are not on disk yet, each as it is now. What fails is tried again until it succeeds, and the warning stays until then.
  const pending = useRef(new Map<string, InkStroke>());
  const working = useRef(false);
  const writePending = useCallback(async (): Promise<void> => {
    if (working.current) return;
    working.current = true;
    while (pending.current.size > 0) {
      let problem: unknown;
      for (const [id, stroke] of [...pending.current]) {
        try {
          await keepStroke(stroke);
          if (pending.current.get(id) === stroke) pending.current.delete(id);
        } catch (error) {
          problem = error;
        }
      }
      if (problem === undefined) setProblem(undefined);
      else {
        failed(problem);
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
    working.current = false;
  }, [failed]);
  const write = useCallback(
    (stroke: InkStroke): void => {
      pending.current.set(stroke.id, stroke);
      void writePending();
    },
    [writePending],
  );
  useEffect(() => {
    let current = true;
    strokesOf(sessionId).then((before) => {
      if (current) set(before);
    }, failed);
    return () => {
      current = false;
    };
  }, [sessionId, set, failed]);
  const add = useCallback(
    ({ place: { sheet, drawing, attempt, atMs }, points, ...rest }: NewStroke): void => {
      const before = now.current;
      if (!before) return;
      const n = (before.at(-1)?.n ?? -1) + 1;
      const stroke: InkStroke = {
        id: inkStrokeId(sessionId, n),
        sessionId,
        sheet,
        drawing,
        attempt,
        n,
        atMs,
        points: packed(points),
        ...rest,
      };
      set([...before, stroke]);
      write(stroke);
    },
    [sessionId, set, write],
  );
  const undo = useCallback(
    ({ drawing, attempt }: Pick<SheetPlace, 'drawing' | 'attempt'>): void => {
      const before = now.current ?? [];
      const last = before.findLast((s) => s.drawing === drawing && s.attempt === attempt && !s.undone);
      if (!last) return;
      const undoneStroke = { ...last, undone: true };
      set(before.map((s) => (s === last ? undoneStroke : s)));
      setUndone((n) => n + 1);
      write(undoneStroke);
    },
    [set, write],
  );
  const strokesNow = useCallback(() => now.current ?? [], []);
  return useMemo(
    () => ({ all, now: strokesNow, add, undo, undone, problem }),
    [all, strokesNow, add, undo, undone, problem],
  );
}
