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
/** Families of poses of which only a part of the body is shown. */
export const PART_FAMILIES = ['heads', 'hands', 'feet', 'torsos and backs'] as const;
export type PartFamily = (typeof PART_FAMILIES)[number];
export type WholeFamily = (typeof FAMILIES)[number];
export type Family = WholeFamily | PartFamily;

/** Whether what a family shows can wear anything: a head, a hand and a foot are as they are. */
export const hasCover = (family: string): boolean => !isPartFamily(family) || family === 'torsos and backs';

/** Whether a family shows only a part of the body. */
export const isPartFamily = (family: string): family is PartFamily => PART_FAMILIES.some((name) => name === family);
