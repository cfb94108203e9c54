import { announce } from './changes';
import { db, type Settings } from './db';

export async function loadSetting<K extends keyof Settings>(name: K): Promise<Settings[K] | undefined> {
  return (await (await db()).get('settings', name)) as Settings[K] | undefined;
}

export async function saveSetting<K extends keyof Settings>(name: K, value: Settings[K]): Promise<void> {
  await (await db()).put('settings', value, name);
  announce('settings');
}
