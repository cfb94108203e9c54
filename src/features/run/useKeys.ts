'use client';
import { useEffect } from 'react';
import { unlockSound } from '@/ui/sound/cuePlayer';

/** Key names as KeyboardEvent.key gives them, letters in lower case. Held keys do not repeat; typing in a field is left alone. */
export function useKeys(handle: (key: string) => boolean): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      unlockSound();
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select')) return;
      const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
      // A focused button answers to space and enter itself.
      if ((key === ' ' || key === 'Enter') && target.closest('button, a')) return;
      if (handle(key)) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [handle]);
}
