/** What a session can be after. */
export const AIM_IDS = [
  'everything',
  'loosen',
  'proportion',
  'landmarks',
  'contour',
  'memory',
  'light',
  'hands',
  'speed',
] as const;
export type Aim = (typeof AIM_IDS)[number];
