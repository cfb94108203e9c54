'use client';
import { useEffect } from 'react';
import { listenToPedals } from '@/ui/input/pedals';
import { keyFor, keyName } from '@/ui/input/steering';
import { unlockSound } from '@/ui/sound/cuePlayer';

/**
 * Keys, pedals, presenters and headset buttons. Held keys do not repeat; typing in a field is left alone.
 * @param press Returns whether the key meant something.
 * @param release Told of every key that comes up again.
 * @param learned What the learner has put on other keys and pedals.
 */
export function useKeys(
  press: (key: string) => boolean,
  release: (key: string) => void,
  learned: Readonly<Record<string, string>>,
): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      unlockSound();
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select')) return;
      const key = keyFor(keyName(event), learned);
      // A focused button answers to space and enter itself.
      if ((key === ' ' || key === 'Enter') && target.closest('button, a')) return;
      if (event.repeat) {
        if (key.length === 1) event.preventDefault();
        return;
      }
      if (press(key)) event.preventDefault();
    };
    const onKeyUp = (event: KeyboardEvent): void => release(keyFor(keyName(event), learned));
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKeyUp);
    const stopPedals = listenToPedals((code) => {
      const key = keyFor(code, learned);
      press(key);
      release(key);
    });
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', onKeyUp);
      stopPedals();
    };
  }, [press, release, learned]);
}
