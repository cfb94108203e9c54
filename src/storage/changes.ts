import type { Store } from './stores';

/** Tells every view, in this tab and others, that a store changed. */
interface Change {
  store: Store;
  /** Which records, where that is known; otherwise any may have changed. */
  ids?: readonly string[];
}
type Listener = (store: Store, ids?: readonly string[]) => void;
const listeners = new Set<Listener>();
let channel: BroadcastChannel | undefined;

function openChannel(): BroadcastChannel | undefined {
  if (channel === undefined && typeof BroadcastChannel !== 'undefined' && typeof window !== 'undefined') {
    channel = new BroadcastChannel('fox-minute-changes');
    channel.onmessage = ({ data: { store, ids } }: MessageEvent<Change>) =>
      listeners.forEach((listener) => listener(store, ids));
  }
  return channel;
}

export function announce(...stores: Store[]): void {
  for (const store of stores) announceRecords(store);
}

/** The same for records of one store that are known by their ids. */
export function announceRecords(store: Store, ids?: readonly string[]): void {
  listeners.forEach((listener) => listener(store, ids));
  openChannel()?.postMessage({ store, ...(ids && { ids }) } satisfies Change);
}

export function onChange(listener: Listener): () => void {
  openChannel();
  listeners.add(listener);
  return () => listeners.delete(listener);
}
