import type { Store } from './db';

/** Tells every view, in this tab and others, that a store changed. */
type Listener = (store: Store) => void;
const listeners = new Set<Listener>();
let channel: BroadcastChannel | undefined;

function openChannel(): BroadcastChannel | undefined {
  if (channel === undefined && typeof BroadcastChannel !== 'undefined' && typeof window !== 'undefined') {
    channel = new BroadcastChannel('fox-minute-changes');
    channel.onmessage = (event: MessageEvent<Store>) => listeners.forEach((listener) => listener(event.data));
  }
  return channel;
}

export function announce(...stores: Store[]): void {
  for (const store of stores) {
    listeners.forEach((listener) => listener(store));
    openChannel()?.postMessage(store);
  }
}

export function onChange(listener: Listener): () => void {
  openChannel();
  listeners.add(listener);
  return () => listeners.delete(listener);
}
