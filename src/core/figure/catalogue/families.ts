/** Families of poses, in the order they are shown. */
export const FAMILIES = [
  'standing even',
  'weight shifted',
  'walking or running',
  'reaching or pulling',
  'bending',
  'kneeling or crouching',
  'seated',
  'reclining',
  'balancing',
  'two-handed work',
] as const;
export type Family = (typeof FAMILIES)[number];
