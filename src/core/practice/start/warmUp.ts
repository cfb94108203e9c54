/** Whole pages of lines, in order: from the easy direction to the loose hand. */
export const LINE_MOTIFS = ['Verticals', 'Horizontals', 'Diagonals', 'Quick curves', 'Figure eights'] as const;

/** What a page of lines is expected to take. */
export const LINE_PAGE_MS = 40_000;

/** Body moves from the hand inward. */
export const BODY_MOVES = [
  { name: 'Shake the hands out', hint: 'Loose wrists, let the arms hang.' },
  { name: 'Stretch each finger', hint: 'One after the other, gently.' },
  { name: 'Open and close the hands', hint: 'Wide open, then soft fists.' },
  { name: 'Circle the wrists', hint: 'Both ways, small to large.' },
  { name: 'Bend and straighten the elbows', hint: 'Turn the palms as you go.' },
  { name: 'Roll the shoulders', hint: 'Up, back, down. Slowly.' },
  { name: 'Round and arch the back', hint: 'Only as far as is comfortable.' },
  { name: 'Turn the head from side to side', hint: 'Chin level. Breathe out at each end.' },
] as const;

/** Pictures of each move: their file name, how many there are, and whether an arm leaves them at the upper or lower right. */
export const MOVE_PICTURES: Readonly<Record<string, { file: string; frames: number; armLeaves?: 'above' | 'below' }>> =
  {
    'Shake the hands out': { file: 'shake-hands', frames: 2, armLeaves: 'above' },
    'Stretch each finger': { file: 'stretch-fingers', frames: 3, armLeaves: 'below' },
    'Open and close the hands': { file: 'open-and-close', frames: 2, armLeaves: 'below' },
    'Circle the wrists': { file: 'circle-wrists', frames: 3, armLeaves: 'below' },
    'Bend and straighten the elbows': { file: 'bend-elbows', frames: 2 },
    'Roll the shoulders': { file: 'roll-shoulders', frames: 3 },
    'Round and arch the back': { file: 'round-and-arch', frames: 2 },
    'Turn the head from side to side': { file: 'turn-head', frames: 3 },
  };

/** What paced breaths are called, and how many at which pace they begin as: the day is left, drawing is come to. */
export const BREATHS = { name: 'Breathe', hint: 'In over the rise, out over the fall. Leave the day behind.' } as const;
export const USUAL_BREATHS = 5;
export const USUAL_BREATH_MS = 10_000;
