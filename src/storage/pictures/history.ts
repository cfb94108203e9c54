import type { Picture, PictureSet } from '@/core/references/picture';
import { afterDoing, afterRedoing, afterUndoing, NO_STEPS, type Steps } from '@/core/undo';
import { changePictures, loadSet, type PictureChange, saveSet } from './pictures';

/** Something done to the library that can be undone and done again. */
export interface Done {
  /** "3 pictures tagged": said when it is undone or done again. */
  words: string;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  /** Steps with the same key, one soon after the other, become one step: typing. */
  mergeKey?: string | undefined;
}

/** So many steps can be undone. */
const MOST = 100;
let steps: Steps<Done> = NO_STEPS;
let lastAtMs = 0;
/** Typing with pauses shorter than this is one step. */
const MERGE_MS = 10_000;

/** Adds a step that can be undone. */
export function remember(done: Done): void {
  const last = steps.past.at(-1);
  const nowMs = performance.now();
  const merges = done.mergeKey !== undefined && last?.mergeKey === done.mergeKey && nowMs - lastAtMs < MERGE_MS;
  lastAtMs = nowMs;
  steps = merges
    ? { past: [...steps.past.slice(0, -1), { ...done, undo: last.undo }], future: [] }
    : afterDoing(steps, done, MOST);
}

/** Undo the last thing done, in this tab. @returns What it was, or undefined when there is nothing. */
export async function undoLast(): Promise<Done | undefined> {
  const last = steps.past.at(-1);
  if (!last) return undefined;
  await last.undo();
  steps = afterUndoing(steps);
  return last;
}

export async function redoLast(): Promise<Done | undefined> {
  const next = steps.future.at(-1);
  if (!next) return undefined;
  await next.redo();
  steps = afterRedoing(steps);
  return next;
}

const putBack = async (changes: readonly PictureChange[], side: 'before' | 'after'): Promise<void> => {
  const fields = new Map(changes.map((c) => [c.id, c[side]]));
  await changePictures([...fields.keys()], ({ id }) => fields.get(id) as Partial<Picture>);
};

/** Change pictures so that it can be undone. */
export async function alterPictures(
  words: string,
  ids: readonly string[],
  update: (picture: Picture) => Partial<Picture>,
  mergeKey?: string,
): Promise<void> {
  const changes = await changePictures(ids, update);
  if (changes.length === 0) return;
  remember({
    words,
    mergeKey,
    undo: () => putBack(changes, 'before'),
    redo: () => putBack(changes, 'after'),
  });
}

/** Change a set, or make it, so that it can be undone; one just made goes into the bin again. */
export async function alterSet(words: string, after: PictureSet, nowMs: number, mergeKey?: string): Promise<void> {
  const before = await loadSet(after.id);
  await saveSet(after);
  remember({
    words,
    mergeKey,
    undo: () => saveSet(before ?? { ...after, binnedAtMs: nowMs }),
    redo: () => saveSet(after),
  });
}
