/** What was done, the last at the end, and what was undone of it, the last undone at the end. */
export interface Steps<T> {
  past: readonly T[];
  future: readonly T[];
}

/** Nothing was done yet. */
export const NO_STEPS: Steps<never> = { past: [], future: [] };

/**
 * One more is done; what was undone cannot be done again after it.
 * @param most So many can be undone; the oldest are forgotten.
 */
export const afterDoing = <T>({ past }: Steps<T>, step: T, most: number): Steps<T> => ({
  past: [...past, step].slice(-most),
  future: [],
});

/**
 * The last is undone.
 * @param turned The step as it is to be done again, where that is another; what is left as it is says itself how.
 * @returns The steps as they were when there is nothing to undo.
 */
export function afterUndoing<T>(steps: Steps<T>, turned: (step: T) => T = (step) => step): Steps<T> {
  const last = steps.past.at(-1);
  return last === undefined ? steps : { past: steps.past.slice(0, -1), future: [...steps.future, turned(last)] };
}

/** What was undone last is done again: as `afterUndoing`, the other way. */
export function afterRedoing<T>(steps: Steps<T>, turned: (step: T) => T = (step) => step): Steps<T> {
  const { past, future } = afterUndoing({ past: steps.future, future: steps.past }, turned);
  return { past: future, future: past };
}

/** What was done last, and when, milliseconds of any one clock. */
export interface Done {
  what: string | undefined;
  atMs: number;
}
export const NOTHING_DONE: Done = { what: undefined, atMs: 0 };

const ONE_STEP_MS = 900;

/** Whether it goes on with what was done last: the same, so soon after, is one step, such as a drag or typing. */
export const goesOn = (last: Done, { what, atMs }: Done): boolean =>
  what !== undefined && what === last.what && atMs - last.atMs < ONE_STEP_MS;
