import { announce } from './changes';
import { db, type Settings } from './db';

export async function loadSetting<K extends keyof Settings>(name: K): Promise<Settings[K] | undefined> {
  return (await (await db()).get('settings', name)) as Settings[K] | undefined;
}

/** Change a setting by what it was, in one transaction: two changes at once do not undo each other. */
export async function changeSetting<K extends keyof Settings>(
  name: K,
  change: (before: Settings[K] | undefined) => Settings[K],
): Promise<void> {
  const tx = (await db()).transaction('settings', 'readwrite');
  await tx.store.put(change((await tx.store.get(name)) as Settings[K] | undefined), name);
  await tx.done;
  announce('settings');
}

export async function saveSetting<K extends keyof Settings>(name: K, value: Settings[K]): Promise<void> {
  await (await db()).put('settings', value, name);
  announce('settings');
}
