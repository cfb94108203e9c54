'use client';
import { useLayoutEffect, useRef } from 'react';
import { keyName } from './steering';

/** Where keys are written, or choose. */
const WRITING = 'textarea, select, dialog input, input:not([type=checkbox]):not([type=radio]):not([type=range])';

/** Ctrl+Z, and Ctrl+Shift+Z or Ctrl+Y (with Command on a Mac); undefined for other keys with Control. */
function undoOrRedo(key: string, shift: boolean): 'undo' | 'redo' | undefined {
  if (key === 'y') return 'redo';
  if (key === 'z') return shift ? 'redo' : 'undo';
  return undefined;
}

/**
 * The keys of a page as a whole: not heard where something is written, nor with Control or Alt, but for undoing.
 * @param press Receives the key, letters in lower case, or `undo` or `redo`. Returns whether it meant something here: then the browser
 * does nothing else with it.
 */
export function usePageKeys(press: (key: string, event: KeyboardEvent) => boolean): void {
  const latest = useRef(press);
  // Heard from the moment the page is seen: not a frame later.
  useLayoutEffect(() => {
    latest.current = press;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.altKey || (event.target instanceof Element && event.target.closest(WRITING))) return;
      const control = event.ctrlKey || event.metaKey;
      const key = control ? undoOrRedo(keyName(event), event.shiftKey) : keyName(event);
      if (key !== undefined && latest.current(key, event)) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
