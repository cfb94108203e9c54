'use client';
import { useSyncExternalStore } from 'react';
import { parsePictureReference } from '@/core/references/picture';
import { onChange } from '@/storage/changes';
import { runningSession } from '@/storage/sessions/sessions';

const LOOK_EVERY_MS = 400;

/** Mirrored or not it is the same picture, and turned or not the same pose: `figure/<pose>/...`. */
const canonical = (referenceId: string): string =>
  parsePictureReference(referenceId) ?? referenceId.split('/').slice(0, 2).join('/');

/** What the running session hides at a moment; undefined while none runs. */
let hides: ((wallMs: number) => string | null) | undefined;
/** Counts the readings; the last one counts. */
let turn = 0;
let hidden: string | null = null;
const listeners = new Set<() => void>();
let stop: (() => void) | undefined;

function look(): void {
  const now = hides?.(Date.now()) ?? null;
  if (now === hidden) return;
  hidden = now;
  listeners.forEach((listener) => listener());
}

/** The clock and the exercises are fetched only where a session runs: most screens never need them. */
async function read(): Promise<void> {
  const mine = ++turn;
  const session = await runningSession();
  const next = session && (await import('./hiddenNow')).hiddenAt(session);
  if (mine !== turn) return; // a later reading knows more
  hides = next;
  look();
}

function begin(): () => void {
  const again = (): void => void read().catch(() => undefined);
  again();
  const handle = setInterval(() => hides && look(), LOOK_EVERY_MS);
  const stopListening = onChange((store) => {
    if (store === 'sessions') again();
  });
  return () => {
    clearInterval(handle);
    stopListening();
  };
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  stop ??= begin();
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    stop?.();
    stop = undefined;
    turn++;
    hides = undefined;
    hidden = null;
  };
}

const isHidden = (referenceId: string | null): boolean =>
  referenceId !== null && hidden !== null && canonical(referenceId) === canonical(hidden);

/**
 * Whether a reference is being drawn from memory just now, in this tab or another: then it is shown nowhere until its time is up.
 * Asked by every picture of a grid, so it is worked out once for all of them.
 */
export const useIsHidden = (referenceId: string | null): boolean =>
  useSyncExternalStore(
    subscribe,
    () => isHidden(referenceId),
    () => false,
  );

/** The same for many: what is being drawn from memory, for asking `isHidden` anew when it changes. */
export function useHidden(): (referenceId: string) => boolean {
  const now = useSyncExternalStore(
    subscribe,
    () => hidden,
    () => null,
  );
  return (referenceId) => now !== null && isHidden(referenceId);
}
