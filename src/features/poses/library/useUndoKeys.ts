'use client';
import { redoLast, undoLast } from '@/storage/pictures/history';
import { storageProblem } from '@/storage/problems';
import { usePageKeys } from '@/ui/input/usePageKeys';
import { toast, toastProblem } from '@/ui/toast/toast';

/** Undo and redo of what is done to pictures, told in words. */
export const useUndoKeys = (): void =>
  usePageKeys((key) => {
    if (key !== 'undo' && key !== 'redo') return false;
    (key === 'redo' ? redoLast() : undoLast()).then(
      (done) =>
        toast(done ? `${key === 'redo' ? 'Done again' : 'Undone'}: ${done.words}.` : 'There is nothing to undo.'),
      (error: unknown) => toastProblem(storageProblem(error)),
    );
    return true;
  });
