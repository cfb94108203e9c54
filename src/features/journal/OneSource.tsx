'use client';
import { drawingHistory } from '@/core/journal/history';
import type { Session } from '@/core/journal/session';
import { copiedFrom, sourceRun } from '@/core/journal/sourceRun';
import { parsePictureReference } from '@/core/references/picture';
import { loadPicture } from '@/storage/pictures/pictures';
import { useStored } from '@/storage/hooks/useStored';

/** Copies further back tell nothing of a habit. */
const LOOKED_AT = 60;

async function lastSource(sessions: readonly Session[], nowMs: number): Promise<ReturnType<typeof sourceRun> | null> {
  const ids = drawingHistory(sessions, nowMs)
    .drawn.slice(-LOOKED_AT)
    .flatMap((id) => parsePictureReference(id) ?? []);
  const pictures = await Promise.all(ids.map(loadPicture));
  return sourceRun(pictures.map((picture) => copiedFrom(picture?.rights ?? null))) ?? null;
}

/** Copying from one hand alone makes its habits one's own: after a few, another is proposed. */
export function OneSource({ sessions, nowMs }: { sessions: readonly Session[]; nowMs: number }) {
  const run = useStored(() => lastSource(sessions, nowMs), ['pictures'], [sessions]).value;
  if (!run) return null;
  return (
    <p className="max-w-[48ch] text-quiet">
      Your last {run.times} copies are from {run.source}. Copy from somebody else next: from one alone you learn the
      habits too.
    </p>
  );
}
