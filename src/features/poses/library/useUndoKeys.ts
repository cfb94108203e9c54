'use client';
import { useEffect } from 'react';
import { toast, toastProblem } from '@/ui/toast/toast';
import { redoLast, undoLast } from '@/storage/pictures/history';
import { storageProblem } from '@/storage/problems';

/** Ctrl+Z and Ctrl+Shift+Z or Ctrl+Y (with Command on a Mac), except where text is written. */
export function useUndoKeys(): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const key = event.key.toLowerCase();
      if (!(event.ctrlKey || event.metaKey) || (key !== 'z' && key !== 'y')) return;
      if ((event.target as HTMLElement).closest('input:not([type=checkbox]):not([type=range]), textarea')) return;
      event.preventDefault();
      const again = key === 'y' || event.shiftKey;
      (again ? redoLast() : undoLast()).then(
        (done) => toast(done ? `${again ? 'Done again' : 'Undone'}: ${done.words}.` : 'There is nothing to undo.'),
        (error: unknown) => toastProblem(storageProblem(error)),
      );
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
