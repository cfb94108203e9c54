import * as z from 'zod/mini';
import { type Store, STORES } from './stores';

/** Tells every view, in this tab and others, that a store changed. */
const changeSchema = z.object({
  store: z.enum(STORES as [Store, ...Store[]]),
  /** Which records, where that is known; otherwise any may have changed. */
  ids: z.optional(z.array(z.string())),
});
type Change = z.infer<typeof changeSchema>;
type Listener = (store: Store, ids?: readonly string[]) => void;
const listeners = new Set<Listener>();
let channel: BroadcastChannel | undefined;

function openChannel(): BroadcastChannel | undefined {
  if (channel === undefined && typeof BroadcastChannel !== 'undefined' && typeof window !== 'undefined') {
    channel = new BroadcastChannel('fox-minute-changes');
    channel.onmessage = ({ data }: MessageEvent<unknown>) => {
      // A tab of another version may say what this one does not know.
      const change = changeSchema.safeParse(data).data;
      if (change) listeners.forEach((listener) => listener(change.store, change.ids));
    };
  }
  return channel;
}

export function announce(...stores: Store[]): void {
  for (const store of stores) announceRecords(store);
}

/** The same for records of one store that are known by their ids. */
export function announceRecords(store: Store, ids?: readonly string[]): void {
  listeners.forEach((listener) => listener(store, ids));
  openChannel()?.postMessage({ store, ...(ids && { ids: [...ids] }) } satisfies Change);
}

export function onChange(listener: Listener): () => void {
  openChannel();
  listeners.add(listener);
  return () => listeners.delete(listener);
}
