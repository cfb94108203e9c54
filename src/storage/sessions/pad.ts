import { type Pad, padSchema } from '@/core/journal/pad';
import { loadSetting, saveSetting } from '@/storage/settings';

/** What was left in the pad when its sheets were counted; undefined where they never were, or that is not readable any more. */
export async function loadPad(): Promise<Pad | undefined> {
  const kept = await loadSetting('pad');
  if (kept === undefined) return undefined;
  try {
    return padSchema.safeParse(JSON.parse(kept)).data;
  } catch {
    return undefined;
  }
}

export const savePad = (pad: Pad): Promise<void> => saveSetting('pad', JSON.stringify(padSchema.parse(pad)));
