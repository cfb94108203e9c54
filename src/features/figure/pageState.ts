import * as z from 'zod/mini';
import { type KeyLight, LIGHT_SOURCES, type Look, LOOKS, STUDIO_LIGHT } from '@/core/figure/picture/light';
import { BONES } from '@/core/figure/picture/appearance';
import { loadSetting, saveSetting } from '@/storage/settings';
import { isLayer, type LayerId } from '@/ui/answerKey/layers';
import { isSeenAs, type SeenAs } from '@/ui/ValueFilters';

/** How the figure's page was left: it opens like that again. */
export interface PageState {
  look: Look;
  light: KeyLight;
  layers: LayerId[];
  seenAs: SeenAs;
  /** How much bones show. */
  bones: number;
  /** Whether it wears a suit from neck to ankles. */
  suit: boolean;
}
export const FRESH: PageState = {
  look: 'clay',
  light: STUDIO_LIGHT,
  layers: [],
  seenAs: 'color',
  bones: BONES.usual,
  suit: false,
};

const schema = z.object({
  look: z.enum(LOOKS),
  light: z.object({ azimuthDeg: z.number(), elevationDeg: z.number(), source: z.optional(z.enum(LIGHT_SOURCES)) }),
  layers: z.array(z.string()),
  seenAs: z.string(),
  bones: z._default(z.number().check(z.minimum(BONES.low), z.maximum(BONES.high)), BONES.usual),
  suit: z._default(z.boolean(), false),
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
