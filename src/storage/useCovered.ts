'use client';
import { loadSetting } from './settings';
import { useStored } from './useStored';

const load = async (): Promise<boolean> => (await loadSetting('covered')) ?? false;

/** Whether figures wear close-fitting cover, as chosen for shared screens; undefined until that is known, when nothing should show. */
export function useCovered(): boolean | undefined {
  return useStored(load, ['settings'], []).value;
}
