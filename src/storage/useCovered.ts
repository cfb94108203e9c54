'use client';
import { loadSetting } from './settings';
import { useStored } from './useStored';

let asked: Promise<boolean> | undefined;
/** Asked by every figure of a grid at once, read once. */
function load(): Promise<boolean> {
  asked ??= loadSetting('covered')
    .then((covered) => covered ?? false)
    .finally(() => (asked = undefined));
  return asked;
}

/**
 * Whether figures wear close-fitting cover, as chosen for shared screens; undefined until that is known, when nothing should show.
 * Where it cannot be known they do.
 */
export function useCovered(): boolean | undefined {
  const { value, problem } = useStored(load, ['settings'], []);
  return problem ? true : value;
}
