import { isDemoSession } from '@/core/demoLearner';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { announce } from './changes';
import { atomically, db, put } from './db';
import type { Stored } from './stores';
import { forgetDemoPages } from './demoPages';
import { imageKey } from './images';
import { forgetOlderRenders } from './references/renders';

/** Put the demo learner's past sessions in. What is already there stays. */
export async function addDemoLearner(nowMs: number): Promise<void> {
  // Only a first visit needs what makes them.
  const [{ demoSessions }, { demoCourse }, { demoMeasured }, { shippedReferences }] = await Promise.all([
    import('@/core/demo'),
    import('@/core/demoShort'),
    import('@/core/demoMeasured'),
    import('@/core/references/referenceFacts'),
  ]);
  const sessions = demoSessions(shippedReferences(BUILT_IN_SET_ID) ?? [], nowMs);
  await atomically(['sessions', 'drawings', 'courses', 'settings'], async (tx) => {
    const add = async <S extends 'sessions' | 'drawings' | 'courses'>(store: S, records: readonly Stored<S>[]) => {
      for (const record of records)
        if ((await tx.objectStore(store).getKey(record.id)) === undefined) await put(tx, store, record);
    };
    await add('sessions', sessions);
    await add('drawings', demoMeasured(sessions, nowMs));
    await add('courses', [demoCourse(nowMs)]);
    await put(tx, 'settings', true, 'seeded');
  });
  announce('sessions', 'drawings', 'courses', 'settings');
}

let seeding: Promise<void> | undefined;

/** On the very first visit only; asked by several views at once, done once. */
export function seedOnFirstVisit(nowMs: number): Promise<void> {
  seeding ??= (async () => {
    const seeded = await (await db()).get('settings', 'seeded');
    if (seeded === undefined) await addDemoLearner(nowMs);
    // Before any page shows a kept picture of a figure, or keeps one.
    await forgetOlderRenders();
  })().catch((error: unknown) => {
    seeding = undefined;
    throw error;
  });
  return seeding;
}

/** Take the demo learner's sessions out again, with the pages added to them; they can be put back at any time. */
export async function removeDemoLearner(): Promise<void> {
  await atomically(['sessions', 'pages', 'drawings', 'courses', 'images', 'strokes'], async (tx) => {
    const demo = (await tx.objectStore('sessions').getAllKeys()).filter((id) => isDemoSession(id));
    for (const id of demo) {
      await tx.objectStore('sessions').delete(id);
      for (const pageId of await tx.objectStore('pages').index('bySession').getAllKeys(id)) {
        await tx.objectStore('pages').delete(pageId);
        await tx.objectStore('images').delete(imageKey('page', pageId));
        await tx.objectStore('images').delete(imageKey('thumbnail', pageId));
      }
      for (const drawingId of await tx.objectStore('drawings').index('bySession').getAllKeys(id))
        await tx.objectStore('drawings').delete(drawingId);
      for (const strokeId of await tx.objectStore('strokes').index('bySession').getAllKeys(id))
        await tx.objectStore('strokes').delete(strokeId);
    }
    for (const id of await tx.objectStore('courses').getAllKeys())
      if (isDemoSession(id)) await tx.objectStore('courses').delete(id);
  });
  forgetDemoPages();
  announce('sessions', 'pages', 'drawings', 'courses', 'strokes');
}

/** How many of the demo learner's sessions are here. */
export async function countDemoSessions(): Promise<number> {
  return (await (await db()).getAllKeys('sessions')).filter((id) => isDemoSession(id)).length;
}

/** Whether the demo learner's sessions are what is looked at: none of the learner's own is here. */
export async function demoIsShowing(): Promise<boolean> {
  const ids = await (await db()).getAllKeys('sessions');
  return ids.length > 0 && ids.every((id) => isDemoSession(id));
}
