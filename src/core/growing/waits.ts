import * as z from 'zod/mini';
import { USUAL_WAITS } from './again';

const waitsSchema = z.array(z.int().check(z.minimum(1), z.maximum(3650))).check(z.minLength(1), z.maxLength(6));
const countsSchema = z.object({ asked: z.int().check(z.minimum(0)), right: z.int().check(z.minimum(0)) });
/** How often it was asked which of two drawings is the newer, and how often that was told right. */
export type BlindCounts = z.infer<typeof countsSchema>;

const parsed = <T>(schema: z.ZodMiniType<T>, kept: string | undefined, otherwise: T): T => {
  try {
    return schema.parse(JSON.parse(kept ?? ''));
  } catch {
    return otherwise;
  }
};

/** Days after which a picture returns, rising; as they come where nothing that can be read is kept. */
export const readWaits = (kept: string | undefined): number[] =>
  [...parsed(waitsSchema, kept, [...USUAL_WAITS])].sort((a, b) => a - b);
export const writeWaits = (waits: readonly number[]): string => JSON.stringify(waitsSchema.parse(waits));

export const readBlind = (kept: string | undefined): BlindCounts => parsed(countsSchema, kept, { asked: 0, right: 0 });

/** One more answer. */
export const answeredBlind = (kept: string | undefined, right: boolean): string => {
  const before = readBlind(kept);
  return JSON.stringify({ asked: before.asked + 1, right: before.right + (right ? 1 : 0) });
};

/** "7 of 10 times you knew the newer one." */
export const blindWords = ({ asked, right }: BlindCounts): string =>
  asked === 0 ? 'Not asked yet.' : `You knew the newer one ${String(right)} of ${String(asked)} times.`;
