/** The parts of the body that facts are told of. */
export const PARTS = [
  'torso',
  'head',
  'uarm.L',
  'farm.L',
  'hand.L',
  'uarm.R',
  'farm.R',
  'hand.R',
  'thigh.L',
  'calf.L',
  'foot.L',
  'thigh.R',
  'calf.R',
  'foot.R',
] as const;
export type Part = (typeof PARTS)[number];

export const partNumber = (part: Part): number => PARTS.indexOf(part);
