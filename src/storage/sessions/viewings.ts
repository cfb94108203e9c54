import { freshViewing, type Viewing } from '@/core/journal/viewing';
import { announce } from '@/storage/changes';
import { changeRecord, db } from '@/storage/db';

/** How a reference was seen last; fresh where it never was. */
export async function loadViewing(id: string): Promise<Viewing> {
  return (await (await db()).get('viewings', id)) ?? freshViewing(id);
}

export async function changeViewing(id: string, change: (before: Viewing) => Viewing): Promise<void> {
  await changeRecord('viewings', id, (before) => change(before ?? freshViewing(id)));
  announce('viewings');
}
