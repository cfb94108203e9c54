import * as z from 'zod/mini';
import { type KeyLight, LIGHT_SOURCES, type Look, LOOKS, STUDIO_LIGHT } from '@/core/figure/picture/light';
import { loadSetting, saveSetting } from '@/storage/settings';
import { isLayer, type LayerId } from '@/ui/answerKey/layers';
import { isSeenAs, type SeenAs } from '@/ui/ValueFilters';

/** How the figure's page was left: it opens like that again. */
export interface PageState {
  look: Look;
  light: KeyLight;
  layers: LayerId[];
  seenAs: SeenAs;
}
export const FRESH: PageState = { look: 'clay', light: STUDIO_LIGHT, layers: [], seenAs: 'color' };

const schema = z.object({
  look: z.enum(LOOKS),
  light: z.object({ azimuthDeg: z.number(), elevationDeg: z.number(), source: z.optional(z.enum(LIGHT_SOURCES)) }),
  layers: z.array(z.string()),
  seenAs: z.string(),
});

export async function loadPageState(): Promise<PageState> {
  const text = await loadSetting('figurePage');
  try {
    const state = schema.parse(JSON.parse(text ?? ''));
    return {
      ...state,
      layers: state.layers.filter(isLayer),
      seenAs: isSeenAs(state.seenAs) ? state.seenAs : 'color',
    };
  } catch {
    return FRESH;
  }
}

export const savePageState = (state: PageState): Promise<void> => saveSetting('figurePage', JSON.stringify(state));
