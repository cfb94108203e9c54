/** Whether motion is to be spared, as the system is set. */
export const wantsStill = (): boolean => matchMedia('(prefers-reduced-motion: reduce)').matches;
