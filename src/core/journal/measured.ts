import * as z from 'zod/mini';
import { momentSchema } from '../moment';
import type { Compared } from '../measure/compare';

/** What is remembered of a drawing that was measured: what habits can be read from. */
const REMEMBERED = [
  'head',
  'legs',
  'legs from the middle',
  'waist',
  'tilt of the shoulders',
  'tilt of the hips',
] as const;

const finite = z.number().check(z.minimum(-1e6), z.maximum(1e6));

/** What was measured of a drawing: off is a share of what is seen, or degrees, as the measure has it. */
export const measuredSchema = z.object({
  atMs: momentSchema,
  of: z
    .array(
      z.object({
        id: z.enum(REMEMBERED),
        seen: finite,
        off: finite,
        sigma: z.number().check(z.minimum(1e-9), z.maximum(1e6)),
      }),
    )
    .check(z.maxLength(REMEMBERED.length)),
  /** It was squeezed at an edge of its sheet. */
  squeezed: z.optional(z.boolean()),
});
export type Measured = z.infer<typeof measuredSchema>;

/** The least error that is believed, in the unit of the measure. */
const LEAST_SIGMA = 1e-4;

/**
 * What is remembered of what was compared; undefined where nothing of it is.
 * @param atMs When it was measured.
 */
export function rememberedOf(compared: readonly Compared[], squeezed: boolean, atMs: number): Measured | undefined {
  const of = compared.flatMap(({ measure, seen, off }) => {
    const id = REMEMBERED.find((one) => one === measure.id);
    return id && Number.isFinite(off.value)
      ? [{ id, seen: seen.value, off: off.value, sigma: Math.max(LEAST_SIGMA, off.sigma) }]
      : [];
  });
  return of.length > 0 ? { atMs, of, ...(squeezed && { squeezed }) } : undefined;
}

/** Whether two say the same, whenever they were measured. */
export const sameMeasured = (a: Measured | undefined, b: Measured | undefined): boolean =>
  JSON.stringify([a?.of, a?.squeezed]) === JSON.stringify([b?.of, b?.squeezed]);
