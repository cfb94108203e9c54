'use client';
import { useState } from 'react';
import { freshKeptDrawing, type KeptDrawing, keptDrawingId } from '@/core/journal/keptDrawing';
import { allKeptDrawings, changeKeptDrawing } from '@/storage/sessions/keptDrawings';
import { useStored } from './useStored';

/** What is said of one drawing, and saying more: shown at once, written behind it. */
export function useKeptDrawing(
  sessionId: string,
  drawing: string,
): {
  kept: KeptDrawing;
  /** What is said of all drawings. */
  all: readonly KeptDrawing[];
  /** @throws when it cannot be written; then what was said before is shown again. */
  change: (how: (before: KeptDrawing) => KeptDrawing) => Promise<void>;
} {
  const stored = useStored(allKeptDrawings, ['drawings'], []).value;
  /** What was said a moment ago, until it is read again. */
  const [said, setSaid] = useState<{ before: readonly KeptDrawing[] | undefined; kept: KeptDrawing }>();
  const id = keptDrawingId(sessionId, drawing);
  const written = stored?.find((one) => one.id === id) ?? freshKeptDrawing(sessionId, drawing);
  const kept = said?.before === stored && said?.kept.id === id ? said.kept : written;
  const change = async (how: (before: KeptDrawing) => KeptDrawing): Promise<void> => {
    setSaid({ before: stored, kept: how(kept) });
    try {
      await changeKeptDrawing(sessionId, drawing, how);
    } catch (error) {
      setSaid(undefined);
      throw error;
    }
  };
  return { kept, all: stored ?? [], change };
}
