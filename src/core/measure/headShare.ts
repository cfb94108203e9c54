import { SURE } from './compare';
import type { Places } from './places';
import type { Spread } from './spread';

/** How much of a head study's height is below the chin: neck and shoulders. */
export interface HeadShare {
  seen: number;
  drawn: Spread;
}

/**
 * Of two heads, how much of their height was given to neck and shoulders.
 * @param seen Places of the reference, and how far down it reaches: as `drawn` those of the drawing, each in its own unit.
 * @returns undefined where crown or chin are not known.
 */
export function headShare(
  seen: { places: Places; bottom: number },
  drawn: { places: Places; bottom: number },
): HeadShare | undefined {
  const shareOf = ({ places, bottom }: typeof seen): Spread | undefined => {
    const [crown, chin] = [places.get('crown'), places.get('chin')];
    if (!crown || !chin) return undefined;
    const [whole, below] = [bottom - crown.at[1], bottom - chin.at[1]];
    if (whole <= 0) return undefined;
    const value = Math.max(0, below / whole);
    // By the chin, and by the crown as far as the whole depends on it.
    return { value, sigma: Math.hypot(chin.sigma / whole, (value * crown.sigma) / whole) };
  };
  const [there, here] = [shareOf(seen), shareOf(drawn)];
  return there && here && { seen: there.value, drawn: here };
}

/** It as a sentence. */
export function headShareSentence({ seen, drawn }: HeadShare): string {
  const percent = (share: number): string => `${String(Math.round(share * 100))} %`;
  const reach = Math.max(1, Math.round(SURE * drawn.sigma * 100));
  const told = Math.abs(drawn.value - seen) > SURE * drawn.sigma;
  return `Neck and shoulders have ${percent(drawn.value)} ± ${String(reach)} of the height; ${percent(seen)} in the picture${told ? '' : ', no difference that can be told'}.`;
}
