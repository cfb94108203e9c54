/** How far this browser lets anything be kept. */
export type Availability = 'kept' | 'in memory' | 'silent' | 'old code';

let state: Availability = 'kept';
const listeners = new Set<() => void>();
const set = (next: Availability): void => {
  state = next;
  listeners.forEach((listener) => listener());
};

export const availability = (): Availability => state;
export function onAvailability(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Notes that the browser does not answer. */
export const storageIsSilent = (): void => {
  // Memory has taken its place already.
  if (state !== 'in memory') set('silent');
};
/** Notes that another tab has loaded a newer version, which this page must follow. */
export const codeIsOld = (): void => set('old code');

/** Whether an error means that this browser forbids keeping data: a private window, or the learner's own setting. */
export function isDenied(error: unknown): boolean {
  if (typeof indexedDB === 'undefined') return true;
  return error instanceof Error && (error.name === 'SecurityError' || error.name === 'InvalidStateError');
}

/** Puts a database in memory in the place of the browser's. Everything works until the tab is closed. */
export async function forgetWhenClosed(): Promise<void> {
  const memory = await import('fake-indexeddb');
  for (const [name, value] of Object.entries(memory).filter(
    ([key]) => key.toLowerCase().startsWith('idb') || key === 'indexedDB',
  ))
    Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
  set('in memory');
}
