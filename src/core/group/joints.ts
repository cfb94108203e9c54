/** Places that a group must not lose: where a body bends. */
export const JOINTS = [
  'left shoulder',
  'right shoulder',
  'left elbow',
  'right elbow',
  'left wrist',
  'right wrist',
  'left outer hip',
  'right outer hip',
  'left knee',
  'right knee',
  'left ankle',
  'right ankle',
] as const;
