'use client';
import type { ReadLine } from '@/core/practice/line/readLine';
import type { Plan } from '@/core/practice/plan/schema';
import { nextAtMinute } from '@/core/clock/keepToEnd';
import { type Stored, useStored } from '@/storage/hooks/useStored';

/** A session said in a line, with pictures; it ends when the line says. Undefined while it is being put together. */
export function useSaidPlan(read: ReadLine | { problem: string } | undefined, nowMs: number): Stored<Plan | undefined> {
  const found = read && !('problem' in read) ? read : undefined;
  return useStored(
    async () => {
      if (!found) return undefined;
      const { planWithPictures } = await import('@/storage/references/planWithPictures');
      const { recipe, untilMinute } = found;
      const plan = await planWithPictures(recipe, nowMs);
      return untilMinute === undefined ? plan : { ...plan, finishAtMs: nextAtMinute(untilMinute, nowMs) };
    },
    ['pictures', 'sets'],
    [found],
  );
}
