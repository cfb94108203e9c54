import type { Group } from '@/core/group/group';
import { announce } from './changes';
import { atomically, db, put } from './db';

/** Drafts of groups, the one changed last first. */
export async function listGroups(): Promise<Group[]> {
  return (await (await db()).getAll('groups')).sort((a, b) => b.changedAtMs - a.changedAtMs);
}

export async function saveGroup(group: Group): Promise<void> {
  await atomically(['groups'], (tx) => put(tx, 'groups', group));
  announce('groups');
}

/** Take a draft away for good. @returns It, for putting it back. */
export async function removeGroup(id: string): Promise<Group | undefined> {
  const gone = await atomically(['groups'], async (tx) => {
    const group = await tx.objectStore('groups').get(id);
    await tx.objectStore('groups').delete(id);
    return group;
  });
  announce('groups');
  return gone;
}
