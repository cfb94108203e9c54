'use client';
import type { Settings } from '@/core/settings';
import { saveSetting } from '@/storage/settings';
import { useWriting } from './useWriting';

/**
 * Keeps a setting that is being changed, see `useWriting`.
 * @param onProblem Called where it could not be written.
 * @returns Takes each new value.
 */
export const useKeeping = <K extends keyof Settings>(
  name: K,
  onProblem: (error: unknown) => void,
): ((value: Settings[K]) => void) =>
  useWriting(name, (value: Settings[K]) => {
    saveSetting(name, value).catch(onProblem);
  });
