import { freshViewing, type Viewing, viewingSchema } from '@/core/journal/viewing';
import { announce } from '@/storage/changes';
import { db } from '@/storage/db';

/** How a reference was seen last; fresh where it never was. */
export async function loadViewing(id: string): Promise<Viewing> {
  return (await (await db()).get('viewings', id)) ?? freshViewing(id);
}

export async function changeViewing(id: string, change: (before: Viewing) => Viewing): Promise<void> {
  const tx = (await db()).transaction('viewings', 'readwrite');
  const before = (await tx.store.get(id)) ?? freshViewing(id);
  await tx.store.put(viewingSchema.parse(change(before)));
  await tx.done;
  announce('viewings');
}
