import { capital } from '../words';
import { bandOf } from './bands';
import { type Compared, contrastKept, SURE } from './compare';

const percent = (share: number): string => {
  const value = Math.abs(share * 100);
  return `${value < 10 ? value.toFixed(1).replace(/\.0$/, '') : String(Math.round(value))} %`;
};
const degrees = (deg: number): string => `${String(Math.round(Math.abs(deg)))}°`;
const PLURAL = new Set(['legs', 'legs from the middle']);
const is = (id: string): string => (PLURAL.has(id) ? 'are' : 'is');

/** What a difference is called, without its size. */
function way({ measure: { id, unit }, off, seen }: Compared): string {
  if (unit === 'deg') {
    if (!id.startsWith('tilt')) return off.value > 0 ? 'too far counterclockwise' : 'too far clockwise';
    return Math.abs(seen.value + off.value) < Math.abs(seen.value) ? 'flatter' : 'steeper';
  }
  const long = /legs|arm|thigh|leg|waist/.test(id);
  return off.value > 0 ? (long ? 'too long' : 'too large') : long ? 'too short' : 'too small';
}

/** How large a difference is and how sure: "14 % ± 3". */
export function sizeOf({ measure: { unit }, off }: Pick<Compared, 'measure' | 'off'>): string {
  const reach = SURE * off.sigma;
  if (unit === 'deg') return `${degrees(off.value)} ± ${String(Math.max(1, Math.round(reach)))}`;
  return `${percent(off.value)} ± ${(reach * 100).toFixed(reach < 0.1 ? 1 : 0).replace(/\.0$/, '')}`;
}

/** The two measures that are plain numbers, in words of their own. */
function ratioSentence({ measure: { id }, seen, drawn, off }: Compared): string {
  if (id === 'heads')
    return `From crown to ankle the figure is ${drawn.value.toFixed(1)} heads; ${seen.value.toFixed(1)} are seen.`;
  const [here, there] = [drawn, seen].map(({ value }) => (value * 100).toFixed(0));
  return `The middle of the body lies too ${off.value > 0 ? 'low' : 'high'}: ${here} % down from crown to ankle, where ${there} % are seen.`;
}

/** One measure as a sentence. */
export function sentenceOf(compared: Compared): string {
  const { measure, verdict, unsure } = compared;
  if (measure.unit === 'ratio' && verdict !== 'none') return ratioSentence(compared);
  const name = capital(measure.name);
  if (verdict === 'none') return `${name}: no difference that can be told.`;
  const ending =
    verdict === 'within'
      ? measure.unit === 'share' && bandOf(measure.id).hurts !== 0
        ? ', on the right side'
        : ', of no account'
      : verdict === 'wrong side'
        ? ', on the wrong side'
        : ', more than it may be';
  return `${name} ${is(measure.id)} ${sizeOf(compared)} ${way(compared)}${ending}${unsure ? ', perhaps' : ''}.`;
}

/** Beyond its band by how many bands: what is worth a word first. */
function weight({ measure, off, verdict, unsure }: Compared): number {
  if (verdict === 'none' || verdict === 'within') return 0;
  const size =
    measure.unit === 'deg'
      ? Math.abs(off.value) / 8
      : Math.abs(off.value) / Math.max(0.03, off.value > 0 ? bandOf(measure.id).high : -bandOf(measure.id).low);
  return size * (unsure ? 0.5 : 1) * (verdict === 'wrong side' ? 2 : 1);
}

/** The first thing to say of a drawing: the largest difference that hurts, or that none does. */
export function firstSentence(compared: readonly Compared[]): string {
  if (compared.length === 0) return 'Too few points are known to say anything yet.';
  const kept = contrastKept(compared);
  const [worst] = [...compared].filter(({ measure }) => measure.unit !== 'ratio').sort((a, b) => weight(b) - weight(a));
  if (worst && weight(worst) > 0) return sentenceOf(worst);
  if (kept && kept.value + SURE * kept.sigma < 0.85) return contrastSentence(kept);
  return 'Nothing of what was measured is off by more than it may be.';
}

/** How much of the contrast between shoulders and hips was kept. */
export function contrastSentence(kept: NonNullable<ReturnType<typeof contrastKept>>): string {
  const reach = Math.round(SURE * kept.sigma * 100);
  const share = Math.round(kept.value * 100);
  if (kept.value < 0)
    return `Shoulders and hips tilt the other way against each other than they do (± ${String(reach)} %).`;
  return `${String(share)} % ± ${String(reach)} of the contrast between shoulders and hips is kept: ${degrees(kept.drawnDeg)} of ${degrees(kept.seenDeg)}.`;
}
