import { figureReferenceId, SHIPPED_FIGURES } from '@/core/figure/reference';
import { demoSessions } from '@/core/demo';
import { announce } from './changes';
import { db } from './db';
import { referenceFacts } from './references';

/** Put the demo learner's past sessions in. What is already there stays. */
export async function addDemoLearner(nowMs: number): Promise<void> {
  const sessions = demoSessions(
    SHIPPED_FIGURES.map((f) => referenceFacts(figureReferenceId(f))),
    nowMs,
  );
  const tx = (await db()).transaction(['sessions', 'settings'], 'readwrite');
  for (const session of sessions)
    if ((await tx.objectStore('sessions').getKey(session.id)) === undefined)
      await tx.objectStore('sessions').put(session);
  await tx.objectStore('settings').put(true, 'seeded');
  await tx.done;
  announce('sessions', 'settings');
}

let seeding: Promise<void> | undefined;

/** On the very first visit only; asked by several views at once, done once. */
export function seedOnFirstVisit(nowMs: number): Promise<void> {
  seeding ??= (async () => {
    const seeded = await (await db()).get('settings', 'seeded');
    if (seeded === undefined) await addDemoLearner(nowMs);
  })().catch((error: unknown) => {
    seeding = undefined;
    throw error;
  });
  return seeding;
}
