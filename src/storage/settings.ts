import { SETTINGS, type Settings } from '@/core/settings';
import type * as z from 'zod/mini';
import { announce } from './changes';
import { atomically, changeRecord, db, put } from './db';

/** A setting as it was left; undefined where it never was, or is not one it may be. */
function readSetting<K extends keyof Settings>(name: K, kept: unknown): Settings[K] | undefined {
  return (SETTINGS[name] as unknown as z.ZodMiniType<Settings[K]>).safeParse(kept).data;
}

export async function loadSetting<K extends keyof Settings>(name: K): Promise<Settings[K] | undefined> {
  return readSetting(name, await (await db()).get('settings', name));
}

/** Change a setting by what it was, in one transaction: two changes at once do not undo each other. */
export async function changeSetting<K extends keyof Settings>(
  name: K,
  change: (before: Settings[K] | undefined) => Settings[K],
): Promise<void> {
  await changeRecord('settings', name, (before) => change(readSetting(name, before)), { named: true });
  announce('settings');
}

/** Write a setting. Asked to be written at once, so that it also gets there from a page that is being left. */
export async function saveSetting<K extends keyof Settings>(name: K, value: Settings[K]): Promise<void> {
  await atomically(['settings'], async (tx) => {
    const written = put(tx, 'settings', value, name);
    tx.commit();
    await written;
  });
  announce('settings');
}

/** Put every setting back to how it comes; what is kept stays. The demo learner does not come back by itself. */
export async function resetSettings(): Promise<void> {
  await atomically(['settings'], async (tx) => {
    await tx.objectStore('settings').clear();
    await put(tx, 'settings', true, 'seeded');
  });
  announce('settings');
}
