'use client';
import { useEffect } from 'react';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import type { FigureShown } from './Pictured';

/** Finds what the pictures of a chapter show of its figure, and tells it; nothing is seen of it. */
export function ChapterFigure({
  referenceId,
  onKnown,
}: {
  referenceId: string;
  onKnown: (figure: FigureShown) => void;
}): null {
  const url = useReferenceThumbnail(referenceId);
  const answers = useDrawnKey(referenceId, true);
  useEffect(() => onKnown({ url, answers }), [url, answers, onKnown]);
  return null;
}
