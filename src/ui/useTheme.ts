'use client';
import { useSyncExternalStore } from 'react';

export type Theme = 'paper' | 'night';
const THEME_KEY = 'fox-minute-theme';

/** Runs before the first paint, from the document's head: the chosen theme, else the system's. */
export const themeScript = `try{var t=localStorage.getItem('${THEME_KEY}');if(t==='paper'||t==='night')document.documentElement.dataset.theme=t}catch(e){}`;

const listeners = new Set<() => void>();
const dark = (): MediaQueryList => matchMedia('(prefers-color-scheme: dark)');

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  const query = dark();
  query.addEventListener('change', listener);
  return () => {
    listeners.delete(listener);
    query.removeEventListener('change', listener);
  };
}

function current(): Theme {
  const chosen = document.documentElement.dataset.theme;
  if (chosen === 'paper' || chosen === 'night') return chosen;
  return dark().matches ? 'night' : 'paper';
}

export function useTheme(): { theme: Theme; setTheme: (theme: Theme) => void } {
  const theme = useSyncExternalStore(subscribe, current, (): Theme => 'paper');
  return {
    theme,
    setTheme: (next) => {
      document.documentElement.dataset.theme = next;
      try {
        localStorage.setItem(THEME_KEY, next);
      } catch {
        // Private windows may refuse; the theme then lasts as long as the page.
      }
      listeners.forEach((listener) => listener());
    },
  };
}
