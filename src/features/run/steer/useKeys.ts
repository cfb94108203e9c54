'use client';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { listenToPedals } from '@/ui/input/pedals';
import { keyFor, keyName } from '@/ui/input/steering';
import { unlockSound } from '@/ui/sound/cuePlayer';

/** What lies over the run has the keys and pedals. */
const underDialog = (): boolean => document.querySelector('dialog[open]') !== null;

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
  // Listened to once: what a key means changes with every pose, asking for pedals takes time.
  const now = useRef({ press, release, learned });
  // From the moment the session is seen its keys are heard: not a frame later.
  useLayoutEffect(() => {
    now.current = { press, release, learned };
  });
  useLayoutEffect(() => {
    const keyOf = (code: string): string => keyFor(code, now.current.learned);
    const onKey = (event: KeyboardEvent): void => {
      unlockSound();
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select') || underDialog()) return;
      const key = keyOf(keyName(event));
      // It closes what a word means, and nothing else.
      if (key === 'Escape' && document.querySelector('[popover]:popover-open')) return;
      // A key held down is one press, also for a button that takes the focus meanwhile.
      if (event.repeat) {
        if (key.length === 1 || key === 'Enter') event.preventDefault();
        return;
      }
      // A focused button answers to space and enter itself; a learned key only means one of them.
      if ((event.key === ' ' || event.key === 'Enter') && target.closest('button, a')) return;
      if (now.current.press(key)) event.preventDefault();
    };
    const onKeyUp = (event: KeyboardEvent): void => now.current.release(keyOf(keyName(event)));
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKeyUp);
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', onKeyUp);
    };
  }, []);
  useEffect(
    () =>
      listenToPedals((code) => {
        if (underDialog()) return;
        const key = keyFor(code, now.current.learned);
        now.current.press(key);
        now.current.release(key);
      }),
    [],
  );
}
